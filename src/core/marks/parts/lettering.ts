import { licenseNameOf, termsOf } from '../../rights';
import { FALLBACK_FAMILIES, type FontChoice } from '../../type';
import { drawLettering } from '../lettering/draw-lettering';
import { letteringSchema, type Lettering } from '../lettering/schema';
import type { PartKind, PartRights, ReferenceAs, Referring, RightsLook } from '../part-kind';

/** A first line, what it is fitted to, a circle it goes round, a curve it stands on: each is let go alone. */
export function referLine<P extends Pick<Lettering, 'companion' | 'fit' | 'line'>>(part: P, to: Referring): P {
  const elsewhere = <T extends { readonly part: string }>(held: T, as: ReferenceAs = 'stands'): T | null => {
    const id = to(held.part, as);
    return id === undefined ? null : id === held.part ? held : { ...held, part: id };
  };
  const { companion, fit, line } = part;
  const fitted = fit && 'part' in fit.to ? elsewhere(fit.to, 'follows') : undefined;
  return {
    ...part,
    companion: companion && elsewhere(companion),
    fit: fit && fitted !== undefined ? fitted && { ...fit, to: fitted } : fit,
    line:
      line.shape === 'arc' && line.around
        ? { ...line, around: elsewhere(line.around) }
        : line.shape === 'curve' && line.along
          ? { ...line, along: elsewhere(line.along) }
          : line,
  };
}

function lineWords({ line }: Lettering): string {
  if (line.shape === 'arc') return ` · ${line.form} ${line.side}`;
  if (line.shape === 'curve') return ' · on a curve';
  return line.shape === 'envelope' ? ` · ${line.form}` : '';
}

const plain = (family: string): FontChoice => ({ family, style: 'normal', axes: {} });

/** Basic and extended Latin; texts beyond it may need a letter from a lender, so the lenders are opened too. */
const LATIN_ONLY = /^[\n -\u024f\u2000-\u206f\u20ac]*$/;

const fonts = (part: Lettering): readonly FontChoice[] => [
  part.font,
  ...part.letters.flatMap(({ font }) => font ?? []),
  ...(part.fallback ? [plain(part.fallback)] : []),
  ...(LATIN_ONLY.test(part.text) ? [] : FALLBACK_FAMILIES.map(plain)),
];

/** Of every font that it was drawn from; before it is drawn, of every one that it names. */
const rights = (part: Lettering, { family, drawnFrom }: RightsLook): readonly PartRights[] =>
  (
    drawnFrom?.(part.id) ?? [
      part.font.family,
      ...part.letters.flatMap(({ font }) => font?.family ?? []),
      ...(part.fallback ? [part.fallback] : []),
    ]
  ).map((id) => {
    const found = family(id);
    return {
      what: found?.name ?? id,
      kind: 'font',
      source: found?.source ?? 'missing',
      author: '',
      license: found?.license ?? 'not known',
      terms: termsOf(found ? licenseNameOf(found) : 'unknown'),
    };
  });

/** Live text; its origin is on the baseline at the start, center or end of its advance, on its arch's crown, or at its ring's center. */
export const lettering: PartKind<typeof letteringSchema> = {
  schema: letteringSchema,
  label: 'Lettering',
  called: (part) => part.text.trim() || 'Empty lettering',
  describe: (part, fonts) => {
    const weight = part.font.axes['wght'];
    const font = fonts.family(part.font.family)?.name ?? `${part.font.family} (missing)`;
    return `lettering · ${font}${weight === undefined ? '' : ` ${Math.round(weight)}`}${lineWords(part)}${part.companion ? ' · stays with its first line' : ''}`;
  },
  refer: referLine,
  fonts,
  rights,
  draw: drawLettering,
};
