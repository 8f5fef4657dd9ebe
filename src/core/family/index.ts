import { createPart, EMPTY_RECIPE, type Recipe } from '../marks/recipe/recipe';
import { isKnown, type KnownInput, type KnownPart } from '../marks/registry';
import type { MarkRole } from '../brand/mark-roles';
import { Bench, type FamilyContext } from './bench';
import type { LayoutRow } from './layout';
import { grounds } from './layouts/grounds';
import { initials } from './layouts/initials';
import { lines } from './layouts/lines';
import { lockups } from './layouts/lockups';
import { rounds } from './layouts/rounds';

export { CRAFT, type FamilyContext } from './bench';
export { familyContext, type PrimaryView } from './context';
export { familyGraph, type FamilyNode } from './family-graph';
export { FAMILY_PLACE_NAMES, FAMILY_PLACES, fitIn, longerIn, type FamilyPlace } from './places';
export { piecesOf, type Pieces, type WordPiece } from './pieces';

/** Every way to lay a family's mark out; a new one is one row in its file. */
export const familyLayouts = { ...lockups, ...lines, ...initials, ...rounds, ...grounds } as const satisfies Readonly<
  Record<string, LayoutRow>
>;
export type FamilyLayoutName = keyof typeof familyLayouts;
export const FAMILY_LAYOUT_NAMES = Object.keys(familyLayouts) as readonly FamilyLayoutName[];

/** A mark that could be taken into the family: a live recipe whose parts follow the primary's. */
export interface FamilyLayout {
  readonly id: FamilyLayoutName;
  readonly label: string;
  readonly role: MarkRole;
  readonly recipe: Recipe;
}

const isMade = (laid: ReturnType<LayoutRow['lay']>): laid is readonly KnownPart[] => Array.isArray(laid);

/** The recipe of parts as they were put; nothing where one of them is beyond what parts may be. */
function recipeOf(parts: readonly KnownInput[]): Recipe | undefined {
  const made = parts.map((part) => createPart(part));
  return made.every(({ ok }) => ok) ? { ...EMPTY_RECIPE, parts: made.flatMap((part) => (part.ok ? [part.value] : [])) } : undefined;
}

/** Lays one mark out from a primary; nothing where the primary lacks what the layout needs. */
export function laidOut(id: FamilyLayoutName, context: FamilyContext, bench: Bench = new Bench(context)): FamilyLayout | undefined {
  const { label, role, lay }: LayoutRow = familyLayouts[id];
  const laid = lay(bench);
  if (!laid) return undefined;
  const recipe = isMade(laid) ? { ...EMPTY_RECIPE, parts: laid.filter(isKnown) } : recipeOf(laid.put({ x: 0, y: 0, scale: 1 }));
  return recipe && recipe.parts.length > 0 ? { id, label, role, recipe } : undefined;
}

/** Every layout that a primary allows. */
export function layoutsOf(context: FamilyContext): readonly FamilyLayout[] {
  const bench = new Bench(context);
  return FAMILY_LAYOUT_NAMES.flatMap((id) => laidOut(id, context, bench) ?? []);
}
