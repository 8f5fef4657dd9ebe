import { drawLettering } from '../lettering/draw-lettering';
import { letteringSchema, type Lettering } from '../lettering/schema';
import type { PartKind } from '../part-kind';

/** The parts of the same mark that a lettering looks at. */
const follows = (part: Lettering): readonly string[] => [
  ...(part.companion ? [part.companion.part] : []),
  ...(part.fit && 'part' in part.fit.to ? [part.fit.to.part] : []),
  ...(part.line.shape === 'arc' && part.line.around ? [part.line.around.part] : []),
  ...(part.line.shape === 'curve' && part.line.along ? [part.line.along.part] : []),
];

function lineWords({ line }: Lettering): string {
  if (line.shape === 'arc') return ` · ${line.form} ${line.side}`;
  if (line.shape === 'curve') return ' · on a curve';
  return line.shape === 'envelope' ? ` · ${line.form}` : '';
}

/** Live text; its origin is on the baseline at the start, center or end of its advance, on its arch's crown, or at its ring's center. */
export const lettering: PartKind<typeof letteringSchema> = {
  schema: letteringSchema,
  label: 'Lettering',
  describe: (part, fonts) => {
    const weight = part.font.axes['wght'];
    const font = fonts.family(part.font.family)?.name ?? `${part.font.family} (missing)`;
    return `lettering · ${font}${weight === undefined ? '' : ` ${Math.round(weight)}`}${lineWords(part)}${part.companion ? ' · stays with its first line' : ''}`;
  },
  follows,
  draw: drawLettering,
};
