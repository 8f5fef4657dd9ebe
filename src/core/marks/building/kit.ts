import type { Hex } from '../../color/hex';
import {
  boundsOf,
  compose,
  flatten,
  inkBalance,
  insideOf,
  mapPath,
  scaling,
  translation,
  unite,
  type Bounds,
  type Path,
  type Point,
  type Region,
} from '../../geometry';
import { pathData } from '../../output/path-data';
import { expect, type Problem } from '../../result/result';
import { formKind, outlineOf, type Form, type FormName } from '../../shapes';
import {
  casedLetters,
  graphemesOf,
  isLittle,
  inCase,
  lenderOf,
  setLine,
  type FontChoice,
  type LetterCase,
  type SetLine,
  type Typeface,
} from '../../type';
import { ART_SIDE } from '../parts/art';
import type { ArtSource } from '../parts/art-source';
import { createPart } from '../recipe/recipe';
import type { KnownInput, KnownPart } from '../registry';
import type { Paint } from '../drawing/paint';
import type { OneColorWish } from '../one-color/wishes';
import type { BuildContext, Made } from './builder';

/** What the paints of a drawn piece were called before anybody painted it otherwise. */
const INKS = ['#1d1d1b', '#8a8a86', '#c9c7c0'] as const;

/** Numbers of a form; what is left out is as the form begins. */
export type FormInput = { readonly form: FormName } & Readonly<Record<string, number | FormName>>;

/** A form with what is left out, every number brought within its limits. */
export function formOf({ form, ...numbers }: FormInput): Form {
  const { fields } = formKind(form);
  return {
    form,
    ...Object.fromEntries(
      Object.entries(fields).map(([name, { min, max, start }]) => [name, Math.min(max, Math.max(min, Number(numbers[name] ?? start)))]),
    ),
  } as Form;
}

/** A form with all of its lengths multiplied: the same picture, larger or smaller. */
export const larger = (form: FormInput | Form, by: number): FormInput =>
  Object.fromEntries(
    Object.entries(form).map(([name, value]) => [name, typeof value === 'number' && name.endsWith('Px') ? value * by : value]),
  ) as FormInput;

/** A letter or a short word as an outline, set at 1 em on its baseline, left to right from 0. */
export interface LetterOutline {
  readonly area: Region;
  readonly box: Bounds;
  /** Where its ink balances. */
  readonly balance: Point;
  /** Of the face's capitals, in ems. */
  readonly capHeight: number;
  readonly advance: number;
  readonly missing: boolean;
}

/** Paper that builders compose on: it hands out parts by the names of their slots, and gathers what is to be told. */
export class Kit {
  readonly parts: KnownPart[] = [];
  readonly notices: Problem[] = [];
  constructor(readonly context: BuildContext) {}

  /** Adds a part; words in another script than their face's have its letters lent. */
  add(input: KnownInput): KnownPart {
    const lent = input.kind === 'lettering' ? { fallback: lenderOf(input.font.family, input.text), ...input } : input;
    const made = expect(createPart(lent));
    // Minus zero becomes zero, as it does in storage.
    const part = { ...made, place: { ...made.place, x: made.place.x + 0, y: made.place.y + 0 } } as KnownPart;
    this.parts.push(part);
    return part;
  }
  shape(
    slot: string,
    name: string,
    form: FormInput,
    paint: Paint,
    at: Point = { x: 0, y: 0 },
    more: { readonly turnDeg?: number; readonly scale?: number; readonly opacity?: number; readonly flip?: boolean } = {},
  ): KnownPart {
    const { opacity, ...place } = more;
    return this.add({
      ...{ kind: 'shape', id: slot, name, form: formOf(form), paint },
      place: { x: at.x, y: at.y, turnDeg: 0, ...place },
      ...(opacity === undefined ? {} : { opacity }),
    });
  }
  /**
   * Outlines as one piece of art, each in one of a few paints: drawn for this mark alone, so that they belong to the client.
   * @param source whose they are, where they were brought
   */
  drawn(
    slot: string,
    name: string,
    pieces: readonly { readonly path: Path; readonly paint: number; readonly rule?: 'nonzero' | 'evenodd' }[],
    paints: readonly Paint[],
    {
      source,
      ...more
    }: {
      readonly opacity?: number;
      readonly treatments?: object[];
      readonly source?: ArtSource | undefined;
      readonly oneColor?: OneColorWish;
    } = {},
  ): KnownPart | undefined {
    const box = pieces.reduce<Bounds | undefined>((sum, { path }) => (path.verbs === '' ? sum : unite(sum, boundsOf(path))), undefined);
    if (!box) return undefined;
    const sizePx = Math.min(20_000, Math.max(0.1, box.right - box.left, box.bottom - box.top));
    const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    const map = compose(scaling(ART_SIDE / sizePx), translation(-x, -y));
    return this.add({
      ...{ kind: 'art', id: slot, name, source: source ?? { title: name, license: 'ours' }, sizePx },
      slots: paints.map((paint, index) => ({ original: INKS[index % INKS.length] as Hex, paint })),
      pieces: pieces.flatMap(({ path, paint, rule = 'nonzero' }) =>
        path.verbs === '' ? [] : [{ data: pathData(mapPath(path, map)), rule, slot: paint }],
      ),
      place: { x, y, turnDeg: 0 },
      ...more,
    });
  }
  note(code: string, message: string, fix: string): void {
    if (!this.notices.some((notice) => notice.message === message)) this.notices.push({ code, message, fix });
  }
  made(): Made {
    return { parts: this.parts, notices: this.notices };
  }

  /** The face that is asked for by its family; the one that is heard where none is, or it is not there. */
  face(family: string): FontChoice {
    const { heard, fonts } = this.context;
    if (family === '' || family === heard.font.family) return heard.font;
    const wanted: FontChoice = { family, style: 'normal', axes: {} };
    return fonts.find(wanted).ok ? wanted : heard.font;
  }

  /** A line set at 1 px of size; letters of another script than the face's are lent. */
  private line(text: string, font: FontChoice, trackingPermille = 0): { readonly face: Typeface; readonly set: SetLine } | undefined {
    const { fonts } = this.context;
    const found = fonts.find(font);
    if (!found.ok) return undefined;
    const lender = lenderOf(font.family, text);
    const lent = lender === null ? undefined : fonts.find({ family: lender, style: 'normal', axes: {} });
    const set = setLine(found.value, text, { axes: font.axes, kerning: 'font', trackingPermille }, lent?.ok ? lent.value : undefined);
    return { face: found.value, set };
  }

  /** A text as one outline; nothing where the face is not there. */
  outline(text: string, font: FontChoice): LetterOutline | undefined {
    const { paths, remember } = this.context;
    if (text === '') return undefined;
    return remember(`letter outline ${JSON.stringify([text, font])}`, () => {
      const line = this.line(text, font);
      if (!line) return undefined;
      const { face, set } = line;
      const glyphs = set.glyphs.map(({ instance, glyph, emPerUnit, x, y }) => ({
        path: mapPath(instance.outline(glyph), { a: emPerUnit, b: 0, c: 0, d: emPerUnit, e: x, f: y }),
        rule: 'nonzero' as const,
      }));
      // Outlines are welded a thousand times larger: the path library works in single precision.
      const large = paths.weld(glyphs.map(({ path, rule }) => ({ path: mapPath(path, scaling(1000)), rule })));
      const area: Region = { path: mapPath(large.path, scaling(1 / 1000)), rule: large.rule };
      const box = boundsOf(area.path);
      if (!box) return undefined;
      const { capHeight, unitsPerEm } = face.at(font.axes).metrics;
      const balance = inkBalance([area]) ?? { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
      return {
        ...{ area, box, balance: { x: balance.x, y: balance.y }, advance: set.advance },
        capHeight: capHeight > 0 ? capHeight / unitsPerEm : Math.max(0.1, -box.top),
        missing: set.missing.length > 0,
      };
    });
  }

  /** Where the ink of a line lies at 1 px of size, set on its baseline from 0 and not tracked: capitals of a script reach far beyond their height. */
  extent(text: string, font: FontChoice, letterCase: LetterCase = 'typed'): Bounds | undefined {
    if (text.trim() === '') return undefined;
    const cased = inCase(text, letterCase);
    return this.context.remember(`line extent ${JSON.stringify([cased, font])}`, () =>
      this.line(cased, font)?.set.glyphs.reduce<Bounds | undefined>(
        (sum, { instance, glyph, emPerUnit, x, y }) =>
          unite(sum, boundsOf(instance.outline(glyph), { a: emPerUnit, b: 0, c: 0, d: emPerUnit, e: x, f: y })),
        undefined,
      ),
    );
  }

  /** How wide a line of text is at 1 px of size, tracked; in the case it is set in. */
  lineWidth(text: string, font: FontChoice, trackingPermille: number, letterCase: LetterCase = 'typed'): number {
    if (text.trim() === '') return 0;
    const cased = inCase(text, letterCase);
    return this.context.remember(
      `line width ${JSON.stringify([cased, font, trackingPermille])}`,
      () => this.line(cased, font, trackingPermille)?.set.advance ?? 0,
    );
  }
}

/**
 * The letters that stand for a name: the first of each of its words, at most so many; of a single word, its first.
 * @param littleWords whether “the”, “and” and their like give one as well; where fewer than two words are left without them, they do
 */
export function initialsOf(text: string, most = 3, littleWords = true): string {
  const all = text.split(/[\s·&+–—-]+/u).filter((word) => /[\p{L}\p{N}]/u.test(word));
  const large = all.filter((word) => !isLittle(word));
  const words = (littleWords || large.length < 2 ? all : large)
    .map((word) => graphemesOf(word).map(({ text: letter }) => letter))
    .filter((letters) => /[\p{L}\p{N}]/u.test(letters[0] ?? ''));
  return words
    .slice(0, most)
    .map((letters) => casedLetters(letters[0] ?? '', 'upper'))
    .join('');
}

/** The letters of a typed text, spaces left out; letters that are made of several signs stay whole. */
export const lettersOf = (text: string): readonly string[] =>
  graphemesOf(text)
    .map(({ text: letter }) => letter)
    .filter((letter) => letter.trim() !== '');

/** How far a form must be enlarged so that points, seen from its center, lie inside of it with air around. @source bisection over a growing outline */
export function enclosing(outline: Region, points: readonly Point[], air: number): number {
  const inside = insideOf(flatten(outline.path, 0.25));
  // Air all around a point: eight points on a circle about it.
  const around = points.flatMap(({ x, y }) =>
    Array.from({ length: 8 }, (_, turn) => ({ x: x + air * Math.cos((turn * Math.PI) / 4), y: y + air * Math.sin((turn * Math.PI) / 4) })),
  );
  const holds = (scale: number) => around.every(({ x, y }) => inside(x / scale, y / scale));
  let [low, high] = [0.01, 1];
  while (!holds(high) && high < 1000) high *= 1.5;
  for (let step = 0; step < 18; step++) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** A few hundred points of the outlines of areas, enough to say how far they reach. */
export function outlinePoints(areas: readonly Region[], fine = 1): readonly Point[] {
  const all = areas.flatMap(({ path }) => flatten(path, fine).flat());
  const step = Math.max(1, Math.floor(all.length / 400));
  return all.filter((_, index) => index % step === 0);
}

/** A region moved and made larger. */
export const placedArea = ({ path, rule }: Region, scale: number, x: number, y: number): Region => ({
  path: mapPath(mapPath(path, scaling(scale)), translation(x, y)),
  rule,
});

export const shapeArea = (form: FormInput): Region => ({ path: outlineOf(formOf(form)), rule: 'nonzero' });
