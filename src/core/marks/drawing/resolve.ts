import type { Dress } from '../../color/dressings';
import { apply, compose, IDENTITY, invert, scaling, unite, type Affine, type Bounds, type PathAlgebra, type Point } from '../../geometry';
import type { Problem } from '../../result/result';
import type { FontShelf } from '../../type';
import { brought } from '../building/brought';
import { derive, freshened, type Sources } from '../following/derive';
import { asGroups } from './as-groups';
import { carved } from './carve';
import { contentKey } from './content-key';
import { goneColors } from './gone-colors';
import { walkNodes, type Drawing, type DrawingNode, type Group } from './drawing';
import { inColors } from './in-colors';
import { inkOf, showsMore } from './ink';
import { createPictureMemory, type Drawn } from './picture-memory';
import { placing } from '../part-base';
import type { DrawContext, LetteringFacts, Member, Sibling } from '../part-kind';
import type { PaintedGroup, PaintedNode } from './painted';
import { notUnderstood } from '../parts/unknown';
import { bleedBox, canvasBox, type PieceCanvas } from '../recipe/piece-canvas';
import type { Recipe } from '../recipe/recipe';
import { rectangle } from '../../shapes/rectangle';
import { colorOf } from './paint';
import { DAYLIGHT, lightForCopy, lightIn, type Light } from '../treating/light';
import { looksAtLight } from '../treating/registry';
import { wearing } from '../treating/brand-looks';
import { treat } from '../treating/treat';
import { outlineThickness } from '../weights/outline-thickness';
import { followedBy, strokesOf, tracedBy } from '../following/references';
import { takersOf } from '../following/takers';
import { baselineSeen, letteringSeen } from '../following/seen';
import { isKnown, isOnlySeen, copiesMembers, movesMembers, type KnownPart, type Part } from '../registry';

/** One part as it stands in the mark. */
export interface ResolvedPart {
  readonly id: string;
  /** From the part's own pixels to the mark's. */
  readonly transform: Affine;
  /** The smallest box around its ink, in mark pixels; nothing when it draws nothing. */
  readonly ink: Bounds | undefined;
  /** The same in the part's own pixels. */
  readonly ownInk?: Bounds | undefined;
  /** Where its members pass over and under one another, in mark pixels, from left to right. */
  readonly crossings?: readonly Point[];
  readonly notices: readonly Problem[];
  readonly lettering: LetteringFacts | undefined;
  /** Where its ink balances, in mark pixels: the optical center, often beside the middle of the box. */
  readonly balance: Point | undefined;
  /** The part that draws it in its place. */
  readonly within: string | undefined;
  /** From the plane that its place is counted in to the mark's: where the part that draws it stands. */
  readonly outer: Affine;
}

export interface ResolvedMark {
  readonly drawing: Drawing;
  /** In recipe order, hidden and unknown parts included. */
  readonly parts: readonly ResolvedPart[];
  /** The smallest box around all that is seen, treatments and all. */
  readonly ink: Bounds | undefined;
  /** What the designer should know about the treatments of the whole mark. */
  readonly notices?: readonly Problem[];
  /** Whether some of it is only a quick picture of what it will be. */
  readonly rough?: true;
}

/** What to resolve: a recipe, the recipes it may follow, and how it is dressed. */
export interface MarkView {
  readonly recipe: Recipe;
  readonly sources: Sources;
  readonly dress: Dress;
  /** Whether pictures that are only to look at are drawn too: on the table, nowhere else. */
  readonly references?: boolean;
  /** Whether a quick picture is enough, where the whole one takes long and is not remembered: while a hand moves. */
  readonly quick?: boolean;
}

/** Turns recipes into drawings and remembers every part's picture by content, so that one edit recomputes one branch: the part, and what follows it. */
export interface Resolver {
  readonly resolve: (view: MarkView) => ResolvedMark;
}

/** What a piece stands on, with its bleed; nothing of marks, which stand on nothing. */
function groundOf(canvas: PieceCanvas | undefined, dress: Dress): readonly Group[] {
  if (!canvas?.ground) return [];
  const { left, top, right, bottom } = bleedBox(canvas);
  const sheet: DrawingNode = {
    kind: 'fill',
    path: rectangle(right - left, bottom - top, 0),
    rule: 'nonzero',
    color: colorOf(canvas.ground, dress),
    opacity: 1,
  };
  return [{ kind: 'group', id: GROUND_ID, transform: IDENTITY, opacity: 1, blend: 'normal', children: [sheet] }];
}
/** The group that the ground of a piece is drawn in; no part is called so. */
const GROUND_ID = '*ground';

/** Whether letters of a part have treatments that look at the light. */
const hasLitLetters = (part: KnownPart): boolean =>
  part.kind === 'lettering' && part.letters.some(({ treatments }) => looksAtLight(treatments));

const CIRCLE: Problem = {
  code: 'follow-circle',
  message: 'This part follows itself through other parts, so that nothing is followed.',
  fix: 'Let one of them stand by itself.',
};

export function createResolver(fonts: FontShelf, paths: PathAlgebra): Resolver {
  const { placedInk, remember, isRemembered, dressed, pictureOf, withTreatments } = createPictureMemory(paths);

  const resolve = ({ recipe: stored, sources: known, dress, references = false, quick = false }: MarkView): ResolvedMark => {
    const tools = { fonts, paths, remember };
    const isKept = quick ? isRemembered : undefined;
    const recipe = brought(stored, known, tools);
    const sources: Sources = freshened(known, (each) => brought(each, known, tools));
    const followed = derive(recipe, sources);
    const derived = { ...followed, recipe: wearing(followed.recipe, dress.colors) };
    const { looks: _looks, ...colors } = dress.colors;
    const dressKey = JSON.stringify([colors, dress.loose]);
    const sun = recipe.whole?.light ?? DAYLIGHT;
    const byId = new Map<string, Part>(derived.recipe.parts.map((part) => [part.id, part]));
    const drawn = new Map<string, Drawn>();
    const underWay = new Set<string>();
    const circles = new Set<string>();

    const takers = takersOf(derived.recipe.parts);
    const takenOf = new Map<string, string[]>();
    for (const { id } of derived.recipe.parts) {
      const taker = takers.get(id);
      if (taker === undefined) continue;
      const list = takenOf.get(taker);
      if (list) list.push(id);
      else takenOf.set(taker, [id]);
    }

    /** Of a part that draws others, of all that it draws. */
    const typicalStroke = (nodes: readonly PaintedNode[], map: Affine): number | undefined => {
      const medians: number[] = [];
      walkNodes(
        nodes,
        (node, { map: { a, b, c, d } }) => {
          const median = node.kind === 'fill' ? outlineThickness(node.path, node.rule, paths)?.median : undefined;
          if (median) medians.push(median * Math.sqrt(Math.abs(a * d - b * c)));
        },
        { map },
      );
      medians.sort((one, other) => one - other);
      return medians[Math.floor(medians.length / 2)];
    };

    /** Whether a part, or anything that it draws, looks at the light. */
    const litWithin = new Map<string, boolean>();
    const isLit = (id: string): boolean => {
      const kept = litWithin.get(id);
      if (kept !== undefined) return kept;
      const part = byId.get(id);
      litWithin.set(id, false);
      const lit =
        part !== undefined &&
        isKnown(part) &&
        (looksAtLight(part.treatments) || hasLitLetters(part) || (takenOf.get(id) ?? []).some((member) => isLit(member)));
      litWithin.set(id, lit);
      return lit;
    };

    /** @param shining the light of the mark, or as a copy of the part is to see it */
    const draw = (part: KnownPart, shining: Light = sun): Drawn => {
      const name = shining === sun || !isLit(part.id) ? part.id : `${part.id} ${shining.fromDeg}`;
      const kept = drawn.get(name);
      if (kept) return kept;
      underWay.add(part.id);
      /** Draws another part first; nothing when it is gone or would follow in a circle. */
      const other = (id: string, light = sun): { readonly part: KnownPart; readonly drawn: Drawn } | undefined => {
        const found = byId.get(id);
        if (!found || !isKnown(found)) return undefined;
        if (underWay.has(id)) {
          circles.add(part.id);
          return undefined;
        }
        return { part: found, drawn: draw(found, light) };
      };
      /** From the plane that a part's place is counted in to the plane of this one's. */
      const toOwnPlane = (id: string): Affine => planesBetween(id, part.id);
      const strokes = new Set(strokesOf(part));
      // A part that is itself larger is measured in its larger pixels, so that it still fits what it follows; a curve is followed however it is turned.
      const { scale = 1 } = part.place;
      const unscaled = scale === 1 ? IDENTITY : scaling(1 / scale);
      const unturned = invert({ ...placing(part.place), e: 0, f: 0 }) ?? IDENTITY;
      const siblings = new Map<string, Sibling>();
      const looked = new Map<string, Member>();
      let key = contentKey(part);
      for (const id of followedBy(part)) {
        const found = other(id);
        if (!found) continue;
        const { serial, picture } = found.drawn;
        const there = compose(toOwnPlane(id), found.drawn.transform);
        const transform = compose(unscaled, there);
        const ink = placedInk(serial, picture, transform);
        // Whoever follows a stroke is drawn anew with every other picture of it; the rest only when size or place change.
        const strokePx = strokes.has(id) ? typicalStroke(picture.nodes, transform) : undefined;
        const baseline = picture.baseline && baselineSeen(picture, transform, compose(unturned, there));
        const lettering = picture.lettering && letteringSeen(picture.lettering, transform);
        siblings.set(id, { ink, lettering, baseline, strokePx });
        key += ` ${id}=${JSON.stringify(strokes.has(id) ? strokePx : [ink, lettering, baseline])}`;
      }
      const taken = takenOf.get(part.id) ?? [];
      const members: Member[] = [];
      for (const id of [...taken, ...tracedBy(part)]) {
        const mine = takers.get(id) === part.id;
        const found = other(id, mine ? shining : sun);
        if (!found) continue;
        const { opacity, blend, hidden } = found.part;
        const { serial, picture } = found.drawn;
        const transform = mine ? found.drawn.transform : compose(toOwnPlane(id), found.drawn.transform);
        const ink = mine ? found.drawn.ink : placedInk(serial, picture, transform);
        const member = { id, nodes: picture.nodes, transform, ink, opacity, blend, lettering: picture.lettering };
        looked.set(id, member);
        if (mine && !hidden && !isOnlySeen(found.part)) members.push(member);
        key += ` ${id}@${serial} ${hidden} ${opacity} ${blend} ${Object.values(transform).join()}`;
      }
      const plane = compose(climbTo(part.id), placing(part.place));
      const light = lightIn(shining, plane);
      const copiesLit = copiesMembers(part) && isLit(part.id);
      // Letters and copies that are lit turn with the part, and are drawn anew.
      if (hasLitLetters(part) || copiesLit) key += ` light ${light.fromDeg.toFixed(3)} ${light.heightDeg}`;
      const membersAt = (copy: Affine): readonly Member[] => {
        const there = copiesLit ? lightForCopy(shining, copy, plane) : shining;
        if (there === shining) return members;
        return members.map((member) => {
          const found = other(member.id, there);
          return found ? { ...member, nodes: found.drawn.picture.nodes } : member;
        });
      };
      const context: DrawContext = {
        ...{ fonts, paths, remember, members, membersAt },
        treated: (nodes, treatments, named) => treat(nodes, treatments, named, { paths, light, remember, isKept }),
        sibling: (id) => siblings.get(id),
        traced: (id) => looked.get(id),
      };
      const body = pictureOf(part, key, context, quick);
      const { balance } = body;
      const { serial, picture, rough } = withTreatments(part, body, { paths, light, remember, isKept });
      underWay.delete(part.id);
      const { x, y } = picture.origin ?? { x: 0, y: 0 };
      const transform = placing({ ...part.place, x: part.place.x + x * scale, y: part.place.y + y * scale });
      const own = { serial, picture, balance, transform, ink: placedInk(serial, picture, transform), rough };
      drawn.set(name, own);
      return own;
    };

    /** From the plane of a part's place to the mark's, as far as places say. */
    const climbTo = (id: string): Affine =>
      chainOf(id).reduce((map, taker) => {
        const found = byId.get(taker);
        return found && isKnown(found) ? compose(placing(found.place), map) : map;
      }, IDENTITY);

    /** The parts that draw a part, the nearest first. */
    const chainOf = (id: string): readonly string[] => {
      const chain: string[] = [];
      for (let up = takers.get(id); up !== undefined; up = takers.get(up)) chain.push(up);
      return chain;
    };
    /**
     * From one part's plane to another's: out to the lowest part that draws both, and in again. What draws the second part is being drawn with
     * it, and cannot say yet what it moves.
     */
    const planesBetween = (from: string, to: string): Affine => {
      const [out, into] = [chainOf(from), chainOf(to)];
      const shared = out.find((id) => into.includes(id));
      const climb = (id: string, chain: readonly string[], asks: boolean): Affine => {
        let map = IDENTITY;
        let at = id;
        for (const taker of chain) {
          if (taker === shared) break;
          const found = byId.get(taker);
          if (!found || !isKnown(found)) break;
          const moved = asks && movesMembers(found) && !underWay.has(taker) ? draw(found).picture.standing?.get(at) : undefined;
          // Only what stands by another part is elsewhere than its place says, and such parts draw no others.
          map = compose(placing(found.place), moved ? compose(moved, map) : map);
          at = taker;
        }
        return map;
      };
      const back = invert(climb(to, into, false));
      const there = climb(from, out, true);
      return back ? compose(back, there) : there;
    };

    /** Where the plane of a part's place lies: in the mark, or in the part that draws it. */
    const outerOf = (id: string): Affine => {
      const taker = takers.get(id);
      const found = taker === undefined ? undefined : byId.get(taker);
      if (taker === undefined || !found || !isKnown(found)) return IDENTITY;
      const { transform, picture } = draw(found);
      const moved = picture.standing?.get(id);
      const here = compose(outerOf(taker), transform);
      return moved ? compose(here, moved) : here;
    };

    const groups: Group[] = [];
    const whole: PaintedGroup[] = [];
    const treatsWhole = (derived.recipe.whole?.treatments ?? []).some(({ hidden }) => !hidden);
    let wholeKey = 'whole';
    let ink: Bounds | undefined;
    const parts = derived.recipe.parts.map((part): ResolvedPart => {
      if (!isKnown(part))
        return {
          id: part.id,
          transform: IDENTITY,
          ink: undefined,
          notices: [notUnderstood(part)],
          lettering: undefined,
          balance: undefined,
          within: undefined,
          outer: IDENTITY,
        };
      const own = draw(part);
      const within = takers.get(part.id);
      const outer = within === undefined ? IDENTITY : outerOf(part.id);
      const transform = within === undefined ? own.transform : compose(outer, own.transform);
      if (within === undefined && !part.hidden && (references || !isOnlySeen(part)) && own.picture.nodes.length > 0) {
        const group = { kind: 'group', id: part.id, transform: own.transform, opacity: part.opacity, blend: part.blend } as const;
        if (treatsWhole && !isOnlySeen(part)) {
          whole.push({ ...group, children: own.picture.nodes });
          wholeKey += ` ${part.id}@${own.serial} ${part.opacity} ${part.blend} ${Object.values(own.transform).join()}`;
        } else groups.push({ ...group, children: dressed(own, dress, dressKey) });
        if (!isOnlySeen(part))
          ink = unite(ink, showsMore(own.picture.nodes) ? placedInk(own.serial, own.picture, own.transform, true) : own.ink);
      }
      const drawn = derived.notices.get(part.id) ?? (circles.has(part.id) ? [CIRCLE, ...own.picture.notices] : own.picture.notices);
      const notices = [...drawn, ...goneColors(part, dress.colors)];
      return {
        id: part.id,
        transform,
        ink: within === undefined ? own.ink : placedInk(own.serial, own.picture, transform),
        // Asked for by those who pull at treatments only.
        ...(own.picture.crossings ? { crossings: own.picture.crossings.map((at) => apply(transform, at)) } : {}),
        ...(part.treatments ? { ownInk: placedInk(own.serial, own.picture, IDENTITY) } : {}),
        notices,
        lettering: own.picture.lettering,
        balance: own.balance && apply(transform, own.balance),
        within,
        outer,
      };
    });
    const { canvas } = recipe.whole ?? {};
    const seen = (found: readonly Group[]): Drawing => ({ groups: [...groundOf(canvas, dress), ...carved(found, paths, remember)] });
    const rough = [...drawn.values()].some((each) => each.rough);
    if (!treatsWhole)
      return { drawing: seen(groups), parts, ink: canvas ? canvasBox(canvas) : ink, notices: [], ...(rough ? { rough } : {}) };
    const treated = treat(whole, derived.recipe.whole?.treatments ?? [], wholeKey, { paths, light: sun, remember, isKept });
    const all = inColors(treated.nodes, dress, paths).flatMap((node) =>
      node.kind === 'group' && node.id === '' ? asGroups(node) : [node as Group],
    );
    return {
      drawing: seen([...groups, ...all]),
      parts,
      ink: canvas ? canvasBox(canvas) : inkOf(treated.nodes, IDENTITY, true),
      notices: treated.notices,
      ...(rough || treated.rough ? { rough: true } : {}),
    };
  };
  return { resolve };
}
