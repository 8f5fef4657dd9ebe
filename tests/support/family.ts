import {
  createPart,
  createResolver,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  familyContext,
  type FamilyContext,
  type FontShelf,
  type Palette,
  type Recipe,
  type ResolvedMark,
} from '$core/index';
import { paths } from './resolver';

type PartInput = Parameters<typeof createPart>[0];

export const PRIMARY = '11111111-1111-4111-8111-111111111111';
export const PALETTE: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };

export interface PrimaryLook {
  readonly name: string;
  readonly second?: string;
  readonly symbol?: boolean;
  readonly family?: string;
}

/** A primary as people make them: a name, under it a quieter line, over it a symbol of two parts. */
export function primaryOf({ name, second, symbol = false, family = 'jost' }: PrimaryLook): Recipe {
  const parts: PartInput[] = [
    { kind: 'lettering', id: 'name', text: name, font: { family }, sizePx: 120 },
    ...(second
      ? [
          {
            kind: 'lettering',
            id: 'second',
            text: second,
            font: { family },
            sizePx: 30,
            trackingPermille: 200,
            place: { x: 0, y: 60, turnDeg: 0 },
          } as const,
        ]
      : []),
    ...(symbol
      ? [
          {
            kind: 'shape',
            id: 'star',
            form: { form: 'star', widthPx: 90, heightPx: 90, points: 7, depthPercent: 45, roundPercent: 0 },
            place: { x: -30, y: -190, turnDeg: 12 },
          } as unknown as PartInput,
          {
            kind: 'shape',
            id: 'dot',
            form: { form: 'disk', widthPx: 30, heightPx: 30 },
            paint: { role: 'accent' },
            place: { x: 40, y: -170, turnDeg: 0 },
          } as unknown as PartInput,
        ]
      : []),
  ];
  return { ...EMPTY_RECIPE, parts: parts.map((part) => valueOf(createPart(part))) };
}

/** A primary with all that layouts need. */
export function familyOf(
  recipe: Recipe,
  shelf: FontShelf,
  palette: Palette = PALETTE,
): { readonly context: FamilyContext; readonly draw: (of: Recipe, from?: Recipe) => ResolvedMark } {
  const resolver = createResolver(shelf, paths);
  const draw = (of: Recipe, from = recipe) =>
    resolver.resolve({ recipe: of, sources: new Map([[PRIMARY, from]]), dress: dress(palette, 'full') });
  const context = familyContext({
    id: PRIMARY,
    recipe,
    sources: new Map([[PRIMARY, recipe]]),
    palette,
    resolver,
    fonts: shelf,
    paths,
  });
  return { context, draw };
}
