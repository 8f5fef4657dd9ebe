import { EMPTY_RECIPE, looksOf, partLookSchema, wearing, type Palette, type PartLook } from '$core/index';
import { ownSwatches } from './own-swatches';

/** Where a copied look lies: in the browser, so that it reaches every mark and brand, and another day. */
const KEY = 'lucky-thistle look';

/** Keeps a look, with the swatches beyond the roles that it may name. */
export const keepLook = (look: PartLook, palette: Palette): void =>
  localStorage.setItem(KEY, JSON.stringify({ ...look, swatches: palette.more ?? [], own: ownTreatments(look, palette) }));
/** What a look's treatments are where the brand's own looks are not kept. */
const ownTreatments = ({ treatments }: PartLook, palette: Palette) =>
  wearing({ ...EMPTY_RECIPE, whole: { treatments: treatments ?? [] } }, palette).whole?.treatments;

/** The look that was copied last; nothing when there is none, or when it is not understood. */
export function keptLook(palette: Palette): PartLook | undefined {
  try {
    const { swatches, own, ...all } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Readonly<Record<string, unknown>>;
    const here = looksOf(palette);
    const theirs = (all['treatments'] as readonly { readonly kind?: unknown; readonly look?: unknown }[] | undefined)?.some(
      ({ kind, look }) => kind === 'brand-look' && !here.some(({ id }) => id === look),
    );
    const look = partLookSchema.safeParse(theirs ? { ...all, treatments: own } : all).data;
    return look && { ...look, paints: look.paints.map(ownSwatches(swatches, palette)) };
  } catch {
    return undefined;
  }
}
