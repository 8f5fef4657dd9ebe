import {
  boundsOf,
  grown,
  islandsOf,
  polygonPath,
  shrunk,
  stripes,
  weightOf,
  type Bounds,
  type PathAlgebra,
  type Point,
  type Region,
} from '../../../geometry';
import { dividedField, ordinaryOn, slotsOn, tinctureRow, type Arms, type Charges, type Slot, type Tincture } from '../../../heraldry';
import { ellipse } from '../../../shapes/ellipse';
import { placedArea, type Kit } from '../../building/kit';
import type { Paint } from '../../drawing/paint';
import type { ArtSource } from '../../parts/art-source';
import type { OwnPiece } from '../own-piece';
import { bearingOf, titleCase } from './bearings';

/** How tinctures are shown: by paints, or engraved in one. */
export interface Showing {
  readonly paints: Readonly<Record<Tincture, Paint>>;
  readonly hatched: boolean;
  readonly ink: Paint;
  readonly ground: Paint;
  /** From line to line of the hatching, and how thick one is. */
  readonly pitchPx: number;
  readonly linePx: number;
}

const areaOf = (polygons: readonly (readonly Point[])[]): Region => ({
  path: polygons.reduce(
    (sum, polygon) => {
      const { verbs, coords } = polygonPath(polygon);
      return { verbs: sum.verbs + verbs, coords: [...sum.coords, ...coords] };
    },
    { verbs: '', coords: [] as readonly number[] },
  ),
  rule: 'nonzero',
});
const boxOf = ({ path }: Region): Bounds => boundsOf(path) ?? { left: 0, top: 0, right: 0, bottom: 0 };
const isEmpty = ({ path }: Region): boolean => path.verbs === '';

/** The engraving of a tincture over an area: dots or lines, cut to it. */
export function hatching(region: Region, tincture: Tincture, pitchPx: number, linePx: number, paths: PathAlgebra): readonly Region[] {
  const { lines, dots } = tinctureRow(tincture);
  const box = boxOf(region);
  if (dots) {
    const radius = linePx * 0.85;
    const step = pitchPx * 1.7;
    const inner = shrunk(region, radius * 1.4, paths);
    if (isEmpty(inner)) return [];
    const found: Region[] = [];
    const all: { verbs: string; coords: number[] } = { verbs: '', coords: [] };
    let row = 0;
    for (let y = Math.ceil(box.top / step) * step; y < box.bottom; y += step, row++)
      for (let x = Math.ceil(box.left / step) * step + (row % 2 === 0 ? 0 : step / 2); x < box.right; x += step) {
        const dot = placedArea({ path: ellipse(2 * radius, 2 * radius), rule: 'nonzero' }, 1, x, y).path;
        all.verbs += dot.verbs;
        all.coords.push(...dot.coords);
      }
    // Dots that the edge would cut are left out: whole ones only.
    const cut = paths.combine('intersect', { path: all, rule: 'nonzero' }, region);
    const whole = Math.PI * radius * radius;
    const kept = islandsOf(cut).filter((island) => (weightOf([island], radius / 40)?.area ?? 0) > 0.97 * whole);
    for (const island of kept) found.push(island);
    return found;
  }
  return lines.map((angleDeg) =>
    paths.combine('intersect', stripes({ angleDeg, pitch: pitchPx, thickness: linePx, phase: 0.5 }, box), region),
  );
}

/** One area in one tincture: painted, or engraved with its outline. */
function inTincture(kit: Kit, slot: string, name: string, region: Region, tincture: Tincture, show: Showing, source?: ArtSource): void {
  if (isEmpty(region)) return;
  const { paths, remember } = kit.context;
  if (!show.hatched) {
    kit.drawn(slot, name, [{ path: region.path, paint: 0, rule: region.rule }], [show.paints[tincture]], { source });
    return;
  }
  const lines = remember(`hatching ${JSON.stringify([region.path, tincture, show.pitchPx, show.linePx])}`, () => [
    ...hatching(region, tincture, show.pitchPx, show.linePx, paths),
    paths.combine('intersect', paths.band(region, show.linePx * 2.6, 'miter'), region),
  ]);
  kit.drawn(
    slot,
    `${name}, ${tincture}`,
    [{ path: region.path, paint: 1, rule: region.rule }, ...lines.map(({ path, rule }) => ({ path, rule, paint: 0 }))],
    [show.ink, show.ground],
    { source },
  );
}

/** Charges that are to stand at places: what they look like, where they are not to reach, and how they are shown. */
interface Bearers {
  readonly kit: Kit;
  readonly show: Showing;
  readonly inside: Region;
  readonly own: readonly OwnPiece[];
}

function drawCharges({ kit, show, inside, own }: Bearers, slot: string, charges: Charges, places: readonly Slot[]): void {
  const { paths, remember } = kit.context;
  const bearing = bearingOf(kit, charges.what, own);
  if (!bearing) return;
  const { source } = bearing;
  const areaAt = ({ x, y, size }: Slot): Region => placedArea(bearing.at(size).area, 1, x, y);
  const metal = tinctureRow(charges.tincture).kind === 'metal';
  const plainly = (id: string, name: string, { path, rule }: Region, paint: Paint) =>
    path.verbs !== '' && kit.drawn(id, name, [{ path, rule, paint: 0 }], [paint], { source });
  // What is strewn over the field is one part, cut by the field's edge.
  if (slot.includes('strewn')) {
    const strewn = places.map(areaAt);
    const cut = remember(`strewn ${JSON.stringify([strewn, inside.path])}`, () => paths.combine('intersect', paths.weld(strewn), inside));
    const label = titleCase(bearing.many);
    if (show.hatched && metal) inTincture(kit, slot, label, cut, 'argent', show, source);
    else plainly(slot, label, cut, show.hatched ? show.ink : show.paints[charges.tincture]);
    return;
  }
  places.forEach((place, index) => {
    const id = `${slot}-${index + 1}`;
    const name = titleCase(bearing.one);
    const area = areaAt(place);
    if (show.hatched) {
      const welded = paths.weld([area]);
      const fine = place.size < 9 * show.pitchPx;
      if (fine && !metal) plainly(id, name, welded, show.ink);
      else inTincture(kit, id, name, welded, fine ? 'argent' : charges.tincture, show, source);
      return;
    }
    const whole = boundsOf(area.path);
    const field = boxOf(inside);
    const beyond = whole && (whole.left < field.left || whole.right > field.right || whole.top < field.top || whole.bottom > field.bottom);
    const { form } = bearing.at(place.size);
    if (beyond) plainly(id, name, paths.combine('intersect', paths.weld([area]), inside), show.paints[charges.tincture]);
    else if (form) kit.shape(id, name, form, show.paints[charges.tincture], place);
    else plainly(id, name, area, show.paints[charges.tincture]);
  });
}

/** Where charges go that lie on an ordinary. */
function onOrdinary(box: Bounds, ordinary: string, count: number): readonly Slot[] {
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const c = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const size = w * 0.19;
  const row = (dx: number, dy: number, at: Point) =>
    Array.from({ length: count }, (_, index) => ({
      x: at.x + dx * (index - (count - 1) / 2),
      y: at.y + dy * (index - (count - 1) / 2),
      size,
    }));
  if (ordinary === 'chief') return row((w * 0.78) / count, 0, { x: c.x, y: box.top + h * 0.14 });
  if (ordinary === 'base') return row((w * 0.4) / count, 0, { x: c.x, y: box.bottom - h * 0.17 });
  if (ordinary === 'pale' || ordinary === 'pile') return row(0, (h * 0.74) / count, { x: c.x, y: c.y - h * 0.04 });
  if (ordinary === 'bend') return row((w * 0.74) / count, (h * 0.68) / count, { x: c.x, y: c.y });
  if (ordinary === 'bend-sinister') return row((w * 0.74) / count, (-h * 0.68) / count, { x: c.x, y: c.y });
  if (ordinary === 'chevron')
    return Array.from({ length: count }, (_, index) => {
      const x = (w * 0.68 * (index - (count - 1) / 2)) / Math.max(1, count);
      return { x: c.x + x, y: c.y - h * 0.04 + Math.abs(x) * 0.82, size: size * 0.9 };
    });
  return row((w * 0.78) / count, 0, { x: c.x, y: c.y });
}

/** Where charges go to the sides of an ordinary. */
function besideOrdinary(box: Bounds, ordinary: string, count: number): readonly Slot[] {
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const at = (x: number, y: number, size = 0.24): Slot => ({ x: box.left + w * x, y: box.top + h * y, size: w * size });
  const pick = (all: readonly Slot[]) => all.slice(0, count);
  if (ordinary === 'fess' || ordinary === 'chevron') {
    if (count === 1) return [at(0.5, 0.17)];
    if (count === 2) return [at(0.5, 0.17), at(0.5, 0.78)];
    return pick([at(0.24, 0.19), at(0.76, 0.19), at(0.5, 0.79), at(0.36, 0.74, 0.18), at(0.64, 0.74, 0.18)]);
  }
  if (ordinary === 'bend') return pick([at(0.7, 0.2), at(0.27, 0.58), at(0.86, 0.36, 0.17), at(0.4, 0.74, 0.17)]);
  if (ordinary === 'bend-sinister') return pick([at(0.3, 0.2), at(0.73, 0.58), at(0.14, 0.36, 0.17), at(0.6, 0.74, 0.17)]);
  if (ordinary === 'cross') return pick([at(0.2, 0.17), at(0.8, 0.17), at(0.24, 0.66), at(0.76, 0.66)]);
  if (ordinary === 'saltire') return pick([at(0.5, 0.15), at(0.14, 0.46, 0.2), at(0.86, 0.46, 0.2), at(0.5, 0.82, 0.2)]);
  return pick([at(0.2, 0.4), at(0.8, 0.4), at(0.22, 0.18, 0.2), at(0.78, 0.18, 0.2)]);
}

/** The field, its division, and everything that lies on it, within the inside of a shield. */
export function drawField(bearers: Bearers, arms: Arms): void {
  const { kit, show, inside } = bearers;
  const { paths } = kit.context;
  const box = boxOf(inside);
  const chief = arms.items.some((item) => item.is === 'ordinary' && item.ordinary === 'chief');
  const bordure = arms.items.some((item) => item.is === 'ordinary' && item.ordinary === 'bordure');
  const second = dividedField(box, arms.division, arms.line, arms.pieces);
  // Painted upon the first, the second reaches a hair beyond the edge, so that no rim of the first shines through there.
  const reach = show.hatched ? inside : grown(inside, (box.right - box.left) / 900, 'miter', paths);
  const cut = second.length === 0 ? undefined : paths.combine('intersect', paths.weld([areaOf(second)]), reach);
  const first = cut && show.hatched ? paths.combine('subtract', inside, cut) : inside;
  inTincture(kit, 'field', 'Field', first, arms.first, show);
  if (cut) inTincture(kit, 'field-second', 'Second field', cut, arms.second, show);
  // A chief and a bordure take room from what stands on the field.
  const room: Bounds = {
    left: box.left + (bordure ? (box.right - box.left) * 0.08 : 0),
    right: box.right - (bordure ? (box.right - box.left) * 0.08 : 0),
    top: box.top + (chief ? (box.bottom - box.top) * 0.26 : bordure ? (box.bottom - box.top) * 0.06 : 0),
    bottom: box.bottom - (bordure ? (box.bottom - box.top) * 0.07 : 0),
  };
  arms.items.forEach((item, index) => {
    const slot = `item-${index + 1}`;
    if (item.is === 'charges') {
      const places =
        item.quarters && item.quarters.length > 0
          ? item.quarters.flatMap((quarter) => slotsOn(box, 'quarters', 4)[quarter - 1] ?? [])
          : slotsOn(item.arranged === 'in-chief' ? box : room, item.arranged, item.count);
      drawCharges(bearers, item.arranged === 'seme' ? `${slot}-strewn` : slot, item, places);
      return;
    }
    const edgePx = (box.right - box.left) * 0.1;
    const area =
      item.ordinary === 'bordure'
        ? paths.combine('subtract', inside, shrunk(inside, edgePx, paths, 'miter'))
        : paths.combine(
            'intersect',
            paths.weld([areaOf(ordinaryOn(item.ordinary === 'chief' || item.ordinary === 'base' ? box : room, item.ordinary, item.line))]),
            inside,
          );
    const ordinaryName = item.ordinary.replace('-', ' ').replace(/^./, (letter) => letter.toUpperCase());
    inTincture(kit, slot, ordinaryName, area, item.tincture, show);
    if (item.on) drawCharges(bearers, `${slot}-on`, item.on, onOrdinary(box, item.ordinary, item.on.count));
    if (item.between) drawCharges(bearers, `${slot}-between`, item.between, besideOrdinary(room, item.ordinary, item.between.count));
  });
}
