import { builderRow, freePartId, heardFrom, type BuilderName, type Built, type Heard, type Lettering, type Recipe } from '$core/index';
import type { DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { OpenMark } from '$lib/client/work/open-mark.svelte';

/** The face that stands in where a brand has none yet. */
const NO_FACE = { family: 'marcellus', style: 'normal', axes: {} } as const;

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
  /** What the gesture under way began from. */
  #base: Recipe | undefined;
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
    if (!name) return { heard: { text: this.table.brand.name, font: NO_FACE }, follows: null };
    return { heard: heardFrom(name.part, name.recipe), follows: { mark: name.mark === within ? null : name.mark, part: name.part.id } };
  }

  /** A group to be built by numbers; the brand's second face goes along where the builder has one. */
  fresh(builder: BuilderName, numbers: Readonly<Record<string, unknown>>, within?: string): NewBuilt {
    const { secondFamily } = this.table;
    const wants = secondFamily !== undefined && 'secondFamily' in builderRow(builder).schema.shape && builder !== 'monogram';
    return { builder, numbers: { ...(wants ? { secondFamily } : {}), ...numbers }, ...this.heard(within) };
  }

  /** Adds what a builder makes to the mark: on its middle where there is nothing yet, else under what is there. */
  async add(builder: BuilderName, numbers?: Readonly<Record<string, unknown>>): Promise<void> {
    const { table } = this;
    const { label } = builderRow(builder);
    const { heard } = this.heard();
    const families = table.secondFamily === undefined ? [] : [table.secondFamily];
    const own = numbers ?? (await table.desk.ask((draughtsman) => draughtsman.starts(builder, heard, families)))[0]?.numbers ?? {};
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

  /** Shows a built group with other numbers while a gesture goes on; the newest numbers win. */
  preview(id: string, change: Readonly<Record<string, unknown>>): void {
    const { table } = this;
    this.#base ??= table.open.recipe;
    const base = this.#base;
    const group = base.parts.find((part) => part.id === id);
    if (group?.kind !== 'group' || !group.built) return;
    const numbers = { ...group.built.numbers, ...change };
    const asked = ++this.#asked;
    this.#underWay = table.desk
      .ask((draughtsman) => draughtsman.buildAnew(base, id, numbers))
      .then((recipe) => {
        if (asked !== this.#asked) return;
        if (recipe) table.open.preview(recipe);
        else table.said = 'This cannot be built: its numbers were made by a newer version.';
      });
  }
  /** Ends the gesture, once what was asked for has come. */
  async commit(gesture: string): Promise<void> {
    await this.#underWay;
    this.#base = undefined;
    this.table.open.commit(gesture);
  }
  async change(id: string, gesture: string, change: Readonly<Record<string, unknown>>): Promise<void> {
    this.preview(id, change);
    await this.commit(gesture);
  }
}
