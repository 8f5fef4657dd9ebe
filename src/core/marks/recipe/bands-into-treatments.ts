import type { Stored } from '../../stored';
import { bandSchema, type Band } from '../parts/band';
import { MOST_TREATMENTS } from '../../color/palette';
import { newTreatment, type Treatment } from '../treating/registry';

const isStored = (value: unknown): value is Stored => value !== null && typeof value === 'object' && !Array.isArray(value);

/** Whether a part looks, in what all kinds have, as every part begins: then nothing is lost when it becomes a treatment of another. */
const isPlain = ({ opacity, blend, hidden, ghost, oneColor, place }: Band): boolean =>
  opacity === 1 &&
  blend === 'normal' &&
  !hidden &&
  !ghost &&
  oneColor === undefined &&
  place.x === 0 &&
  place.y === 0 &&
  place.turnDeg === 0 &&
  (place.scale ?? 1) === 1 &&
  !place.flip;

/** Whether others show through a part, or it is not there. */
const isOpaque = ({ opacity = 1, blend = 'normal', hidden = false }: Stored): boolean =>
  opacity === 1 && blend === 'normal' && hidden === false;

/** The treatments of a part with a band added so that the picture stays; nothing where no treatment draws the same. */
function withBand(
  before: readonly Treatment[],
  { side, widthPx, join, solid, closed, paint }: Band,
  id: string,
): readonly Treatment[] | undefined {
  if (before.length >= MOST_TREATMENTS) return undefined;
  const made = (width: number): Treatment => newTreatment('outline-band', id, { side, widthPx: width, join, solid, closed, paint });
  const outward = before.filter((each) => each.kind === 'outline-band' && each.side === 'outward');
  const others = before.filter((each) => !(each.kind === 'outline-band' && each.side === 'outward'));
  // A line inside of the edge is drawn before what goes around, and does not see it; one on the edge would.
  if (side === 'inward') return [...others, made(widthPx), ...outward];
  if (side === 'both') return before.length === 0 ? [made(widthPx)] : undefined;
  const last = outward.at(-1);
  if (!last) return others.some((each) => each.kind !== 'outline-band' || each.side === 'both') ? undefined : [...before, made(widthPx)];
  // The next one goes around the one that is there: with round corners both together are as wide as it was.
  const so = outward.reduce((sum, each) => sum + (each.kind === 'outline-band' ? each.widthPx : 0), 0);
  const round = join === 'round' && outward.every((each) => each.kind === 'outline-band' && each.join === 'round' && !each.closed);
  return round && widthPx - so >= 0.1 ? [...before, made(widthPx - so)] : undefined;
}

/**
 * Bands were parts of their own. One that lies directly behind (or, inside of the edge, in front of) what it goes around, is plain, and named by
 * nobody, becomes a treatment of it: the picture stays the same. All others stay parts.
 */
export function bandsIntoTreatments(old: Stored): Stored {
  if (!Array.isArray(old['parts']) || !old['parts'].some((part: unknown) => isStored(part) && part['kind'] === 'band')) return old;
  let parts = (old['parts'] as readonly unknown[]).filter(isStored);
  if (parts.length !== old['parts'].length) return old;
  const takerOf = (id: unknown): Stored | undefined => parts.find(({ members }) => Array.isArray(members) && members.includes(id));
  for (let again = true; again;) {
    again = false;
    for (const part of parts) {
      const read = part['kind'] === 'band' ? bandSchema.safeParse(part) : undefined;
      if (!read?.success || !isPlain(read.data)) continue;
      const band = read.data;
      const of = parts.find(({ id }) => id === band.of);
      const taker = takerOf(band.id);
      if (!of || of['kind'] === 'band' || !isOpaque(of) || takerOf(band.of) !== taker || (taker && taker['kind'] !== 'group')) continue;
      const named = JSON.stringify(band.id);
      if (parts.some((other) => other !== part && JSON.stringify({ ...other, kind: undefined, members: undefined }).includes(named)))
        continue;
      const siblings = parts.filter(({ id }) => takerOf(id) === taker);
      const step = siblings.indexOf(of) - siblings.indexOf(part);
      if (step !== (band.side === 'outward' ? 1 : -1)) continue;
      const before = (of['treatments'] ?? []) as readonly Treatment[];
      const treatments = withBand(before, band, band.id);
      if (!treatments) continue;
      parts = parts
        .filter((other) => other !== part)
        .map((other) => {
          if (other === of) return { ...of, treatments };
          return other === taker ? { ...taker, members: (taker['members'] as readonly unknown[]).filter((id) => id !== band.id) } : other;
        });
      again = true;
      break;
    }
  }
  return { ...old, parts };
}
