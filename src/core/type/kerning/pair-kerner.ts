import type { FeatureSettings } from '../features';
import type { SetLetter } from '../set-letter';
import { classOf, letterOutline, opticalKern, opticalKit, type LetterClass, type LetterShape, type OpticalKit } from './optical-kerning';

/** How letters are kerned: as the font says, by the white between them, or not at all. */
export const KERNINGS = ['font', 'optical', 'none'] as const;
export type Kerning = (typeof KERNINGS)[number];

/** By how much the right of two neighboring letters moves, in 1/1000 em; negative is closer. */
export type PairKerner = (left: SetLetter, right: SetLetter) => number;

type Letter = Omit<SetLetter, 'x' | 'added'>;

interface Sided {
  readonly kit: OpticalKit;
  readonly shape: LetterShape;
  readonly letterClass: LetterClass | undefined;
}

/** What the font itself does with a pair; for letters that optical kerning does not judge. Both must be of one font and size. */
export function fontKern(left: Letter, right: Letter): number {
  if (left.instance !== right.instance || left.scale !== right.scale || left.text.trim() === '' || right.text.trim() === '') return 0;
  const advance = (kern: number) =>
    left.instance
      .shape({ text: left.text + right.text, direction: 'ltr', script: 'Latn', features: { kern, liga: 0, clig: 0, calt: 0 } })
      .reduce((sum, glyph) => sum + glyph.advance, 0);
  return ((advance(1) - advance(0)) * left.scale * 1000) / left.instance.metrics.unitsPerEm;
}

/** Pairs remembered, of all fonts together. */
const PAIRS_KEPT = 5000;
const known = new Map<string, number>();

/** A kerner for one line. Letters are remembered by glyph and pairs by their letters, so that a line costs a few microseconds a pair. */
export function createPairKerner(kerning: Kerning, strengthPercent: number, features: FeatureSettings): PairKerner {
  if (kerning !== 'optical') return () => 0;

  const kitOf = (letter: Letter): OpticalKit => opticalKit(letter.face, letter.axes, features);
  const sided = (letter: Letter, kit: OpticalKit): Sided | undefined => {
    const [first] = letter.glyphs;
    const key =
      letter.glyphs.length === 1 && first
        ? `${first.glyph} ${letter.scale}`
        : `${letter.glyphs.map(({ glyph, x, y }) => `${glyph}@${x.toFixed(5)},${y.toFixed(5)}`).join('+')} ${letter.scale}`;
    const { stands } = letter;
    const shape = stands
      ? kit.shape(`${key} ${stands.key}`, () => stands.path, letter.advance * 1000)
      : kit.shape(key, () => letterOutline(letter.glyphs), letter.advance * 1000);
    return shape && { kit, shape, letterClass: classOf(letter.text) };
  };
  return (left, right) => {
    if (left.text.trim() === '' || right.text.trim() === '') return 0;
    const leftKit = kitOf(left);
    const one = sided(left, leftKit);
    const other = sided(right, right.instance === left.instance ? leftKit : kitOf(right));
    if (!one || !other) return 0;
    // Scripts that join by design overlap on purpose; their own spacing stands.
    if (one.kit.joins || other.kit.joins) return fontKern(left, right);
    const key = `${one.shape.id} ${other.shape.id} ${strengthPercent}`;
    const kept = known.get(key);
    if (kept !== undefined) return kept;
    const optical =
      one.letterClass &&
      other.letterClass &&
      opticalKern(
        {
          left: one.shape,
          right: other.shape,
          leftKit: one.kit,
          rightKit: other.kit,
          leftClass: one.letterClass,
          rightClass: other.letterClass,
        },
        strengthPercent,
      );
    const kern = optical ?? fontKern(left, right);
    const oldest = known.keys().next();
    if (known.size >= PAIRS_KEPT && !oldest.done) known.delete(oldest.value);
    known.set(key, kern);
    return kern;
  };
}
