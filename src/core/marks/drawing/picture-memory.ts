import type { Dress } from '../../color/dressings';
import { inkBalance, type Affine, type Bounds, type PathAlgebra, type Point } from '../../geometry';
import type { DrawContext, PartPicture } from '../part-kind';
import { drawPart, type KnownPart } from '../registry';
import { looksAtLight } from '../treating/registry';
import { treat } from '../treating/treat';
import type { TreatContext } from '../treating/treatment';
import { outlinesIn, type DrawingNode } from './drawing';
import { inColors } from './in-colors';
import { inkOf } from './ink';
import type { PaintedNode } from './painted';
import { Remembered, rememberedPieces } from './remembered';

/** What is still on its way must not leave a picture without it behind. */
const STILL_COMING: ReadonlySet<string> = new Set(['font-not-loaded', 'not-divided']);

/** Part pictures remembered; a few hundred marks' worth. */
const PICTURES_KEPT = 4000;

/** Costly pieces of pictures (cut letters, bands) remembered. */
const PIECES_KEPT = 8000;

/** A part's picture, and where it stands. */
export interface Drawn {
  /** Names this picture among all that the resolver ever made. */
  readonly serial: number;
  readonly picture: PartPicture;
  /** In the part's own pixels. */
  readonly balance: Point | undefined;
  readonly transform: Affine;
  readonly ink: Bounds | undefined;
  /** Whether some of it is only a quick picture. */
  readonly rough: boolean;
}
/** A part's picture by itself. */
export type Body = Pick<Drawn, 'serial' | 'picture' | 'balance' | 'rough'>;

const balanceOf = (nodes: readonly PaintedNode[]): Point | undefined => inkBalance(outlinesIn(nodes));

/**
 * The pictures of parts that a resolver has made, by what they depend on: drawn, treated, dressed and measured once. Quick pictures are kept beside
 * whole ones and never taken for them.
 */
export function createPictureMemory(paths: PathAlgebra) {
  const pictures = new Remembered<Body>(PICTURES_KEPT);
  const colored = new Remembered<readonly DrawingNode[]>(PICTURES_KEPT);
  const { remember, isRemembered } = rememberedPieces(PIECES_KEPT);
  const inks = new Remembered<{ readonly ink: Bounds | undefined }>(PICTURES_KEPT);
  const treatedPictures = new Remembered<Omit<Body, 'balance'>>(PICTURES_KEPT);
  let serials = 0;

  /** The box of a picture's body, or of all that is seen of it, where it stands; measured once for every place. */
  const placedInk = (serial: number, picture: PartPicture, transform: Affine, shown = false): Bounds | undefined => {
    const key = `${shown ? 'shown ' : ''}${serial} ${transform.a} ${transform.b} ${transform.c} ${transform.d} ${transform.e} ${transform.f}`;
    const kept = inks.get(key);
    if (kept) return kept.ink;
    const ink = inkOf(picture.nodes, transform, shown);
    inks.put(key, { ink });
    return ink;
  };

  /** The nodes of a picture in their colors; outlines are shared between all dressings. */
  const dressed = ({ serial, picture }: Drawn, dress: Dress, dressKey: string): readonly DrawingNode[] => {
    const key = `${serial} ${dressKey}`;
    const kept = colored.get(key);
    if (kept) return kept;
    const nodes = inColors(picture.nodes, dress, paths);
    colored.put(key, nodes);
    return nodes;
  };

  /** Of pictures that are kept, the whole one; where that is not there and a quick one is enough, that. */
  const keptIn = <T>(among: Remembered<T>, key: string, quick: boolean): T | undefined =>
    among.get(key) ?? (quick ? among.get(quickKey(key)) : undefined);
  const quickKey = (key: string): string => `${key} quick`;

  const pictureOf = (part: KnownPart, key: string, context: DrawContext, quick: boolean): Body => {
    const kept = keptIn(pictures, key, quick);
    if (kept) return kept;
    let rough = false;
    const picture = drawPart(part, {
      ...context,
      treated: (...what) => {
        const made = context.treated(...what);
        rough ||= made.rough;
        return made;
      },
    });
    const drawn = { serial: ++serials, picture, balance: balanceOf(picture.nodes), rough };
    if (!drawn.picture.notices.some(({ code }) => STILL_COMING.has(code))) pictures.put(rough ? quickKey(key) : key, drawn);
    return drawn;
  };

  /** A picture with what is done to it. */
  const withTreatments = (part: KnownPart, before: Body, tools: TreatContext): Omit<Body, 'balance'> => {
    const { treatments = [] } = part;
    if (treatments.length === 0) return before;
    const key = `${before.serial} ${JSON.stringify(treatments)}${looksAtLight(treatments) ? JSON.stringify(tools.light) : ''}`;
    const kept = keptIn(treatedPictures, key, tools.isKept !== undefined);
    if (kept) return kept;
    const { nodes, notices, rough } = treat(before.picture.nodes, treatments, String(before.serial), tools);
    const picture = { ...before.picture, nodes, notices: [...before.picture.notices, ...notices] };
    const made = { serial: ++serials, picture, rough: before.rough || rough };
    treatedPictures.put(rough ? quickKey(key) : key, made);
    return made;
  };

  return { placedInk, remember, isRemembered, dressed, pictureOf, withTreatments };
}
