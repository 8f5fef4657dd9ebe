import type { Paint } from '../drawing/paint';
import { limitsInSchema, type NumberLimits } from '../recipe/schema-numbers';
import { strokeTimes } from './hand-strokes';
import { MOST_TREATMENTS } from '../../color/palette';
import {
  isKnownTreatment,
  newTreatment,
  treatmentKinds,
  treatmentRow,
  type KnownTreatment,
  type Treatment,
  type TreatmentKindName,
} from './registry';

/** A list of treatments, as an edit of it takes and gives one. */
export type Treatments = readonly Treatment[];
export type TreatmentsEdit = (before: Treatments) => Treatments;

/** The limits of a number of a treatment, as its schema says them. */
export function treatmentLimits(kind: TreatmentKindName, field: string): NumberLimits | undefined {
  const { shape } = treatmentKinds[kind].schema as { readonly shape: Readonly<Record<string, Parameters<typeof limitsInSchema>[0]>> };
  return limitsInSchema(shape[field]);
}

/** The first of `t-1`, `t-2` … that no treatment of a list is called. */
export function freeTreatmentId(list: Treatments): string {
  const taken = new Set(list.map(({ id }) => id));
  for (let n = 1; ; n++) if (!taken.has(`t-${n}`)) return `t-${n}`;
}

/** Heights of parts, in pixels, that the beginnings of treatments are made for. */
const MADE_FOR_PX = 90;

/** A length that suits a part: two digits, within its limits. */
function suited(value: number, by: number, limits: NumberLimits | undefined): number {
  const scaled = Number((value * by).toPrecision(2));
  return Math.min(limits?.max ?? Infinity, Math.max(limits?.min ?? -Infinity, scaled));
}

/** A treatment with its lengths made for a part of a height, in the part's own pixels; those of a common height stay as they are. */
export function suitedTo(treatment: KnownTreatment, heightPx: number): KnownTreatment {
  const by = heightPx / MADE_FOR_PX;
  return !(by > 0) || (by > 0.6 && by < 1.7) ? treatment : (lengthsTimes(treatment, by) as KnownTreatment);
}

/** A treatment with all its lengths so many times as long, within their limits. */
export function lengthsTimes(treatment: Treatment, by: number): Treatment {
  if (!isKnownTreatment(treatment) || by === 1) return treatment;
  if (treatment.kind === 'by-hand') return { ...treatment, strokes: treatment.strokes.map((stroke) => strokeTimes(stroke, by)) };
  const lengths = treatmentRow(treatment.kind).controls.flatMap((control) =>
    control.type === 'number' && control.unit === 'px'
      ? [
          [
            control.field,
            suited(
              (treatment as unknown as Record<string, number>)[control.field] ?? 0,
              by,
              treatmentLimits(treatment.kind, control.field),
            ),
          ] as const,
        ]
      : [],
  );
  return { ...treatment, ...Object.fromEntries(lengths) };
}

/**
 * Adds treatments after those that are there; unchanged where the list would be too long.
 * @param seen what is painted with instead of a paint, so that it is seen where the part stands
 */
export const adding =
  (
    kinds: readonly (readonly [TreatmentKindName, Readonly<Record<string, unknown>>?])[],
    heightPx: number,
    seen: (paint: Paint, kind: TreatmentKindName) => Paint = (paint) => paint,
  ): TreatmentsEdit =>
  (before) => {
    if (before.length + kinds.length > MOST_TREATMENTS) return before;
    return kinds.reduce<Treatments>((list, [kind, own]) => {
      const begun = suitedTo(newTreatment(kind, freeTreatmentId(list), own), heightPx);
      // Colors that pass into one another stay apart: only what has one paint takes another.
      return [...list, 'paint' in begun ? { ...begun, paint: seen(begun.paint, kind) } : begun];
    }, before);
  };

/** Which treatment of a list is meant, so that the same one is found in other lists: the n-th of its kind. */
interface Meant {
  readonly kind: string;
  readonly nth: number;
}
function meant(list: Treatments, id: string): Meant | undefined {
  const at = list.findIndex((treatment) => treatment.id === id);
  const found = list[at];
  return found && { kind: found.kind, nth: list.slice(0, at).filter(({ kind }) => kind === found.kind).length };
}
const placeOf = (list: Treatments, { kind, nth }: Meant): number =>
  list.findIndex((treatment, index) => treatment.kind === kind && list.slice(0, index).filter((each) => each.kind === kind).length === nth);

/** An edit of the treatment that is called so in one list, in every list that has one of its kind there. */
const atMeant =
  (from: Treatments, id: string, edit: (list: Treatments, at: number) => Treatments): TreatmentsEdit =>
  (before) => {
    const which = meant(from, id);
    const at = which ? placeOf(before, which) : -1;
    return at < 0 ? before : edit(before, at);
  };

export const changing = (from: Treatments, id: string, change: Readonly<Record<string, unknown>>): TreatmentsEdit =>
  atMeant(from, id, (list, at) => list.map((treatment, index) => (index === at ? ({ ...treatment, ...change } as Treatment) : treatment)));
export const removing = (from: Treatments, id: string): TreatmentsEdit =>
  atMeant(from, id, (list, at) => list.filter((_, index) => index !== at));
export const duplicating = (from: Treatments, id: string): TreatmentsEdit =>
  atMeant(from, id, (list, at) => {
    const copied = list[at];
    return !copied || list.length >= MOST_TREATMENTS
      ? list
      : [...list.slice(0, at + 1), { ...copied, id: freeTreatmentId(list) }, ...list.slice(at + 1)];
  });
/** To another place in its list; beyond an end is the end. */
export const moving = (from: Treatments, id: string, to: number): TreatmentsEdit =>
  atMeant(from, id, (list, at) => {
    const rest = list.filter((_, index) => index !== at);
    const place = Math.max(0, Math.min(rest.length, to));
    return [...rest.slice(0, place), list[at] as Treatment, ...rest.slice(place)];
  });
