import { boundsOf, heightOf, inkBalance, widthOf, type PathAlgebra } from '../geometry';
import { contrastRatio } from '../color/contrast';
import { swatchesOf, type ColorKey, type Palette } from '../color/palette';
import type { Recipe } from '../marks/recipe/recipe';
import { isKnown } from '../marks/registry';
import { hasStrokes } from '../marks/weights/has-strokes';
import type { DressedMark } from '../marks/one-color/dresser';
import { edgeColors } from '../marks/one-color/edge-colors';
import { partAround } from '../marks/one-color/units';
import { outlinesIn, walkNodes, type DrawingNode } from '../marks/drawing/drawing';
import { weightsOf } from '../marks/weights/weights';
import type { ResolvedMark } from '../marks/drawing/resolve';
import { limitsOf, MAKING_NAMES, MAKINGS, type MakingLimits } from './makings';
import { clearSpacePx, smallestCapPx } from './smallest-words';
import {
  isSafe,
  READABLE_CAP_PX,
  silhouetteOf,
  smallestMadeMm,
  smallestSafePx,
  survivalAt,
  type Silhouette,
  type Survival,
} from './survival';
import { judge, type Finding } from './verdict';
import { weakAtMm, weakAtPx, type WeakAt } from './weak-places';
import { weightsAgree } from './weights-agree';

/** Sizes on a screen that every mark is proofed at, longer side in px. */
export const PROOF_SIZES_PX = [16, 32, 64, 128, 256, 512] as const;

/** One check of a mark: what was measured, and the part it is about where it is about one. */
export interface MarkCheck {
  readonly id: string;
  readonly label: string;
  readonly finding: Finding;
  /** The part in question. */
  readonly part?: string;
  /** What mends it. */
  readonly fix?: string;
  /** Where on the mark it shows. */
  readonly weakAt?: WeakAt;
}

/** Everything that is measured of a mark for its proofs. */
export interface MarkChecks {
  readonly checks: readonly MarkCheck[];
  readonly safePx: number;
  readonly isRound: boolean;
  /** By size, in the order of `PROOF_SIZES_PX`. */
  readonly sizes: readonly { readonly longerPx: number; readonly finding: Finding }[];
  /** In full color on every swatch of the palette: contrast of the faintest color along its outer edge, and the part that has it. */
  readonly grounds: readonly { readonly key: ColorKey; readonly part?: string; readonly full: Finding }[];
  /** Smallest size by way of making, longer side in mm. */
  readonly makings: readonly { readonly making: string; readonly smallestMm: number }[];
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What gives way first is looked at a little below the size that just holds. */
const JUST_BELOW = 0.98;

/** Less ink than this is no mark any more. */
const LOST_INK = 0.5;

/** What is left at a size, said so that one knows what is lost. */
export function survivalFinding(survival: Survival, longerPx: number, capPx: number | undefined): Finding {
  const { ink, white, pieces, faded, counters, closed } = survival;
  const readable = capPx === undefined || capPx >= READABLE_CAP_PX;
  const verdict = isSafe(survival) && readable ? 'passes' : ink < LOST_INK ? 'fails' : 'look';
  const lost = [
    faded > 0 ? `${faded} of ${pieces} pieces fade` : '',
    closed > 0 ? `${closed} of ${counters} counters close` : '',
    white < 0.85 ? `${percent(1 - white)} of the gaps run together` : '',
    readable ? '' : `the smallest words are ${(capPx ?? 0).toFixed(1)} px high`,
  ].filter((each) => each !== '');
  return {
    verdict,
    figure: percent(ink),
    says: `At ${longerPx} px ${percent(ink)} of the ink lies in strokes that are drawn in full${lost.length > 0 ? `; ${lost.join(', ')}` : ''}.`,
  };
}

/** What each part is made of as it is drawn: its colors and the points of its outlines, by its id; treatments count with it. */
function madeOf({ drawing }: ResolvedMark): ReadonlyMap<string, { readonly colors: ReadonlySet<string>; readonly points: number }> {
  const found = new Map<string, { readonly colors: Set<string>; points: number }>();
  walkNodes<DrawingNode>(
    drawing.groups,
    (node, { around }) => {
      if (node.kind !== 'fill') return;
      const part = partAround(around);
      const own = found.get(part) ?? { colors: new Set<string>(), points: 0 };
      if (typeof node.color === 'string') own.colors.add(node.color);
      own.points += node.path.verbs.replace(/Z/g, '').length;
      found.set(part, own);
    },
    { shown: true },
  );
  return found;
}
/** The part to look at first where there are too many colors: one that alone is painted in a color. */
function loneColor(
  made: ReturnType<typeof madeOf>,
  among: readonly string[],
): { readonly part: string; readonly color: string } | undefined {
  const bearers = among.map((color) => ({ color, parts: [...made].flatMap(([id, { colors }]) => (colors.has(color) ? [id] : [])) }));
  const [rarest] = bearers.sort((one, other) => one.parts.length - other.parts.length);
  const part = rarest?.parts.at(-1);
  return rarest && part ? { part, color: rarest.color } : undefined;
}

/** Limits of what is usual (common practice): colors beside paper, points of all outlines together, how far the balance lies from the middle. */
const COLORS = { looks: 4, fails: 7 } as const;
const POINTS = { looks: 4000, fails: 20_000 } as const;
const OFF_CENTER = { looks: 0.04, fails: 0.1 } as const;
/** Colors along less than this share of the outer edge may be lost on a ground. */
const EDGE_SHARE = 0.04;
const below = (value: number, { looks, fails }: { readonly looks: number; readonly fails: number }) => judge(-value, -fails, -looks);

interface Checked {
  /** The recipe, links put in place. */
  readonly recipe: Recipe;
  readonly mark: ResolvedMark;
  /** The same in one color. */
  readonly inOne: DressedMark;
  readonly palette: Palette;
  readonly limits: MakingLimits;
  readonly paths: PathAlgebra;
}

/** Measures a mark for all of its proofs. Nothing where it shows nothing. */
export function markChecks({ recipe, mark, inOne, palette, limits, paths }: Checked): MarkChecks | undefined {
  const made = inOne.oneColor;
  const outline = made?.areas[0];
  const box = outline && boundsOf(outline.path);
  const { ink } = mark;
  if (!made || !outline || !box || !ink) return undefined;
  const silhouette: Silhouette = silhouetteOf(outline, box, paths);
  const cap = smallestCapPx(mark);
  const sizes = PROOF_SIZES_PX.map((longerPx) => ({
    longerPx,
    finding: survivalFinding(
      survivalAt(silhouette, longerPx),
      longerPx,
      cap === undefined ? undefined : (cap * longerPx) / silhouette.longer,
    ),
  }));
  const safePx = smallestSafePx(silhouette, cap);
  const makings = MAKING_NAMES.map((making) => ({ making, smallestMm: smallestMadeMm(silhouette, limitsOf(making, limits)) }));
  const weights = weightsOf(mark, paths);
  const [thinnest] = weights;
  const checks: MarkCheck[] = [];
  const nameOf = (id: string): string => recipe.parts.filter(isKnown).find((part) => part.id === id)?.name ?? 'a part';
  checks.push({
    id: 'safe-size',
    label: 'smallest safe size',
    finding: {
      verdict: judge(-safePx, -400, -160),
      figure: `${safePx} px`,
      says: `From ${safePx} px, its longer side, strokes, gaps and words hold on a screen; a mark that is met small should hold at 160 px or less.`,
    },
    ...(thinnest ? { part: thinnest.id } : {}),
    fix: 'Thicken what is thinnest, enlarge the smallest words, or derive a shorter mark for small places.',
    weakAt: weakAtPx(safePx * JUST_BELOW),
  });
  for (const { making, smallestMm } of makings)
    checks.push({
      id: `making-${making}`,
      label: MAKINGS[making].label,
      finding: {
        verdict: judge(-smallestMm, -300, -120),
        figure: `${smallestMm} mm`,
        says: `In ${MAKINGS[making].label} it holds from ${smallestMm} mm, its longer side (strokes of ${limitsOf(making, limits).stroke} mm, gaps of ${limitsOf(making, limits).gap} mm).`,
      },
      ...(thinnest ? { part: thinnest.id } : {}),
      fix: 'Thicken what is thinnest, or open the tightest gaps.',
      weakAt: weakAtMm(making, smallestMm * JUST_BELOW, limitsOf(making, limits)),
    });
  for (const { code, message, fix, path } of made.notices)
    checks.push({
      id: `one-color-${code}-${message.slice(0, 40)}`,
      label: 'one color',
      finding: {
        verdict: code === 'faint-in-one-color' ? 'look' : 'fails',
        figure: code === 'faint-in-one-color' ? 'faint' : 'lost',
        says: message,
      },
      ...(typeof path?.[0] === 'string' ? { part: path[0] } : {}),
      ...(fix ? { fix } : {}),
    });
  const agreement = weightsAgree(
    weights.filter(({ id }) => hasStrokes(recipe.parts.find((part) => part.id === id))).map(({ medianPx }) => medianPx),
  );
  if (agreement)
    checks.push({
      id: 'weights',
      label: 'stroke weights',
      finding: agreement,
      ...(thinnest ? { part: thinnest.id } : {}),
      fix: 'Match the weight of the finest part to the lettering.',
    });
  const madeParts = madeOf(mark);
  const colors = [...new Set([...madeParts.values()].flatMap((each) => [...each.colors]))].filter((color) => color !== palette.paper);
  const lone = colors.length > COLORS.looks ? loneColor(madeParts, colors) : undefined;
  checks.push({
    id: 'colors',
    label: 'colors',
    finding: {
      verdict: below(colors.length, COLORS),
      figure: String(colors.length),
      says: `It is painted in ${colors.length} ${colors.length === 1 ? 'color' : 'colors'} besides paper; beyond ${COLORS.looks} printing is dear and the mark restless.`,
    },
    ...(lone
      ? { part: lone.part, fix: `Paint “${nameOf(lone.part)}” in a color that others have: it is nearly alone in ${lone.color}.` }
      : {}),
  });
  const points = [...madeParts.values()].reduce((sum, each) => sum + each.points, 0);
  const [densest] = [...madeParts].sort(([, one], [, other]) => other.points - one.points);
  checks.push({
    id: 'points',
    label: 'points',
    finding: {
      verdict: below(points, POINTS),
      figure: points.toLocaleString('en'),
      says: `Its outlines have ${points.toLocaleString('en')} points; beyond ${POINTS.looks.toLocaleString('en')} cutters and stitching machines are slow.`,
    },
    ...(densest && points > POINTS.looks
      ? {
          part: densest[0],
          fix: `“${nameOf(densest[0])}” has ${densest[1].points.toLocaleString('en')} of them: take fewer or coarser treatments, or a plainer drawing.`,
        }
      : {}),
  });
  const balance = inkBalance(outlinesIn(mark.drawing.groups));
  if (balance) {
    const longer = Math.max(widthOf(ink), heightOf(ink));
    const [x, y] = [(balance.x - (ink.left + ink.right) / 2) / longer, (balance.y - (ink.top + ink.bottom) / 2) / longer];
    const off = Math.max(Math.abs(x), Math.abs(y));
    const way = Math.abs(x) >= Math.abs(y) ? (x > 0 ? 'to the right' : 'to the left') : y > 0 ? 'down' : 'up';
    checks.push({
      id: 'center',
      label: 'optical center',
      finding: {
        verdict: below(off, OFF_CENTER),
        figure: percent(off),
        says: `Its ink balances ${percent(off)} of its longer side ${way} of the middle of its box; center it on its balance, not on its box.`,
      },
    });
  }
  const clear = clearSpacePx(mark) / Math.max(widthOf(ink), heightOf(ink));
  checks.push({
    id: 'clear-space',
    label: 'clear space',
    finding: {
      verdict: 'passes',
      figure: percent(clear),
      says: `Keep ${cap === undefined ? 'an eighth of its shorter side' : 'the height of its largest capitals'} free all around: ${percent(clear)} of its longer side, ${Math.round(clear * 160)} px where it is 160 px.`,
    },
  });
  const edges = edgeColors(mark, palette, paths).filter(({ share }) => share >= EDGE_SHARE);
  const grounds = swatchesOf(palette).map(({ key, hex, name }) => {
    const weakest = edges
      .map((edge) => ({ ...edge, ratio: contrastRatio(edge.hex, hex) }))
      .sort((one, other) => one.ratio - other.ratio)[0];
    const ratio = weakest?.ratio ?? 1;
    return {
      key,
      ...(weakest ? { part: weakest.part } : {}),
      full: {
        verdict: judge(ratio, 1.5, 3),
        figure: `${ratio.toFixed(1)} : 1`,
        says: `On ${name} the faintest color of its outer edge stands out ${ratio.toFixed(1)} to 1; below 3 it is hard to see there.`,
      } satisfies Finding,
    };
  });
  return { checks, safePx, isRound: silhouette.isRound, sizes, grounds, makings };
}
