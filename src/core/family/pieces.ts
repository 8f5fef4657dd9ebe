import { heightOf, IDENTITY, unite, widthOf, type Bounds, type Point } from '../geometry';
import type { Lettering } from '../marks/lettering/schema';
import { placeAt, type Place } from '../marks/part-base';
import type { ResolvedMark, ResolvedPart } from '../marks/drawing/resolve';
import type { Recipe } from '../marks/recipe/recipe';
import { isKnown, isOnlySeen, type KnownPart } from '../marks/registry';
import { topLevel } from '../marks/gathering/gather';
import { composePlaces } from './place-math';

/** One part of a primary that layouts arrange. */
export interface Piece {
  readonly id: string;
  /** Where it stands in the primary, its turn and scale with it. */
  readonly place: Place;
  readonly ink: Bounds;
}

/** A text of a primary. */
export interface WordPiece extends Piece {
  readonly text: string;
  readonly part: Lettering;
}

/** What a primary is made of, as a designer would name its pieces. */
export interface Pieces {
  readonly name: WordPiece | undefined;
  /** The quieter line under the name. */
  readonly second: WordPiece | undefined;
  /** All that is no text, no ground and no rule. */
  readonly symbol: readonly Piece[];
  /** What the name stands on. */
  readonly grounds: readonly Piece[];
}

/** Kinds whose members can stand by themselves: what they draw is what their members are. */
const OPENS: ReadonlySet<KnownPart['kind']> = new Set(['group', 'lockup']);
/** A text of at most this many letters beside a longer one is a symbol. */
const SHORT = 3;
/** Something this many times wider than high is a rule, not a symbol. */
const RULE = 8;

const areaOf = (box: Bounds): number => widthOf(box) * heightOf(box);
const middleOf = ({ left, right, top, bottom }: Bounds): Point => ({ x: (left + right) / 2, y: (top + bottom) / 2 });
const holds = (box: Bounds, { x, y }: Point): boolean => x > box.left && x < box.right && y > box.top && y < box.bottom;

interface Leaf extends Piece {
  readonly part: KnownPart;
}

/** Reads a primary: its name, its second line, its symbol and what they stand on. @param mark the recipe resolved, links put in place */
export function piecesOf(recipe: Recipe, mark: ResolvedMark): Pieces {
  const byId = new Map<string, ResolvedPart>(mark.parts.map((part) => [part.id, part]));
  const parts = new Map(recipe.parts.filter(isKnown).map((part) => [part.id, part]));
  const leaves: Leaf[] = [];
  const visit = (part: KnownPart): void => {
    const resolved = byId.get(part.id);
    if (part.hidden || isOnlySeen(part) || !resolved?.ink) return;
    if (OPENS.has(part.kind) && 'members' in part && !part.treatments?.length)
      return part.members.forEach((id) => {
        const member = parts.get(id);
        if (member) visit(member);
      });
    const place = composePlaces(placeAt(resolved.outer ?? IDENTITY), part.place);
    // What stands by another part is counted from there: where it is drawn is where it stands.
    const drawn = placeAt(resolved.transform);
    leaves.push({ id: part.id, part, ink: resolved.ink, place: { ...place, x: drawn.x, y: drawn.y } });
  };
  for (const { id } of topLevel(recipe)) {
    const part = parts.get(id);
    if (part) visit(part);
  }
  const words = leaves
    .filter((leaf): leaf is Leaf & { readonly part: Lettering } => leaf.part.kind === 'lettering' && leaf.part.text.trim() !== '')
    .map((leaf) => ({ ...leaf, text: leaf.part.text }))
    .sort((one, other) => areaOf(other.ink) - areaOf(one.ink));
  const long = words.filter(({ text }) => [...text.replace(/\s/g, '')].length > SHORT);
  const straight = (of: readonly WordPiece[]) => of.filter(({ part }) => part.line.shape === 'straight');
  const name = straight(long)[0] ?? long[0] ?? words[0];
  const second = long.find((word) => word !== name && word.text.trim().toLowerCase() !== name?.text.trim().toLowerCase());
  const others = leaves.filter(
    ({ id, part }) => id !== name?.id && id !== second?.id && !(part.kind === 'lettering' && long.some((word) => word.id === id)),
  );
  const middle = name && middleOf(name.ink);
  const grounds = others.filter(({ ink }) => middle !== undefined && holds(ink, middle) && areaOf(ink) > areaOf(name?.ink ?? ink));
  const symbol = others.filter(
    (leaf) => !grounds.includes(leaf) && Math.max(widthOf(leaf.ink) / heightOf(leaf.ink), heightOf(leaf.ink) / widthOf(leaf.ink)) < RULE,
  );
  const piece = ({ id, place, ink }: Leaf): Piece => ({ id, place, ink });
  const bare = (word: (typeof words)[number] | undefined): WordPiece | undefined =>
    word && { ...piece(word), text: word.text, part: word.part };
  return { name: bare(name), second: bare(second), symbol: symbol.map(piece), grounds: grounds.map(piece) };
}

/** The box around several pieces. */
export const boxOf = (pieces: readonly Piece[]): Bounds | undefined =>
  pieces.reduce<Bounds | undefined>((sum, { ink }) => unite(sum, ink), undefined);
