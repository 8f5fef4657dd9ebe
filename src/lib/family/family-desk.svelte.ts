import { createContext } from 'svelte';
import { FAMILY_PLACE_NAMES, familyGraph, fitIn, type FamilyLayout, type FamilyPlace, type Palette, type Recipe } from '$core/index';
import type { PictureDesk, WantedPicture } from '$lib/client/picture-desk.svelte';
import type { ShownMark } from '$lib/client/read-marks';
import type { SmallSizes } from '$workers/draw';

/** A layout with what is known of it once it is drawn and measured. */
export interface OfferedLayout extends FamilyLayout {
  readonly key: string;
  readonly small: SmallSizes | undefined;
  readonly fits: Readonly<Record<FamilyPlace, number>> | undefined;
}

/** What the family room works on: the family as it is, and the layouts that could be taken from one of its marks. */
export class FamilyDesk {
  marks: readonly ShownMark[] = $state.raw([]);
  /** The mark that layouts are derived from. */
  from: string | undefined = $state();
  place: FamilyPlace | undefined = $state();
  said = $state('');
  problem = $state('');
  #layouts: readonly FamilyLayout[] = $state.raw([]);
  #small: ReadonlyMap<string, SmallSizes> = $state.raw(new Map());
  /** How many layouts are not measured yet. */
  left = $state(0);

  constructor(
    readonly brand: { readonly slug: string; readonly name: string },
    readonly palette: Palette,
    readonly drawing: PictureDesk,
  ) {}

  readonly kept: readonly ShownMark[] = $derived(this.marks.filter(({ shelf }) => shelf === 'kept'));
  readonly source: ShownMark | undefined = $derived(
    this.kept.find(({ id }) => id === this.from) ?? this.kept.find(({ role }) => role === 'primary') ?? this.kept[0],
  );
  readonly graph = $derived(familyGraph(this.kept));
  readonly recipes: ReadonlyMap<string, Recipe> = $derived(
    new Map([
      ...this.marks.map(({ id, recipe }) => [id, recipe] as const),
      ...this.#layouts.map(({ id, recipe }) => [`layout-${id}`, recipe] as const),
    ]),
  );
  readonly wanted: readonly WantedPicture[] = $derived([
    ...this.marks.map(({ id }) => ({ key: id, markId: id, dressing: 'full' as const, palette: this.palette })),
    ...this.#layouts.map(({ id }) => ({ key: `layout-${id}`, markId: `layout-${id}`, dressing: 'full' as const, palette: this.palette })),
  ]);

  /** Best first for the place that is looked for; as they were computed where none is. */
  readonly offered: readonly OfferedLayout[] = $derived.by(() => {
    const all = this.#layouts.map((layout): OfferedLayout => {
      const key = `layout-${layout.id}`;
      const small = this.#small.get(key);
      const ink = this.drawing.pictures.get(key)?.ink;
      const fits =
        small && ink
          ? (Object.fromEntries(FAMILY_PLACE_NAMES.map((name) => [name, fitIn(name, ink, small.safePx, small.isRound)])) as Record<
              FamilyPlace,
              number
            >)
          : undefined;
      return { ...layout, key, small, fits };
    });
    const { place } = this;
    return place === undefined ? all : [...all].sort((one, other) => (other.fits?.[place] ?? 0) - (one.fits?.[place] ?? 0));
  });

  #serial = 0;
  /** Computes the layouts of the mark they are derived from, then measures them one by one. */
  async lay(): Promise<void> {
    const { source } = this;
    const serial = ++this.#serial;
    if (!source) return;
    try {
      const marks = new Map(this.marks.map(({ id, recipe }) => [id, recipe]));
      const layouts = await this.drawing.about(marks, this.palette, (draughtsman) => draughtsman.layouts(source.id));
      if (serial !== this.#serial) return;
      this.#layouts = layouts;
      this.left = layouts.length;
      for (const { id } of layouts) {
        const small = await this.drawing.about(this.recipes, this.palette, (draughtsman) => draughtsman.small(`layout-${id}`, []));
        if (serial !== this.#serial) return;
        if (small) this.#small = new Map(this.#small).set(`layout-${id}`, small);
        this.left--;
      }
      this.problem = '';
    } catch (error) {
      this.problem = `The layouts could not be computed: ${error instanceof Error ? error.message : String(error)}`;
    }
  }
}

export const [useFamilyDesk, provideFamilyDesk] = createContext<FamilyDesk>();
