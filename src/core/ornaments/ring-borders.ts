import { joinPaths, mapPath, PathPen, polygonPath, reversePath, rotation, translation, compose, type Path } from '../geometry';
import { ring } from '../shapes/ring';
import { count, defineForm, percent, side } from '../shapes/form';
import { brush, closedBrush, layered, leaf } from './brush';

/** A piece at the top of a ring, repeated around it. */
const around = (piece: Path, copies: number, offset = 0): readonly Path[] =>
  Array.from({ length: copies }, (_, index) => mapPath(piece, rotation(((index + offset) * 360) / copies)));

const whole = (value: number): number => Math.max(1, Math.round(value));

/** A laid rope: strands that lean, each parted from the next by an even gap. */
export const rope = defineForm({
  label: 'Rope ring',
  group: 'ornament',
  words: ['rope', 'cord', 'nautical', 'border', 'ring', 'twist'],
  fields: {
    radiusPx: side('Radius', 190),
    weightPx: side('Weight', 18),
    strands: count('Strands', 44, 8, 200),
    gapPercent: percent('Gap', 16, 2, 60),
  },
  outline: ({ radiusPx: r, weightPx: w, strands, gapPercent }) => {
    const n = whole(strands);
    const step = (2 * Math.PI) / n;
    const wide = step * (1 - gapPercent / 100);
    const at = (radius: number, turn: number) => [radius * Math.sin(turn), -radius * Math.cos(turn)] as const;
    const [inner, outer] = [r - w / 2, r + w / 2];
    // A strand runs from the inner edge to the outer one a whole step on, its ends swelling beyond the edge.
    const lean = step * 1.25;
    const strand = new PathPen()
      .move(...at(inner, 0))
      .cubic(...at(inner - w * 0.1, wide * 0.5), ...at(inner - w * 0.06, wide * 0.9), ...at(inner, wide))
      .cubic(...at(inner + w * 0.3, wide + lean * 0.15), ...at(outer - w * 0.3, wide + lean * 0.75), ...at(outer, wide + lean))
      .cubic(...at(outer + w * 0.1, lean + wide * 0.5), ...at(outer + w * 0.06, lean + wide * 0.1), ...at(outer, lean))
      .cubic(...at(outer - w * 0.3, lean * 0.75), ...at(inner + w * 0.3, lean * 0.15), ...at(inner, 0))
      .close()
      .path();
    return layered(around(strand, n));
  },
});

/** Links seen from above and from the side in turn. */
export const chain = defineForm({
  label: 'Chain ring',
  group: 'ornament',
  words: ['chain', 'links', 'anchor chain', 'border', 'ring', 'nautical'],
  fields: { radiusPx: side('Radius', 190), links: count('Links', 24, 6, 120), weightPx: side('Weight', 4) },
  outline: ({ radiusPx: r, links, weightPx: w }) => {
    const n = whole(links);
    const length = ((2 * Math.PI * r) / n) * 0.98;
    const flat = mapPath(ring(length * 1.12, length * 0.62, Math.min(w, length * 0.2)), translation(0, -r));
    const edge = mapPath(
      polygonPath([
        { x: -length * 0.34, y: -w / 2 },
        { x: length * 0.34, y: -w / 2 },
        { x: length * 0.34, y: w / 2 },
        { x: -length * 0.34, y: w / 2 },
      ]),
      translation(0, -r),
    );
    return joinPaths([...around(flat, n), ...around(edge, n, 0.5)]);
  },
});

/** A briar: a stem with thorns to either side in turn. */
export const thornRing = defineForm({
  label: 'Thorn ring',
  group: 'ornament',
  words: ['thorn', 'briar', 'barbs', 'rose stem', 'border', 'ring'],
  fields: {
    radiusPx: side('Radius', 190),
    thorns: count('Thorns', 26, 4, 120),
    weightPx: side('Weight', 5),
    lengthPercent: percent('Thorn', 60, 10, 200),
  },
  outline: ({ radiusPx: r, thorns, weightPx: w, lengthPercent }) => {
    const n = whole(thorns);
    const reach = ((2 * Math.PI * r) / n) * 0.55 * (lengthPercent / 100);
    const thorn = (way: 1 | -1) =>
      new PathPen()
        .move(-reach * 0.34, -r)
        .cubic(-reach * 0.08, -r - way * reach * 0.12, reach * 0.1, -r - way * reach * 0.4, reach * 0.42, -r - way * reach * 0.8)
        .cubic(reach * 0.34, -r - way * reach * 0.34, reach * 0.3, -r - way * reach * 0.1, reach * 0.36, -r)
        .close()
        .path();
    return layered([ring(2 * r + w, 2 * r + w, w), ...around(thorn(1), Math.ceil(n / 2)), ...around(thorn(-1), Math.ceil(n / 2), 0.5)]);
  },
});

/** Two wires that twist, with barbs of four points. */
export const barbedRing = defineForm({
  label: 'Barbed ring',
  group: 'ornament',
  words: ['barbed wire', 'barbs', 'ranch', 'border', 'ring'],
  fields: { radiusPx: side('Radius', 190), barbs: count('Barbs', 14, 3, 60), weightPx: side('Weight', 3) },
  outline: ({ radiusPx: r, barbs, weightPx: w }) => {
    const n = whole(barbs);
    const wave = (phase: number) =>
      closedBrush(
        (t) => {
          const turn = 2 * Math.PI * t;
          const radius = r + w * 1.3 * Math.sin(n * 2 * turn + phase);
          return { x: radius * Math.cos(turn), y: radius * Math.sin(turn) };
        },
        w,
        n * 20,
      );
    const spike = (turn: number) =>
      mapPath(
        polygonPath([
          { x: -w * 0.7, y: -w * 4.6 },
          { x: w * 0.7, y: w * 4.6 },
          { x: -w * 0.7, y: w * 4.6 },
        ]),
        compose(translation(0, -r), rotation(turn)),
      );
    return layered([wave(0), wave(Math.PI), ...around(spike(35), n), ...around(spike(-35), n)]);
  },
});

/** Short stitches on a ring. */
export const stitchedRing = defineForm({
  label: 'Stitched ring',
  group: 'ornament',
  words: ['stitches', 'sewn', 'patch', 'dashed', 'border', 'ring'],
  fields: {
    radiusPx: side('Radius', 190),
    stitches: count('Stitches', 60, 6, 300),
    weightPx: side('Weight', 4),
    gapPercent: percent('Gap', 38, 5, 90),
  },
  outline: ({ radiusPx: r, stitches, weightPx: w, gapPercent }) => {
    const n = whole(stitches);
    const half = (Math.PI / n) * (1 - gapPercent / 100);
    const stitch = brush(
      (t) => ({ x: r * Math.sin(half * (2 * t - 1)), y: -r * Math.cos(half * (2 * t - 1)) }),
      (t) => w * (1 - 0.35 * (2 * t - 1) ** 4),
      4,
    );
    return layered(around(stitch, n));
  },
});

/** Waves that run around, one behind the other. */
export const waveRing = defineForm({
  label: 'Wave ring',
  group: 'ornament',
  words: ['waves', 'water', 'sea', 'running dog', 'border', 'ring'],
  fields: { radiusPx: side('Radius', 190), waves: count('Waves', 22, 4, 90), weightPx: side('Height', 22) },
  outline: ({ radiusPx: r, waves, weightPx: h }) => {
    const n = whole(waves);
    const step = (2 * Math.PI * r) / n;
    const wave = mapPath(
      new PathPen()
        .move(-step * 0.5, h * 0.5)
        .cubic(-step * 0.2, h * 0.5, -step * 0.1, -h * 0.5, step * 0.22, -h * 0.5)
        .cubic(step * 0.46, -h * 0.5, step * 0.5, -h * 0.02, step * 0.24, 0)
        .cubic(step * 0.34, -h * 0.16, step * 0.22, -h * 0.3, step * 0.1, -h * 0.18)
        .cubic(-step * 0.06, 0, step * 0.1, h * 0.5, step * 0.5, h * 0.5)
        .close()
        .path(),
      translation(0, -r),
    );
    return layered([...around(wave, n), ring(2 * (r - h * 0.5) + h * 0.16, 2 * (r - h * 0.5) + h * 0.16, h * 0.16)]);
  },
});

/** Leaves that follow one another around. */
export const leafRing = defineForm({
  label: 'Leaf ring',
  group: 'ornament',
  words: ['leaves', 'garland', 'border', 'ring', 'wreath', 'round'],
  fields: {
    radiusPx: side('Radius', 190),
    leaves: count('Leaves', 36, 4, 160),
    weightPx: side('Stalk', 3),
    leafPercent: percent('Leaf', 100, 20, 250),
  },
  outline: ({ radiusPx: r, leaves, weightPx: w, leafPercent }) => {
    const n = whole(leaves);
    const size = ((2 * Math.PI * r) / n) * 1.35 * (leafPercent / 100);
    const pair = [0.62, -0.62].map((open) => leaf({ x: 0, y: -r }, open, size, 0.42));
    return layered([ring(2 * r + w, 2 * r + w, w), ...pair.flatMap((piece, index) => around(piece, n, index / 2))]);
  },
});

/** Small arcs between points, as along a cornice. */
export const archRing = defineForm({
  label: 'Arcade ring',
  group: 'ornament',
  words: ['arches', 'lace', 'scallops', 'border', 'ring', 'doily'],
  fields: { radiusPx: side('Radius', 190), arches: count('Arches', 30, 5, 120), weightPx: side('Weight', 3) },
  outline: ({ radiusPx: r, arches, weightPx: w }) => {
    const n = whole(arches);
    const half = (Math.PI * r) / n;
    const arc = brush(
      (t) => {
        const turn = Math.PI * (t - 1);
        return { x: half * Math.cos(turn), y: -r + half * 1.1 * Math.sin(turn) };
      },
      () => w,
      12,
    );
    const bead = mapPath(ring(w * 2.4, w * 2.4, w * 1.2), translation(0, -r - half * 0.34));
    return joinPaths([layered([ring(2 * r + w, 2 * r + w, w), ...around(arc, n)]), reversePath(reversePath(layered(around(bead, n))))]);
  },
});
