import { contrastRatio, swatchColor, swatchesOf, type Hex, type Palette } from '../color';
import { TEXTURE_NAMES, type TextureName } from '../fields';
import { heightOf, widthOf, type Bounds } from '../geometry';
import type { Paint } from '../marks/drawing/paint';
import type { PictureFile } from '../marks/parts/picture';
import { bleedBox, type PieceCanvas } from '../marks/recipe/piece-canvas';
import { createPart, type Recipe } from '../marks/recipe/recipe';
import { isKnown, type KnownInput, type KnownPart } from '../marks/registry';
import { expect } from '../result/result';

/** The parts that a ground is made of, back to front. They run to the end of the bleed, and are made anew with the canvas. */
export const GROUND_PARTS = { sheet: 'ground', picture: 'ground-picture', frame: 'ground-frame', veil: 'ground-veil' } as const;
const IDS: ReadonlySet<string> = new Set(Object.values(GROUND_PARTS));
/** Whether a part belongs to the ground of its piece. */
export const isGroundPart = ({ id }: { readonly id: string }): boolean => IDS.has(id);

/** What a piece stands on, beyond the plain color of its canvas. */
export interface Ground {
  readonly kind: GroundKindName;
  readonly texture: TextureName;
  /** The picture, and how much of the ground's color lies over it, 0 to 1. */
  readonly picture: PictureFile | undefined;
  readonly veil: number;
}

interface Making extends Ground {
  readonly box: Bounds;
  readonly paint: Paint;
  /** What is read best on the ground, the palette's color next to it, and whether that is the lighter one. */
  readonly ink: Paint;
  readonly next: Paint;
  readonly nextIsLighter: boolean;
}
interface GroundKind {
  readonly label: string;
  readonly hint: string;
  readonly parts: (making: Making) => readonly KnownInput[];
  /** Whether the parts of a piece are of this kind. */
  readonly is: (part: (id: string) => KnownPart | undefined) => boolean;
}

const middle = ({ left, top, right, bottom }: Bounds) => ({ x: (left + right) / 2, y: (top + bottom) / 2, turnDeg: 0 });
const sheet = (box: Bounds, id: string, name: string, paint: Paint, more: object = {}): KnownInput => ({
  ...{ kind: 'shape', id, name, locked: true, paint, place: middle(box) },
  form: { form: 'panel', widthPx: widthOf(box), heightPx: heightOf(box), cornerPx: 0 },
  ...more,
});
const treatedWith = (part: KnownPart | undefined, kind: string, form?: string): boolean =>
  part?.treatments?.some((each) => each.kind === kind && (form === undefined || ('form' in each && each.form === form))) ?? false;

const passing = (making: Making, form: 'linear' | 'radial', [from, to]: readonly [Paint, Paint], ends: object): readonly KnownInput[] => [
  sheet(making.box, GROUND_PARTS.sheet, 'Ground', making.paint, {
    treatments: [
      {
        ...{ kind: 'gradient', id: 't-1', form, ...ends },
        stops: [
          { atPercent: 0, opacityPercent: 100, paint: from },
          { atPercent: 100, opacityPercent: 100, paint: to },
        ],
      },
    ],
  }),
];

/** How much a texture leaves of the sheet that it is worn from, how strongly it is seen, and its grain as a share of the shorter side. */
const TEXTURED = { leftPercent: 16, opacity: 0.09, grain: 1 / 40 } as const;

/** What a piece may stand on; a new one is one more row. */
export const GROUND_KINDS = {
  plain: {
    label: 'plain',
    hint: 'One color of the palette',
    parts: () => [],
    is: (part) => part(GROUND_PARTS.sheet) === undefined && part(GROUND_PARTS.frame) === undefined,
  },
  fading: {
    label: 'fading',
    hint: 'From its color at the top to the palette’s next at the foot',
    parts: (making) => passing(making, 'linear', [making.paint, making.next], { fromX: 50, fromY: 0, toX: 50, toY: 100 }),
    is: (part) => treatedWith(part(GROUND_PARTS.sheet), 'gradient', 'linear'),
  },
  glowing: {
    label: 'glowing',
    hint: 'Its color and the palette’s next, the lighter one in the middle',
    parts: (making) =>
      passing(making, 'radial', making.nextIsLighter ? [making.next, making.paint] : [making.paint, making.next], {
        fromX: 50,
        fromY: 45,
        toX: 50,
        toY: 110,
      }),
    is: (part) => treatedWith(part(GROUND_PARTS.sheet), 'gradient', 'radial'),
  },
  textured: {
    label: 'textured',
    hint: 'Its color with a faint texture on it',
    parts: ({ box, ink, texture }) => [
      sheet(box, GROUND_PARTS.sheet, 'Ground', ink, {
        opacity: TEXTURED.opacity,
        treatments: [
          {
            ...{ kind: 'wear', id: 't-1', texture, how: 'erase', amountPercent: 100 - TEXTURED.leftPercent, keepPx: 0 },
            grainPx: Math.min(2000, Math.max(0.5, Math.min(widthOf(box), heightOf(box)) * TEXTURED.grain)),
          },
        ],
      }),
    ],
    is: (part) => treatedWith(part(GROUND_PARTS.sheet), 'wear'),
  },
  picture: {
    label: 'a picture',
    hint: 'One of the brand’s pictures over all of it, veiled until the words on it are read',
    parts: ({ box, paint, picture, veil }) =>
      picture
        ? [
            {
              ...{ kind: 'picture', id: GROUND_PARTS.picture, name: 'Picture of the ground', locked: true, ...picture },
              source: { title: 'Picture', author: '', license: 'unknown' },
            },
            {
              ...{ kind: 'frame', id: GROUND_PARTS.frame, name: 'Ground', locked: true, members: [GROUND_PARTS.picture], fit: 'cover' },
              ...{ widthPx: widthOf(box), heightPx: heightOf(box), place: middle(box) },
            },
            sheet(box, GROUND_PARTS.veil, 'Veil', paint, { opacity: Math.min(1, Math.max(0, veil)) }),
          ]
        : [],
    is: (part) => part(GROUND_PARTS.frame) !== undefined,
  },
} as const satisfies Readonly<Record<string, GroundKind>>;
export type GroundKindName = keyof typeof GROUND_KINDS;
export const GROUND_NAMES = Object.keys(GROUND_KINDS) as readonly GroundKindName[];
/** A veil to begin with, before it is measured. */
const FIRST_VEIL = 0.6;

const hexOf = (paint: Paint, palette: Palette): Hex => ('hex' in paint ? paint.hex : (swatchColor(palette, paint.role) ?? palette.paper));

/** The palette's color that is nearest to a ground in lightness without being it, and is still read on with the ground's ink. */
function nextTo(paint: Paint, ink: Hex, palette: Palette): Paint {
  const own = hexOf(paint, palette);
  const [nearest] = swatchesOf(palette)
    .filter(({ hex }) => hex !== own && contrastRatio(hex, ink) >= 4.5)
    .sort((one, other) => contrastRatio(one.hex, own) - contrastRatio(other.hex, own));
  return nearest ? { role: nearest.key } : paint;
}

/** What a piece stands on, read from its parts. */
export function groundOf(recipe: Recipe): Ground {
  const part = (id: string) => recipe.parts.filter(isKnown).find((each) => each.id === id);
  const kind = GROUND_NAMES.find((name) => name !== 'plain' && (GROUND_KINDS[name] as GroundKind).is(part)) ?? 'plain';
  const wear = part(GROUND_PARTS.sheet)?.treatments?.find((each) => each.kind === 'wear');
  const shown = part(GROUND_PARTS.picture);
  const veil = part(GROUND_PARTS.veil);
  return {
    kind,
    texture: wear?.kind === 'wear' && wear.texture !== 'own' ? wear.texture : (TEXTURE_NAMES[0] as TextureName),
    picture:
      shown?.kind === 'picture'
        ? {
            ...{ sha256: shown.sha256, fileWidthPx: shown.fileWidthPx, fileHeightPx: shown.fileHeightPx },
            ...(shown.outline ? { outline: shown.outline } : {}),
            ...(shown.softened ? { softened: shown.softened } : {}),
          }
        : undefined,
    veil: veil?.opacity ?? FIRST_VEIL,
  };
}

/**
 * A piece on another ground, or with its ground made anew for its canvas and palette. Everything that stands on it stays.
 * @param change of the ground that it has; nothing makes the same anew
 */
export function onGround(recipe: Recipe, palette: Palette, change: Partial<Ground> = {}): Recipe {
  const canvas = recipe.whole?.canvas;
  if (!canvas) return recipe;
  const ground = { ...groundOf(recipe), ...change };
  const paint = canvas.ground ?? { role: 'paper' };
  const hex = hexOf(paint, palette);
  const ink: Paint = { role: contrastRatio(palette.ink, hex) >= contrastRatio(palette.paper, hex) ? 'ink' : 'paper' };
  const next = nextTo(paint, hexOf(ink, palette), palette);
  const nextIsLighter = contrastRatio(hexOf(next, palette), '#000000') > contrastRatio(hex, '#000000');
  const making: Making = { ...ground, box: bleedBox(canvas), paint, ink, next, nextIsLighter };
  const parts = (GROUND_KINDS[ground.kind] as GroundKind).parts(making);
  return { ...recipe, parts: [...parts.map((part) => expect(createPart(part))), ...recipe.parts.filter((part) => !isGroundPart(part))] };
}

/** A piece on a canvas that was changed: what it stands on goes along. */
export const onCanvas = (recipe: Recipe, canvas: PieceCanvas, palette: Palette): Recipe =>
  onGround({ ...recipe, whole: { treatments: [], ...recipe.whole, canvas } }, palette);
