import { createContext } from 'svelte';
import {
  isRole,
  MOST_KEPT_PALETTES,
  MOST_SWATCHES,
  oklchOf,
  recolored,
  swatchColor,
  swatchesOf,
  withoutSwatch,
  withSwatch,
  type Board,
  type ColorKey,
  type Hex,
  type KeptPalette,
  type KeptPalettes,
  type Palette,
  type Recipe,
  type SwatchKey,
} from '$core/index';
import type { PictureDesk } from '$lib/client/picture-desk.svelte';
import type { ShownMark } from '$lib/client/read-marks';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';

/** A key that no other swatch has. */
export const newSwatchKey = (): SwatchKey => `s-${crypto.randomUUID().replaceAll('-', '').slice(0, 8)}`;

/** What the color room works on: the palette, the one swatch that is open, and the palettes kept beside it. */
export class ColorDesk {
  chosen: ColorKey = $state('lead');
  #saying = $state.raw({ text: '', undone: 0 });
  marks: readonly ShownMark[] = $state.raw([]);
  /** Hue of the plane: a gray has none of its own, and keeps the one it was last given. */
  hue = $state(0);

  /** What was done last, in words; not after it was undone. */
  get said(): string {
    return this.colors.future.length > this.#saying.undone ? '' : this.#saying.text;
  }
  set said(text: string) {
    this.#saying = { text, undone: this.colors.future.length };
  }

  constructor(
    readonly slug: string,
    readonly colors: OpenDocument<Palette>,
    readonly keptBeside: OpenDocument<KeptPalettes>,
    readonly board: Board,
    readonly drawing: PictureDesk,
  ) {}

  get palette(): Palette {
    return this.colors.content;
  }
  get hex(): Hex {
    return swatchColor(this.palette, this.chosen) ?? this.palette.lead;
  }
  get swatch() {
    return (
      swatchesOf(this.palette).find(({ key }) => key === this.chosen) ?? { key: 'lead' as const, name: 'lead', hex: this.palette.lead }
    );
  }
  get kept(): readonly KeptPalette[] {
    return this.keptBeside.content.kept;
  }

  choose(key: ColorKey): void {
    this.end();
    this.chosen = key;
    this.#takeHue(this.hex);
  }
  #takeHue(hex: Hex): void {
    const { c, h } = oklchOf(hex);
    if (c > 0.004) this.hue = h;
  }

  /** Shows the chosen swatch in a color while the gesture goes on. */
  preview(hex: Hex, keepHue = false): void {
    if (!keepHue) this.#takeHue(hex);
    this.colors.preview(recolored(this.palette, this.chosen, hex));
  }
  /** Ends a gesture under way. */
  end(): void {
    this.colors.commit(`Color of ${this.swatch.name}`);
  }
  /** The chosen swatch in a color, in one gesture. */
  paint(hex: Hex): void {
    this.preview(hex);
    this.end();
  }
  change(gesture: string, palette: Palette): void {
    this.colors.commit(gesture, palette);
  }

  /** Adds swatches, as many as there is room for; says so where some were left out or are there already. */
  add(found: readonly { readonly name: string; readonly hex: Hex }[], gesture = 'Add a color'): void {
    const there = new Set(swatchesOf(this.palette).map(({ hex }) => hex));
    const fresh = found.filter(({ hex }, at) => !there.has(hex) && found.findIndex((other) => other.hex === hex) === at);
    const room = MOST_SWATCHES - swatchesOf(this.palette).length;
    let next = this.palette;
    for (const { name, hex } of fresh.slice(0, room)) {
      const key = newSwatchKey();
      const words = name.trim().slice(0, 40) || `Color ${swatchesOf(next).length + 1}`;
      next = withSwatch(next, { key, name: words, hex });
      this.chosen = key;
    }
    const added = Math.min(room, fresh.length);
    this.change(gesture, next);
    this.#takeHue(this.hex);
    const notes = [
      found.length > fresh.length ? `${found.length - fresh.length} were in the palette already` : '',
      fresh.length > room ? `${fresh.length - room} did not fit: a palette holds ${MOST_SWATCHES}` : '',
    ].filter((note) => note !== '');
    this.said = `${added} ${added === 1 ? 'color' : 'colors'} added${notes.length > 0 ? `; ${notes.join('; ')}` : ''}.`;
  }
  addOne(): void {
    const key = newSwatchKey();
    if (swatchesOf(this.palette).length >= MOST_SWATCHES) return void (this.said = `A palette holds ${MOST_SWATCHES} colors.`);
    this.change('Add a color', withSwatch(this.palette, { key, name: `Color ${swatchesOf(this.palette).length + 1}`, hex: this.hex }));
    this.chosen = key;
  }
  remove(key: ColorKey): void {
    if (isRole(key)) return;
    this.change('Remove a color', withoutSwatch(this.palette, key));
    this.chosen = 'lead';
  }

  /** How many parts of all marks are painted with a swatch. */
  uses(key: ColorKey): number {
    const painted = `"role":"${key}"`;
    return this.marks.reduce((sum, { recipe }) => sum + recipe.parts.filter((part) => JSON.stringify(part).includes(painted)).length, 0);
  }
  /** Marks at hand, as they are shown. */
  get atHand(): readonly ShownMark[] {
    return this.marks.filter(({ shelf, recipe }) => shelf === 'kept' && recipe.parts.length > 0);
  }
  readonly recipes: ReadonlyMap<string, Recipe> = $derived(new Map(this.marks.map(({ id, recipe }) => [id, recipe])));

  /** Keeps the palette of now beside the one in use. */
  keep(): void {
    if (this.kept.length >= MOST_KEPT_PALETTES) return void (this.said = `${MOST_KEPT_PALETTES} palettes are kept; remove one first.`);
    const names = new Set(this.kept.map(({ name }) => name));
    let n = this.kept.length + 1;
    while (names.has(`Palette ${n}`)) n++;
    this.keptBeside.commit('Keep a palette', {
      kept: [...this.kept, { id: crypto.randomUUID(), name: `Palette ${n}`, palette: this.palette }],
    });
    this.said = `Kept as “Palette ${n}”. Go on with the colors; both can be compared.`;
  }
  /** Takes a kept palette into use; the one that was in use is one undo away, and kept in its place. */
  take(kept: KeptPalette): void {
    this.end();
    this.keptBeside.commit('Exchange palettes', {
      kept: this.kept.map((each) =>
        each.id === kept.id ? { ...each, name: `Before ${each.name}`.slice(0, 60), palette: this.palette } : each,
      ),
    });
    const { looks: _theirs, ...colors } = kept.palette;
    this.change(`Take ${kept.name}`, { ...colors, ...(this.palette.looks ? { looks: this.palette.looks } : {}) });
    this.chosen = 'lead';
    this.said = `“${kept.name}” is the brand’s palette now; the one before is kept in its place.`;
  }
  drop(kept: KeptPalette): void {
    this.keptBeside.commit('Remove a palette', { kept: this.kept.filter(({ id }) => id !== kept.id) });
  }
  renameKept(kept: KeptPalette, name: string): void {
    const words = name.trim().slice(0, 60);
    if (words !== '')
      this.keptBeside.commit('Rename a palette', {
        kept: this.kept.map((each) => (each.id === kept.id ? { ...each, name: words } : each)),
      });
  }
}

export const [useColorDesk, provideColorDesk] = createContext<ColorDesk>();
