import type { Palette } from '../color';
import type { Board } from '../brand/board';
import type { Brief } from '../brand/brief';
import type { MarkRole } from '../brand/mark-roles';
import type { TypeDesk } from '../brand/type-desk';
import { licenseNameOf, termsOf } from '../rights';
import { paintsFollowed } from '../marks/following/derive';
import { isKnown } from '../marks/registry';
import type { Recipe } from '../marks/recipe/recipe';
import type { FontChoice, ShippedFamily } from '../type';
import type { Sheet } from './sheet';
import type { MeasuredMark, SheetFace, SheetFacts, TonePicture } from './facts';

interface KnownMark {
  readonly id: string;
  readonly name: string;
  readonly role: MarkRole;
  readonly shelf: 'kept' | 'archived' | 'removed';
  readonly recipe: Recipe;
}
interface KnownBrand {
  readonly name: string;
  readonly about: string;
  readonly palette: Palette;
}

/** A face that brands without any are set in. */
const PLAIN = 'jost';

/** So many pictures carry the tone, unless others are chosen. */
const FIRST_PICTURES = 4;

/** The pictures of the sheet: those that were chosen, else the first on the board; without those that the brand has no more. */
function picturesOf(
  pictures: readonly Omit<TonePicture, 'caption'>[],
  board: Board,
  chosen: readonly string[] | undefined,
): readonly TonePicture[] {
  const onBoard = board.items.flatMap((item) => (item.kind === 'picture' ? [item] : []));
  const wanted = chosen ?? [...new Set(onBoard.map(({ picture }) => picture))].slice(0, FIRST_PICTURES);
  return wanted.flatMap((sha256) => {
    const found = pictures.find((each) => each.sha256 === sha256);
    const takes = onBoard.find(({ picture }) => picture === sha256)?.takes ?? '';
    return found ? [{ sha256, name: found.name, widthPx: found.widthPx, heightPx: found.heightPx, caption: takes }] : [];
  });
}

/** What a brand's sheet tells, out of everything that is known of the brand. @param measured by mark; those that could not be measured are left out */
export function sheetFactsOf(
  brand: KnownBrand,
  marks: readonly KnownMark[],
  {
    brief,
    type,
    families,
    measured,
    sheet,
    board,
    pictures,
    goods = [],
    alternatives = {},
  }: {
    readonly brief: Brief;
    readonly type: TypeDesk;
    readonly families: readonly ShippedFamily[];
    readonly measured: ReadonlyMap<string, MeasuredMark>;
    readonly sheet: Pick<Sheet, 'contact' | 'pictures'>;
    readonly board: Board;
    /** All pictures of the brand. */
    readonly pictures: readonly Omit<TonePicture, 'caption'>[];
    /** Pictures of marks on goods. */
    readonly goods?: readonly TonePicture[];
    /** Faces of the library in place of a client's own, by the ids of families. */
    readonly alternatives?: Readonly<Record<string, string>>;
  },
): SheetFacts {
  const kept = marks.filter(({ shelf }) => shelf === 'kept');
  const family = kept.filter(({ role }) => role !== 'piece');
  const first = [...family.filter(({ role }) => role === 'primary'), ...family.filter(({ role }) => role !== 'primary')];
  const name = first[0]?.recipe.parts.filter(isKnown).find((part) => part.kind === 'lettering');
  const plain = (id: string): FontChoice => ({ family: id, style: 'normal', axes: {} });
  const known = (id: string | undefined) => (id ? families.find((each) => each.id === id) : undefined);
  const heading = name?.kind === 'lettering' ? name.font : plain(PLAIN);
  const textFamily = known(type.roles.body[0] ?? type.roles.second[0]);
  const text = textFamily ? plain(textFamily.id) : { ...heading, axes: {} };
  const roles: readonly (readonly [string, FontChoice | undefined])[] = [
    ['Name and headings', heading],
    ['Second lines', known(type.roles.second[0]) && plain(type.roles.second[0] ?? '')],
    ['Texts', known(type.roles.body[0]) && plain(type.roles.body[0] ?? '')],
  ];
  const faces = new Map<string, SheetFace>();
  for (const [is, font] of roles) {
    const found = known(font?.family);
    if (!font || !found || faces.has(found.id)) continue;
    const terms = termsOf(licenseNameOf(found));
    const instead = terms.sell === 'ask' ? alternatives[found.id] : undefined;
    faces.set(found.id, { is, name: found.name, font, license: terms.label, ...(instead ? { freeInItsPlace: instead } : {}) });
  }
  const recipes = new Map(marks.map(({ id, recipe }) => [id, recipe]));
  return {
    ...{
      name: brand.name,
      promise: brief.promise || brand.about,
      audience: brief.audience,
      avoid: brief.avoid,
      keywords: brief.keywords,
      contact: sheet.contact,
      palette: brand.palette,
    },
    marks: first.flatMap(({ id, name: called, role }) => {
      const found = measured.get(id);
      return found ? [{ id, name: called, role, ...found }] : [];
    }),
    paints: (markId) => paintsFollowed(markId, recipes),
    faces: [...faces.values()],
    pictures: picturesOf(pictures, board, sheet.pictures),
    pieces: kept
      .filter(({ role, recipe }) => role === 'piece' && recipe.whole?.canvas)
      .map(({ id, name: called }) => ({ id, name: called })),
    goods,
    heading,
    text,
  };
}
