import type { Dressing, Palette, Recipe, ShippedFamily, Sources } from '$core/index';

/** What a picture shows. */
export interface PictureSubject {
  readonly title: string;
  readonly recipe: Recipe;
  readonly sources: Sources;
  readonly palette: Palette;
  readonly dressing: Dressing;
  /** The brand's own fonts. */
  readonly ownFamilies: readonly ShippedFamily[];
  /** The pictures that the brand may show, by digest. */
  readonly ownPictures: ReadonlySet<string>;
  /** Clear room around the ink, in mark pixels; 0 is a tight file. */
  readonly paddingPx?: number;
  /** Clear room around the ink as a share of its longer side, in percent; added to the other. */
  readonly roomPercent?: number;
  /** A round one is a square whose inscribed circle holds the mark. */
  readonly crop?: 'box' | 'round';
}
