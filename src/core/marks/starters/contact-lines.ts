import type { Bounds } from '../../geometry';
import { expect } from '../../result/result';
import { lenderOf } from '../../type';
import { createPart, type Recipe } from '../recipe/recipe';
import type { KnownInput, KnownPart } from '../registry';
import { freePartIds, type Started } from './starter';

/** How contact lines start: their size against the mark's width, tracking (common practice). */
const CONTACT = { size: 0.06, leastPx: 18, trackingPermille: 20 } as const;

/** The first lines: their symbols in the art library, and the words they start with. */
const CONTACT_STARTS = [
  { art: 'ph/phone-fill', text: '01 234 567' },
  { art: 'ph/envelope-fill', text: 'hello@example.com' },
  { art: 'ph/globe-fill', text: 'example.com' },
  { art: 'ph/map-pin-fill', text: 'Street and town' },
] as const;

/** Where a contact line leads, by how it is written: a mail address, a number to call, a site, else a place. */
function artFor(text: string): string {
  const [phone, mail, site, place] = CONTACT_STARTS.map(({ art }) => art) as [string, string, string, string];
  if (/^\S+@\S+$/.test(text)) return mail;
  if (/^[\d\s()+./-]{5,}$/.test(text) && (text.match(/\d/g)?.length ?? 0) >= 5) return phone;
  return /^(https?:\/\/|www\.)|^[^\s/]+\.\p{L}{2,}(\/\S*)?$/iu.test(text) ? site : place;
}

/** What contact lines start with: the texts that were typed, each with the symbol of where it leads; without any, one of each kind. */
export const contactStarts = (texts: readonly string[] = []): readonly { readonly art: string; readonly text: string }[] =>
  texts.length > 0 ? texts.filter(Boolean).map((text) => ({ art: artFor(text), text })) : CONTACT_STARTS;

/** A symbol of a contact line, as the art library gives it, and the words that it starts with. */
export interface ContactLineStart {
  readonly symbol: KnownInput | undefined;
  readonly text: string;
}

/** Lines of symbol and words under all that is there. @param starts in reading order, each with its symbol, which needs no id */
export function contactLines(
  recipe: Recipe,
  starts: readonly ContactLineStart[],
  { family, ink }: { readonly family: string; readonly ink: Bounds | undefined },
): Started {
  const ids = freePartIds(recipe, ['contact', ...starts.flatMap(() => ['symbol', 'line'])]);
  const sizePx = Math.max(CONTACT.leastPx, Math.round((ink ? ink.right - ink.left : 300) * CONTACT.size));
  const place = { x: ink ? Math.round((ink.left + ink.right) / 2) : 0, y: ink ? Math.round(ink.bottom + sizePx * 2) : 0, turnDeg: 0 };
  const lines = starts.map(({ symbol, text }, index) => {
    const [symbolId = '', textId = ''] = [ids[1 + 2 * index], ids[2 + 2 * index]];
    const words: KnownInput = {
      ...{
        kind: 'lettering',
        id: textId,
        text,
        font: { family },
        fallback: lenderOf(family, text),
        sizePx,
        trackingPermille: CONTACT.trackingPermille,
        align: 'start',
      },
    };
    const parts: readonly KnownPart[] = [...(symbol ? [expect(createPart({ ...symbol, id: symbolId }))] : []), expect(createPart(words))];
    return { parts, line: { symbol: symbol ? symbolId : null, text: textId } };
  });
  const members = lines.flatMap(({ parts }) => parts);
  const whole = expect(
    createPart({
      ...{ kind: 'contact', id: ids[0] ?? 'contact', align: 'center' as const, place },
      members: members.map(({ id }) => id),
      lines: lines.map(({ line }) => line),
    }),
  );
  return { parts: [...members, whole], chosen: whole.id };
}
