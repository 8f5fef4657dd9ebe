import { compose, type Bounds } from '../geometry';
import { bleedBox, canvasBox, safeBox } from '../marks/recipe/piece-canvas';
import type { Group } from '../marks/drawing/drawing';
import type { ResolvedMark } from '../marks/drawing/resolve';
import type { Recipe } from '../marks/recipe/recipe';
import { isKnown, labelOf } from '../marks/registry';
import { smallestWordsPx } from '../pieces';
import { contrastOf, leavesOf, readsOf, type PixelsOf } from './lies-behind';
import { judge, type Finding } from './verdict';

/** One measured verdict on a piece, and the part that it is about. */
export interface PieceCheck {
  readonly id: 'margin' | 'words' | 'contrast' | 'picture' | 'fit';
  readonly part: string;
  readonly finding: Finding;
}

/** Pictures are looked at in print at so many pixels an inch (common practice: 300; below 150 they look soft). */
const PRINT_DPI = { fails: 150, looks: 300 } as const;
/** @source WCAG 2.2, 1.4.3: 4.5 : 1; 3 : 1 for text of 18 pt (24 px) and more */
const CONTRAST = { small: 4.5, large: 3, largePx: 24 } as const;
/** The contrast that a lettering needs, by how high its capitals stand: about seven tenths of its size (common practice). */
export const wantedContrast = (capHeightPx: number): number => (capHeightPx / 0.7 >= CONTRAST.largePx ? CONTRAST.large : CONTRAST.small);

const reach = (ink: Bounds, room: Bounds): number =>
  Math.max(room.left - ink.left, room.top - ink.top, ink.right - room.right, ink.bottom - room.bottom);
const px = (length: number): string => `${length < 10 ? length.toFixed(1) : Math.round(length)} px`;

/**
 * Everything that is measured of a piece, part by part, in the order of its parts; what passes is told too.
 * @param pixelsOf pictures that lie behind words are only told of where their pixels are not at hand
 */
export function pieceChecks(recipe: Recipe, mark: ResolvedMark, pixelsOf: PixelsOf = () => undefined): readonly PieceCheck[] {
  const canvas = recipe.whole?.canvas;
  if (!canvas) return [];
  const [cut, safe, bleed] = [canvasBox(canvas), safeBox(canvas), bleedBox(canvas)];
  const least = smallestWordsPx(canvas);
  const groups = mark.drawing.groups;
  const found: PieceCheck[] = [];
  for (const part of recipe.parts) {
    const resolved = mark.parts.find(({ id }) => id === part.id);
    const { ink } = resolved ?? {};
    if (!isKnown(part) || part.hidden || !ink || !resolved) continue;
    const name = labelOf(part);
    const add = (id: PieceCheck['id'], finding: Finding) => found.push({ id, part: part.id, finding });
    const isWords = part.kind === 'lettering';
    if (isWords || (part.kind === 'frame' && part.fit === 'inside')) {
      const over = reach(ink, cut);
      const into = reach(ink, safe);
      // A hair of rounding is no fault.
      const verdict = over > 0.5 ? 'fails' : into > 0.5 ? 'look' : 'passes';
      const says =
        over > 0.5
          ? `${name} is cut off: it reaches ${px(over)} over the edge.`
          : into > 0.5
            ? `${name} reaches ${px(into)} into the margin.`
            : `${name} keeps within the margin.`;
      add('margin', { verdict, figure: px(Math.max(0, over > 0.5 ? over : into)), says });
    } else if (part.kind === 'frame' && canvas.bleed > 0) {
      // What runs to the edge runs off it as far as the bleed goes.
      const sides = (['left', 'top', 'right', 'bottom'] as const).filter(
        (side) => Math.abs(ink[side] - cut[side]) < 1 && Math.abs(bleed[side] - cut[side]) > 1,
      );
      if (sides.length > 0)
        add('margin', {
          verdict: 'look',
          figure: sides.join(', '),
          says: `${name} ends at the cut edge (${sides.join(', ')}) and does not reach into the bleed.`,
        });
    }
    for (const notice of resolved.notices)
      if (['text-too-long', 'word-broken'].includes(notice.code)) add('fit', { verdict: 'fails', figure: name, says: notice.message });
    if (isWords && resolved.lettering) {
      const { a, b } = compose(resolved.outer, resolved.transform);
      const scale = Math.hypot(a, b);
      const size = resolved.lettering.capHeightPx * scale;
      // Capitals are about seven tenths of the size (common practice); what is measured is what is seen.
      const set = part.wrap && part.text.trim() !== '' ? (capOf(groups, part.id) ?? size) : size;
      const wanted = least * 0.68;
      add('words', {
        verdict: judge(set, wanted * 0.85, wanted),
        figure: px(set),
        says: `Its capitals are ${px(set)} high; ${px(wanted)} is the least that is read here.`,
      });
      const reads = readsOf(mark.drawing, part.id, pixelsOf);
      const worst = contrastOf(reads);
      if (worst !== undefined) {
        const wantedRatio = wantedContrast(size);
        add('contrast', {
          verdict: judge(worst, wantedRatio * 0.75, wantedRatio),
          figure: `${worst.toFixed(1)} : 1`,
          says: `${name} stands at ${worst.toFixed(1)} : 1 from what lies behind its letters where they are read worst; ${wantedRatio} : 1 is wanted.`,
        });
      } else if (reads.length > 0)
        add('contrast', { verdict: 'look', figure: 'picture', says: `${name} lies over a picture: look whether it is read everywhere.` });
    }
    // What was blurred on purpose is not looked at for its pixels.
    if (part.kind === 'picture' && !part.softened) {
      const wide = (resolved.ink?.right ?? 0) - (resolved.ink?.left ?? 0);
      const perPx = wide > 0 ? part.fileWidthPx / wide : 0;
      if (canvas.unit === 'px') {
        if (perPx > 0)
          add('picture', {
            verdict: judge(perPx, 0.5, 1),
            figure: `${Math.round(perPx * 100)} %`,
            says:
              perPx >= 1
                ? `${name} has pixels enough.`
                : `${name} is shown ${(1 / perPx).toFixed(1)} times as large as it is: it will look soft.`,
          });
      } else {
        const dpi = perPx * 96;
        add('picture', {
          verdict: judge(dpi, PRINT_DPI.fails, PRINT_DPI.looks),
          figure: `${Math.round(dpi)} dpi`,
          says: `${name} is printed at ${Math.round(dpi)} pixels an inch; ${PRINT_DPI.looks} is sharp.`,
        });
      }
    }
  }
  return found;
}

/** How high the tallest letters of a part really stand; nothing where it draws none. */
function capOf(groups: readonly Group[], part: string): number | undefined {
  const own = groups.find(({ id }) => id === part);
  if (!own) return undefined;
  const highs = leavesOf([own], () => undefined)
    .flatMap(({ area: { box } }) => (box ? [box.bottom - box.top] : []))
    .sort((one, other) => one - other);
  return highs.at(-1 - Math.floor(highs.length * 0.1));
}
