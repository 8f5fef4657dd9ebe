import {
  createPart,
  EMPTY_RECIPE,
  expect,
  licenseNameOf,
  screenPicture,
  STARTING_PALETTE,
  termsOf,
  type LicenseTerms,
  type ScreenPicture,
} from '$core/index';
import { artSets, type ArtSet, artTally, type SetTally } from './art';
import { drawMark } from './draw-mark';
import { shippedFamilies } from './fonts';

/** A face on the library's shelf, its name set in itself. */
export interface ShelfFace {
  readonly id: string;
  readonly name: string;
  readonly class: string;
  readonly source: string;
  readonly license: string;
  readonly terms: LicenseTerms;
  readonly picture: ScreenPicture;
}
export type ShelfCollection = ArtSet & SetTally & { readonly terms: LicenseTerms };

export interface Library {
  readonly faces: readonly ShelfFace[];
  readonly collections: readonly ShelfCollection[];
}

const SIZE_PX = 40;
let shelves: Promise<Library> | undefined;

/** Everything that ships, with its rights; drawn once for this process. */
export const library = (): Promise<Library> =>
  (shelves ??= readShelves().catch((error: unknown) => {
    shelves = undefined;
    throw error;
  }));

async function readShelves(): Promise<Library> {
  const families = shippedFamilies();
  const parts = families.map(({ id, name }) =>
    expect(createPart({ kind: 'lettering', id, text: name, font: { family: id }, sizePx: SIZE_PX, align: 'start' })),
  );
  const mark = await drawMark({ recipe: { ...EMPTY_RECIPE, parts }, sources: new Map(), palette: STARTING_PALETTE, dressing: 'full' });
  const { groups } = screenPicture(mark, 'library-');
  return {
    faces: families.map((family) => {
      const license = licenseNameOf(family);
      const ink = mark.parts.find(({ id }) => id === family.id)?.ink;
      const picture = { groups: groups.filter(({ id }) => id === family.id), ink, parts: [] };
      return { id: family.id, name: family.name, class: family.class, source: family.source, license, terms: termsOf(license), picture };
    }),
    collections: artSets().map((set) => ({ ...set, ...artTally(set.id) })),
  };
}
