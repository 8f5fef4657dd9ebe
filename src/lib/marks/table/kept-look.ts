import { partLookSchema, type PartLook } from '$core/index';

/** Where a copied look lies: in the browser, so that it reaches every mark and brand, and another day. */
const KEY = 'lucky-thistle look';

export const keepLook = (look: PartLook): void => localStorage.setItem(KEY, JSON.stringify(look));

/** The look that was copied last; nothing when there is none, or when it is not understood. */
export function keptLook(): PartLook | undefined {
  try {
    return partLookSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null')).data;
  } catch {
    return undefined;
  }
}
