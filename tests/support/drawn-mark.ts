import { areaPathsD, FillRule, unionD } from 'clipper2-ts';
import {
  createPart,
  dress,
  STARTING_PALETTE,
  expect as valueOf,
  flatten,
  type FontShelf,
  type KnownPart,
  type Region,
  type ResolvedMark,
  type ResolvedPart,
  RECIPE_VERSION,
} from '$core/index';
import { resolverOf } from './resolver';

type PartInput = Parameters<typeof createPart>[0];

/** Lettering in Jost at 100 px, changed as given. */
export const letteringInput = (change: object = {}): PartInput => ({
  kind: 'lettering',
  id: 'name',
  text: 'Windrow',
  font: { family: 'jost' },
  sizePx: 100,
  ...change,
});
export const partOf = (input: PartInput): KnownPart => valueOf(createPart(input));

/** Draws parts in the order given, back to front. */
export const drawnOn = (shelf: FontShelf) => {
  const { resolve } = resolverOf(shelf);
  return (...parts: readonly PartInput[]): ResolvedMark =>
    resolve({ recipe: { version: RECIPE_VERSION, parts: parts.map(partOf) }, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
};

export const partNamed = (mark: ResolvedMark, id: string): ResolvedPart => {
  const part = mark.parts.find((each) => each.id === id);
  if (!part) throw new Error(`no part is called ${id}`);
  return part;
};
export const codesOf = (part: ResolvedPart): readonly string[] => part.notices.map(({ code }) => code);

/** The outlines of one part, as its drawing holds them, in its own pixels. */
export const fillsOf = (mark: ResolvedMark, id: string) =>
  (mark.drawing.groups.find((group) => group.id === id)?.children ?? []).flatMap((node) => (node.kind === 'fill' ? [node] : []));

/** The area that outlines cover together, by an independent polygon library (clipper2) on fine polygons. */
export const areaOf = (fills: readonly Region[], fine = 0.005): number =>
  fills.reduce(
    (sum, { path, rule }) =>
      sum +
      areaPathsD(
        unionD(
          flatten(path, fine).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
          [],
          rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
          6,
        ),
      ),
    0,
  );
