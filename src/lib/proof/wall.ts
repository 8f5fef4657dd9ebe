import {
  contrastOnGround,
  dressingOn,
  dressingOnGoods,
  FAMILY_PLACES,
  legibleOn,
  paintOf,
  PROOF_SIZES_PX,
  swatchesOf,
  VISION_NAMES,
  VISIONS,
  type ColorKey,
  type Dressing,
  type Finding,
  type Hex,
  type MarkChecks,
  type Palette,
  type SceneFacts,
  type Vision,
} from '$core/index';
import { PHOTOS } from '$lib/ui/photos';

/** How a proof is shown. */
export interface WallTile {
  readonly id: string;
  readonly label: string;
  readonly dressing: Dressing;
  /** A color, or the address of a photo. */
  readonly ground: Hex | { readonly photo: string };
  readonly frame: 'plain' | 'round' | 'rounded' | 'tab' | 'text' | 'size' | 'goods';
  /** The goods that it is shown on. */
  readonly scene?: SceneFacts;
  /** Longer side of the mark in px, where it is shown at a size. */
  readonly longerPx?: number;
  readonly filter?: Vision | 'far' | 'gray' | 'gain';
  /** What was measured; nothing where the eye alone judges. */
  readonly finding: (checks: MarkChecks) => { readonly finding: Finding; readonly part?: string } | undefined;
}
export interface WallSection {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly tiles: readonly WallTile[];
}

/** Longer side of a mark in a round or rounded frame of 96 px, and in a browser's tab. */
const FRAME_PX = 96;
const TAB_PX = 16;

const byEye = () => undefined;
/** Whether a mark is large enough in a frame for what it holds. */
const large =
  (longerPx: number, where: string) =>
  (checks: MarkChecks): { readonly finding: Finding } => {
    const shown = checks.isRound && where !== 'tab' ? FRAME_PX : longerPx;
    return {
      finding: {
        verdict: shown >= checks.safePx ? 'passes' : shown >= checks.safePx / 2 ? 'look' : 'fails',
        figure: `${Math.round(shown)} px`,
        says: `It is ${Math.round(shown)} px here, its longer side; it holds from ${checks.safePx} px.`,
      },
    };
  };
const sizeFinding = (longerPx: number) => (checks: MarkChecks) => checks.sizes.find((size) => size.longerPx === longerPx);

function onSwatch(palette: Palette, key: ColorKey, name: string, hex: Hex): readonly WallTile[] {
  const dressing = dressingOn(key);
  const paint = paintOf(palette, dressing);
  const full: WallTile = {
    ...{ id: `full-on-${key}`, label: `full color on ${name}`, dressing: 'full', ground: hex, frame: 'plain' },
    finding: (checks) => {
      const found = checks.grounds.find((ground) => ground.key === key);
      return found && { finding: found.full, ...(found.part === undefined ? {} : { part: found.part }) };
    },
  };
  if (paint === undefined) return [full];
  const dressed: WallTile = {
    ...{ id: `dressed-on-${key}`, label: `one color on ${name}`, dressing, ground: hex, frame: 'plain' },
    finding: () => ({ finding: contrastOnGround(paint, hex) }),
  };
  return [full, dressed];
}

/** Every proof of a family's marks, in the order of the wall; a new one is one row here. */
export function wallOf(palette: Palette, scenes: readonly SceneFacts[] = []): readonly WallSection[] {
  const { paper, ink } = palette;
  const inscribed = FRAME_PX / Math.SQRT2;
  const plain = { ground: paper, frame: 'plain' } as const;
  return [
    {
      ...{ id: 'sizes', label: 'Small and large', hint: 'The longer side of the mark, as many pixels on this screen' },
      tiles: PROOF_SIZES_PX.map((longerPx) => ({
        ...({ id: `size-${longerPx}`, label: `${longerPx} px`, dressing: 'full', ground: paper, frame: 'size', longerPx } as const),
        finding: sizeFinding(longerPx),
      })),
    },
    {
      ...{ id: 'profiles', label: 'Profiles and tabs', hint: 'As pages crop a picture: round, with rounded corners, in a tab' },
      tiles: [
        { ...{ id: 'round', label: 'round profile', dressing: 'full', ground: paper, frame: 'round' }, finding: large(inscribed, 'round') },
        {
          ...{ id: 'round-on-lead', label: 'round, on lead', dressing: dressingOn('lead'), ground: palette.lead, frame: 'round' },
          finding: large(inscribed, 'round'),
        },
        {
          ...{ id: 'rounded', label: 'rounded square', dressing: 'full', ground: paper, frame: 'rounded' },
          finding: large(FRAME_PX * 0.78, 'rounded'),
        },
        {
          ...{ id: 'rounded-reversed', label: 'rounded, reversed', dressing: 'reversed', ground: ink, frame: 'rounded' },
          finding: large(FRAME_PX * 0.78, 'rounded'),
        },
        { ...{ id: 'tab', label: 'browser tab', dressing: 'full', ground: paper, frame: 'tab' }, finding: large(TAB_PX, 'tab') },
      ],
    },
    {
      ...{ id: 'colors', label: 'On the brand’s colors', hint: 'In full color, and in the colorway that is made for the ground' },
      tiles: swatchesOf(palette).flatMap(({ key, name, hex }) => onSwatch(palette, key, name, hex)),
    },
    {
      ...{ id: 'photos', label: 'On photos', hint: 'Light on a dark picture, dark on a light one' },
      tiles: PHOTOS.map(({ name, label, address, dark }) => ({
        ...({ id: `photo-${name}`, label, dressing: dark ? 'reversed' : 'one-color', ground: { photo: address }, frame: 'plain' } as const),
        finding: byEye,
      })),
    },
    {
      ...{ id: 'goods', label: 'On goods', hint: 'In their own light; a click opens them large, in another color or place' },
      tiles: scenes.map((scene) => ({
        ...({ id: `goods-${scene.name}`, label: scene.label.toLowerCase(), ground: paper, frame: 'goods', scene } as const),
        dressing: dressingOnGoods(palette, scene),
        finding: byEye,
      })),
    },
    {
      ...{ id: 'print', label: 'In one color and in print', hint: 'What presses, stamps and copiers leave of it' },
      tiles: [
        { ...{ id: 'one-color', label: 'one color', dressing: 'one-color', ...plain }, finding: lostInOneColor },
        { ...{ id: 'black', label: 'black', dressing: 'black', ...plain, ground: '#ffffff' }, finding: lostInOneColor },
        { ...{ id: 'white', label: 'white', dressing: 'white', ...plain, ground: '#000000' }, finding: lostInOneColor },
        { ...{ id: 'gain', label: 'dot gain, at 12 mm', dressing: 'black', ...plain, ground: '#ffffff', filter: 'gain' }, finding: gained },
        { ...{ id: 'gray', label: 'black and white copy', dressing: 'full', ...plain, filter: 'gray' }, finding: byEye },
      ],
    },
    {
      ...{ id: 'eyes', label: 'As others see it', hint: 'From afar, and by eyes that lack one kind of cone' },
      tiles: [
        { ...{ id: 'far', label: 'from afar', dressing: 'full', ...plain, filter: 'far' }, finding: byEye },
        ...VISION_NAMES.map((vision) => ({
          ...({ id: vision, label: VISIONS[vision].label, dressing: 'full', ...plain, filter: vision } as const),
          finding: byEye,
        })),
      ],
    },
    {
      ...{ id: 'text', label: 'Beside text', hint: 'At the head of a page, as high as two lines' },
      tiles: [
        {
          ...{ id: 'text', label: 'beside text', dressing: 'full', ground: '#ffffff', frame: 'text' },
          finding: large(FAMILY_PLACES.wide.widthPx / 2, 'text'),
        },
        {
          ...{ id: 'text-dark', label: 'beside text, dark page', dressing: 'reversed', ground: ink, frame: 'text' },
          finding: large(FAMILY_PLACES.wide.widthPx / 2, 'text'),
        },
      ],
    },
  ];
}

/** Ink spreads by this much on either side, at this size (common practice: uncoated paper). */
export const GAIN = { mm: 0.05, longerMm: 12 } as const;
function gained(checks: MarkChecks): { readonly finding: Finding } {
  const smallest = checks.makings.find(({ making }) => making === 'print')?.smallestMm ?? 0;
  return {
    finding: {
      verdict: smallest <= GAIN.longerMm ? 'passes' : smallest <= 2 * GAIN.longerMm ? 'look' : 'fails',
      figure: `from ${smallest} mm`,
      says: `Printed it holds from ${smallest} mm; here it is ${GAIN.longerMm} mm, and every edge has spread by ${GAIN.mm} mm.`,
    },
  };
}
function lostInOneColor(checks: MarkChecks): { readonly finding: Finding; readonly part?: string } | undefined {
  const lost = checks.checks.find(({ id }) => id.startsWith('one-color'));
  return lost && { finding: lost.finding, ...(lost.part === undefined ? {} : { part: lost.part }) };
}

/** The ground of a tile as words next to it are written. */
export const wordsOn = (palette: Palette, ground: WallTile['ground']): Hex =>
  typeof ground === 'string' ? legibleOn(palette, ground) : palette.ink;
