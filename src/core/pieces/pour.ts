import { contrastRatio, swatchColor, swatchesOf, type Hex, type Palette, type Role } from '../color';
import { heightOf, widthOf, type Bounds } from '../geometry';
import { bleedBox, canvasBox, safeBox, type PieceCanvas } from '../marks/recipe/piece-canvas';
import type { Paint } from '../marks/drawing/paint';
import { createPart, EMPTY_RECIPE, type Recipe } from '../marks/recipe/recipe';
import { isKnown, type KnownInput, type Part } from '../marks/registry';
import { expect } from '../result/result';
import { lenderOf, type FontChoice } from '../type';
import { isGroundPart, onGround } from './grounds';
import { shapeOf, WORDS_WHAT, type PieceLayout, type Room, type Slot, type WordsWhat } from './layout';

/** A picture of the brand. */
export interface PiecePicture {
  readonly sha256: string;
  readonly fileWidthPx: number;
  readonly fileHeightPx: number;
}
/** The paints that marks are drawn in, with all that they follow. */
export type PaintsOfMarks = (markId: string) => readonly Paint[];
/** What a piece is made of. */
export interface PieceContent {
  /** Id of the mark that stands large, and of the one that stands small; the same where a brand has one. */
  readonly mark: string;
  readonly submark: string;
  /** What marks are drawn in, by their ids: those in light colors alone stand on dark grounds otherwise. */
  readonly paints?: PaintsOfMarks;
  readonly words: Readonly<Record<WordsWhat, string>>;
  readonly faces: { readonly heading: FontChoice; readonly text: FontChoice };
  readonly picture?: PiecePicture | undefined;
}

/** Sizes of words, as shares of the square root of the canvas's area; and the smallest that they are set in. */
const SHARES: Readonly<Record<WordsWhat, number>> = { heading: 0.085, text: 0.037, small: 0.027 };
/** How much of its room's height one line takes at most: headings run to two lines, texts to four. */
const ROOM_FOR: Readonly<Record<WordsWhat, number>> = { heading: 0.42, text: 0.2, small: 0.7 };
/** 6 pt in print (common practice for text that is read in the hand), 18 px on canvases of a thousand. */
const SMALLEST_PT = 6;
const SMALLEST_SHARE = 0.017;

export const roomOf = (canvas: PieceCanvas): Room => {
  const cut = canvasBox(canvas);
  const safe = safeBox(canvas);
  const short = Math.min(widthOf(safe), heightOf(safe));
  return { cut, bleed: bleedBox(canvas), safe, gap: short * 0.05, shape: shapeOf(cut) };
};

/** The smallest size that words of a piece are set in, in mark pixels. */
export function smallestWordsPx(canvas: PieceCanvas): number {
  const cut = canvasBox(canvas);
  return canvas.unit === 'px' ? Math.min(widthOf(cut), heightOf(cut)) * SMALLEST_SHARE : (SMALLEST_PT * 96) / 72;
}

/** Ink or paper, whichever is read better on a ground. */
const inkOn = (ground: Role, palette: Palette): Role =>
  contrastRatio(palette.ink, palette[ground]) >= contrastRatio(palette.paper, palette[ground]) ? 'ink' : 'paper';

/** Below this a color of a mark is lost on a ground. @source WCAG 2.2, 1.4.11: 3 : 1 for what must be seen */
const SEEN = 3;
/** The color that people remember stays itself for longer. */
const REMEMBERED = 1.6;
/** Below this what is light is the ground's own color. */
const VANISHED = 1.25;
/** Nearer to paper than this, a color is a kind of paper: it stands behind or cuts holes. */
const PALE = 1.6;

const isDarkIn = (hex: Hex, palette: Palette) => contrastRatio(hex, palette.paper) >= contrastRatio(hex, palette.ink);

/**
 * Colors of a mark that are others on a ground. On a light one only what would be lost there takes another color; on a dark one all inks become
 * paper, what is light in the mark (paper, and a lead that is light) becomes the ground, and other light and strong colors, as gold is, stay
 * where they are seen. In a mark that is drawn in light colors alone a light lead stands on the ground itself, and is seen there.
 * @param paints what the mark is drawn in; dark colors, too, where it is not known
 */
export function repaintOn(ground: Role, palette: Palette, paints?: readonly Paint[]) {
  const hex = palette[ground];
  const own = inkOn(ground, palette);
  const hasDark =
    !paints?.length ||
    paints.some((paint) => isDarkIn('hex' in paint ? paint.hex : (swatchColor(palette, paint.role) ?? palette.ink), palette));
  return swatchesOf(palette).flatMap(({ key }) => {
    const color = swatchColor(palette, key) ?? palette.ink;
    const isPaper = key === 'paper' || contrastRatio(color, palette.paper) < PALE;
    const isDark = isDarkIn(color, palette);
    const seen = contrastRatio(color, hex);
    const to = (): Role => {
      if (own === 'paper') {
        // A light lead is what is light in a mark, as paper is: letters upon its ink, or what lies behind them.
        if (isPaper || (key === 'lead' && !isDark && hasDark)) return ground;
        return isDark || seen < SEEN ? 'paper' : (key as Role);
      }
      if (isPaper || seen >= (!isDark ? VANISHED : key === 'lead' ? REMEMBERED : SEEN)) return key as Role;
      // What is light, and hardly lighter than the ground, may carry something dark: it becomes paper.
      return isDark || contrastRatio(palette.paper, hex) < VANISHED ? 'ink' : 'paper';
    };
    const role = to();
    return key === role ? [] : [{ from: { role: key }, to: { role } }];
  });
}

const middleOf = ({ left, top, right, bottom }: Bounds) => ({ x: (left + right) / 2, y: (top + bottom) / 2, turnDeg: 0 });

/** What poured parts are called, so that they are found again when the layout changes. */
const WORD_NAMES: Readonly<Record<WordsWhat, string>> = { heading: 'Heading', text: 'Text', small: 'Small text' };
/** Ids that pouring gives; all other parts of a piece are the designer's own, and stay. */
export const POURED = /^(mark|submark|heading|text|small|picture|panel|line)(-frame)?(-\d+)?$/;

/** The parts of one slot, back to front. */
function partsOf(
  slot: Slot,
  nth: number,
  canvas: PieceCanvas,
  ground: Role,
  content: PieceContent,
  palette: Palette,
): readonly KnownInput[] {
  const { box } = slot;
  const [widthPx, heightPx] = [Math.max(0.1, widthOf(box)), Math.max(0.1, heightOf(box))];
  const tag = nth === 0 ? '' : `-${nth + 1}`;
  switch (slot.is) {
    case 'mark':
    case 'submark':
      return [
        {
          ...{ kind: 'linked', id: `${slot.is}${tag}`, from: { mark: content[slot.is], part: null }, take: 'whole' },
          repaint: repaintOn(slot.on ?? ground, palette, content.paints?.(content[slot.is])),
        },
        {
          ...{
            kind: 'frame',
            id: `${slot.is}-frame${tag}`,
            name: slot.is === 'mark' ? 'Mark' : 'Small mark',
            members: [`${slot.is}${tag}`],
          },
          ...{ widthPx, heightPx, anchor: slot.anchor ?? 'center', place: middleOf(box) },
        },
      ];
    case 'words': {
      const { what, align = 'center', stands = 'top' } = slot;
      const whole = Math.sqrt(widthOf(canvasBox(canvas)) * heightOf(canvasBox(canvas)));
      const least = smallestWordsPx(canvas);
      const sizePx = Math.max(least, Math.min(whole * SHARES[what], heightPx * ROOM_FOR[what]));
      const font = what === 'heading' ? content.faces.heading : content.faces.text;
      return [
        {
          ...{ kind: 'lettering', id: `${what}${tag}`, name: WORD_NAMES[what], text: content.words[what] },
          ...{
            font,
            fallback: lenderOf(font.family, content.words[what]),
            sizePx,
            align,
            leadingPermille: what === 'heading' ? 120 : 350,
          },
          wrap: {
            widthPx,
            heightPx,
            leastPercent: Math.min(100, Math.max(1, Math.floor((100 * least) / sizePx))),
            stands,
            even: what === 'heading',
          },
          paint: { role: inkOn(slot.on ?? ground, palette) },
          place: { x: align === 'start' ? box.left : align === 'end' ? box.right : (box.left + box.right) / 2, y: box.top, turnDeg: 0 },
        },
      ];
    }
    case 'picture':
      if (!content.picture)
        return [
          {
            kind: 'shape',
            id: `picture${tag}`,
            name: 'Room for a picture',
            form: { form: 'panel', widthPx, heightPx, cornerPx: 0 },
            paint: { role: ground === 'second' ? 'accent' : 'second' },
            place: middleOf(box),
          },
        ];
      return [
        { kind: 'picture', id: `picture${tag}`, ...content.picture, source: { title: 'Picture', author: '', license: 'unknown' } },
        {
          kind: 'frame',
          id: `picture-frame${tag}`,
          name: 'Picture',
          members: [`picture${tag}`],
          widthPx,
          heightPx,
          fit: 'cover',
          place: middleOf(box),
        },
      ];
    case 'panel':
      return [
        {
          kind: 'shape',
          id: `panel${tag}`,
          name: 'Panel',
          form: { form: 'panel', widthPx, heightPx, cornerPx: slot.corner ?? 0 },
          paint: { role: slot.paint },
          place: middleOf(box),
        },
      ];
    case 'line': {
      const thick = Math.max(0.5, Math.min(widthOf(canvasBox(canvas)), heightOf(canvasBox(canvas))) * 0.004);
      const paint = { role: inkOn(ground, palette) };
      const upright = widthPx <= 0.2;
      if (upright || heightPx <= 0.2)
        return [
          {
            kind: 'shape',
            id: `line${tag}`,
            name: 'Rule',
            form: { form: 'panel', widthPx: upright ? thick : widthPx, heightPx: upright ? heightPx : thick, cornerPx: 0 },
            paint,
            place: middleOf(box),
          },
        ];
      return [
        {
          ...{
            kind: 'shape',
            id: `line${tag}`,
            name: 'Frame line',
            form: { form: 'panel', widthPx, heightPx, cornerPx: 0 },
            paint,
            place: middleOf(box),
          },
          treatments: [{ kind: 'outline-only', id: 't-1', widthPx: thick * 2 }],
        },
      ];
    }
  }
}

/** A piece: a layout poured into a canvas, back to front. */
export function pouredPiece(
  size: Omit<PieceCanvas, 'ground' | 'layout'>,
  layout: PieceLayout,
  content: PieceContent,
  palette: Palette,
): Recipe {
  const canvas: PieceCanvas = { ...size, ground: { role: layout.ground }, layout: layout.id };
  const seen = new Map<string, number>();
  const parts = layout.slots(roomOf(canvas)).flatMap((slot) => {
    const name = slot.is === 'words' ? slot.what : slot.is;
    const nth = seen.get(name) ?? 0;
    seen.set(name, nth + 1);
    return partsOf(slot, nth, canvas, layout.ground, content, palette).map((part) => expect(createPart(part)));
  });
  return { ...EMPTY_RECIPE, parts, whole: { treatments: [], canvas } };
}

/** What a piece is made of now, so that it can be poured into another layout or size. @param otherwise for what it does not show */
export function contentOf(recipe: Recipe, otherwise: PieceContent): PieceContent {
  const part = (id: string) => recipe.parts.filter(isKnown).find((each) => each.id === id);
  const words = Object.fromEntries(
    WORDS_WHAT.map((what) => {
      const found = part(what);
      return [what, found?.kind === 'lettering' ? found.text : otherwise.words[what]];
    }),
  ) as Record<WordsWhat, string>;
  const face = (id: WordsWhat) => {
    const found = part(id);
    return found?.kind === 'lettering' ? found.font : undefined;
  };
  const linkedMark = (id: 'mark' | 'submark') => {
    const found = part(id);
    return (found?.kind === 'linked' && found.from.mark) || otherwise[id];
  };
  const shown = part('picture');
  const picture =
    shown?.kind === 'picture'
      ? { sha256: shown.sha256, fileWidthPx: shown.fileWidthPx, fileHeightPx: shown.fileHeightPx }
      : otherwise.picture;
  return {
    ...{ mark: linkedMark('mark'), submark: linkedMark('submark'), words, picture },
    ...(otherwise.paints ? { paints: otherwise.paints } : {}),
    faces: { heading: face('heading') ?? otherwise.faces.heading, text: face('text') ?? face('small') ?? otherwise.faces.text },
  };
}

/** A piece in another layout or of another size: its words, marks and picture stay, and so does what the designer has added. */
export function repoured(
  recipe: Recipe,
  size: Omit<PieceCanvas, 'ground' | 'layout'>,
  layout: PieceLayout,
  otherwise: PieceContent,
  palette: Palette,
): Recipe {
  const fresh = pouredPiece(size, layout, contentOf(recipe, otherwise), palette);
  const [ground, own] = [
    recipe.parts.filter(isGroundPart),
    recipe.parts.filter((part: Part) => !POURED.test(part.id) && !isGroundPart(part)),
  ];
  const poured: Recipe = {
    ...fresh,
    parts: [...ground, ...fresh.parts, ...own],
    whole: { ...recipe.whole, ...fresh.whole, treatments: recipe.whole?.treatments ?? [] },
  };
  return ground.length > 0 ? onGround(poured, palette) : poured;
}
