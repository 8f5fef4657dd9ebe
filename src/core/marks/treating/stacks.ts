import type { TreatmentKindName } from './registry';

/** A few treatments that belong together, to start from. */
export interface TreatmentStack {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly words: readonly string[];
  readonly treatments: readonly (readonly [TreatmentKindName, Readonly<Record<string, unknown>>?])[];
}

const role = (name: string) => ({ role: name });

/** Own looks to start from, in plain words; lengths are for a line of capitals about 90 px high. */
export const TREATMENT_STACKS: readonly TreatmentStack[] = [
  {
    id: 'painted-sign',
    label: 'Painted sign',
    hint: 'a light rim, then a solid block to the lower left',
    words: ['sign', 'vintage', 'shop'],
    treatments: [
      ['outline-band', { widthPx: 3, paint: role('paper') }],
      ['block-shadow', { angleDeg: 135, depthPx: 14, paint: role('second') }],
    ],
  },
  {
    id: 'engraved-plate',
    label: 'Engraved plate',
    hint: 'fine lines inside a solid edge',
    words: ['engraving', 'vintage', 'banknote', 'certificate'],
    treatments: [['engraved-lines', { pitchPx: 4, thicknessPx: 1.4, marginPx: 2.5 }]],
  },
  {
    id: 'old-label',
    label: 'Old label',
    hint: 'engraved, with a shade of lines behind',
    words: ['vintage', 'bottle', 'label', 'spirits'],
    treatments: [
      ['engraved-lines', { angleDeg: 90, pitchPx: 4, thicknessPx: 1.2, marginPx: 2 }],
      ['block-shadow', { angleDeg: 45, depthPx: 12, gapPx: 2, fill: 'lines', pitchPx: 3.5, thicknessPx: 1.4, paint: role('ink') }],
    ],
  },
  {
    id: 'open-letters',
    label: 'Open letters',
    hint: 'a line down the middle of every stroke',
    words: ['inline', 'fair', 'circus'],
    treatments: [['inline', { widthPx: 3, shadePx: 2 }]],
  },
  {
    id: 'three-echoes',
    label: 'Three echoes',
    hint: 'three lines that step away and become thinner',
    words: ['retro', 'ripple', 'seventies'],
    treatments: [['stepping-outlines', { count: 3, widthPx: 4, gapPx: 4, thinnerPercent: 30 }]],
  },
  {
    id: 'sticker',
    label: 'Sticker',
    hint: 'one welded shape behind everything, with a fine edge',
    words: ['die cut', 'badge', 'patch'],
    treatments: [
      ['welding-band', { widthPx: 10, counters: 'all', paint: role('paper') }],
      ['outline-band', { widthPx: 2, paint: role('ink') }],
    ],
  },
  {
    id: 'sewn-patch',
    label: 'Sewn patch',
    hint: 'a broad ground with a row of stitches',
    words: ['stitch', 'outdoor', 'cap', 'embroidery'],
    treatments: [
      ['welding-band', { widthPx: 14, counters: 'all', paint: role('lead') }],
      ['stitched-edge', { insetPx: 4, widthPx: 1.8, dashPx: 7, gapPx: 4, paint: role('paper') }],
    ],
  },
  {
    id: 'simple-print',
    label: 'Simple print',
    hint: 'a second ink laid a little beside the first',
    words: ['misprint', 'poster', 'screen print'],
    treatments: [['out-of-register', { distancePx: 4, angleDeg: 35 }]],
  },
  {
    id: 'cut-block',
    label: 'Cut block',
    hint: 'edges as a block of wood or lino leaves them',
    words: ['linocut', 'woodcut', 'hand cut', 'rustic'],
    treatments: [
      ['rough-edge', { depthPx: 1.2, grainPx: 7, seed: 4 }],
      ['engraved-lines', { angleDeg: -30, pitchPx: 9, thicknessPx: 0.8, marginPx: 3 }],
    ],
  },
  {
    id: 'set-apart',
    label: 'Set apart',
    hint: 'a free rim that cuts what lies behind',
    words: ['halo', 'gap', 'overlap'],
    treatments: [['halo', { widthPx: 6 }]],
  },
  {
    id: 'hollow-drop',
    label: 'Hollow with a drop',
    hint: 'the outline alone, with a solid shadow beside it',
    words: ['outline', 'collegiate', 'sport'],
    treatments: [
      ['outline-only', { widthPx: 3 }],
      ['offset-shadow', { distancePx: 7, angleDeg: 45, paint: role('lead') }],
    ],
  },
  {
    id: 'evening-fade',
    label: 'Evening fade',
    hint: 'two brand colors that pass into one another, with a thin rim',
    words: ['gradient', 'sunset', 'fade'],
    treatments: [
      ['gradient', {}],
      ['outline-band', { widthPx: 3, paint: role('ink') }],
    ],
  },
  {
    id: 'sliced',
    label: 'Sliced through',
    hint: 'one cut, both halves a little apart',
    words: ['cut', 'modern', 'split'],
    treatments: [['slices', { count: 1, gapPx: 3, shiftPx: 4, angleDeg: -8 }]],
  },
  {
    id: 'far-away',
    label: 'Runs to a point',
    hint: 'a long block that becomes smaller toward its end',
    words: ['perspective', 'depth', 'title', 'cinema'],
    treatments: [
      ['outline-band', { widthPx: 2.5, paint: role('paper') }],
      ['block-shadow', { angleDeg: 90, depthPx: 60, taperPercent: 35, paint: role('second') }],
    ],
  },
  {
    id: 'double-rim',
    label: 'Double rim',
    hint: 'a line inside of the edge and a band outside of it',
    words: ['badge', 'varsity', 'sport', 'crest'],
    treatments: [
      ['inset-line', { insetPx: 2.5, widthPx: 1.4, paint: role('paper') }],
      ['outline-band', { widthPx: 5, paint: role('second') }],
    ],
  },
  {
    id: 'lifted',
    label: 'Lifted',
    hint: 'a soft shadow, as if it lay a little above the sheet',
    words: ['shadow', 'depth', 'soft'],
    treatments: [['soft-shadow', { distancePx: 5, softPx: 12, opacityPercent: 40 }]],
  },
  {
    id: 'struck-coin',
    label: 'Struck coin',
    hint: 'rounded relief in the light of the mark, with a shadow under it',
    words: ['emboss', 'metal', 'medal', 'seal'],
    treatments: [
      ['relief', { widthPx: 7 }],
      ['soft-shadow', { distancePx: 3, softPx: 6, opacityPercent: 35 }],
    ],
  },
  {
    id: 'chiseled',
    label: 'Chiseled',
    hint: 'faces cut into stone',
    words: ['stone', 'carved', 'monument'],
    treatments: [['relief', { sunk: true, shape: 'cut', widthPx: 9, lightPercent: 70 }]],
  },
  {
    id: 'old-print',
    label: 'Old print',
    hint: 'worn through in places, with edges that ran a little',
    words: ['worn', 'distressed', 'vintage', 'shirt'],
    treatments: [
      ['rough-edge', { depthPx: 0.5, grainPx: 4, seed: 3 }],
      ['wear', { texture: 'worn', amountPercent: 16, grainPx: 3 }],
    ],
  },
  {
    id: 'rubber-stamp',
    label: 'Rubber stamp',
    hint: 'ink that did not reach everywhere',
    words: ['stamp', 'passport', 'post'],
    treatments: [['wear', { texture: 'dry-ink', amountPercent: 22, grainPx: 2.5 }]],
  },
  {
    id: 'cracked-paint',
    label: 'Cracked paint',
    hint: 'a sign that stood in the sun for years',
    words: ['sign', 'barn', 'weathered', 'cracks'],
    treatments: [['wear', { texture: 'cracks', amountPercent: 14, grainPx: 3 }]],
  },
  {
    id: 'newsprint',
    label: 'Newsprint',
    hint: 'dots that grow toward the foot',
    words: ['halftone', 'comic', 'pop', 'paper'],
    treatments: [['halftone', { how: 'open', pitchPx: 5, fromPercent: 0, toPercent: 55 }]],
  },
  {
    id: 'dry-brush',
    label: 'Dry brush',
    hint: 'sweeps of a brush that ran out of paint',
    words: ['brush', 'paint', 'hand'],
    treatments: [['wear', { texture: 'brush', amountPercent: 26, grainPx: 4, angleDeg: -8 }]],
  },
  {
    id: 'gold-leaf',
    label: 'Gold leaf',
    hint: 'thin foil whose creases catch the light',
    words: ['foil', 'gold', 'metal', 'stamping', 'luxury'],
    treatments: [['metal', { sheen: 'foil', bands: 5, angleDeg: 22 }]],
  },
  {
    id: 'polished-plate',
    label: 'Polished plate',
    hint: 'a mirror with a horizon, and a thin dark rim',
    words: ['chrome', 'steel', 'silver', 'car', 'metal'],
    treatments: [
      ['metal', { sheen: 'polished', bands: 1, angleDeg: 90 }],
      ['outline-band', { widthPx: 2, paint: role('ink') }],
    ],
  },
  {
    id: 'winter-jumper',
    label: 'Winter jumper',
    hint: 'knitted, stitch by stitch',
    words: ['knit', 'wool', 'beanie', 'yarn'],
    treatments: [['knitted', {}]],
  },
  {
    id: 'in-front',
    label: 'In front',
    hint: 'darkens what it overlaps, and nothing else',
    words: ['overlap', 'separation', 'weave', 'interlock'],
    treatments: [['separation', { softPx: 9, opacityPercent: 50 }]],
  },
];
