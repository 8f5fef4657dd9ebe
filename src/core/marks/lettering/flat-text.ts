import {
  boundsOf,
  centerOf,
  compose,
  IDENTITY,
  mapPath,
  rotation,
  translation,
  unite,
  type Affine,
  type Bounds,
  type Point,
} from '../../geometry';
import {
  setLine,
  type AxisValues,
  type FontShelf,
  type LetterStyle,
  type SetLetter,
  type StandingOutline,
  type Typeface,
  type WrappedLine,
} from '../../type';
import { createGaps, createLooks, lettersOf, type OwnLook } from './anchors';
import { outlineOfLetter, type Outline } from './outlines';
import { jitter } from './roughness';
import type { Lettering } from './schema';

/** How one line of the text is set after fitting. */
export interface LineSetting {
  /** Against the part's own size. */
  readonly size: number;
  readonly trackingPermille: number;
  readonly axes: AxisValues;
}

/** One letter before its line is bent: everything in 1/1000 em of the part's size, y down, the first baseline at 0. */
export interface FlatLetter {
  readonly letter: SetLetter;
  /** The first typed letter it stands for, counted in the whole text; `NOT_TYPED` of a hyphen of ours. */
  readonly index: number;
  readonly look: OwnLook | undefined;
  readonly outline: Outline;
  /** Where its cell begins and ends, and its baseline. */
  readonly left: number;
  readonly right: number;
  readonly baseline: number;
  /** From the outline's own plane to the flat text. */
  readonly map: Affine;
  /** What its own transform turns about, in the outline's plane. */
  readonly center: { readonly x: number; readonly y: number };
}

export interface FlatLine {
  readonly baseline: number;
  readonly advance: number;
  readonly letters: readonly FlatLetter[];
  readonly size: number;
}

export interface FlatText {
  readonly lines: readonly FlatLine[];
  readonly missing: readonly string[];
  readonly borrowed: readonly string[];
  readonly opened: readonly string[];
}

/** The faces a text is set in. */
export interface TextFaces {
  readonly face: Typeface;
  readonly fallback: Typeface | undefined;
  readonly shelf: FontShelf;
  /** A letter's outline with its own cuts, where it has any. */
  readonly cut?: (letter: SetLetter, index: number) => StandingOutline | undefined;
}

const START_OF = { start: 0, center: -0.5, end: -1 } as const;

/** Whether a look does something that a ligature would hide. */
const standsAlone = (look: OwnLook): boolean =>
  Object.entries(look).some(([field, value]) => value !== undefined && field !== 'features' && field !== 'underlined');

/** A letter as the eye sees it beside its neighbors: with its cuts, turned, flipped and raised; what the hand shifted is not undone. */
function asItStands(letter: SetLetter, index: number, look: OwnLook | undefined, { cut }: TextFaces): StandingOutline | undefined {
  const own = cut?.(letter, index);
  const { turnDeg = 0, flip = 'none', risePermille = 0 } = look ?? {};
  if (turnDeg === 0 && flip === 'none' && risePermille === 0) return own;
  const outline = outlineOfLetter(letter);
  const map = ownMap({ turnDeg, flip, risePermille }, undefined, centerOfInk(outline, letter));
  return { key: `${own?.key ?? ''} ${turnDeg} ${flip} ${risePermille}`, path: mapPath(own?.path ?? outline.path, map) };
}

const own = (look: OwnLook | undefined, part: Lettering, { shelf }: TextFaces): Omit<LetterStyle, 'asItStands'> => {
  if (!look) return {};
  const found = look.font && shelf.find(look.font);
  return {
    ...(look.font && found?.ok ? { face: found.value, axes: look.font.axes } : {}),
    ...(look.sizePercent === undefined ? {} : { scale: look.sizePercent / 100 }),
    ...(look.features ? { features: look.features } : {}),
    alone: standsAlone(look),
  };
};

/** The lines of a text, each with the index of its first letter. */
export function linesOf(text: string): readonly { readonly text: string; readonly first: number }[] {
  let first = 0;
  return text.split('\n').map((line) => {
    const here = { text: line, first };
    first += lettersOf(line).length + 1;
    return here;
  });
}

/** The index of a letter that stands for none of the typed text. */
export const NOT_TYPED = -1;

/** Sets one line and gives every letter its own turn, shift, flip and roughness. */
export function setFlatLine(
  part: Lettering,
  line: Pick<WrappedLine, 'text' | 'first' | 'divided'>,
  setting: LineSetting,
  faces: TextFaces,
): {
  readonly line: FlatLine;
  readonly missing: readonly string[];
  readonly borrowed: readonly string[];
  readonly opened: readonly string[];
} {
  const lookOf = createLooks(part);
  const gapOf = createGaps(part);
  // A hyphen that nobody typed has nothing of its own, and no gap of its own before it.
  const hyphenAt = line.divided ? lettersOf(line.text).length - 1 : Infinity;
  const typedAt = (at: number): number => (at >= hyphenAt ? NOT_TYPED : at + line.first);
  const set = setLine(
    faces.face,
    line.text,
    {
      axes: setting.axes,
      kerning: part.kerning,
      opticalPercent: part.opticalPercent,
      trackingPermille: setting.trackingPermille,
      case: part.case,
      features: part.features,
      ...(part.letters.length > 0 || part.cuts.length > 0
        ? {
            letterStyle: (at) => {
              const [index, look] = [typedAt(at), lookOf(typedAt(at))];
              return { ...own(look, part, faces), asItStands: (letter) => asItStands(letter, index, look, faces) };
            },
          }
        : {}),
      ...(part.gaps.length > 0 ? { gapAfter: (at) => (at + 1 >= hyphenAt ? undefined : gapOf(at + line.first)) } : {}),
    },
    faces.fallback,
  );
  const begin = START_OF[part.align] * set.advance * 1000 * setting.size;
  const letters = set.letters.map((letter): FlatLetter => {
    const index = typedAt(letter.index);
    const look = lookOf(index);
    const outline = outlineOfLetter(letter);
    const left = begin + letter.x * 1000 * setting.size;
    const center = centerOfInk(outline, letter);
    const rough = part.roughness ? jitter(part.roughness, index) : undefined;
    return {
      letter,
      index,
      look,
      outline,
      left,
      right: left + letter.advance * 1000 * setting.size,
      baseline: 0,
      center,
      map: compose(translation(left, 0), compose(sized(setting.size), ownMap(look, rough, center))),
    };
  });
  return {
    line: { baseline: 0, advance: set.advance * 1000 * setting.size, letters, size: setting.size },
    missing: set.missing,
    borrowed: set.borrowed,
    opened: set.opened,
  };
}

/** What a letter's own transform turns about, in its outline's plane: the middle of its ink. */
function centerOfInk({ path }: Outline, { advance }: SetLetter): Point {
  const box = boundsOf(path);
  return box ? centerOf(box) : { x: advance * 500, y: 0 };
}

const sized = (size: number): Affine => (size === 1 ? IDENTITY : { ...IDENTITY, a: size, d: size });

/** A letter's own transform in its own plane: flipped and turned about the middle of its ink, then shifted. */
function ownMap(look: Partial<OwnLook> | undefined, rough: ReturnType<typeof jitter> | undefined, center: Point): Affine {
  if (!look && !rough) return IDENTITY;
  const flip = look?.flip ?? 'none';
  const size = rough?.size ?? 1;
  const across = flip === 'across' || flip === 'both' ? -size : size;
  const down = flip === 'down' || flip === 'both' ? -size : size;
  const turned = compose(rotation((look?.turnDeg ?? 0) + (rough?.turnDeg ?? 0)), { ...IDENTITY, a: across, d: down });
  const about = compose(translation(center.x, center.y), compose(turned, translation(-center.x, -center.y)));
  return compose(translation((look?.shiftPermille ?? 0) + (rough?.x ?? 0), -(look?.risePermille ?? 0) + (rough?.y ?? 0)), about);
}

export const inkOfLetters = (letters: readonly FlatLetter[]): Bounds | undefined =>
  letters.reduce<Bounds | undefined>(
    (ink, { outline, map, look }) => (look?.hidden ? ink : unite(ink, boundsOf(outline.path, map))),
    undefined,
  );

/** A line moved down to its baseline. */
/** A line on another baseline. */
export const lowered = (line: FlatLine, baseline: number): FlatLine => ({
  ...line,
  baseline,
  letters: line.letters.map((letter) => ({ ...letter, baseline, map: compose(translation(0, baseline), letter.map) })),
});

/** A line moved so that its ink, rather than its advance, starts, is centered or ends at the origin. */
export function flushLine(line: FlatLine, align: Lettering['align']): FlatLine {
  const ink = inkOfLetters(line.letters);
  if (!ink) return line;
  const by = -(align === 'start' ? ink.left : align === 'end' ? ink.right : (ink.left + ink.right) / 2);
  return {
    ...line,
    letters: line.letters.map((letter) => ({
      ...letter,
      left: letter.left + by,
      right: letter.right + by,
      map: compose(translation(by, 0), letter.map),
    })),
  };
}

/** Stacks lines by their ink, the first baseline at 0. @param gap white between the ink of neighboring lines */
export function stackLines(lines: readonly FlatLine[], gap: number): readonly FlatLine[] {
  let bottom: number | undefined;
  return lines.map((line) => {
    const ink = inkOfLetters(line.letters);
    const baseline = bottom === undefined ? 0 : bottom + gap - (ink?.top ?? 0);
    bottom = baseline + (ink?.bottom ?? 0);
    return baseline === 0 ? line : lowered(line, baseline);
  });
}
