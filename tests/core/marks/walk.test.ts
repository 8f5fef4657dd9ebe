import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  expect as valueOf,
  IDENTITY,
  outlinesIn,
  STARTING_PALETTE,
  walkNodes,
  type DrawingNode,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { shelfOf } from '../../support/fonts';
import { nestedRecipe } from '../../support/nested-recipes';
import { areaOf } from '../../support/drawn-mark';
import { resolverOf } from '../../support/resolver';

const shelf = await shelfOf('jost');
const drawn = (recipe: Recipe) => resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });

/** Every painted node and where it lies, found by plain recursion: the independent route. */
type Found = readonly [node: DrawingNode, at: { x: number; y: number }, depth: number];
function byRecursion(
  nodes: readonly DrawingNode[],
  point: (p: { x: number; y: number }) => { x: number; y: number },
  depth = 0,
): readonly Found[] {
  return nodes.flatMap((node): readonly Found[] => {
    if (node.kind !== 'group') return [[node, point({ x: 3, y: 5 }), depth]];
    const { a, b, c, d, e, f } = node.transform;
    return byRecursion(node.children, ({ x, y }) => point({ x: a * x + c * y + e, y: b * x + d * y + f }), depth + 1);
  });
}

describe('the walk over drawing nodes', () => {
  it('shows every painted node once, back to front, where plain recursion finds it, in 40 nested recipes', () => {
    let painted = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const { groups } = drawn(nestedRecipe(seed)).drawing;
      const walked: Found[] = [];
      walkNodes<DrawingNode>(groups, (node, { map: { a, b, c, d, e, f }, around }) =>
        walked.push([node, { x: 3 * a + 5 * c + e, y: 3 * b + 5 * d + f }, around.length]),
      );
      const expected = byRecursion(groups, (point) => point);
      expect(walked.map(([node]) => node)).toEqual(expected.map(([node]) => node));
      walked.forEach(([, at, depth], index) => {
        expect(at.x).toBeCloseTo(expected[index]?.[1].x ?? NaN, 6);
        expect(at.y).toBeCloseTo(expected[index]?.[1].y ?? NaN, 6);
        expect(depth).toBe(expected[index]?.[2]);
      });
      painted += walked.length;
    }
    expect(painted).toBeGreaterThan(200);
  });

  it('goes into no group that is not to be entered, and begins in the plane it is given', () => {
    const leaf = {
      kind: 'fill',
      path: { verbs: 'MLLZ', coords: [0, 0, 4, 0, 0, 4] },
      rule: 'nonzero',
      color: '#000000',
      opacity: 1,
    } as const;
    const group = (id: string, ...children: DrawingNode[]): DrawingNode => ({
      kind: 'group',
      id,
      transform: { ...IDENTITY, e: 10 },
      opacity: 1,
      blend: 'normal',
      children,
    });
    const seen: number[] = [];
    walkNodes<DrawingNode>([group('in', leaf, group('out', leaf)), leaf], (_, { map }) => seen.push(map.e), {
      map: { ...IDENTITY, e: 100 },
      enters: ({ id }) => id !== 'out',
    });
    expect(seen).toEqual([110, 100]);
    expect(outlinesIn<DrawingNode>([group('in', leaf)]).map(({ path }) => path.coords)).toEqual([[10, 0, 14, 0, 10, 4]]);
  });
});

describe('a stroke as heavy as a group', () => {
  it('takes the typical stroke of all that the group draws, as large as the group stands', () => {
    const bar = (id: string, heightPx: number, x: number) => ({
      kind: 'shape',
      id,
      form: { form: 'panel', widthPx: 200, heightPx, cornerPx: 0 },
      place: { x, y: 0, turnDeg: 0 },
    });
    const recipe: Recipe = {
      version: RECIPE_VERSION,
      parts: [
        bar('one', 10, 0),
        bar('two', 10, 300),
        { kind: 'group', id: 'bars', members: ['one', 'two'], place: { x: 0, y: 0, turnDeg: 0, scale: 2 } },
        {
          kind: 'curve',
          id: 'line',
          points: [
            { x: 0, y: 100 },
            { x: 300, y: 100 },
          ],
          weightFrom: 'bars',
        },
      ].map((input) => valueOf(createPart(input as Parameters<typeof createPart>[0]))),
    };
    const { drawing, parts } = drawn(recipe);
    expect(parts.flatMap(({ notices }) => notices)).toEqual([]);
    const line = drawing.groups.find(({ id }) => id === 'line');
    // 300 px long, 20 px heavy, with two round ends of radius 10.
    expect(areaOf(outlinesIn<DrawingNode>(line ? [line] : []))).toBeCloseTo(300 * 20 + Math.PI * 100, 0);
  });
});
