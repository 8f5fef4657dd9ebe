import { z } from 'zod';
import { MOST_TREATMENTS } from '../../color/palette';
import type { Problem } from '../../result/result';
import { blockShadow } from '../treatments/block-shadow';
import { engravedLines } from '../treatments/engraved-lines';
import { etched } from '../treatments/etched';
import { gradient } from '../treatments/gradient';
import { halo } from '../treatments/halo';
import { inline } from '../treatments/inline';
import { insetLine } from '../treatments/inset-line';
import { brandLook } from '../treatments/brand-look';
import { byHand } from '../treatments/by-hand';
import { knitted } from '../treatments/knitted';
import { knockOut } from '../treatments/knock-out';
import { metal } from '../treatments/metal';
import { offsetShadow } from '../treatments/offset-shadow';
import { outOfRegister } from '../treatments/out-of-register';
import { outlineBand } from '../treatments/outline-band';
import { outlineOnly } from '../treatments/outline-only';
import { roughEdge } from '../treatments/rough-edge';
import { separation } from '../treatments/separation';
import { slices } from '../treatments/slices';
import { steppingOutlines } from '../treatments/stepping-outlines';
import { stitchedEdge } from '../treatments/stitched-edge';
import { weldingBand } from '../treatments/welding-band';
import { fadingCopies } from '../treatments/fading-copies';
import { feather } from '../treatments/feather';
import { halftone } from '../treatments/halftone';
import { innerShadow } from '../treatments/inner-shadow';
import { perspective } from '../treatments/perspective';
import { relief } from '../treatments/relief';
import { softShadow } from '../treatments/soft-shadow';
import { wear } from '../treatments/wear';
import type { InOneColor, Layers, TreatContext, Treated, TreatmentControl, TreatmentHandle } from './treatment';

/** Every kind of treatment, one row each; a new one is one file in `treatments/` and one row here. */
export const treatmentKinds = {
  'outline-band': outlineBand,
  'welding-band': weldingBand,
  'inset-line': insetLine,
  'outline-only': outlineOnly,
  'block-shadow': blockShadow,
  'offset-shadow': offsetShadow,
  'stepping-outlines': steppingOutlines,
  'engraved-lines': engravedLines,
  etched,
  inline,
  gradient,
  metal,
  slices,
  'stitched-edge': stitchedEdge,
  knitted,
  'rough-edge': roughEdge,
  'out-of-register': outOfRegister,
  'soft-shadow': softShadow,
  'inner-shadow': innerShadow,
  separation,
  relief,
  feather,
  wear,
  'by-hand': byHand,
  halftone,
  'fading-copies': fadingCopies,
  perspective,
  halo,
  'knock-out': knockOut,
  'brand-look': brandLook,
} as const;

type Kinds = typeof treatmentKinds;
export type TreatmentKindName = keyof Kinds;
/** Those that need nothing beside themselves: a kept look is worn by its name. */
export const OWN_TREATMENTS = (Object.keys(treatmentKinds) as TreatmentKindName[]).filter((kind) => kind !== 'brand-look');
export type KnownTreatment = { [K in TreatmentKindName]: z.infer<Kinds[K]['schema']> }[TreatmentKindName];
/** A treatment that this version does not understand, kept whole. */
export interface NewerTreatment {
  readonly kind: 'newer';
  readonly id: string;
  readonly hidden: boolean;
  readonly original: Readonly<Record<string, unknown>>;
}
export type Treatment = KnownTreatment | NewerTreatment;

const knownSchema = z.discriminatedUnion(
  'kind',
  Object.values(treatmentKinds).map(({ schema }) => schema) as unknown as [z.ZodObject<{ kind: z.ZodLiteral<string> }>],
) as unknown as z.ZodType<KnownTreatment>;

const isTreatmentKind = (kind: unknown): kind is TreatmentKindName => typeof kind === 'string' && kind in treatmentKinds;

/** Fields of a kind that are not of this version: they were written by a newer one. */
function isNewer(raw: Readonly<Record<string, unknown>>): boolean {
  if (!isTreatmentKind(raw['kind'])) return true;
  const read = knownSchema.safeParse(raw);
  return !read.success && read.error.issues.every(({ code }) => code === 'unrecognized_keys');
}

/** One treatment as it is stored. What a newer version wrote is kept whole, not drawn, and read again when it can be. */
export const treatmentSchema = z
  .looseObject({ kind: z.string().min(1).max(64), id: z.string().min(1).max(64) })
  .transform((raw, context): Treatment => {
    const inner = raw.kind === 'newer' ? raw['original'] : undefined;
    const original = (inner !== null && typeof inner === 'object' ? inner : raw) as Readonly<Record<string, unknown>>;
    if (isNewer(original)) return { kind: 'newer', id: raw.id, hidden: original['hidden'] === true, original };
    const read = knownSchema.safeParse(original);
    if (read.success) return read.data;
    for (const issue of read.error.issues) context.addIssue({ ...issue, code: 'custom' });
    return z.NEVER;
  });

/** A part's treatments in order: the first works on the part, each next one on what the one before it left. */
export const treatmentsSchema = z.array(treatmentSchema as unknown as z.ZodType<Treatment, unknown>).max(MOST_TREATMENTS);

interface Row {
  readonly label: string;
  readonly words: readonly string[];
  readonly hint: string;
  readonly describe: (treatment: KnownTreatment) => string;
  readonly controls: readonly TreatmentControl[];
  readonly handles?: readonly TreatmentHandle[];
  readonly inOneColor: InOneColor;
  readonly lit?: true;
  readonly treat: (treatment: KnownTreatment, layers: Layers, context: TreatContext) => Treated;
  readonly quick?: 'unchecked' | ((treatment: KnownTreatment, layers: Layers, context: TreatContext) => Treated);
}

/** The row of a kind. A treatment always carries the kind of its own row, which the type system cannot follow through a lookup. */
export const treatmentRow = (kind: TreatmentKindName): Row => treatmentKinds[kind] as unknown as Row;
export const isKnownTreatment = (treatment: Treatment): treatment is KnownTreatment => treatment.kind !== 'newer';

/** What a treatment is called. */
export const treatmentLabel = (treatment: Treatment): string =>
  isKnownTreatment(treatment) ? treatmentRow(treatment.kind).label : 'Not understood';
/** What a treatment does, in a few words. */
export const describeTreatment = (treatment: Treatment): string =>
  isKnownTreatment(treatment)
    ? treatmentRow(treatment.kind).describe(treatment)
    : `“${String(treatment.original['kind'])}”, made by a newer version`;

export const notUnderstoodTreatment: Problem = {
  code: 'treatment-newer',
  message: 'One of its treatments was made by a newer version. It is kept, but not shown.',
  fix: 'Open the mark with the newer version, or remove the treatment.',
};

/** A treatment of a kind as it begins. */
export const newTreatment = (kind: TreatmentKindName, id: string, own: Readonly<Record<string, unknown>> = {}): KnownTreatment =>
  knownSchema.parse({ kind, id, ...own });

/** Whether any of some treatments looks at the light. */
export const looksAtLight = (treatments: readonly Treatment[] = []): boolean =>
  treatments.some((each) => isKnownTreatment(each) && treatmentRow(each.kind).lit);
