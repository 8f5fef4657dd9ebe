import type { Bounds, Point } from '../geometry';
import { edgeBetween, type LineStyle } from './partition-lines';

/** Divisions of a field in two tinctures. */
export const DIVISIONS = [
  'plain',
  'per-pale',
  'per-fess',
  'per-bend',
  'per-bend-sinister',
  'per-chevron',
  'per-saltire',
  'quarterly',
  'gyronny',
  'paly',
  'barry',
  'bendy',
  'chequy',
  'lozengy',
] as const;
export type Division = (typeof DIVISIONS)[number];
/** Those that are counted, and how many pieces they begin with. */
export const COUNTED: Readonly<Partial<Record<Division, number>>> = { gyronny: 8, paly: 6, barry: 6, bendy: 6, chequy: 6, lozengy: 6 };

/** Broad pieces that lie upon a field. */
export const ORDINARIES = [
  'pale',
  'fess',
  'bend',
  'bend-sinister',
  'chevron',
  'saltire',
  'cross',
  'chief',
  'base',
  'pile',
  'bordure',
] as const;
export type Ordinary = (typeof ORDINARIES)[number];

type Polygon = readonly Point[];
/** Beyond the field, so that edges never end inside of it. */
const FAR = 0.6;
const STEPS = 8;
/** Share of the field's width that an ordinary takes. @source common practice: a third at most where it is charged, less where not */
const BROAD = 0.26;

/** Between two edges that run the same way. */
const between = (one: Polygon, other: Polygon): Polygon => [...one, ...[...other].reverse()];

/** Lines of a box, in whose lengths everything is counted. */
function frameOf({ left, top, right, bottom }: Bounds) {
  const [w, h] = [right - left, bottom - top];
  const center = { x: (left + right) / 2, y: (top + bottom) / 2 };
  return { w, h, center, far: Math.max(w, h) * FAR, step: w / STEPS };
}

/**
 * The parts of a box that bear the second tincture; all else bears the first. On a box they cover exactly what geometry says, whatever the style of
 * their edges, as far as these are even to both sides.
 */
export function dividedField(box: Bounds, division: Division, style: LineStyle, count: number): readonly Polygon[] {
  const { w, h, center: c, far, step } = frameOf(box);
  const { left, top, right, bottom } = box;
  const edge = (from: Point, to: Point) => edgeBetween(from, to, style, step);
  const upright = (x: number) => edge({ x, y: top - far }, { x, y: bottom + far });
  const level = (y: number) => edge({ x: left - far, y }, { x: right + far, y });
  const sides = { l: left - far, r: right + far, t: top - far, b: bottom + far };
  const n = Math.max(2, Math.round(count));
  switch (division) {
    case 'plain':
      return [];
    case 'per-pale':
      return [
        between(upright(c.x), [
          { x: sides.r, y: sides.t },
          { x: sides.r, y: sides.b },
        ]),
      ];
    case 'per-fess':
      return [
        between(level(c.y), [
          { x: sides.l, y: sides.b },
          { x: sides.r, y: sides.b },
        ]),
      ];
    // The bend falls from dexter chief, the viewer's upper left, to sinister base.
    case 'per-bend':
      return [
        [
          ...edge({ x: left - h, y: top - h * (h / w) }, { x: right + h, y: bottom + h * (h / w) }),
          { x: left - h, y: bottom + h * (h / w) },
        ],
      ];
    case 'per-bend-sinister':
      return [
        [
          ...edge({ x: right + h, y: top - h * (h / w) }, { x: left - h, y: bottom + h * (h / w) }),
          { x: right + h, y: bottom + h * (h / w) },
        ],
      ];
    case 'per-chevron': {
      const peak = { x: c.x, y: c.y - h * 0.08 };
      const fall = 0.82;
      const foot = (w / 2 + far) * fall;
      return [
        [
          ...edge({ x: sides.l, y: peak.y + foot }, peak),
          ...edge(peak, { x: sides.r, y: peak.y + foot }),
          { x: sides.r, y: sides.b + foot },
          { x: sides.l, y: sides.b + foot },
        ],
      ];
    }
    case 'per-saltire': {
      const k = 2;
      const [dx, dy] = [(w / 2) * k, (h / 2) * k];
      const out = (x: number, y: number) => edge(c, { x: c.x + x, y: c.y + y });
      return [between(out(-dx, -dy), out(-dx, dy)), between(out(dx, -dy), out(dx, dy))];
    }
    case 'quarterly':
      // First and fourth bear the first tincture, second and third the other.
      return [
        [...edge({ x: c.x, y: sides.t }, c), ...edge(c, { x: sides.r, y: c.y }), { x: sides.r, y: sides.t }],
        [...edge(c, { x: c.x, y: sides.b }), { x: sides.l, y: sides.b }, ...edge({ x: sides.l, y: c.y }, c)],
      ];
    case 'gyronny': {
      const all = Math.max(4, 2 * Math.round(n / 2));
      const r = Math.hypot(w, h);
      const at = (index: number) => {
        const turn = -Math.PI / 2 + (2 * Math.PI * index) / all;
        // Rays meet the corners of the box where there are eight.
        return { x: c.x + (r * Math.cos(turn) * w) / Math.max(w, h), y: c.y + (r * Math.sin(turn) * h) / Math.max(w, h) };
      };
      return Array.from({ length: all / 2 }, (_, index) => between(edge(c, at(2 * index)), edge(c, at(2 * index + 1))));
    }
    case 'paly':
      return stripes(n, left, right, upright);
    case 'barry':
      return stripes(n, top, bottom, level);
    case 'bendy': {
      const turn = Math.atan2(h, w);
      const reach = Math.hypot(w, h);
      const along = { x: Math.cos(turn), y: Math.sin(turn) };
      const across = { x: Math.sin(turn), y: -Math.cos(turn) };
      const half = (w * Math.sin(turn) + h * Math.cos(turn)) / 2;
      const line = (off: number) =>
        edge(
          { x: c.x + across.x * off - along.x * reach, y: c.y + across.y * off - along.y * reach },
          { x: c.x + across.x * off + along.x * reach, y: c.y + across.y * off + along.y * reach },
        );
      return stripes(n, half, -half, line);
    }
    case 'chequy': {
      const side = w / n;
      const rows = Math.max(1, Math.round(h / side));
      const tall = h / rows;
      return Array.from({ length: n * rows }, (_, index) => [index % n, Math.floor(index / n)] as const)
        .filter(([column, row]) => (column + row) % 2 === 1)
        .map(([column, row]) => rectangle(left + column * side, top + row * tall, side, tall));
    }
    case 'lozengy': {
      const side = w / n;
      const rows = Math.max(1, Math.round(h / (side * 1.4)));
      const tall = h / rows;
      return Array.from({ length: n * rows }, (_, index) => [index % n, Math.floor(index / n)] as const).map(([column, row]) => {
        const [x, y] = [left + (column + 0.5) * side, top + (row + 0.5) * tall];
        return [
          { x, y: y - tall / 2 },
          { x: x + side / 2, y },
          { x, y: y + tall / 2 },
          { x: x - side / 2, y },
        ];
      });
    }
  }
}

const rectangle = (x: number, y: number, w: number, h: number): Polygon => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];

/** Every other stripe of a number of even ones, the second first. */
function stripes(count: number, from: number, to: number, line: (at: number) => Polygon): readonly Polygon[] {
  const wide = (to - from) / count;
  return Array.from({ length: Math.floor(count / 2) }, (_, index) =>
    between(line(from + (2 * index + 1) * wide), line(from + (2 * index + 2) * wide)),
  );
}

/** The middle line of a chevron ordinary rises this much for one across. */
const RISE = 0.82;

/** What an ordinary covers of a box; of a bordure, nothing: it follows the outline, and is drawn in from that. */
export function ordinaryOn(box: Bounds, ordinary: Ordinary, style: LineStyle): readonly Polygon[] {
  const { w, h, center: c, far, step } = frameOf(box);
  const { left, top, right, bottom } = box;
  const edge = (from: Point, to: Point) => edgeBetween(from, to, style, step);
  const b = (BROAD * w) / 2;
  const upright = (x: number, way: 1 | -1) =>
    way > 0 ? edge({ x, y: top - far }, { x, y: bottom + far }) : edge({ x, y: bottom + far }, { x, y: top - far });
  const level = (y: number, way: 1 | -1) =>
    way > 0 ? edge({ x: left - far, y }, { x: right + far, y }) : edge({ x: right + far, y }, { x: left - far, y });
  switch (ordinary) {
    case 'pale':
      return [[...upright(c.x - b, -1), ...upright(c.x + b, 1)]];
    case 'fess':
      return [[...level(c.y - b, 1), ...level(c.y + b, -1)]];
    case 'bend':
    case 'bend-sinister': {
      const side = ordinary === 'bend' ? 1 : -1;
      const turn = Math.atan2(h, side * w);
      const along = { x: Math.cos(turn), y: Math.sin(turn) };
      const across = { x: -Math.sin(turn), y: Math.cos(turn) };
      const reach = Math.hypot(w, h);
      const line = (off: number, way: 1 | -1) => {
        const at = (s: number) => ({ x: c.x + across.x * off + along.x * reach * s, y: c.y + across.y * off + along.y * reach * s });
        return edge(at(-way), at(way));
      };
      return [[...line(-b, 1), ...line(b, -1)]];
    }
    case 'chevron': {
      const up = b / Math.cos(Math.atan(RISE));
      const peak = (off: number) => ({ x: c.x, y: c.y - h * 0.06 + off });
      const foot = (off: number, x: number) => ({ x, y: peak(off).y + Math.abs(x - c.x) * RISE });
      const [l, r] = [left - far, right + far];
      return [
        [
          ...edge(foot(-up, l), peak(-up)),
          ...edge(peak(-up), foot(-up, r)),
          ...edge(foot(up, r), peak(up)),
          ...edge(peak(up), foot(up, l)),
        ],
      ];
    }
    case 'saltire':
      return [...ordinaryOn(box, 'bend', style), ...ordinaryOn(box, 'bend-sinister', style)];
    case 'cross':
      return [
        ...ordinaryOn({ ...box, top: top, bottom }, 'pale', style),
        [...level(c.y - h * 0.06 - b, 1), ...level(c.y - h * 0.06 + b, -1)],
      ];
    case 'chief':
      return [[...level(top + h * 0.28, -1), { x: left - far, y: top - far }, { x: right + far, y: top - far }]];
    case 'base':
      return [[...level(bottom - h * 0.28, 1), { x: right + far, y: bottom + far }, { x: left - far, y: bottom + far }]];
    case 'pile': {
      const tip = { x: c.x, y: bottom - h * 0.14 };
      const slope = (w * 0.3) / (h * 0.86);
      const x = (y: number) => (tip.y - y) * slope;
      return [[...edge({ x: c.x - x(top - far), y: top - far }, tip), ...edge(tip, { x: c.x + x(top - far), y: top - far })]];
    }
    case 'bordure':
      return [];
  }
}
