import {
  arcOn,
  boundsOf,
  compose,
  heightOf,
  mapPath,
  PathPen,
  rotation,
  translation,
  widthOf,
  type Affine,
  type Bounds,
  type Path,
  type PathAlgebra,
  type Region,
} from '../../geometry';
import type { Cut } from './schema';
import { STRAIGHT_RAD } from '../../numeric/tolerances';

const region = (path: Path): Region => ({ path, rule: 'nonzero' });

const box = (left: number, top: number, right: number, bottom: number): Path =>
  new PathPen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().path();

/** Where a cut stands: from its own plane (origin in its middle, x along it) to the plane of what is cut. */
const standing = (cut: Cut, around: Bounds): Affine =>
  compose(
    translation(around.left + (widthOf(around) * cut.acrossPercent) / 100, around.top + (heightOf(around) * cut.downPercent) / 100),
    rotation(cut.angleDeg),
  );

/** A strip along a circle's arc: its middle line has the given length and turns by the given angle, its middle at the origin. */
function arcStrip(length: number, bendDeg: number, thickness: number): Path {
  const bend = (bendDeg * Math.PI) / 180;
  if (Math.abs(bend) < STRAIGHT_RAD) return box(-length / 2, -thickness / 2, length / 2, thickness / 2);
  const radius = length / bend;
  // Seen from the center of its circle; a strip that bends upward has it above.
  const from = -Math.PI / 2 - bend / 2;
  const [inner, outer] = [radius - thickness / 2, radius + thickness / 2];
  const at = (r: number, angle: number) => ({ x: r * Math.cos(angle), y: radius + r * Math.sin(angle) });
  const [first, back] = [at(outer, from), at(inner, from + bend)];
  const pen = arcOn(new PathPen().move(first.x, first.y), 0, radius, outer, outer, from, bend).line(back.x, back.y);
  return arcOn(pen, 0, radius, inner, inner, from + bend, -bend)
    .close()
    .path();
}

/** What a cut takes out, in the plane of what is cut. Nothing for a slice, which divides. */
function taken(cut: Cut, around: Bounds): Path | undefined {
  const length = (Math.hypot(widthOf(around), heightOf(around)) * cut.lengthPercent) / 100;
  const map = standing(cut, around);
  if (cut.form === 'bar') return mapPath(box(-length / 2, -cut.gapPermille / 2, length / 2, cut.gapPermille / 2), map);
  if (cut.form === 'arc') return mapPath(arcStrip(length, cut.bendDeg, cut.gapPermille), map);
  if (cut.form === 'wedge')
    return mapPath(
      new PathPen()
        .move(0, 0)
        .line(length, -cut.gapPermille / 2)
        .line(length, cut.gapPermille / 2)
        .close()
        .path(),
      map,
    );
  if (cut.form === 'free') {
    const [first, ...rest] = cut.points;
    if (!first || rest.length < 2) return undefined;
    const x = (percent: number) => around.left + (widthOf(around) * percent) / 100;
    const y = (percent: number) => around.top + (heightOf(around) * percent) / 100;
    const pen = new PathPen().move(x(first.x), y(first.y));
    for (const point of rest) pen.line(x(point.x), y(point.y));
    return pen.close().path();
  }
  return undefined;
}

/** A cut made ready for one outline: what it does there, and a key that says everything it depends on besides the outline. */
export interface ReadyCut {
  readonly key: string;
  readonly apply: (outline: Region, paths: PathAlgebra) => Region;
}

/** A level bar that crosses a letter whole is the same bar wherever the letter stands. */
const shortened = (cut: Cut, out: Path, own: Bounds): Path => {
  const reach = boundsOf(out);
  if (cut.form !== 'bar' || cut.angleDeg % 180 !== 0 || !reach || reach.left > own.left || reach.right < own.right) return out;
  return box(own.left - 1, reach.top, own.right + 1, reach.bottom);
};

/**
 * Makes a cut ready for an outline.
 * @param around the box the cut stands in, in the outline's plane; @param own the outline's own box
 * @returns nothing when the cut does not meet the outline
 */
export function prepareCut(cut: Cut, around: Bounds, own: Bounds | undefined): ReadyCut | undefined {
  if (!own) return undefined;
  if (cut.form !== 'slice') {
    const whole = taken(cut, around);
    const reach = whole && boundsOf(whole);
    const meets = reach && reach.left < own.right && reach.right > own.left && reach.top < own.bottom && reach.bottom > own.top;
    if (!whole || !meets || (cut.form !== 'free' && cut.gapPermille === 0)) return undefined;
    const out = shortened(cut, whole, own);
    return {
      key: `out ${out.coords.map((value) => value.toFixed(4)).join()}`,
      apply: (outline, paths) => paths.combine('subtract', outline, region(out)),
    };
  }
  const map = standing(cut, around);
  const along = { x: map.a * cut.shiftPermille, y: map.b * cut.shiftPermille };
  const key = `slice ${Object.values(map)
    .map((value: number) => value.toFixed(4))
    .join()} ${cut.gapPermille} ${cut.shiftPermille}`;
  const apply = (outline: Region, paths: PathAlgebra): Region => {
    const far = 4 * (Math.hypot(widthOf(around), heightOf(around)) + Math.hypot(widthOf(own), heightOf(own)) + cut.gapPermille) + 1000;
    const half = (from: number, to: number) => region(mapPath(box(-far, from, far, to), map));
    const near = paths.combine('intersect', outline, half(-far, -cut.gapPermille / 2));
    const other = paths.combine('intersect', outline, half(cut.gapPermille / 2, far));
    const pushed: Region = { ...other, path: mapPath(other.path, translation(along.x, along.y)) };
    // The two sides lie apart unless one was pushed; welding keeps one rule for both.
    return paths.weld([near, pushed]);
  };
  return { key, apply };
}

/** An outline with one cut made in it. @param around the box the cut stands in, in the outline's plane */
export const cutThrough = (outline: Region, cut: Cut, around: Bounds, paths: PathAlgebra): Region =>
  prepareCut(cut, around, boundsOf(outline.path))?.apply(outline, paths) ?? outline;
