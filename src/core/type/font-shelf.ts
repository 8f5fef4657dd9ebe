import { fail, ok, type Result } from '../result/result';
import type { AxisValues, Typeface } from './typeface';

/** One face file of a shipped family. */
export interface ShippedFace {
  readonly file: string;
  readonly style: 'normal' | 'italic';
  /** The weight of a static face; variable faces have a `wght` axis or none. */
  readonly weight?: number;
  readonly sha256: string;
  readonly sizeBytes: number;
}

/** A family as recorded in `fonts/shipped.json`. */
export interface ShippedFamily {
  readonly id: string;
  readonly name: string;
  readonly class: string;
  readonly license: string;
  readonly source: string;
  /** No longer offered; what is set in it stays as it is. */
  readonly removed?: boolean;
  readonly faces: readonly ShippedFace[];
}

/** Which font a lettering asks for. */
export interface FontChoice {
  readonly family: string;
  readonly style: 'normal' | 'italic';
  readonly axes: AxisValues;
}

/** The face of a family that comes nearest to a choice: style first, then weight. Pure; the same in browser and server. */
export function faceFor(family: ShippedFamily, choice: FontChoice): ShippedFace {
  const styled = family.faces.filter((face) => face.style === choice.style);
  const candidates = styled.length > 0 ? styled : family.faces;
  const wanted = choice.axes['wght'] ?? 400;
  const distance = (face: ShippedFace) => Math.abs((face.weight ?? wanted) - wanted);
  const [first, ...rest] = candidates;
  if (!first) throw new Error(`The family ${family.id} ships no face.`);
  return rest.reduce((best, face) => (distance(face) < distance(best) ? face : best), first);
}

/** Fonts that are open and ready: looked up without waiting, so that resolving stays a pure function. */
export interface FontShelf {
  readonly family: (id: string) => ShippedFamily | undefined;
  /** The opened font for a choice, or why it cannot be had. */
  readonly find: (choice: FontChoice) => Result<Typeface>;
}

/** Where opened fonts are kept, by face file. */
export const createFontShelf = (families: readonly ShippedFamily[], open: ReadonlyMap<string, Typeface>): FontShelf => {
  const byId = new Map(families.map((family) => [family.id, family]));
  return {
    family: (id) => byId.get(id),
    find: (choice) => {
      const family = byId.get(choice.family);
      if (!family)
        return fail({
          code: 'font-missing',
          message: `The font “${choice.family}” is not in the library.`,
          fix: 'Choose another font for this lettering.',
        });
      const typeface = open.get(faceFor(family, choice).file);
      return typeface
        ? ok(typeface)
        : fail({
            code: 'font-not-loaded',
            message: `${family.name} cannot be had right now, so that its letters are not drawn.`,
            fix: 'Try again in a moment, or choose another font.',
          });
    },
  };
};

/** Families offered, in this order, for letters that the chosen font lacks. */
export const FALLBACK_FAMILIES = ['noto-sans', 'noto-sans-arabic', 'noto-sans-hebrew'] as const;
