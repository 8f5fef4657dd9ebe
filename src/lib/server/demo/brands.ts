import {
  changePart,
  createPart,
  EMPTY_RECIPE,
  expect,
  keepingLook,
  newTreatment,
  type Brief,
  type Lettering,
  type Palette,
  type Recipe,
  type MarkRole,
  type ShownOnGoods,
} from '$core/index';
import type { ArtInput } from '../art';
import { CREST_ART, crestRecipe, etchedCrest, WORN_PRINT, wornCrest } from './crest';
import { shorePictures, type DemoPicture } from './board';
import type { DemoBuilt } from './built';
import type { DemoLink } from './link';
import type { DemoPiece } from './pieces';
import type { DemoDerived } from './derived';

type PartInput = Parameters<typeof createPart>[0];

/** A demo mark; `follows` builds a recipe that points at the first demo mark of the same brand. */
export interface DemoMark {
  readonly name: string;
  readonly role: MarkRole;
  readonly recipe: (primaryId: string, art: ReadonlyMap<string, ArtInput>) => Recipe;
  /** Pieces of the art library that it is made of. */
  readonly art?: readonly string[];
  readonly tries?: readonly DemoTry[];
  /** Made by a builder from the first mark's name, instead of by its recipe. */
  readonly built?: DemoBuilt;
  /** Laid out from the first mark, instead of by its recipe. */
  readonly derived?: DemoDerived;
  /** The same with other numbers, kept beside it. */
  readonly builtTries?: readonly { readonly name: string; readonly numbers: DemoBuilt['numbers'] }[];
}

/** Another version of a demo mark, kept beside it. */
export interface DemoTry {
  readonly name: string;
  readonly of: (recipe: Recipe) => Recipe;
}

export interface DemoBrand {
  readonly name: string;
  readonly about: string;
  readonly palette: Palette;
  readonly brief: Partial<Brief>;
  /** Kept faces of the type trials. */
  readonly kept: readonly string[];
  readonly board?: readonly DemoPicture[];
  readonly photos?: DemoPhotos;
  /** Marks on goods, and how they lie there. */
  readonly goods?: readonly (ShownOnGoods & { readonly mark: string; readonly scene: string })[];
  readonly marks: readonly DemoMark[];
  readonly pieces?: readonly DemoPiece[];
  /** Whether its shirt is drawn for the demo. */
  readonly shirt?: true;
  /** A client’s link with notes. */
  readonly link?: DemoLink;
}

/** Sample photos, the mark that is stamped on them, and the line of their veil. */
export interface DemoPhotos {
  readonly files: readonly string[];
  readonly stamp: string;
  readonly veil: string;
}

const recipe = (...parts: PartInput[]): Recipe => ({ ...EMPTY_RECIPE, parts: parts.map((part) => expect(createPart(part))) });
const at = (x: number, y: number) => ({ x, y, turnDeg: 0 });

/** One of two texts that follow the club's ring on one center. */
const ringText = (id: string, text: string, side: 'over' | 'under'): PartInput => ({
  kind: 'lettering',
  id,
  text,
  case: 'upper',
  font: { family: 'cinzel', axes: { wght: 600 } },
  kerning: 'optical',
  sizePx: 46,
  trackingPermille: 90,
  paint: { role: 'paper' },
  line: { shape: 'arc', form: 'ring', side, radiusPx: 190, around: { part: 'disk', insetPx: 54 } },
});

/** The name in another face. */
const inFace =
  (font: Lettering['font']) =>
  (from: Recipe): Recipe =>
    changePart(from, 'name', { font });

/** The name as on an old sign: engraved, on a block. */
const oldSign = (from: Recipe): Recipe =>
  changePart(from, 'name', {
    font: { family: 'josefin-sans', style: 'normal', axes: { wght: 700 } },
    treatments: [
      newTreatment('engraved-lines', 'lines', { pitchPx: 6, thicknessPx: 1.8, marginPx: 3 }),
      newTreatment('block-shadow', 'block', { angleDeg: 45, depthPx: 16, gapPx: 3, paint: { role: 'lead' } }),
    ],
  });

/** A mark that a builder makes. */
const builtMark = (name: string, role: MarkRole, built: DemoBuilt, builtTries: DemoMark['builtTries'] = []): DemoMark => ({
  ...{ name, role, built, builtTries },
  recipe: () => EMPTY_RECIPE,
});

/** A mark that is laid out from the primary. */
const derivedMark = (name: string, role: MarkRole, derived: DemoDerived): DemoMark => ({
  ...{ name, role, derived },
  recipe: () => EMPTY_RECIPE,
});

/** The three made-up clients on one imaginary coast. Every name, word and color is ours. */
export const demoBrands: readonly DemoBrand[] = [
  {
    name: 'Windrow Kites',
    about: 'A two-person workshop that sews steerable kites to order.',
    palette: { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' },
    brief: {
      audience:
        'A two-person workshop that sews steerable kites to order and repairs old ones. People come for wind, craft and a slow afternoon.',
      promise: 'Made by hand, flown for years.',
      avoid: 'Toy-shop bright, racing stripes, clouds with faces.',
      keywords: ['wind', 'thread', 'seam', 'shore'],
      uses: ['profile', 'label', 'goods', 'sign'],
      voice: { loudness: 28, novelty: 60, gravity: 38, strength: 35, ornament: 22, warmth: 30 },
    },
    goods: [
      { mark: 'Primary', scene: 'tote', size: 0.8 },
      { mark: 'Primary', scene: 'sign', dressing: 'reversed', tint: 'lead', size: 0.72 },
      { mark: 'Initial', scene: 'hang-tag', dressing: 'full', tint: 'paper' },
      { mark: 'Initial', scene: 'mug', dressing: 'reversed', tint: 'ink' },
      { mark: 'Primary', scene: 'cards', size: 0.66 },
      { mark: 'Initial', scene: 'phone', dressing: 'reversed', tint: 'lead', size: 0.5 },
    ],
    kept: ['josefin-sans', 'marcellus', 'fraunces'],
    shirt: true,
    link: {
      name: 'For the workshop',
      tries: ['Carved', 'Tall'],
      notes: [
        {
          ...{ mark: 'Primary', kind: 'note', name: 'Hester Lorne', at: { x: 0.5, y: 0.57 }, part: 'second' },
          text: 'Could this line be a little larger? On the shed door it is read from the water.',
        },
        { mark: 'Initial', kind: 'yes', name: 'Hester Lorne', text: 'This one goes on the tails.' },
      ],
    },
    pieces: [
      {
        ...{
          name: 'Square post',
          size: 'square-post',
          layout: 'mark-over-words-lead',
          faces: { heading: 'fraunces', text: 'josefin-sans' },
        },
        words: {
          heading: 'Made by hand, flown for years',
          text: 'Saturday, low tide: bring a kite that needs mending, and we sew while you watch the wind.',
          small: 'Windrow Kites',
        },
      },
      {
        ...{
          name: 'Label',
          size: 'label',
          layout: 'emblem-paper',
          submark: 'Badge',
          faces: { heading: 'josefin-sans', text: 'josefin-sans' },
        },
        words: { heading: 'Steerable kite, 1.8 m', text: '', small: 'Sewn to order · for winds of 2 to 5' },
      },
    ],
    board: shorePictures,
    marks: [
      {
        name: 'Primary',
        role: 'primary',
        tries: [
          { name: 'Carved', of: inFace({ family: 'cinzel', style: 'normal', axes: { wght: 500 } }) },
          { name: 'Tall', of: inFace({ family: 'oswald', style: 'normal', axes: { wght: 500 } }) },
          { name: 'Old sign', of: oldSign },
        ],
        recipe: () =>
          recipe(
            {
              kind: 'shape',
              id: 'rule-left',
              name: 'Left rule',
              form: { form: 'panel', widthPx: 84, heightPx: 2.4, cornerPx: 0 },
              paint: { role: 'lead' },
              place: at(-304, 54),
            },
            {
              kind: 'shape',
              id: 'rule-right',
              name: 'Right rule',
              form: { form: 'panel', widthPx: 84, heightPx: 2.4, cornerPx: 0 },
              paint: { role: 'lead' },
              place: at(304, 54),
            },
            {
              kind: 'lettering',
              id: 'second',
              text: 'Kite Workshop',
              case: 'upper',
              font: { family: 'josefin-sans', axes: { wght: 400 } },
              sizePx: 40,
              trackingPermille: 240,
              companion: { part: 'name', sizePercent: 27, gapPermille: 250 },
            },
            {
              kind: 'lettering',
              id: 'name',
              text: 'Windrow',
              case: 'upper',
              font: { family: 'josefin-sans', axes: { wght: 620 } },
              sizePx: 148,
              trackingPermille: 60,
              place: at(0, 0),
            },
          ),
      },
      {
        name: 'Initial',
        role: 'submark',
        recipe: (primary) =>
          recipe(
            {
              kind: 'shape',
              id: 'disk',
              name: 'Backing disk',
              form: { form: 'disk', widthPx: 300, heightPx: 300 },
              paint: { role: 'second' },
              place: at(0, 0),
            },
            {
              kind: 'shape',
              id: 'ring',
              name: 'Ring',
              form: { form: 'ring', widthPx: 276, heightPx: 276, bandPx: 4 },
              paint: { role: 'lead' },
              place: at(0, 0),
            },
            {
              kind: 'linked',
              id: 'initial',
              name: 'Initial',
              from: { mark: primary, part: 'name' },
              take: 'initial',
              sizePx: 170,
              place: at(0, 56),
            },
          ),
      },
      builtMark('Badge', 'secondary', {
        builder: 'badge',
        numbers: { plan: 'rings', edge: 'rope', filled: false, year: '1987', between: 'star', textPercent: 7.5, center: 'initials' },
      }),
      builtMark('Mirrored initial', 'submark', { builder: 'submark', numbers: { crop: 'left-mirrored', disk: true, between: 'diamond' } }),
      derivedMark('Secondary', 'secondary', {
        layout: 'initial-and-name',
        own: { part: 'second', change: { own: { trackingPermille: 320 } } },
      }),
      derivedMark('Icon', 'icon', { layout: 'initial-on-square' }),
      derivedMark('Watermark', 'watermark', { layout: 'stamp' }),
    ],
  },
  {
    name: 'Gorsebank Rowing Club',
    about: 'A river club of six boats, where everybody rows.',
    pieces: [
      {
        ...{
          name: 'Fixture card',
          size: 'fixture-card',
          layout: 'columns-paper',
          mark: 'Crest',
          faces: { heading: 'cinzel', text: 'eb-garamond' },
        },
        words: {
          heading: 'Spring fixtures',
          text: 'Bank Race, first Sunday in April.\nHerons against the town, on the second Saturday.\nOpen boats: every Wednesday from six, and everybody rows.',
          small: 'Gorsebank Rowing Club',
        },
      },
    ],
    palette: keepingLook({ ink: '#1f3556', paper: '#f3ebd6', lead: '#1f3556', second: '#9b2d3f', accent: '#c9a227' }, WORN_PRINT),
    brief: {
      audience: 'Members of a river club of six boats, and the town that lines the bank on race days.',
      promise: 'Everybody rows.',
      avoid: 'Gyms, chrome, anything that shouts.',
      keywords: ['river', 'oar', 'heron', 'tide'],
      uses: ['goods', 'print', 'sign', 'profile'],
      voice: { loudness: 45, novelty: 8, gravity: 80, strength: 62, ornament: 45 },
    },
    goods: [
      { mark: 'Crest', scene: 'boat', dressing: 'full', size: 0.9 },
      { mark: 'Crest', scene: 'cap', dressing: 'reversed', tint: 'lead', size: 0.8 },
      { mark: 'Crest', scene: 'shirt', dressing: 'full', tint: 'paper' },
    ],
    kept: ['cinzel', 'eb-garamond'],
    marks: [
      {
        name: 'Primary',
        role: 'primary',
        recipe: () =>
          recipe(
            {
              kind: 'shape',
              id: 'bar',
              name: 'Water line',
              form: { form: 'panel', widthPx: 560, heightPx: 5, cornerPx: 2.5 },
              paint: { role: 'accent' },
              place: at(0, 34),
            },
            {
              kind: 'lettering',
              id: 'second',
              text: 'Rowing Club',
              case: 'upper',
              font: { family: 'cinzel', axes: { wght: 500 } },
              sizePx: 44,
              trackingPermille: 320,
              place: at(0, 92),
              paint: { role: 'second' },
            },
            {
              kind: 'lettering',
              id: 'name',
              text: 'Gorsebank',
              font: { family: 'cinzel', axes: { wght: 700 } },
              case: 'upper',
              sizePx: 104,
              trackingPermille: 20,
              place: at(0, 0),
            },
          ),
      },
      {
        name: 'Initial',
        role: 'submark',
        recipe: (primary) =>
          recipe(
            {
              kind: 'shape',
              id: 'panel',
              name: 'Blade',
              form: { form: 'panel', widthPx: 240, heightPx: 300, cornerPx: 56 },
              paint: { role: 'second' },
              place: at(0, 0),
            },
            {
              kind: 'linked',
              id: 'initial',
              name: 'Initial',
              from: { mark: primary, part: 'name' },
              take: 'initial',
              sizePx: 190,
              paint: { role: 'paper' },
              place: at(0, 66),
            },
          ),
      },
      {
        name: 'Crest',
        role: 'secondary',
        art: CREST_ART,
        recipe: (_, art) => crestRecipe(art),
        tries: [
          { name: 'Etched', of: etchedCrest },
          { name: 'Etched, worn print', of: wornCrest },
        ],
      },
      {
        name: 'Ring',
        role: 'secondary',
        recipe: (primary) =>
          recipe(
            {
              kind: 'shape',
              id: 'disk',
              name: 'Ground',
              form: { form: 'disk', widthPx: 520, heightPx: 520 },
              paint: { role: 'second' },
              treatments: [
                newTreatment('inset-line', 'rim', { insetPx: 14, widthPx: 4 }),
                newTreatment('inset-line', 'hairline', { insetPx: 22, widthPx: 1.5 }),
              ],
            },
            {
              kind: 'shape',
              id: 'inner',
              name: 'Inner ring',
              form: { form: 'ring', widthPx: 330, heightPx: 330, bandPx: 3 },
              paint: { role: 'paper' },
            },
            ringText('lower', 'Everybody rows', 'under'),
            ringText('upper', 'Gorsebank Rowing Club', 'over'),
            {
              kind: 'linked',
              id: 'initial',
              name: 'Initial',
              from: { mark: primary, part: 'name' },
              take: 'initial',
              sizePx: 210,
              paint: { role: 'paper' },
              place: at(0, 74),
            },
          ),
      },
      builtMark(
        'Arms',
        'secondary',
        {
          builder: 'crest',
          numbers: {
            arms: {
              division: 'quarterly',
              first: 'azure',
              second: 'argent',
              items: [
                { is: 'charges', what: 'ship', count: 1, tincture: 'argent', arranged: 'quarters', quarters: [1, 4] },
                { is: 'charges', what: 'rose', count: 1, tincture: 'gules', arranged: 'quarters', quarters: [2, 3] },
              ],
            },
            crossed: 'oar',
            top: 'muralCrown',
            motto: 'Everybody rows',
            orPaint: { role: 'accent' },
            gulesPaint: { role: 'second' },
          },
        },
        [{ name: 'Engraved in one color', numbers: { hatched: true, smallestPx: 150 } }],
      ),
      derivedMark('Secondary', 'secondary', { layout: 'on-panel', own: { part: 'second', change: { paint: { role: 'accent' } } } }),
      derivedMark('Icon', 'icon', { layout: 'initial-on-disk' }),
      derivedMark('Watermark', 'watermark', { layout: 'name-stamp' }),
    ],
  },
  {
    name: 'Tidewrack Aerial',
    about: 'Photographs of the shore, taken from the air.',
    pieces: [
      {
        ...{
          name: 'Price card',
          size: 'price-card',
          layout: 'framed-paper',
          mark: 'Monogram',
          faces: { heading: 'italiana', text: 'cormorant' },
        },
        words: { heading: '', text: '', small: 'One flight, twelve pictures: 240. A whole shore: by agreement.' },
      },
    ],
    palette: { ink: '#2a2a2d', paper: '#e8e4da', lead: '#c8553d', second: '#5b7886', accent: '#d9b382' },
    brief: {
      audience: 'Owners of houses and boats on the coast who want to see them from above.',
      promise: 'The whole shore, once, in the best light.',
      avoid: 'Propellers, lenses, maps.',
      keywords: ['shore', 'light', 'height'],
      uses: ['photos', 'web', 'print'],
      voice: { loudness: 10, gravity: 70, strength: 8, ornament: 15, warmth: 62 },
    },
    photos: {
      files: ['haze.jpg', 'dusk.jpg', 'lights.jpg', 'studio.jpg', 'boat.jpg', 'sign.jpg'],
      stamp: 'Monogram',
      veil: 'Tidewrack Aerial',
    },
    kept: ['italiana', 'poiret-one', 'cormorant'],
    marks: [
      {
        name: 'Primary',
        role: 'primary',
        recipe: () =>
          recipe(
            {
              kind: 'lettering',
              id: 'second',
              text: 'Aerial',
              case: 'upper',
              font: { family: 'italiana' },
              sizePx: 44,
              trackingPermille: 620,
              place: at(0, 70),
              paint: { role: 'second' },
            },
            {
              kind: 'lettering',
              id: 'name',
              text: 'Tidewrack',
              case: 'upper',
              font: { family: 'italiana' },
              sizePx: 128,
              trackingPermille: 40,
              place: at(0, 0),
            },
          ),
      },
      {
        name: 'Monogram',
        role: 'submark',
        recipe: (primary) =>
          recipe(
            {
              kind: 'shape',
              id: 'rule',
              name: 'Horizon',
              form: { form: 'panel', widthPx: 3, heightPx: 240, cornerPx: 0 },
              paint: { role: 'lead' },
              place: at(0, 0),
            },
            {
              kind: 'linked',
              id: 'left',
              name: 'Left initial',
              from: { mark: primary, part: 'name' },
              take: 'initial',
              sizePx: 230,
              place: at(-82, 78),
            },
            {
              kind: 'linked',
              id: 'right',
              name: 'Right initial',
              from: { mark: primary, part: 'second' },
              take: 'initial',
              sizePx: 230,
              paint: { role: 'ink' },
              place: at(90, 78),
            },
          ),
      },
      builtMark('Interlocked', 'submark', {
        builder: 'monogram',
        numbers: {
          construction: 'interlocked',
          letters: 'TA',
          family: 'cormorant',
          firstPaint: { role: 'lead' },
          secondPaint: { role: 'ink' },
          sizePx: 260,
        },
      }),
      builtMark('Decorated initial', 'submark', {
        builder: 'monogram',
        numbers: {
          construction: 'filled',
          letters: 'T',
          family: 'alfa-slab-one',
          firstPaint: { role: 'second' },
          densityPercent: 78,
          seed: 12,
          sizePx: 300,
        },
      }),
      derivedMark('Secondary', 'secondary', {
        layout: 'one-line',
        own: { part: 'second', change: { own: { trackingPermille: 460 } } },
      }),
      derivedMark('Icon', 'icon', { layout: 'initial-on-disk' }),
      derivedMark('Watermark', 'watermark', { layout: 'stamp' }),
    ],
  },
];
