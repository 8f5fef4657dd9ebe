import { PathPen, type Path, type Typeface } from '$core/index';

/** Rectangles, in font units with y up: left, bottom, right, top. */
type Bars = readonly (readonly [number, number, number, number])[];

/** A face made of bars, so that every measure has a known answer; 1,000 units per em, leaning by shearing. */
export function drawnFace(letters: Readonly<Record<string, Bars>>, slantDeg = 0): Typeface {
  const characters = Object.keys(letters);
  const shear = Math.tan((-slantDeg * Math.PI) / 180);
  const outline = (glyph: number): Path => {
    const pen = new PathPen();
    for (const [left, bottom, right, top] of letters[characters[glyph - 1] ?? ''] ?? [])
      pen
        .move(left + shear * bottom, -bottom)
        .line(left + shear * top, -top)
        .line(right + shear * top, -top)
        .line(right + shear * bottom, -bottom)
        .close();
    return pen.path();
  };
  const zero = 0 as never;
  return {
    id: 'drawn',
    name: 'Drawn',
    axes: [],
    features: [],
    characterCount: characters.length,
    covers: (codePoint) => characters.includes(String.fromCodePoint(codePoint)),
    table: () => undefined,
    at: () => ({
      metrics: { unitsPerEm: 1000, ascender: zero, descender: zero, xHeight: zero, capHeight: zero },
      shape: ({ text }) =>
        Array.from(text, (character, cluster) => {
          const bars = letters[character] ?? [];
          return {
            glyph: characters.indexOf(character) + 1,
            cluster,
            advance: (Math.max(...bars.map(([, , right]) => right)) + 50) as never,
            xOffset: zero,
            yOffset: zero,
          };
        }),
      outline,
    }),
  };
}
