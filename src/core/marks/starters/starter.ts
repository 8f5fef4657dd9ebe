import type { Bounds } from '../../geometry';
import type { FormName } from '../../shapes';
import { restack } from '../gathering/gather';
import { addPart, freePartId } from '../recipe/edit';
import type { Recipe } from '../recipe/recipe';
import type { KnownPart } from '../registry';

/** What a starter may look at. */
export interface StarterContext {
  readonly recipe: Recipe;
  /** The ink of the mark as it stands. */
  readonly ink: Bounds | undefined;
  readonly brandName: string;
  /** The brand's face for second lines, when it has one. */
  readonly secondFamily: string | undefined;
  /** The part in hand, when there is one. */
  readonly chosen: string | undefined;
}

/** What a starter makes. */
export interface Started {
  /** New parts, back to front. */
  readonly parts: readonly KnownPart[];
  /** The one that is in hand afterwards. */
  readonly chosen: string;
  /** Whether they go behind all that is there. */
  readonly behind?: boolean;
}

/** Something that can be added to a mark: one row each, its words and what it makes. */
export interface Starter {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  /** Other words under which it is found. */
  readonly words: readonly string[];
  /** The form it draws, for its picture in the list. */
  readonly form?: FormName;
  /** How many texts it begins with; those that are typed along with its name take the place of its own, in reading order. */
  readonly texts?: number;
  readonly make: (texts?: readonly string[]) => Started;
}

/** What was typed to add something, apart: what is looked for, and the texts it begins with: “ring text: Harbor | Since 1987”. */
export function withTexts(typed: string): { readonly asked: string; readonly texts: readonly string[] } {
  const [, asked = typed, after = ''] = /^([^:]+):(.*)$/s.exec(typed) ?? [];
  const texts = after.split('|').map((text) => text.trim());
  return { asked, texts: texts.some(Boolean) ? texts : [] };
}

/** What one file of starters offers for a mark as it stands. */
export type Starters = (context: StarterContext) => readonly Starter[];

/** The recipe with what was started; each part as it was made. */
export function withStarted(recipe: Recipe, { parts, behind }: Started): Recipe {
  const added = parts.reduce((sum, part) => addPart(sum, part), recipe);
  return behind ? [...parts].reverse().reduce((sum, { id }) => restack(sum, id, 0), added) : added;
}

/** Ids for several new parts, none of them taken. */
export function freePartIds(recipe: Recipe, kinds: readonly string[]): readonly string[] {
  const ids: string[] = [];
  let grown = recipe;
  for (const kind of kinds) {
    const id = freePartId(grown, kind);
    ids.push(id);
    grown = { ...grown, parts: [...grown.parts, { kind: 'unknown', id, original: {} }] };
  }
  return ids;
}
