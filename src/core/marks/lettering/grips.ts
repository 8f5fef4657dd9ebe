import { notNought, STRAIGHT_RAD } from '../../numeric/tolerances';
import { heightOf, widthOf, type Bounds, type Point } from '../../geometry';
import type { Belt, Cut } from './schema';

/** A place on the stage by which something is pulled, in the plane it stands in (1/1000 em), and what pulling it there changes. */
export interface Grip<C> {
  readonly key: string;
  readonly label: string;
  readonly at: Point;
  readonly pull: (to: Point) => C;
}

const round = (value: number, digits = 1): number => Number(value.toFixed(digits));
const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
const degrees = (radians: number): number => (radians * 180) / Math.PI;

/** A plane turned about a middle: from it to the box's plane and back. */
function turnedAbout(middle: Point, angleDeg: number) {
  const [cos, sin] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
  return {
    out: (x: number, y: number): Point => ({ x: middle.x + x * cos - y * sin, y: middle.y + x * sin + y * cos }),
    into: (to: Point): Point => {
      const [dx, dy] = [to.x - middle.x, to.y - middle.y];
      return { x: dx * cos + dy * sin, y: dy * cos - dx * sin };
    },
  };
}

interface Placed {
  readonly acrossPercent: number;
  readonly downPercent: number;
  readonly angleDeg: number;
}
const middleOf = (thing: Placed, box: Bounds): Point => ({
  x: box.left + (widthOf(box) * thing.acrossPercent) / 100,
  y: box.top + (heightOf(box) * thing.downPercent) / 100,
});
const moved = (box: Bounds, to: Point) => ({
  acrossPercent: round(clamp(((to.x - box.left) / notNought(widthOf(box))) * 100, -100, 200)),
  downPercent: round(clamp(((to.y - box.top) / notNought(heightOf(box))) * 100, -100, 200)),
});
const angleTo = (middle: Point, to: Point): number => degrees(Math.atan2(to.y - middle.y, to.x - middle.x));

/** How far from a cut's middle it is turned by, as a share of its box's diagonal: near enough to be on the stage with the letters. */
const TURN_AT = 0.36;

/** Where the end of an arc of a length and bend lies from its middle. */
function arcEnd(length: number, bendDeg: number): Point {
  const bend = (bendDeg * Math.PI) / 180;
  if (Math.abs(bend) < STRAIGHT_RAD) return { x: length / 2, y: 0 };
  const radius = length / bend;
  return { x: radius * Math.sin(bend / 2), y: radius * (1 - Math.cos(bend / 2)) };
}

/** A place beside an arc: so far along from its middle, so far outside of it. */
function besideArc(along: number, length: number, bendDeg: number, outward: number): readonly [x: number, y: number] {
  const bend = (bendDeg * Math.PI) / 180;
  if (Math.abs(bend) < STRAIGHT_RAD) return [along, outward];
  const radius = length / bend;
  const far = radius + Math.sign(radius) * outward;
  const angle = along / radius;
  return [far * Math.sin(angle), radius - far * Math.cos(angle)];
}

/** How far a place lies from an arc. */
function awayFromArc(to: Point, length: number, bendDeg: number): number {
  const bend = (bendDeg * Math.PI) / 180;
  if (Math.abs(bend) < STRAIGHT_RAD) return Math.abs(to.y);
  const radius = length / bend;
  return Math.abs(Math.hypot(to.x, to.y - radius) - Math.abs(radius));
}

/** By what a cut is pulled. @param box the box it stands in */
export function cutGrips(cut: Cut, box: Bounds): readonly Grip<Partial<Cut>>[] {
  if (cut.form === 'free')
    return cut.points.map((point, index) => ({
      key: `corner-${index}`,
      label: `Corner ${index + 1}`,
      at: { x: box.left + (widthOf(box) * point.x) / 100, y: box.top + (heightOf(box) * point.y) / 100 },
      pull: (to) => {
        const x = round(clamp(((to.x - box.left) / notNought(widthOf(box))) * 100, -200, 300));
        const y = round(clamp(((to.y - box.top) / notNought(heightOf(box))) * 100, -200, 300));
        return { points: cut.points.map((each, n) => (n === index ? { x, y } : each)) };
      },
    }));
  const middle = middleOf(cut, box);
  const { out, into } = turnedAbout(middle, cut.angleDeg);
  const diagonal = notNought(Math.hypot(widthOf(box), heightOf(box)));
  const length = (diagonal * cut.lengthPercent) / 100;
  const percentOf = (value: number) => round(clamp((value / diagonal) * 100, 1, 400));
  const place: Grip<Partial<Cut>> = { key: 'place', label: 'Place of the cut', at: middle, pull: (to) => moved(box, to) };
  const gap = (at: Point, label: string): Grip<Partial<Cut>> => ({
    key: 'gap',
    label,
    at,
    pull: (to) => ({ gapPermille: round(clamp(2 * Math.abs(into(to).y), 0, 2000), 0) }),
  });
  if (cut.form === 'arc') {
    const end = arcEnd(length, cut.bendDeg);
    const tilt = degrees(Math.atan2(end.y, end.x));
    return [
      place,
      {
        key: 'end',
        label: 'Bend and length of the cut',
        at: out(end.x, end.y),
        pull: (to) => {
          const local = into(to);
          const chord = Math.hypot(local.x, local.y);
          // From an arc's middle its end is seen at a quarter of the bend.
          const bend = clamp(4 * Math.atan2(local.y, notNought(local.x)), (-350 * Math.PI) / 180, (350 * Math.PI) / 180);
          const whole = Math.abs(bend) < STRAIGHT_RAD ? 2 * chord : (chord / (2 * Math.sin(bend / 4))) * bend;
          return { bendDeg: round(degrees(bend)), lengthPercent: percentOf(whole) };
        },
      },
      {
        key: 'turn',
        label: 'Angle of the cut',
        at: out(-end.x, end.y),
        pull: (to) => ({ angleDeg: round(angleTo(middle, to) + tilt - 180) }),
      },
      {
        key: 'gap',
        label: 'Gap',
        at: out(...besideArc(length / 4, length, cut.bendDeg, cut.gapPermille / 2)),
        pull: (to) => ({ gapPermille: round(clamp(2 * awayFromArc(into(to), length, cut.bendDeg), 0, 2000), 0) }),
      },
    ];
  }
  if (cut.form === 'slice') {
    const reach = diagonal * TURN_AT;
    return [
      place,
      { key: 'end', label: 'Angle of the slice', at: out(reach, 0), pull: (to) => ({ angleDeg: round(angleTo(middle, to)) }) },
      gap(out(reach / 2, -cut.gapPermille / 2), 'Gap'),
      {
        key: 'push',
        label: 'Push of the far side',
        at: out(cut.shiftPermille, cut.gapPermille / 2 + diagonal * 0.15),
        pull: (to) => ({ shiftPermille: round(clamp(into(to).x, -10_000, 10_000), 0) }),
      },
    ];
  }
  const wedge = cut.form === 'wedge';
  const reach = wedge ? length : length / 2;
  return [
    place,
    {
      key: 'end',
      label: 'Angle and length of the cut',
      at: out(reach, 0),
      pull: (to) => ({
        angleDeg: round(angleTo(middle, to)),
        lengthPercent: percentOf(Math.hypot(to.x - middle.x, to.y - middle.y) * (wedge ? 1 : 2)),
      }),
    },
    {
      key: 'turn',
      label: 'Angle of the cut',
      at: out(-TURN_AT * diagonal, 0),
      pull: (to) => ({ angleDeg: round(angleTo(middle, to) - 180) }),
    },
    wedge ? gap(out(length, cut.gapPermille / 2), 'Mouth') : gap(out(TURN_AT * diagonal * 0.5, cut.gapPermille / 2), 'Gap'),
  ];
}

/** By what a ring or line around a letter is pulled. */
export function beltGrips(belt: Belt, box: Bounds): readonly Grip<Partial<Belt>>[] {
  const middle = middleOf(belt, box);
  const { out, into } = turnedAbout(middle, belt.angleDeg);
  const halfWidth = (widthOf(box) * belt.widthPercent) / 200;
  const halfHeight = (heightOf(box) * belt.heightPercent) / 200;
  const share = (value: number, of: number) => round(clamp((value / notNought(of)) * 200, 5, 1000));
  return [
    { key: 'place', label: 'Place of the ring', at: middle, pull: (to) => moved(box, to) },
    {
      key: 'width',
      label: 'Width and angle',
      at: out(halfWidth, 0),
      pull: (to) => ({
        angleDeg: round(angleTo(middle, to)),
        widthPercent: share(Math.hypot(to.x - middle.x, to.y - middle.y), widthOf(box)),
      }),
    },
    ...(belt.form === 'ring'
      ? [
          {
            key: 'height',
            label: 'Height',
            at: out(0, halfHeight),
            pull: (to: Point) => ({ heightPercent: share(Math.abs(into(to).y), heightOf(box)) }),
          },
        ]
      : []),
  ];
}
