import { partLook, withPartLook, type KnownPart, type PartLook } from '$core/index';
import { keepLook, keptLook } from './kept-look';
import type { AtHand } from './at-hand';

/** Looks carried from part to part, and from mark to mark. */
export class Looks {
  constructor(private readonly table: AtHand) {}

  /** The look of the part chosen last, on all others. */
  carry(): void {
    const [from, ...others] = [...this.table.chosen].reverse();
    const look = from && partLook(this.table.open.recipe, from.id);
    if (look) this.#put('Carry look', others, look);
  }
  /** Keeps the look of the part chosen last, for this mark and every other one. */
  copy(): void {
    const part = this.table.chosen.at(-1);
    const look = part && partLook(this.table.open.recipe, part.id);
    if (look) keepLook(look, this.table.palette);
  }
  /** The look that was kept, on everything that is chosen. */
  paste(): void {
    const look = keptLook(this.table.palette);
    if (look) this.#put('Paste look', this.table.chosen, look);
  }
  #put(gesture: string, parts: readonly KnownPart[], look: PartLook): void {
    const free = parts.filter(({ locked }) => !locked);
    this.table.open.commit(
      gesture,
      free.reduce((recipe, { id }) => withPartLook(recipe, id, look), this.table.open.recipe),
    );
  }
}
