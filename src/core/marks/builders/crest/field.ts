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
import {
  chargeRow,
  dividedField,
  ordinaryOn,
  slotsOn,
  tinctureRow,
  type Arms,
  type Charges,
  type Slot,
  type Tincture,
} from '../../../heraldry';
import { outlineOf } from '../../../shapes';
import { ellipse } from '../../../shapes/ellipse';
import { formOf, larger, placedArea, type FormInput, type Kit } from '../../building/kit';
import type { Paint } from '../../drawing/paint';

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
function inTincture(kit: Kit, slot: string, name: string, region: Region, tincture: Tincture, show: Showing, outlined = true): void {
  if (isEmpty(region)) return;
  const { paths, remember } = kit.context;
  if (!show.hatched) {
    kit.drawn(slot, name, [{ path: region.path, paint: 0, rule: region.rule }], [show.paints[tincture]]);
    return;
  }
  const lines = remember(`hatching ${JSON.stringify([region.path, tincture, show.pitchPx, show.linePx])}`, () => [
    ...hatching(region, tincture, show.pitchPx, show.linePx, paths),
    ...(outlined ? [paths.combine('intersect', paths.band(region, show.linePx * 2.6, 'miter'), region)] : []),
  ]);
  kit.drawn(
    slot,
    `${name}, ${tincture}`,
    [{ path: region.path, paint: 1, rule: region.rule }, ...lines.map(({ path, rule }) => ({ path, rule, paint: 0 }))],
    [show.ink, show.ground],
  );
}

/** Ink area of a charge against the square it may fill: all bear the same weight to the eye. */
const WEIGHT = 0.34;

/** A charge at a place: as large as its weight asks for, never beyond its room. */
export function chargeForm(what: Charges['what'], size: number): FormInput {
  const { form } = chargeRow(what);
  const start = formOf({ form });
  const outline = outlineOf(start);
  const box = boundsOf(outline) ?? { left: 0, top: 0, right: 1, bottom: 1 };
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const ink = weightOf([{ path: outline, rule: 'nonzero' }], Math.max(w, h) / 400)?.area ?? w * h;
  const by = Math.min(Math.sqrt((WEIGHT * size * size) / ink), (size * 1.04) / Math.max(w, h));
  return larger(start, by);
}

function drawCharges(kit: Kit, slot: string, charges: Charges, places: readonly Slot[], show: Showing, inside: Region): void {
  const { paths, remember } = kit.context;
  // What is strewn over the field is one part, cut by the field's edge.
  if (slot.includes('strewn')) {
    const strewn = places.map((place) =>
      placedArea({ path: outlineOf(formOf(chargeForm(charges.what, place.size))), rule: 'nonzero' }, 1, place.x, place.y),
    );
    const cut = remember(`strewn ${JSON.stringify([charges.what, places, inside.path])}`, () =>
      paths.combine('intersect', paths.weld(strewn), inside),
    );
    const label = chargeRow(charges.what).many.replace(/^./, (letter) => letter.toUpperCase());
    if (isEmpty(cut)) return;
    if (show.hatched && tinctureRow(charges.tincture).kind === 'metal') inTincture(kit, slot, label, cut, 'argent', show);
    else kit.drawn(slot, label, [{ path: cut.path, rule: cut.rule, paint: 0 }], [show.hatched ? show.ink : show.paints[charges.tincture]]);
    return;
  }
  places.forEach((place, index) => {
    const form = chargeForm(charges.what, place.size);
    const outline = placedArea({ path: outlineOf(formOf(form)), rule: 'nonzero' }, 1, place.x, place.y);
    const id = `${slot}-${index + 1}`;
    const name = chargeRow(charges.what).one.replace(/^./, (letter) => letter.toUpperCase());
    if (show.hatched) {
      const welded = paths.weld([outline]);
      const fine = place.size < 9 * show.pitchPx;
      const metal = tinctureRow(charges.tincture).kind === 'metal';
      if (fine && !metal) kit.drawn(id, name, [{ path: welded.path, rule: welded.rule, paint: 0 }], [show.ink]);
      else inTincture(kit, id, name, welded, fine ? 'argent' : charges.tincture, show);
      return;
    }
    const whole = boundsOf(outline.path);
    const field = boxOf(inside);
    const beyond = whole && (whole.left < field.left || whole.right > field.right || whole.top < field.top || whole.bottom > field.bottom);
    if (beyond) {
      const cut = paths.combine('intersect', paths.weld([outline]), inside);
      if (!isEmpty(cut)) kit.drawn(id, name, [{ path: cut.path, rule: cut.rule, paint: 0 }], [show.paints[charges.tincture]]);
      return;
    }
    kit.shape(id, name, form, show.paints[charges.tincture], place);
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
export function drawField(kit: Kit, arms: Arms, inside: Region, show: Showing): void {
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
      drawCharges(kit, item.arranged === 'seme' ? `${slot}-strewn` : slot, item, places, show, inside);
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
    if (item.on) drawCharges(kit, `${slot}-on`, item.on, onOrdinary(box, item.ordinary, item.on.count), show, inside);
    if (item.between)
      drawCharges(kit, `${slot}-between`, item.between, besideOrdinary(room, item.ordinary, item.between.count), show, inside);
  });
}
