import { lettersOf, type LetterPlace, type Point } from '$core/index';

/** Where a caret stands between two letters: from the baseline to the height of capitals, in the lettering's own pixels. */
export interface Boundary {
  readonly foot: Point;
  readonly top: Point;
}

const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}\p{Script=Adlam}]/u;

/** A line across a letter's cell. @param share 0 is its left edge, 1 its right edge */
function across({ at, angleDeg, halfWidthPx, heightPx }: LetterPlace, share: number): Boundary {
  const turn = (angleDeg * Math.PI) / 180;
  const along = (2 * share - 1) * halfWidthPx;
  const foot = { x: at.x + along * Math.cos(turn), y: at.y + along * Math.sin(turn) };
  return { foot, top: { x: foot.x + heightPx * Math.sin(turn), y: foot.y - heightPx * Math.cos(turn) } };
}

/**
 * Every place where a caret can stand in a text: before each typed letter, and behind the last one.
 * @param letters as they are drawn, each with the typed letters it stands for; @param sizePx of the lettering, where nothing is drawn to stand by
 */
export function boundariesOf(text: string, letters: readonly LetterPlace[], sizePx: number): readonly Boundary[] {
  const typed = lettersOf(text);
  const drawn = new Map<number, LetterPlace>();
  for (const letter of letters) for (let n = 0; n < letter.count; n++) drawn.set(letter.index + n, letter);
  /** The near (0) or far (1) edge of one typed letter, as it is read. */
  const edge = (index: number, far: 0 | 1): Boundary | undefined => {
    const letter = drawn.get(index);
    if (!letter) return undefined;
    const share = (index - letter.index + far) / letter.count;
    return across(letter, RIGHT_TO_LEFT.test(letter.text) ? 1 - share : share);
  };
  const places: Boundary[] = [];
  let line = 0;
  for (let at = 0; at <= typed.length; at++) {
    const breaks = at > 0 && /[\n\r]/.test(typed[at - 1] ?? '');
    if (breaks) line++;
    const found =
      (breaks ? undefined : drawn.has(at) ? undefined : edge(at - 1, 1)) ?? edge(at, 0) ?? (breaks ? undefined : edge(at - 1, 1));
    if (found) {
      places.push(found);
      continue;
    }
    // On a line without letters: where the first line begins, as many lines down.
    const [first] = places;
    const foot = { x: first?.foot.x ?? 0, y: (first?.foot.y ?? 0) + line * sizePx * 1.2 };
    places.push({ foot, top: { x: foot.x, y: foot.y - sizePx * 0.7 } });
  }
  return places;
}

/** The place for a caret that is nearest to a point. */
export function boundaryNear(boundaries: readonly Boundary[], point: Point): number {
  const distance = ({ foot, top }: Boundary): number => {
    const [dx, dy] = [top.x - foot.x, top.y - foot.y];
    const length = dx * dx + dy * dy;
    const along = length === 0 ? 0 : Math.min(1, Math.max(0, ((point.x - foot.x) * dx + (point.y - foot.y) * dy) / length));
    return Math.hypot(point.x - foot.x - along * dx, point.y - foot.y - along * dy);
  };
  let best = 0;
  let least = Infinity;
  boundaries.forEach((boundary, at) => {
    const far = distance(boundary);
    if (far < least) [best, least] = [at, far];
  });
  return best;
}

/** Letters counted as a text field counts: where the letter begins in UTF-16 units. */
export const unitsBefore = (text: string, letter: number): number => lettersOf(text).slice(0, letter).join('').length;
/** The letter that a place in UTF-16 units lies before. */
export function letterBefore(text: string, units: number): number {
  let seen = 0;
  const typed = lettersOf(text);
  for (const [at, letter] of typed.entries()) {
    if (seen >= units) return at;
    seen += letter.length;
  }
  return typed.length;
}
