import type { z } from 'zod';
import { armsSchema, type Arms } from '../../../heraldry';
import type { BuilderStart } from '../../building/builder';
import type { crestSchema } from './numbers';

const arms = (more: z.input<typeof armsSchema>): Arms => armsSchema.parse(more);

/** The compositions that a crest is offered in. */
export function starts(): readonly BuilderStart[] {
  const start = (id: string, label: string, numbers: z.input<typeof crestSchema>): BuilderStart => ({
    id,
    label,
    numbers: { ...numbers },
  });
  return [
    start('quartered', 'Quarterly, with crossed oars and a crown', {
      arms: arms({
        division: 'quarterly',
        first: 'azure',
        second: 'argent',
        items: [
          { is: 'charges', what: 'anchor', count: 1, tincture: 'argent', arranged: 'quarters', quarters: [1, 4] },
          { is: 'charges', what: 'mullet', count: 1, tincture: 'azure', arranged: 'quarters', quarters: [2, 3] },
        ],
      }),
      crossed: 'oar',
      top: 'crown',
    }),
    start('fess', 'A wavy fess between three charges', {
      arms: arms({
        first: 'azure',
        items: [
          { is: 'ordinary', ordinary: 'fess', line: 'wavy', tincture: 'argent', between: { what: 'escallop', count: 3, tincture: 'or' } },
        ],
      }),
      container: 'roundFootShield',
      flourish: 'laurel',
    }),
    start('chief', 'A charged chief, engraved in one color', {
      arms: arms({
        first: 'argent',
        items: [
          { is: 'ordinary', ordinary: 'chief', tincture: 'azure', on: { what: 'mullet', count: 3, tincture: 'argent' } },
          { is: 'charges', what: 'tree', count: 1, tincture: 'sable' },
        ],
      }),
      hatched: true,
      container: 'heaterShield',
      top: 'coronet',
    }),
    start('chevron', 'A chevron between keys', {
      arms: arms({
        first: 'gules',
        items: [{ is: 'ordinary', ordinary: 'chevron', tincture: 'or', between: { what: 'key', count: 3, tincture: 'argent' } }],
      }),
      container: 'bracedShield',
      flourish: 'acanthus',
    }),
    start('supported', 'Supported by wings', {
      arms: arms({
        division: 'per-pale',
        first: 'azure',
        second: 'argent',
        items: [{ is: 'charges', what: 'tower', count: 1, tincture: 'or' }],
      }),
      supporters: 'wing',
      top: 'muralCrown',
      compartment: 'wavesBar',
    }),
    start('bend', 'A bend in a bordure', {
      arms: arms({
        first: 'vert',
        items: [
          { is: 'ordinary', ordinary: 'bend', line: 'wavy', tincture: 'argent', between: { what: 'acorn', count: 2, tincture: 'or' } },
          { is: 'ordinary', ordinary: 'bordure', tincture: 'or' },
        ],
      }),
      container: 'scrolledShield',
      flourish: 'oakWreath',
    }),
    start('barry', 'Barry wavy, a ship', {
      arms: arms({
        division: 'barry',
        line: 'wavy',
        pieces: 8,
        first: 'argent',
        second: 'azure',
        items: [{ is: 'ordinary', ordinary: 'chief', tincture: 'azure', on: { what: 'ship', count: 1, tincture: 'argent' } }],
      }),
      container: 'kiteShield',
      crossed: 'oar',
    }),
    start('gyronny', 'Gyronny, engraved, with a helm', {
      arms: arms({ division: 'gyronny', pieces: 8, first: 'azure', second: 'argent', items: [] }),
      hatched: true,
      top: 'helm',
      container: 'earedShield',
    }),
  ];
}
