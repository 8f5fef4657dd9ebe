import { lettersOf, withGap, withLook, type Lettering } from '$core/index';
import type { Table } from '../table/table.svelte';

/** One step of an arrow key within a letter, in 1/1000 em. */
const STEP_PERMILLE = 5;

const ownOf = (table: Table, part: Lettering) => part.letters.find(({ at }) => 'index' in at && at.index === table.letter);

/** Takes the next letter in hand, spaces left out; 0 takes the first, or stays. */
export function nextLetter(table: Table, part: Lettering, by: number): void {
  const solid = lettersOf(part.text).flatMap((letter, index) => (letter.trim() === '' ? [] : [index]));
  if (solid.length === 0) return;
  const at = table.letter === undefined ? -1 : solid.indexOf(table.letter);
  const next = at < 0 ? (by < 0 ? solid.length - 1 : 0) : (at + by + solid.length) % solid.length;
  table.letter = solid[next];
  table.gap = undefined;
}

export function nudgeLetter(table: Table, part: Lettering, x: number, y: number): void {
  if (table.letter === undefined || part.locked) return;
  const own = ownOf(table, part);
  const change = {
    shiftPermille: (own?.shiftPermille ?? 0) + x * STEP_PERMILLE || undefined,
    risePermille: (own?.risePermille ?? 0) - y * STEP_PERMILLE || undefined,
  };
  table.previewLettering(part, withLook(part, { index: table.letter }, change));
}

/** Closes or opens the gap after the letter in hand. */
export function adjustGap(table: Table, part: Lettering, by: number): void {
  const index = table.letter ?? table.gap;
  if (index === undefined || part.locked) return;
  const now = part.gaps.find((gap) => gap.index === index)?.permille ?? 0;
  table.previewLettering(part, withGap(part, index, now + by));
}

export function turnLetter(table: Table, part: Lettering, byDeg: number): void {
  if (table.letter === undefined || part.locked) return;
  const turnDeg = (ownOf(table, part)?.turnDeg ?? 0) + byDeg;
  table.previewLettering(part, withLook(part, { index: table.letter }, { turnDeg: turnDeg || undefined }));
  table.commit('Turn letter');
}

export function flipLetter(table: Table, part: Lettering): void {
  if (table.letter === undefined || part.locked) return;
  const flip = ownOf(table, part)?.flip === 'across' ? undefined : 'across';
  table.previewLettering(part, withLook(part, { index: table.letter }, { flip }));
  table.commit('Flip letter');
}

/** Takes the letter in hand out of the text; the next one is in hand then. What was done to other letters goes along with them. */
export function removeLetter(table: Table, part: Lettering): void {
  if (table.letter === undefined || part.locked) return;
  const letters = lettersOf(part.text);
  const at = table.letter;
  table.retext(part, letters.filter((_, index) => index !== at).join(''));
  table.commit('Remove letter');
  table.letter = letters.length > 1 ? Math.min(at, letters.length - 2) : undefined;
}
