import { notNought } from '../numeric/tolerances';
import type { Hex } from '../color/hex';
import { nearestColor, nearestSwatchOf } from '../color/nearest-swatch';
import type { Palette } from '../color/palette';
import { centerOf, compose, heightOf, mapPath, widthOf } from '../geometry';
import { ART_SIDE } from '../marks/parts/art';
import type { KnownInput } from '../marks';
import { pathData } from '../output/path-data';
import type { ImportedDrawing } from './import-svg';

type ArtInput = Extract<KnownInput, { kind: 'art' }>;

/** Most colors that stay apart; the rest join the nearest of them. */
const MOST_SLOTS = 24;

/** Colors by how much of them there is, as pieces counted; near ones are not joined, so that a designer can tell them apart. */
function slotsOf(drawing: ImportedDrawing): readonly Hex[] {
  const counts = new Map<Hex, number>();
  for (const { color, gradient } of drawing.pieces)
    for (const each of gradient?.stops.map((stop) => stop.color) ?? [color]) counts.set(each, (counts.get(each) ?? 0) + 1);
  return [...counts.entries()]
    .sort(([, one], [, other]) => other - one)
    .slice(0, MOST_SLOTS)
    .map(([color]) => color);
}

/**
 * A drawing as a part of art: on its own center, its longer side 1000, its colors as slots.
 * @param dressed `as-drawn` keeps its own colors; else slots are given the nearest roles of a palette, and a drawing of one color takes the lead
 */
export function asArt(
  drawing: ImportedDrawing,
  source: ArtInput['source'],
  dressed: Palette | 'as-drawn' | undefined,
): Omit<ArtInput, 'id'> {
  const palette = dressed === 'as-drawn' ? undefined : dressed;
  const { box } = drawing;
  const scale = ART_SIDE / notNought(Math.max(widthOf(box), heightOf(box)));
  const center = centerOf(box);
  const map = { a: scale, b: 0, c: 0, d: scale, e: -center.x * scale, f: -center.y * scale };
  const slots = slotsOf(drawing);
  return {
    kind: 'art',
    source,
    slots: slots.map((original) => ({
      original,
      paint:
        slots.length === 1 && dressed !== 'as-drawn'
          ? { role: 'lead' }
          : palette
            ? { role: nearestSwatchOf(original, palette) }
            : { hex: original },
    })),
    pieces: drawing.pieces.map(({ path, rule, color, opacity, gradient }) => ({
      data: pathData(mapPath(path, map)),
      rule,
      slot: nearestColor(color, slots),
      opacity,
      ...(gradient && {
        gradient: {
          ...gradient,
          map: compose(map, gradient.map),
          stops: gradient.stops.map((stop) => ({ at: stop.at, slot: nearestColor(stop.color, slots), opacity: stop.opacity })),
        },
      }),
    })),
  };
}
