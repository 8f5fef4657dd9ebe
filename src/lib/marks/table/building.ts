import {
  builderRow,
  freePartId,
  hearsTheSame,
  heardFrom,
  heardNow,
  startingFamily,
  type BuilderName,
  type Built,
  type Heard,
  type Lettering,
  type Recipe,
} from '$core/index';
import type { DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { OpenMark } from '$lib/client/work/open-mark.svelte';

/** What building looks at on a table. */
interface BuildingTable {
  readonly brand: { readonly name: string };
  readonly info: { readonly id: string };
  readonly marks: readonly { readonly id: string; readonly role: string }[];
  readonly recipes: ReadonlyMap<string, Recipe>;
  readonly secondFamily: string | undefined;
  readonly desk: Pick<DrawingDesk, 'ask' | 'stage'>;
  readonly open: Pick<OpenMark, 'recipe' | 'preview' | 'commit'>;
  selectedId: string | undefined;
  said: string;
}

/** A built group that has no members yet. */
export type NewBuilt = Omit<Built, 'slots'>;

/** Everything that is done with builders on a table: what they hear, and how what they made is built anew. */
export class Building {
  /** The gesture under way: the group, all of its numbers that are changed by it, what it began from, and what of it is shown. */
  #gesture: { readonly id: string; readonly change: Readonly<Record<string, unknown>>; base: Recipe; shown: Recipe } | undefined;
  #asked = 0;
  #underWay: Promise<void> = Promise.resolve();

  constructor(private readonly table: BuildingTable) {}

  /** The lettering that says the brand's name: of the primary mark, else of this one, else of any. */
  readonly #name = (): { readonly mark: string; readonly recipe: Recipe; readonly part: Lettering } | undefined => {
    const { marks, info, recipes } = this.table;
    const order = [...marks.filter(({ role }) => role === 'primary'), ...marks.filter(({ id }) => id === info.id), ...marks];
    for (const { id } of order) {
      const recipe = recipes.get(id);
      const made = new Set(recipe?.parts.flatMap((part) => (part.kind === 'group' && part.built ? Object.values(part.built.slots) : [])));
      const lines = (recipe?.parts ?? []).filter(
        (each): each is Lettering => each.kind === 'lettering' && each.text.trim() !== '' && !made.has(each.id),
      );
      // A second line stands by the name; where none does, the largest words are the name.
      const largest = [...lines].sort((one, other) => other.sizePx - one.sizePx);
      const part = largest.find(({ companion }) => companion === null) ?? largest[0];
      if (recipe && part) return { mark: id, recipe, part };
    }
    return undefined;
  };

  /** What builders hear of this brand, and whom they follow. @param within the mark that is built in */
  heard(within?: string): { readonly heard: Heard; readonly follows: Built['follows'] } {
    const name = this.#name();
    if (!name)
      return {
        heard: { text: this.table.brand.name, font: { family: startingFamily(this.table.brand.name), style: 'normal', axes: {} } },
        follows: null,
      };
    return { heard: heardFrom(name.part, name.recipe), follows: { mark: name.mark === within ? null : name.mark, part: name.part.id } };
  }

  /** Whether the name has changed since the parts of a group were built: the stage shows the new one, its rows the one before. */
  isBehind = (built: Built): boolean => !hearsTheSame(heardNow(built, this.table.open.recipe, this.table.recipes), built.heard);

  /** A group to be built by numbers; the brand's second face goes along where the builder has one. */
  fresh(builder: BuilderName, numbers: Readonly<Record<string, unknown>>, within?: string): NewBuilt {
    const { secondFamily } = this.table;
    const wants = secondFamily !== undefined && 'secondFamily' in builderRow(builder).schema.shape && builder !== 'monogram';
    return { builder, numbers: { ...(wants ? { secondFamily } : {}), ...numbers }, ...this.heard(within) };
  }

  /** Adds what a builder makes to the mark: on its middle where there is nothing yet, else under what is there. */
  async add(builder: BuilderName): Promise<void> {
    const { label } = builderRow(builder);
    try {
      await this.#add(builder, label);
    } catch (error) {
      this.table.said = `${label}: it could not be built. ${error instanceof Error ? error.message : String(error)}`;
    }
  }
  async #add(builder: BuilderName, label: string): Promise<void> {
    const { table } = this;
    const { heard } = this.heard();
    const families = table.secondFamily === undefined ? [] : [table.secondFamily];
    const own = (await table.desk.ask((draughtsman) => draughtsman.starts(builder, heard, families)))[0]?.numbers ?? {};
    const id = freePartId(table.open.recipe, 'group');
    const ink = table.desk.stage?.ink;
    const made = await table.desk.ask((draughtsman) =>
      draughtsman.buildNew(table.open.recipe, id, this.fresh(builder, own, table.info.id), ink),
    );
    if (!made) {
      table.said = `${label}: nothing could be built from this name. Type other letters in its numbers.`;
      return;
    }
    table.open.commit(`Add ${label.toLowerCase()}`, { ...table.open.recipe, parts: [...table.open.recipe.parts, ...made] });
    table.selectedId = id;
  }

  /** Shows a built group with other numbers while a gesture goes on; numbers that were changed before it has come go along. */
  preview(id: string, change: Readonly<Record<string, unknown>>): void {
    const { recipe } = this.table.open;
    const before = this.#gesture?.id === id ? this.#gesture : { change: {}, base: recipe, shown: recipe };
    this.#gesture = { ...before, id, change: { ...before.change, ...change } };
    this.#underWay = this.#draw(++this.#asked).catch((error: unknown) => {
      this.table.said = `It could not be built anew: ${error instanceof Error ? error.message : String(error)} Nothing was changed.`;
    });
  }
  async #draw(asked: number): Promise<void> {
    const { table } = this;
    const gesture = this.#gesture;
    if (!gesture || asked !== this.#asked) return;
    const { open } = table;
    // What was done to the mark in the meantime is what is built upon.
    if (open.recipe !== gesture.base && open.recipe !== gesture.shown) gesture.base = gesture.shown = open.recipe;
    const { id, change, base } = gesture;
    const group = base.parts.find((part) => part.id === id);
    if (group?.kind !== 'group' || !group.built) return;
    const numbers = { ...group.built.numbers, ...change };
    const recipe = await table.desk.ask((draughtsman) => draughtsman.buildAnew(base, id, numbers));
    if (asked !== this.#asked) return;
    if (open.recipe !== gesture.base && open.recipe !== gesture.shown) return this.#draw(asked);
    if (!recipe) {
      table.said = 'This cannot be built: its numbers were made by a newer version.';
      return;
    }
    open.preview(recipe);
    gesture.shown = open.recipe;
  }
  /** Ends the gesture, once everything that was asked for has come. */
  async commit(gesture: string): Promise<void> {
    for (let waited = -1; waited !== this.#asked;) {
      waited = this.#asked;
      await this.#underWay;
    }
    this.#gesture = undefined;
    this.table.open.commit(gesture);
  }
  async change(id: string, gesture: string, change: Readonly<Record<string, unknown>>): Promise<void> {
    this.preview(id, change);
    await this.commit(gesture);
  }
}
