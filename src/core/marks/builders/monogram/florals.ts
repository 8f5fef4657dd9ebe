import { compose, mapPath, rotation, scaling, translation, type Path, type Point } from '../../../geometry';
import { layerOf, type Layer } from '../../../interlock';
import { chance } from '../../../numeric/chance';
import { bloom, BLOOMS, sprig } from '../../../ornaments';
import { brush } from '../../../ornaments/brush';
import { placedArea, type Kit } from '../../building/kit';
import type { Monogram } from './numbers';
import { drawLetter, type Standing } from './letters';
import { notNought } from '../../../numeric/tolerances';

/** Cells in the height of the capitals. */
const CELLS = 110;
const MOST_BLOOMS = 160;

/** A disk that stands inside of a letter, and which way the stroke runs there; in heights of capitals. */
export interface Room {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly along: number;
}

/**
 * Disks packed into a letter, the largest first, none cut by its outline and none upon another.
 * @param density share of the smallest room that is still filled; @param spread how much large and small ones differ; @param margin kept to the outline
 * @source greedy packing by the distance to the outline and to what already stands
 */
export function packed(layer: Layer, seed: number, density: number, spread: number, margin: number): readonly Room[] {
  const { columns, rows, inside } = layer;
  const free = Float32Array.from(inside, (depth) => depth - margin);
  const widest = free.reduce((most, depth) => Math.max(most, depth), 0);
  const largest = widest * (1 - 0.45 * (1 - spread));
  const least = Math.max(0.9, widest * (0.5 - 0.4 * density));
  const rooms: Room[] = [];
  for (let count = 0; count < MOST_BLOOMS; count++) {
    let most = 0;
    for (const depth of free) if (depth > most) most = depth;
    if (most < least) break;
    const target = Math.min(most, largest);
    // Among the places that are about as good, one is drawn by the seed.
    const places: number[] = [];
    for (let at = 0; at < free.length; at++) if ((free[at] as number) >= target * 0.94) places.push(at);
    const at = places[Math.floor(((chance(seed, count, 1) + 1) / 2) * places.length) % places.length] as number;
    const radius = Math.min(free[at] as number, target) * (1 - 0.12 * spread * (1 + chance(seed, count, 2)) * 0.5);
    const [x, y] = [at % columns, Math.floor(at / columns)];
    const depth = (dx: number, dy: number) =>
      inside[Math.min(rows - 1, Math.max(0, y + dy)) * columns + Math.min(columns - 1, Math.max(0, x + dx))] as number;
    // The stroke runs across the way in which depth changes.
    const step = Math.max(1, Math.round(radius * 0.8));
    const [gx, gy] = [depth(step, 0) + depth(-step, 0), depth(0, step) + depth(0, -step)];
    rooms.push({
      x: (x + 0.5 + layer.x) / CELLS,
      y: (y + 0.5 + layer.y) / CELLS,
      radius: radius / CELLS,
      along: gx > gy ? 0 : Math.PI / 2,
    });
    const reach = radius * 1.04;
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        const cell = row * columns + column;
        if ((free[cell] as number) <= 0) continue;
        free[cell] = Math.min(free[cell] as number, Math.hypot(column - x, row - y) - reach);
      }
  }
  return rooms;
}

const placedPiece = (path: Path, at: Point, size: number, turn: number): Path =>
  mapPath(path, compose(translation(at.x, at.y), compose(rotation((turn * 180) / Math.PI), scaling(size))));

/** Blooms for large rooms, sprigs along the stroke for small ones. @returns pieces, blooms painted 0, leaves 1 */
function grown(rooms: readonly Room[], n: Monogram, toPx: (point: Point) => Point, perCap: number) {
  const widest = notNought(Math.max(...rooms.map(({ radius }) => radius)));
  return rooms.map((room, index) => {
    const at = toPx(room);
    const size = room.radius * perCap;
    const large = room.radius > widest * 0.5;
    const turn = chance(n.seed, index, 3) * Math.PI;
    const kind = BLOOMS[Math.floor(((chance(n.seed, index, 4) + 1) / 2) * BLOOMS.length) % BLOOMS.length] as (typeof BLOOMS)[number];
    return large
      ? { path: placedPiece(bloom(kind, n.seed + index), at, size, turn), paint: 0 }
      : {
          path: placedPiece(
            sprig(n.seed + index, n.weightPercent / 100),
            at,
            size,
            room.along + (chance(n.seed, index, 5) > 0 ? 0 : Math.PI),
          ),
          paint: 1,
        };
  });
}

/** A stalk that winds up around the letter, cut where it passes from front to back: which stretches of it lie in front, in turn. */
function vine(
  n: Monogram,
  box: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number },
  perCap: number,
) {
  const height = (box.bottom - box.top) * 1.12;
  const wide = (box.right - box.left) * (0.34 + 0.2 * (n.spreadPercent / 100));
  const turns = 2.5 + Math.round(n.densityPercent / 50);
  const [cx, bottom] = [(box.left + box.right) / 2, box.bottom + height * 0.05];
  const at = (t: number): Point => ({
    x: cx + wide * Math.sin(turns * Math.PI * t + chance(n.seed, 0, 7)) * (1 - 0.25 * t),
    y: bottom - height * t,
  });
  const stroke = (perCap * 0.022 * n.weightPercent) / 100;
  const stretches = Math.round(turns * 2);
  return Array.from({ length: stretches }, (_, index) => {
    const [from, to] = [index / stretches, (index + 1) / stretches];
    const pieces = [
      {
        path: brush(
          (t) => at(from + (to - from) * t),
          (t) => stroke * (1 - 0.55 * (from + (to - from) * t)),
          16,
        ),
        paint: 1,
      },
    ];
    for (let leaf = 0; leaf < 3; leaf++) {
      const t = from + ((to - from) * (leaf + 0.5)) / 3;
      const [a, b] = [at(t - 0.004), at(t + 0.004)];
      const along = Math.atan2(b.y - a.y, b.x - a.x);
      const way = leaf % 2 === 0 ? 1 : -1;
      const size = perCap * 0.085 * (1 + 0.3 * chance(n.seed, index * 3 + leaf, 8));
      pieces.push({
        path: placedPiece(
          sprig(n.seed + leaf, n.weightPercent / 100),
          { x: at(t).x + Math.cos(along + way) * size * 0.8, y: at(t).y + Math.sin(along + way) * size * 0.8 },
          size,
          along + way,
        ),
        paint: 1,
      });
    }
    const end = at(to);
    if (index % 2 === 1 || index === stretches - 1)
      pieces.push({
        path: placedPiece(
          bloom(BLOOMS[(index + n.seed) % BLOOMS.length] as (typeof BLOOMS)[number], n.seed + index),
          end,
          perCap * (0.1 + 0.05 * chance(n.seed, index, 9)),
          along(at, to),
        ),
        paint: 0,
      });
    return pieces;
  });
}
const along = (at: (t: number) => Point, t: number): number => Math.atan2(at(t).y - at(t - 0.01).y, at(t).x - at(t - 0.01).x);

/** An initial with florals: in it, around it, or behind it. */
export function florals(kit: Kit, n: Monogram, letter: Standing, perCap: number, center: Point): void {
  const toPx = ({ x, y }: Point): Point => ({ x: (x - center.x) * perCap, y: (y - center.y) * perCap });
  const area = placedArea(letter.outline.area, 1 / letter.outline.capHeight, letter.x, letter.y);
  const light = n.groundPaint;
  if (n.construction === 'filled') {
    drawLetter(kit, letter, perCap, center);
    const layer = layerOf(area, CELLS, 2);
    if (!layer) return;
    const rooms = packed(layer, n.seed, n.densityPercent / 100, n.spreadPercent / 100, 1.1);
    if (rooms.length === 0)
      kit.note('no-room-for-florals', `The strokes of ${letter.text} are too thin for florals.`, 'Choose a heavier face.');
    kit.drawn('florals', 'Florals', grown(rooms, n, toPx, perCap), [light, light]);
    return;
  }
  const { left, right, top, bottom } = letter.outline.box;
  const size = 1 / letter.outline.capHeight;
  const [a, b] = [
    toPx({ x: left * size + letter.x, y: top * size + letter.y }),
    toPx({ x: right * size + letter.x, y: bottom * size + letter.y }),
  ];
  const box = { left: a.x, right: b.x, top: a.y, bottom: b.y };
  if (n.construction === 'wrapped') {
    const stretches = vine(n, box, perCap);
    kit.drawn('florals-behind', 'Florals behind', stretches.filter((_, index) => index % 2 === 0).flat(), [n.floralPaint, n.floralPaint]);
    const part = drawLetter;
    part(
      kit,
      letter,
      perCap,
      center,
      n.gapPercent > 0 ? { treatments: [{ kind: 'halo', id: 'gap', widthPx: Math.max(0.1, perCap * 0.018) }] } : {},
    );
    const front = kit.drawn('florals-front', 'Florals in front', stretches.filter((_, index) => index % 2 === 1).flat(), [
      n.floralPaint,
      n.floralPaint,
    ]);
    if (front && n.gapPercent > 0)
      kit.parts[kit.parts.length - 1] = {
        ...front,
        treatments: [{ kind: 'halo', id: 'gap', hidden: false, widthPx: Math.max(0.1, perCap * 0.018), join: 'round' }],
      };
    return;
  }
  const tall = (box.bottom - box.top) * 1.35;
  kit.shape(
    'florals',
    'Florals behind',
    {
      form: 'spray',
      heightPx: tall,
      stems: 5,
      leaves: 6 + Math.round(n.densityPercent / 8),
      leafPercent: 110,
      blossomPercent: 90 + n.spreadPercent,
      petals: 8,
      weightPx: (perCap * 0.018 * n.weightPercent) / 100,
      spreadPercent: 90,
      variation: n.seed,
    },
    n.floralPaint,
    { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 },
    { opacity: n.behindPercent / 100 },
  );
  drawLetter(kit, letter, perCap, center);
}
