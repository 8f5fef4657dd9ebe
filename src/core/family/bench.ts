import { notNought } from '../numeric/tolerances';
import { contrastRatio } from '../color/contrast';
import { swatchColor, type Palette, type Role } from '../color/palette';
import { heightOf, type Point } from '../geometry';
import type { ResolvedPart } from '../marks/drawing/resolve';
import type { Paint } from '../marks/drawing/paint';
import type { KnownInput, KnownPart } from '../marks/registry';
import type { BuilderName } from '../marks/building/registry';
import { column, placed, type Item, type Spot } from './item';
import { boxOf, type Piece, type Pieces, type WordPiece } from './pieces';
import { composePlaces } from './place-math';

/** What a layout may look at. */
export interface FamilyContext {
  /** The mark that layouts are derived from. */
  readonly primary: string;
  readonly pieces: Pieces;
  readonly palette: Palette;
  /** The parts of a trial mark as they stand when it is drawn, by id. */
  readonly measure: (parts: readonly KnownInput[]) => ReadonlyMap<string, ResolvedPart>;
  /** What a builder makes of the primary's name, under an id. */
  readonly build: (builder: BuilderName, numbers: Readonly<Record<string, unknown>>, id: string) => readonly KnownPart[] | undefined;
}

type LinkedInput = Extract<KnownInput, { readonly kind: 'linked' }>;
export type LinkLook = Partial<Pick<LinkedInput, 'take' | 'run' | 'own' | 'paint' | 'sizePx'>>;

const STRAIGHT = { shape: 'straight' } as const;
/** Size at which words are measured, in mark pixels. */
export const MEASURED_PX = 100;

/** What a link takes of a text to have so many of its words on one line, whatever rows it stands in; all of it, unless said. */
export function inOneLine(
  piece: Pick<WordPiece, 'text'> | undefined,
  words?: { readonly from: number; readonly count: number },
): Pick<LinkLook, 'take' | 'run'> {
  const rows = piece?.text.includes('\n');
  if (!words && !rows) return {};
  const { from, count } = words ?? { from: 0, count: wordsOf(piece).length };
  return { take: 'run', run: { of: 'words', from, count, ...(rows ? { joined: true } : {}) } };
}
/** The words of a text, in whatever rows they stand. */
export const wordsOf = (piece: Pick<WordPiece, 'text'> | undefined): readonly string[] =>
  (piece?.text.trim().split(/\s+/) ?? []).filter((word) => word !== '');

/** Takes the pieces of a primary up as items, each a live link to its part. */
export class Bench {
  readonly #measured = new Map<string, ResolvedPart | undefined>();
  constructor(readonly context: FamilyContext) {}

  /** A part that follows one of the primary's. */
  link(id: string, piece: Pick<Piece, 'id'>, look: LinkLook, place: LinkedInput['place']): KnownInput {
    return { kind: 'linked', id, from: { mark: this.context.primary, part: piece.id }, take: 'whole', ...look, place } as KnownInput;
  }

  #measure(key: string, part: KnownInput): ResolvedPart | undefined {
    if (!this.#measured.has(key)) this.#measured.set(key, this.context.measure([part]).get(part.id));
    return this.#measured.get(key);
  }

  /** Words of the primary as an item: on a straight line, at the size they have there. */
  words(id: string, piece: WordPiece | undefined, look: LinkLook = {}): Item | undefined {
    if (!piece) return undefined;
    const straight = piece.part.line.shape === 'straight' ? {} : { line: STRAIGHT };
    const own = { ...straight, ...look.own };
    const whole: LinkLook = { ...look, ...(Object.keys(own).length > 0 ? { own } : {}) };
    const found = this.#measure(JSON.stringify([piece.id, whole]), this.link('trial', piece, whole, { x: 0, y: 0, turnDeg: 0 }));
    if (!found?.ink) return undefined;
    const { ink, lettering } = found;
    return {
      box: ink,
      middle: { x: (ink.left + ink.right) / 2, y: (ink.top + ink.bottom) / 2 },
      capPx: lettering?.capHeightPx ?? heightOf(ink),
      put: ({ x, y, scale }) => [this.link(id, piece, whole, { x, y, turnDeg: 0, ...(scale === 1 ? {} : { scale }) })],
    };
  }
  name = (look: LinkLook = {}): Item | undefined => this.words('name', this.context.pieces.name, look);
  second = (look: LinkLook = {}): Item | undefined => this.words('second', this.context.pieces.second, look);
  /** The first letter of the name, balanced by its ink. */
  initial(look: LinkLook = {}): Item | undefined {
    const { name } = this.context.pieces;
    const item = this.words('initial', name, { ...look, take: 'initial' });
    const balance =
      name &&
      this.#measure(JSON.stringify(['balance', name.id]), this.link('trial', name, { take: 'initial' }, { x: 0, y: 0, turnDeg: 0 }))
        ?.balance;
    return item && { ...item, ...(balance ? { middle: balance } : {}) };
  }
  /** The name's words, each of them a link of its own. */
  get wordCount(): number {
    return wordsOf(this.context.pieces.name).length;
  }
  wordRun(from: number, count: number, look: LinkLook = {}): Item | undefined {
    const { name } = this.context.pieces;
    return this.words(`words-${from + 1}`, name, { ...look, ...inOneLine(name, { from, count }) });
  }

  /** The symbol, all of its parts where they stand to one another. */
  symbol(look: LinkLook = {}): Item | undefined {
    const { symbol } = this.context.pieces;
    if (symbol.length === 0) return undefined;
    const box = boxOf(symbol);
    if (!box) return undefined;
    const middle: Point = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
    return {
      ...{ box, middle },
      put: (at) =>
        symbol.map((piece, index) =>
          this.link(
            symbol.length === 1 ? 'symbol' : `symbol-${index + 1}`,
            piece,
            look,
            composePlaces({ x: at.x, y: at.y, turnDeg: 0, ...(at.scale === 1 ? {} : { scale: at.scale }) }, piece.place),
          ),
        ),
    };
  }

  /** Name and second line as the craft sets them: the second at most as wide, in a clear step of size, half a capital apart. */
  block(look: LinkLook = {}): Item | undefined {
    const [name, second] = [this.name(look), this.second(look)];
    if (!name || !second) return name;
    return underneath(name, second);
  }

  /** How long a text is in capitals at tracking, in em of its size. */
  ems(piece: WordPiece, trackingPermille: number): number {
    const own = { line: STRAIGHT, case: 'upper', trackingPermille, companion: null, fit: null };
    const found = this.#measure(
      JSON.stringify(['ems', piece.id, trackingPermille]),
      this.link('trial', piece, { own, sizePx: MEASURED_PX, ...inOneLine(piece) }, { x: 0, y: 0, turnDeg: 0 }),
    );
    return (found?.lettering?.advancePx ?? 0) / MEASURED_PX;
  }
  /** Height of the capitals of a text, in em. */
  capEm(piece: WordPiece): number {
    const found = this.#measure(
      JSON.stringify(['cap', piece.id]),
      this.link('trial', piece, { sizePx: MEASURED_PX }, { x: 0, y: 0, turnDeg: 0 }),
    );
    return (found?.lettering?.capHeightPx ?? 70) / MEASURED_PX;
  }

  /** Ink or paper, whichever stands out more from a role's color. */
  on(role: Role): Paint {
    const color = (key: Role) => swatchColor(this.context.palette, key) ?? '#000000';
    return { role: contrastRatio(color('paper'), color(role)) >= contrastRatio(color('ink'), color(role)) ? 'paper' : 'ink' };
  }
}

/** A part of its own, with a box around the origin. */
export function ground(
  id: string,
  name: string,
  form: object,
  paint: Paint,
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): Item {
  return {
    box: { left: -widthPx / 2, right: widthPx / 2, top: -heightPx / 2, bottom: heightPx / 2 },
    middle: { x: 0, y: 0 },
    put: ({ x, y, scale }: Spot) => [
      { kind: 'shape', id, name, form, paint, place: { x, y, turnDeg: 0, ...(scale === 1 ? {} : { scale }) } } as unknown as KnownInput,
    ],
  };
}

/** The craft's ratios (common practice), in heights of the capitals of the name. */
export const CRAFT = {
  /** Symbol beside words, and above them. */
  symbolBeside: 1.9,
  symbolAbove: 2.7,
  /** White between symbol and words. */
  gapBeside: 0.6,
  gapAbove: 0.75,
  /** White between name and second line; largest and smallest capitals of the second. */
  gapSecond: 0.55,
  secondMost: 0.42,
  secondLeast: 0.26,
  /** White between the lines of a broken name. */
  gapLines: 0.42,
  /** Air between words and the edge of what they stand on. */
  air: 1.1,
} as const;

/** A second line below a first: no wider, its capitals within the craft's limits of the first's. */
export function underneath(name: Item, second: Item): Item {
  const cap = name.capPx ?? heightOf(name.box);
  const own = second.capPx ?? heightOf(second.box);
  const wide = (name.box.right - name.box.left) / notNought(second.box.right - second.box.left);
  const most = Math.min(wide, (CRAFT.secondMost * cap) / own);
  // A long second line may be wider than a short name rather than too small to read.
  const scale = Math.max(Math.min(most, 1), (CRAFT.secondLeast * cap) / own);
  const block = column([name, placed(second, { scale })], [CRAFT.gapSecond * cap]);
  return { ...block, capPx: cap };
}
