import {
  dressingsOf,
  labelOf,
  nearestColor,
  paintKey,
  paintsIn,
  repainted,
  standing,
  standsInInk,
  swatchColor,
  swatchesOf,
  type ColorKey,
  type Hex,
  type OneColorPart,
  type OneColorWish,
  type Paint,
  type Recipe,
} from '$core/index';
import type { ShownMark } from '$lib/client/read-marks';
import { OpenMark } from '$lib/client/work/open-mark.svelte';
import type { ColorDesk } from './color-desk.svelte';

/** A color that a mark uses, and how much of it it covers. */
export interface UsedColor {
  readonly paint: Paint;
  readonly hex: Hex;
  readonly share: number;
}

/** One mark of the brand in its colorways: what is decided for it, and in which colors it is painted. */
export class ColorwaysDesk {
  readonly open: OpenMark;
  used: readonly UsedColor[] = $state.raw([]);

  constructor(
    readonly desk: ColorDesk,
    readonly mark: ShownMark,
  ) {
    this.open = new OpenMark({
      subject: `mark:${mark.id}`,
      address: `/api/brands/${desk.slug}/marks/${mark.slug}/revisions`,
      content: mark.recipe,
      number: mark.revision,
    });
  }

  get recipe(): Recipe {
    return this.open.content;
  }
  get inInk(): boolean {
    return standsInInk(this.recipe);
  }
  stand(inInk: boolean): void {
    this.open.commit(inInk ? 'Back to ink' : 'Turn color on', standing(this.recipe, inInk));
  }

  readonly dressings = $derived.by(() => dressingsOf(this.desk.palette));
  pictureOf = (dressing: string) => this.desk.drawing.pictures.get(`way-${this.mark.id}-${dressing}`);
  /** What was decided in one color, by part, largest first. */
  readonly decided: readonly (OneColorPart & { readonly label: string; readonly wish: OneColorWish | undefined })[] = $derived.by(() =>
    [...(this.pictureOf('one-color')?.decided ?? [])]
      .sort((one, other) => other.shareOfInk - one.shareOfInk)
      .flatMap((decided) => {
        const part = this.recipe.parts.find(({ id }) => id === decided.part);
        return part && part.kind !== 'unknown' ? [{ ...decided, label: labelOf(part), wish: part.oneColor }] : [];
      }),
  );
  wish(part: string, wish: OneColorWish | undefined): void {
    const parts = this.recipe.parts.map((each) => {
      if (each.id !== part || each.kind === 'unknown') return each;
      const { oneColor: _before, ...rest } = each;
      return wish === undefined ? (rest as typeof each) : { ...each, oneColor: wish };
    });
    this.open.commit('In one color', { ...this.recipe, parts });
  }
  /** How many parts were decided by hand. */
  get adjusted(): number {
    return this.recipe.parts.filter((part) => part.kind !== 'unknown' && part.oneColor !== undefined).length;
  }
  dropAll(): void {
    const parts = this.recipe.parts.map((each) => {
      if (each.kind === 'unknown') return each;
      const { oneColor: _before, ...rest } = each;
      return rest as typeof each;
    });
    this.open.commit('Drop what was decided by hand', { ...this.recipe, parts });
  }

  /** Measures how much area each color covers. */
  async look(): Promise<void> {
    const { desk, mark, recipe } = this;
    const areas = await desk.drawing.about(new Map(desk.recipes).set(mark.id, recipe), desk.palette, (draughtsman) =>
      draughtsman.colorAreas(mark.id),
    );
    const all = [...areas.values()].reduce((sum, area) => sum + area, 0) || 1;
    this.used = paintsIn(recipe)
      .map((paint): UsedColor => {
        const hex = 'role' in paint ? (swatchColor(desk.palette, paint.role) ?? desk.palette.ink) : paint.hex;
        return { paint, hex, share: (areas.get(hex) ?? 0) / all };
      })
      .sort((one, other) => other.share - one.share);
  }
  /** Paints a color of the mark with a swatch everywhere. */
  repaint(from: Paint, to: ColorKey): void {
    this.open.commit('Recolor', repainted(this.recipe, new Map([[paintKey(from), { role: to }]])));
  }
  /** Every color that is no swatch becomes the nearest one. */
  get loose(): readonly UsedColor[] {
    return this.used.filter(({ paint }) => 'hex' in paint);
  }
  ontoPalette(): void {
    const swatches = swatchesOf(this.desk.palette);
    const colors = swatches.map(({ hex }) => hex);
    const to = new Map(
      this.loose.map(({ paint, hex }) => [paintKey(paint), { role: swatches[nearestColor(hex, colors)]?.key ?? 'ink' } as Paint]),
    );
    this.open.commit('Recolor from the palette', repainted(this.recipe, to));
  }
  /** Deals the palette's colors anew: the largest area chooses first, by lightness; which became which is in the list, and can be changed there. */
  async deal(): Promise<void> {
    const { desk, mark, recipe } = this;
    const { recipe: next } = await desk.drawing.about(new Map(desk.recipes).set(mark.id, recipe), desk.palette, (draughtsman) =>
      draughtsman.dressedInPalette(mark.id),
    );
    // What was changed meanwhile is not dressed over.
    if (this.recipe === recipe) this.open.commit('Dress in the palette', next);
  }
  /** Turns the colors of the mark one place on: what the largest area has goes to the next, and so on. */
  rotate(): void {
    const keys = this.used.flatMap(({ paint }) => ('role' in paint && paint.role !== 'paper' ? [paint.role] : []));
    if (keys.length < 2) return;
    const to = new Map(keys.map((key, at) => [`role ${key}`, { role: keys[(at + 1) % keys.length] ?? key } as Paint]));
    this.open.commit('Turn the colors', repainted(this.recipe, to));
  }
}
