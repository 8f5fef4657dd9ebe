import { changePart, createPart, EMPTY_RECIPE, expect, newTreatment, type BrandLook, type KnownInput, type Recipe } from '$core/index';
import type { ArtInput } from '../art';

/** The pieces of the library that the club's crest is made of. */
export const CREST_ART = ['game-icons/heron', 'game-icons/paddles', 'game-icons/crown'] as const;

const at = (x: number, y: number, turnDeg = 0) => ({ x, y, turnDeg });

/** The club's crest: a shield with crossed oars, two herons that mirror each other, a crown, a motto on its ribbon, a laurel behind. */
export function crestRecipe(art: ReadonlyMap<string, ArtInput>): Recipe {
  const piece = (id: string, from: (typeof CREST_ART)[number], change: Partial<ArtInput>): KnownInput[] => {
    const found = art.get(from);
    return found ? [{ ...found, ...change, id }] : [];
  };
  const inColor = (role: 'lead' | 'paper' | 'accent' | 'second') => [{ original: '#000000', paint: { role } }] as const;
  const parts: KnownInput[] = [
    {
      kind: 'shape',
      id: 'laurel',
      name: 'Laurel',
      form: { form: 'laurel', radiusPx: 246, sweepDeg: 104, leaves: 9, weightPx: 5, leafPercent: 105 },
      paint: { role: 'accent' },
      place: at(0, 12),
    },
    {
      kind: 'shape',
      id: 'shield',
      name: 'Shield',
      form: { form: 'heaterShield', widthPx: 236, heightPx: 286, shoulderPercent: 40 },
      paint: { role: 'second' },
      place: at(0, 0),
      treatments: [newTreatment('outline-band', 'line', { side: 'inward', widthPx: 5, paint: { role: 'paper' } })],
    },
    ...piece('oars', 'game-icons/paddles', { name: 'Crossed oars', slots: [...inColor('paper')], sizePx: 156, place: at(0, -6) }),
    ...piece('heron', 'game-icons/heron', {
      name: 'Heron',
      slots: [...inColor('lead')],
      sizePx: 236,
      place: { ...at(-196, 22), flip: true },
    }),
    { kind: 'symmetry', id: 'supporters', name: 'Supporters', members: ['heron'], rule: 'mirror', centerX: 0, centerY: 0, axisDeg: 90 },
    ...piece('crown', 'game-icons/crown', { name: 'Crown', slots: [...inColor('accent')], sizePx: 112, place: at(0, -196) }),
    {
      kind: 'shape',
      id: 'ribbon',
      name: 'Ribbon',
      form: { form: 'hangingFoldedRibbon', widthPx: 560, heightPx: 64, bendDeg: -38, endPercent: 38, dropPercent: 30, gapPx: 4 },
      paint: { role: 'lead' },
      place: at(0, 196),
    },
    {
      kind: 'lettering',
      id: 'motto',
      name: 'Motto',
      text: 'Everybody rows',
      case: 'upper',
      font: { family: 'cinzel', axes: { wght: 700 } },
      kerning: 'optical',
      sizePx: 38,
      trackingPermille: 70,
      paint: { role: 'paper' },
      line: { shape: 'arc', form: 'arch', side: 'under', radiusPx: 858, letters: 'bent', spacingAtPercent: 50 },
      place: at(0, 223),
    },
  ];
  return { ...EMPTY_RECIPE, parts: parts.map((part) => expect(createPart(part))) };
}

/** The crest with its herons, its oars and its crown as engravings; the herons on a ground, so that the laurel stays behind them. */
export const etchedCrest = (from: Recipe): Recipe =>
  ['heron', 'crown', 'oars'].reduce(
    (recipe, id) =>
      changePart(recipe, id, {
        treatments: [
          newTreatment('etched', 'etched', { pitchPx: id === 'heron' ? 3.4 : 2.6, rimPx: 1, thinnestPx: 0.4, ground: id === 'heron' }),
        ],
      }),
    from,
  );

/** What the club prints its shirts in: kept with the brand, so that one change reaches all that wear it. */
export const WORN_PRINT = {
  id: 'worn-print',
  name: 'Worn print',
  madeForPx: 600,
  treatments: [newTreatment('wear', 't-1', { texture: 'worn', amountPercent: 14, grainPx: 5, seed: 7 })],
} as const satisfies BrandLook;

/** The etched crest as it looks after a few seasons. */
export const wornCrest = (from: Recipe): Recipe => ({
  ...etchedCrest(from),
  whole: { treatments: [newTreatment('brand-look', 't-1', { look: WORN_PRINT.id })] },
});
