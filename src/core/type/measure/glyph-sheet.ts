import { boundsOf, flatten, type Bounds, type Polygon } from '../../geometry';
import type { AxisValues, Typeface, TypefaceInstance } from '../typeface';

/** Curves are flattened to within this share of the em before they are measured: a tenth of a unit in a 1,000-unit font. */
const FLATTEN_EM = 1e-4;

/** One letter as measured: outline polygons and box in 1/1000 em, y up from the baseline. */
export interface MeasuredGlyph {
  readonly polygons: readonly Polygon[];
  readonly box: Bounds;
  readonly advance: number;
  /** Segments of its outline; a count of how much is going on in it. */
  readonly segments: number;
}

/** The letters of one face at one setting, measured when asked for. Absent letters are `undefined`. */
export interface GlyphSheet {
  readonly instance: TypefaceInstance;
  readonly glyph: (character: string) => MeasuredGlyph | undefined;
}

/** @param axes where the face's axes stand; left out, they rest */
export function glyphSheet(face: Typeface, axes: AxisValues = {}): GlyphSheet {
  const instance = face.at(axes);
  const perUnit = 1000 / instance.metrics.unitsPerEm;
  const kept = new Map<string, MeasuredGlyph | undefined>();

  const read = (character: string): MeasuredGlyph | undefined => {
    if (!face.covers(character.codePointAt(0) as number)) return undefined;
    const [shaped, ...more] = instance.shape({ text: character, direction: 'ltr', script: 'Latn', features: { liga: 0, calt: 0 } });
    if (!shaped || more.length > 0) return undefined;
    const outline = instance.outline(shaped.glyph);
    const path = { verbs: outline.verbs, coords: outline.coords.map((value, index) => (index % 2 === 0 ? value : -value) * perUnit) };
    // `bottom` and `top` keep their names though y runs up here: bottom is the lower value.
    const box = boundsOf(path);
    if (!box) return undefined;
    return {
      polygons: flatten(path, FLATTEN_EM * 1000),
      box: { left: box.left, right: box.right, bottom: box.top, top: box.bottom },
      advance: shaped.advance * perUnit,
      segments: [...path.verbs].filter((verb) => verb !== 'M' && verb !== 'Z').length,
    };
  };
  return {
    instance,
    glyph: (character) => {
      if (!kept.has(character)) kept.set(character, read(character));
      return kept.get(character);
    },
  };
}
