import { beforeAll, describe, expect, it } from 'vitest';
import {
  apply,
  boundsOf,
  compose,
  type createPart,
  IDENTITY,
  isKnown,
  labelOf,
  openTaker,
  placing,
  type Affine,
  type Bounds,
  type DrawingNode,
  type Point,
  type ResolvedMark,
} from '$core/index';
import { casesOf } from '../../support/deep';
import { drawnOn, letteringInput } from '../../support/drawn-mark';
import { nestedRecipe } from '../../support/nested-recipes';
import { shelfOf } from '../../support/fonts';
import { random } from '../../support/random';

type PartInput = Parameters<typeof createPart>[0];
let draw: ReturnType<typeof drawnOn>;
beforeAll(async () => {
  draw = drawnOn(await shelfOf('jost'));
});

const disk = (id: string, more: object = {}): PartInput =>
  ({ kind: 'shape', id, form: { form: 'disk', widthPx: 200, heightPx: 200 }, ...more }) as PartInput;
const group = (id: string, members: readonly string[], place: object = {}): PartInput =>
  ({ kind: 'group', id, members, place: { x: 0, y: 0, turnDeg: 0, ...place } }) as PartInput;
const lettering = (id: string, more: object = {}): PartInput => letteringInput({ id, text: 'Oar', ...more });
const inkOf = (mark: ResolvedMark, id: string): Bounds => {
  const ink = mark.parts.find((part) => part.id === id)?.ink;
  if (!ink) throw new Error(`no ink of ${id}`);
  return ink;
};
const middle = ({ left, right, top, bottom }: Bounds): Point => ({ x: (left + right) / 2, y: (top + bottom) / 2 });

/** Every outline of a part where it stands in the mark, as points. */
function pointsOf(mark: ResolvedMark, id: string): readonly number[] {
  const out: number[] = [];
  const walk = (nodes: readonly DrawingNode[], map: Affine, inside: boolean): void => {
    for (const node of nodes) {
      if (node.kind === 'group') walk(node.children, compose(map, node.transform), inside || node.id === id);
      else if (inside)
        for (let at = 0; at < node.path.coords.length; at += 2) {
          const { x, y } = apply(map, { x: node.path.coords[at] as number, y: node.path.coords[at + 1] as number });
          out.push(x, y);
        }
    }
  };
  walk(mark.drawing.groups, IDENTITY, false);
  return out;
}
/** The box around every point of a part's outlines. */
const reachOf = (mark: ResolvedMark, id: string): Bounds | undefined => {
  const points = pointsOf(mark, id);
  return points.length === 0 ? undefined : boundsOf({ verbs: `M${'L'.repeat(points.length / 2 - 1)}`, coords: points });
};
const farthest = (one: readonly number[], other: readonly number[]): number =>
  one.length !== other.length ? Infinity : one.reduce((most, value, at) => Math.max(most, Math.abs(value - (other[at] as number))), 0);

describe('a follower outside of the group that its leader is in', () => {
  it('ring text goes round the disk where the disk is seen, and as large', () => {
    const ring = lettering('ring', {
      line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 100, around: { part: 'disk', insetPx: -20 } },
    });
    const before = draw(disk('disk'), ring);
    const after = draw(disk('disk'), ring, group('g', ['disk'], { x: 500, y: 40, scale: 2 }));
    const circle = (mark: ResolvedMark) => mark.parts.find(({ id }) => id === 'ring')?.lettering?.circle?.radiusPx ?? NaN;
    expect(circle(after) - circle(before)).toBeCloseTo(100, 6);
    const at = after.parts.find(({ id }) => id === 'ring')?.transform;
    expect([at?.e, at?.f]).toEqual([500, 40]);
  });

  it('a second line hangs under its first, as large as it is seen', () => {
    const second = lettering('second', { text: 'boats', companion: { part: 'name', sizePercent: 30, gapPermille: 200 } });
    const plain = draw(lettering('name'), second);
    const moved = draw(lettering('name'), second, group('g', ['name'], { y: 400 }));
    expect(inkOf(moved, 'second').top - inkOf(plain, 'second').top).toBeCloseTo(400, 6);
    const large = draw(lettering('name', { place: { x: 0, y: 0, turnDeg: 0, scale: 3 } }), second);
    expect(large.parts.find(({ id }) => id === 'second')?.lettering?.sizePx).toBeCloseTo(90, 6);
  });

  it('a text stands on the curve, a fit has the width, a band the place that they have in the mark', () => {
    const points = [0, 200, 400].map((x) => ({ x, y: x === 200 ? -60 : 0, inX: -60, inY: 0, outX: 60, outY: 0 }));
    const bow: PartInput = { kind: 'curve', id: 'bow', points } as PartInput;
    const on = lettering('on', { line: { shape: 'curve', points: [], along: { part: 'bow', offPx: 0 } } });
    const shift = (mark: ResolvedMark) => inkOf(mark, 'on').left;
    expect(shift(draw(bow, on, group('g', ['bow'], { x: 700 }))) - shift(draw(bow, on))).toBeCloseTo(700, 6);

    const fit = lettering('fit', { fit: { to: { kind: 'part', part: 'disk' }, by: [{ means: 'size', min: 0.1, max: 20000 }] } });
    const width = (ink: Bounds) => ink.right - ink.left;
    const [whole, double] = [draw(disk('disk'), fit), draw(disk('disk'), fit, group('g', ['disk'], { scale: 2 }))];
    expect(width(inkOf(double, 'fit')) / width(inkOf(whole, 'fit'))).toBeCloseTo(2, 2);

    const band: PartInput = { kind: 'band', id: 'band', of: 'disk', widthPx: 10 } as PartInput;
    const far = inkOf(draw(band, disk('disk'), group('g', ['disk'], { x: 500, scale: 2 })), 'band');
    expect([middle(far).x, width(far)].map((value) => Math.round(value * 100) / 100)).toEqual([500, 420]);
  });

  it('a ring text around a ring text has its center, however its ink lies', () => {
    const inner = lettering('inner', { text: 'abc', line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 120 } });
    const outer = lettering('outer', {
      text: 'defgh',
      line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 100, around: { part: 'inner', insetPx: -60 } },
    });
    const at = draw(inner, outer).parts.find(({ id }) => id === 'outer')?.transform;
    expect([at?.e, at?.f]).toEqual([0, 0]);
  });
});

describe('a follower that is itself scaled', () => {
  it('still fits what it follows', () => {
    const fit = (scale: number) =>
      inkOf(
        draw(
          disk('disk'),
          lettering('fit', {
            place: { x: 0, y: 0, turnDeg: 0, scale },
            fit: { to: { kind: 'part', part: 'disk' }, by: [{ means: 'size', min: 0.1, max: 20000 }] },
          }),
        ),
        'fit',
      );
    const [one, two] = [fit(1), fit(2)];
    expect(two.right - two.left).toBeCloseTo(one.right - one.left, 0);
  });
  it('turned, flipped or larger, stands on its curve', () => {
    const points = [0, 300].map((x) => ({ x, y: x / 3, inX: -60, inY: 20, outX: 60, outY: -20 }));
    const bow: PartInput = { kind: 'curve', id: 'bow', points, weightPx: 1 } as PartInput;
    for (const place of [{ turnDeg: 50 }, { scale: 2 }, { flip: true }]) {
      const on = lettering('on', {
        sizePx: 20,
        place: { x: 0, y: 0, turnDeg: 0, ...place },
        line: { shape: 'curve', points: [], along: { part: 'bow', offPx: 0 } },
      });
      const mark = draw(bow, on);
      const [bowInk, ink] = [inkOf(mark, 'bow'), inkOf(mark, 'on')];
      const own = mark.parts.find(({ id }) => id === 'on');
      // The middle of every letter's foot lies within the box of the curve.
      for (const { at } of own?.lettering?.letters ?? []) {
        const { x, y } = apply(own?.transform ?? IDENTITY, at);
        expect(x > bowInk.left - 30 && x < bowInk.right + 30 && y > bowInk.top - 30 && y < bowInk.bottom + 30, JSON.stringify(place)).toBe(
          true,
        );
      }
      expect(ink).toBeDefined();
    }
  });
});

const COUNT = casesOf({ inFull: 2000, sample: 80 });
describe(`random nested recipes (${COUNT})`, () => {
  it('move, grow, turn and mirror with the group around them by exactly that map', () => {
    const off: string[] = [];
    for (let seed = 1; seed <= COUNT; seed++) {
      const recipe = nestedRecipe(seed);
      const next = random(seed + 9000);
      const place = { x: next() * 600 - 300, y: next() * 600 - 300, turnDeg: next() * 360, scale: 0.2 + next() * 3, flip: next() < 0.5 };
      const moved = recipe.parts.map((part) => (part.id === 'all' && isKnown(part) ? { ...part, place } : part));
      const [before, after] = [draw(...(recipe.parts as PartInput[])), draw(...(moved as PartInput[]))];
      const map = placing(place);
      for (const part of recipe.parts) {
        if (!isKnown(part)) continue;
        const [one, other] = [pointsOf(before, part.id), pointsOf(after, part.id)];
        const mapped: number[] = [];
        for (let at = 0; at < one.length; at += 2) {
          const { x, y } = apply(map, { x: one[at] as number, y: one[at + 1] as number });
          mapped.push(x, y);
        }
        const by = farthest(mapped, other);
        if (by > 1e-6) off.push(`seed ${seed} ${labelOf(part)} ${part.id}: ${by}`);
      }
    }
    expect(off).toEqual([]);
  }, 900_000);

  it('look the same once a group that is neither turned nor mirrored is opened, whoever follows whom', () => {
    const off: string[] = [];
    for (let seed = 1; seed <= COUNT; seed++) {
      const recipe = nestedRecipe(seed);
      const next = random(seed + 5000);
      const place = { x: Math.round(next() * 600 - 300), y: Math.round(next() * 600 - 300), turnDeg: 0, scale: 0.2 + next() * 3 };
      const closed = { ...recipe, parts: recipe.parts.map((part) => (part.id === 'all' && isKnown(part) ? { ...part, place } : part)) };
      const [before, after] = [draw(...(closed.parts as PartInput[])), draw(...(openTaker(closed, 'all').parts as PartInput[]))];
      for (const part of recipe.parts) {
        // A band's own place is added to its part's, so that it is a distance in pixels, which grows with whatever draws it.
        if (part.id === 'all' || part.kind === 'band') continue;
        const [one, other] = [reachOf(before, part.id), reachOf(after, part.id)];
        const by =
          one && other
            ? Math.max(...(['left', 'right', 'top', 'bottom'] as const).map((side) => Math.abs(one[side] - other[side])))
            : one === other
              ? 0
              : Infinity;
        if (by > 0.5) off.push(`seed ${seed} ${labelOf(part)} ${part.id}: ${by}`);
      }
    }
    expect(off).toEqual([]);
  }, 900_000);
});
