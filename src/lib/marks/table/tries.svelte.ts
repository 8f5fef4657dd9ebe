import { expect, recoverRecipe, writeRecipe, type Recipe } from '$core/index';
import { request, sentences } from '$lib/client/request';

/** Another version of the mark, kept beside it. */
export interface Kept {
  readonly id: string;
  readonly name: string;
  readonly recipe: Recipe;
}

interface Answered {
  readonly id: string;
  readonly name: string;
  readonly recipe: unknown;
}

const read = ({ id, name, recipe }: Answered): Kept => ({ id, name, recipe: expect(recoverRecipe(recipe)) });

/** The tries of the mark on the table. */
export class Tries {
  kept: readonly Kept[] = $state.raw([]);
  /** The try that is compared with the mark right now. */
  comparedId: string | undefined = $state();
  /** The one removed last, which can be brought back. */
  removed: Kept | undefined = $state.raw();
  fault = $state('');

  constructor(
    start: readonly Kept[],
    private readonly address: string,
  ) {
    this.kept = start;
  }

  readonly compared: Kept | undefined = $derived.by(() => this.kept.find(({ id }) => id === this.comparedId));

  /** @returns whether it is kept */
  async keep(recipe: Recipe, name: string): Promise<boolean> {
    const answer = await request<Answered>('POST', this.address, { name, recipe: writeRecipe(recipe) });
    if (answer.ok) this.kept = [...this.kept, read(answer.value)];
    this.fault = answer.ok ? '' : sentences(answer.problems);
    return answer.ok;
  }
  async rename(one: Kept, name: string): Promise<void> {
    if (name.trim() === '' || name === one.name) return;
    const answer = await request<Answered>('PATCH', `${this.address}/${one.id}`, { name });
    if (answer.ok) this.kept = this.kept.map((each) => (each.id === one.id ? read(answer.value) : each));
    this.fault = answer.ok ? '' : sentences(answer.problems);
  }
  async remove(one: Kept): Promise<void> {
    const answer = await request<Answered>('PATCH', `${this.address}/${one.id}`, { removed: true });
    this.fault = answer.ok ? '' : sentences(answer.problems);
    if (!answer.ok) return;
    this.kept = this.kept.filter(({ id }) => id !== one.id);
    if (this.comparedId === one.id) this.comparedId = undefined;
    this.removed = one;
  }
  async bringBack(): Promise<void> {
    const one = this.removed;
    if (!one) return;
    const answer = await request<Answered>('PATCH', `${this.address}/${one.id}`, { removed: false });
    this.fault = answer.ok ? '' : sentences(answer.problems);
    if (!answer.ok) return;
    this.kept = [...this.kept, read(answer.value)];
    this.removed = undefined;
  }
}
