import { drawLettering } from '../lettering/draw-lettering';
import { letteringSchema, type Lettering } from '../lettering/schema';
import type { PartKind, ReferenceAs, Referring } from '../part-kind';

/** A first line, what it is fitted to, a circle it goes round, a curve it stands on: each is let go alone. */
function refer(part: Lettering, to: Referring): Lettering {
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
  refer,
  draw: drawLettering,
};
