import type { Palette } from '../color';
import type { Brief } from '../brand/brief';
import type { MarkRole } from '../brand/mark-roles';
import type { TypeDesk } from '../brand/type-desk';
import { licenseNameOf, termsOf } from '../rights';
import { isKnown } from '../marks/registry';
import type { Recipe } from '../marks/recipe/recipe';
import type { FontChoice, ShippedFamily } from '../type';
import type { MeasuredMark, SheetFace, SheetFacts } from './facts';

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

/** What a brand's sheet tells, out of everything that is known of the brand. @param measured by mark; those that could not be measured are left out */
export function sheetFactsOf(
  brand: KnownBrand,
  marks: readonly KnownMark[],
  {
    brief,
    type,
    families,
    measured,
    contact,
  }: {
    readonly brief: Brief;
    readonly type: TypeDesk;
    readonly families: readonly ShippedFamily[];
    readonly measured: ReadonlyMap<string, MeasuredMark>;
    readonly contact: string;
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
    if (font && found && !faces.has(found.id))
      faces.set(found.id, { is, name: found.name, font, license: termsOf(licenseNameOf(found)).label });
  }
  return {
    ...{
      name: brand.name,
      promise: brief.promise || brand.about,
      audience: brief.audience,
      avoid: brief.avoid,
      keywords: brief.keywords,
      contact,
      palette: brand.palette,
    },
    marks: first.flatMap(({ id, name: called, role }) => {
      const found = measured.get(id);
      return found ? [{ id, name: called, role, ...found }] : [];
    }),
    faces: [...faces.values()],
    pieces: kept
      .filter(({ role, recipe }) => role === 'piece' && recipe.whole?.canvas)
      .map(({ id, name: called }) => ({ id, name: called })),
    heading,
    text,
  };
}
