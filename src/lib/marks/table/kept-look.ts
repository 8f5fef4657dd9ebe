import { partLookSchema, type Palette, type PartLook } from '$core/index';
import { ownSwatches } from './own-swatches';

/** Where a copied look lies: in the browser, so that it reaches every mark and brand, and another day. */
const KEY = 'lucky-thistle look';

/** Keeps a look, with the swatches beyond the roles that it may name. */
export const keepLook = (look: PartLook, palette: Palette): void =>
  localStorage.setItem(KEY, JSON.stringify({ ...look, swatches: palette.more ?? [] }));

/** The look that was copied last; nothing when there is none, or when it is not understood. */
export function keptLook(palette: Palette): PartLook | undefined {
  try {
    const { swatches, ...kept } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Readonly<Record<string, unknown>>;
    const look = partLookSchema.safeParse(kept).data;
    return look && { ...look, paints: look.paints.map(ownSwatches(swatches, palette)) };
  } catch {
    return undefined;
  }
}
