import type { Dress } from '../color/dressing';
import { boundsOf, compose, rotation, translation, unite, type Affine, type Bounds, type Path } from '../geometry';
import type { Problem } from '../result/result';
import type { FontShelf } from '../type';
import { derive, type Sources } from './derive';
import type { Drawing, DrawingNode, Group } from './drawing';
import type { Place } from './part-base';
import type { PartPicture } from './part-kind';
import { notUnderstood } from './parts/unknown';
import type { Recipe } from './recipe';
import { drawPart, isKnown, type KnownPart } from './registry';

/** One part as it stands in the mark. */
export interface ResolvedPart {
  readonly id: string;
  /** The smallest box around its ink, in mark pixels; nothing when it draws nothing. */
  readonly ink: Bounds | undefined;
  readonly advancePx: number | undefined;
  readonly notices: readonly Problem[];
}

export interface ResolvedMark {
  readonly drawing: Drawing;
  /** In recipe order, hidden and unknown parts included. */
  readonly parts: readonly ResolvedPart[];
  /** The smallest box around all visible ink. */
  readonly ink: Bounds | undefined;
}

/** What to resolve: a recipe, the recipes it may follow, and how it is dressed. */
export interface MarkView {
  readonly recipe: Recipe;
  readonly sources: Sources;
  readonly dress: Dress;
}

/** Turns recipes into drawings and remembers every part's picture by content, so that one edit recomputes one part. */
export interface Resolver {
  readonly resolve: (view: MarkView) => ResolvedMark;
}

/** Part pictures remembered; a few hundred marks' worth. */
const PICTURES_KEPT = 4000;

/** The map from a part's own coordinates to the mark's. */
export const placing = (place: Place): Affine => compose(translation(place.x, place.y), rotation(place.turnDeg));

/** What a part's picture depends on: everything but where and how strongly it stands in the mark. */
function contentKey(part: KnownPart, dressKey: string): string {
  const { place: _place, opacity: _opacity, blend: _blend, hidden: _hidden, locked: _locked, name: _name, id: _id, ...content } = part;
  return JSON.stringify(content) + dressKey;
}

export function createResolver(fonts: FontShelf): Resolver {
  const pictures = new Map<string, PartPicture>();

  const pictureOf = (part: KnownPart, dress: Dress, dressKey: string): PartPicture => {
    const key = contentKey(part, dressKey);
    const kept = pictures.get(key);
    if (kept) return kept;
    const picture = drawPart(part, { fonts, dress });
    // A font that is still on its way must not leave an empty picture behind.
    if (picture.notices.some((notice) => notice.code === 'font-not-loaded')) return picture;
    const oldest = pictures.keys().next();
    if (pictures.size >= PICTURES_KEPT && !oldest.done) pictures.delete(oldest.value);
    pictures.set(key, picture);
    return picture;
  };

  const resolve = ({ recipe, sources, dress }: MarkView): ResolvedMark => {
    const derived = derive(recipe, sources);
    const dressKey = JSON.stringify([dress.colors, dress.loose]);
    const groups: Group[] = [];
    let ink: Bounds | undefined;
    const parts = derived.recipe.parts.map((part): ResolvedPart => {
      if (!isKnown(part)) return { id: part.id, ink: undefined, advancePx: undefined, notices: [notUnderstood(part)] };
      const picture = pictureOf(part, dress, dressKey);
      const transform = placing(part.place);
      const own = inkOf(picture.nodes, transform);
      if (!part.hidden && picture.nodes.length > 0) {
        groups.push({ kind: 'group', id: part.id, transform, opacity: part.opacity, blend: part.blend, children: picture.nodes });
        ink = unite(ink, own);
      }
      return { id: part.id, ink: own, advancePx: picture.advancePx, notices: derived.notices.get(part.id) ?? picture.notices };
    });
    return { drawing: { groups }, parts, ink };
  };
  return { resolve };
}

const localInk = new WeakMap<Path, { readonly bounds: Bounds | undefined }>();

/** Exact ink bounds of nodes under a map; a pure move reuses the bounds already measured. */
export function inkOf(nodes: readonly DrawingNode[], map: Affine): Bounds | undefined {
  const moveOnly = map.a === 1 && map.b === 0 && map.c === 0 && map.d === 1;
  let ink: Bounds | undefined;
  for (const node of nodes) {
    if (node.kind === 'group') ink = unite(ink, inkOf(node.children, compose(map, node.transform)));
    else if (moveOnly) {
      const kept = localInk.get(node.path) ?? { bounds: boundsOf(node.path) };
      localInk.set(node.path, kept);
      const own = kept.bounds;
      if (own) ink = unite(ink, { left: own.left + map.e, top: own.top + map.f, right: own.right + map.e, bottom: own.bottom + map.f });
    } else ink = unite(ink, boundsOf(node.path, map));
  }
  return ink;
}
