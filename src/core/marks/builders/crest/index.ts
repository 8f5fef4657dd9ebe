import { z } from 'zod';
import { boundsOf, shrunk, withoutHoles, type Point, type Region } from '../../../geometry';
import {
  armsSchema,
  OWN_CHARGE,
  ownWordOf,
  tinctureFaults,
  TINCTURES,
  writeBlazon,
  type Arms,
  type OwnCharge,
  type Tincture,
} from '../../../heraldry';
import { FORM_NAMES, formKind, outlineOf, type Form, type FormName } from '../../../shapes';
import type { Builder, BuilderStart } from '../../building/builder';
import { formOf, Kit, larger, placedArea, type FormInput } from '../../building/kit';
import { paintSchema, type Paint } from '../../drawing/paint';
import { bannerWords } from '../../starters/banner-words';
import type { Shape } from '../../parts/shape';
import type { KnownPart } from '../../registry';
import { ownOutline, ownPieceSchema, type OwnPiece } from '../own-piece';
import { MOST_OWN_CHARGES, titleCase } from './bearings';
import { drawField, type Showing } from './field';

const CONTAINERS = FORM_NAMES.filter(
  (name) => formKind(name).group === 'shield' || ['disk', 'panel', 'arch', 'polygon', 'cartouche'].includes(name),
);
const TOPS = ['none', 'crown', 'coronet', 'muralCrown', 'helm'] as const;
const CROSSED = ['none', 'oar', 'sword', 'axe', 'hammer', 'key', 'arrow', 'quill', 'anchor'] as const;
const SUPPORTERS = ['none', 'wing', 'fish', 'anchor', 'tower', 'tree', 'acanthus'] as const;
const COMPARTMENTS = ['none', 'wavesBar', 'line', 'leafDivider'] as const;
const FLOURISHES = ['none', 'laurel', 'oakWreath', 'oliveWreath', 'wheatWreath', 'scrollPair', 'acanthus', 'mantling'] as const;
const BANNERS = ['hangingFoldedRibbon', 'hangingRibbon', 'foldedRibbon', 'ribbon', 'scroll', 'archedFoldedRibbon', 'archedBand'] as const;

const SIDES = ['both', 'left', 'right'] as const;
const ownCharge = z.custom<OwnCharge>((value) => typeof value === 'string' && OWN_CHARGE.test(value));

const schema = z.strictObject({
  /** What stands on the shield. */
  arms: armsSchema.prefault({}),
  /** Pieces of art that are borne on it or stand around it, by what the blazon calls them. */
  own: z.array(ownPieceSchema).max(MOST_OWN_CHARGES).default([]),
  container: z.union([z.enum(CONTAINERS as [FormName, ...FormName[]]), ownCharge]).default('heaterShield'),
  sizePx: z.number().min(40).max(4000).default(360),
  edgePercent: z.number().min(0).max(12).default(3),
  top: z.union([z.enum(TOPS), ownCharge]).default('none'),
  crossed: z.enum(CROSSED).default('none'),
  supporters: z.union([z.enum(SUPPORTERS), ownCharge]).default('none'),
  sides: z.enum(SIDES).default('both'),
  compartment: z.enum(COMPARTMENTS).default('none'),
  flourish: z.enum(FLOURISHES).default('none'),
  /** Empty: the second line of the name that is followed. */
  motto: z.string().max(200).default(''),
  withBanner: z.boolean().default(true),
  banner: z.enum(BANNERS).default('hangingFoldedRibbon'),
  name: z.boolean().default(false),
  /** Engraved in one color instead of painted. */
  hatched: z.boolean().default(false),
  /** Height of the shield where the crest is met smallest, in pixels: the hatching stays open there. */
  smallestPx: z.number().min(24).max(4000).default(120),
  /** White kept between what lies in front and what lies behind, in percent of the shield. */
  separationPercent: z.number().min(0).max(6).default(1.2),
  backing: z.boolean().default(false),
  family: z.string().max(64).default(''),
  inkPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
  orPaint: paintSchema.default({ role: 'second' }),
  argentPaint: paintSchema.default({ role: 'paper' }),
  azurePaint: paintSchema.default({ role: 'lead' }),
  gulesPaint: paintSchema.default({ role: 'accent' }),
  vertPaint: paintSchema.default({ role: 'lead' }),
  purpurePaint: paintSchema.default({ role: 'accent' }),
  sablePaint: paintSchema.default({ role: 'ink' }),
});
type Crest = z.infer<typeof schema>;

const labelOf = (form: string): string =>
  ownWordOf(form) ??
  (form === 'none' || (SIDES as readonly string[]).includes(form) ? form : formKind(form as FormName).label.toLowerCase());
const options = (values: readonly string[]) => values.map((value) => ({ value, label: labelOf(value) }));
/** What was brought can stand around the shield as well. */
const ownOptions = (numbers: Readonly<Record<string, unknown>>) =>
  (numbers['own'] as readonly OwnPiece[]).map(({ word }) => ({ value: `own:${word}`, label: word }));

const paintsOf = (n: Crest): Readonly<Record<Tincture, Paint>> =>
  Object.fromEntries(TINCTURES.map((tincture) => [tincture, n[`${tincture}Paint`]])) as Record<Tincture, Paint>;

/** A form brought to a width or a height, its proportion kept. */
function sizedForm(
  form: FormName,
  wanted: { readonly widthPx?: number; readonly heightPx?: number },
  more: Readonly<Record<string, number>> = {},
): FormInput {
  const start = formOf({ form, ...more });
  const own = start as Form & { readonly widthPx?: number; readonly heightPx?: number };
  const { widthPx: w = 100, heightPx: h = 100 } = own;
  return larger(start, wanted.widthPx !== undefined ? wanted.widthPx / w : (wanted.heightPx ?? h) / h);
}

/** What stands in a crest as one: a form of ours, or a piece that was brought, on its own center. */
type Figure = { readonly name: string; readonly wide: number; readonly tall: number } & (
  { readonly form: FormInput } | { readonly area: Region; readonly source: OwnPiece['source'] }
);
function formFigure(name: FormName, wanted: Parameters<typeof sizedForm>[1]): Figure {
  const form = sizedForm(name, wanted);
  const own = form as FormInput & { readonly widthPx?: number; readonly heightPx?: number };
  return {
    name: formKind(name).label,
    wide: own.widthPx ?? wanted.widthPx ?? wanted.heightPx ?? 0,
    tall: own.heightPx ?? wanted.heightPx ?? wanted.widthPx ?? 0,
    form,
  };
}
const outlineOfFigure = (figure: Figure): Region =>
  'form' in figure ? { path: outlineOf(formOf(figure.form)), rule: 'nonzero' } : figure.area;

/** A form, or a piece that was brought, that stands around the shield: as tall as is asked, or less where it would be too wide. */
function figure(kit: Kit, n: Crest, what: string, heightPx: number, widestPx: number): Figure | undefined {
  const word = ownWordOf(what);
  if (word === undefined) return formFigure(what as FormName, { heightPx });
  const piece = n.own.find((each) => each.word === word);
  const outline = piece && ownOutline(kit, piece);
  const box = outline && boundsOf(outline.path);
  if (!piece || !outline || !box) {
    kit.note('charge-without-picture', `There is no picture for “${word}”.`, 'Take one from the art, or choose something else.');
    return undefined;
  }
  const by = Math.min(heightPx / (box.bottom - box.top), widestPx / (box.right - box.left));
  const area = placedArea(outline, by, 0, 0);
  return { name: titleCase(word), wide: (box.right - box.left) * by, tall: (box.bottom - box.top) * by, area, source: piece.source };
}
/** Puts a figure with its middle at a place; parts of it that were brought keep whose they are. */
function putFigure(kit: Kit, slot: string, figure: Figure, ink: Paint, at: Point, more: object = {}): void {
  const { name } = figure;
  if ('form' in figure) {
    kit.add({ ...{ kind: 'shape', id: slot, name, form: formOf(figure.form), paint: ink }, place: { ...at, turnDeg: 0 }, ...more });
    return;
  }
  const { path, rule } = placedArea(figure.area, 1, at.x, at.y);
  kit.drawn(slot, name, [{ path, rule, paint: 0 }], [ink], { source: figure.source, ...more });
}

const SEPARATED = (n: Crest) =>
  n.separationPercent > 0
    ? { treatments: [{ kind: 'halo' as const, id: 'separation', widthPx: Math.max(0.1, (n.sizePx * n.separationPercent) / 100) }] }
    : {};

/** Behind the shield: tools, wreaths, mantling; beside it, supporters on their compartment. */
function around(kit: Kit, n: Crest, width: number): void {
  const h = n.sizePx;
  const ink = n.inkPaint;
  const mirrored = (slot: string, name: string) =>
    kit.add({ kind: 'symmetry', id: slot, name, members: [`${slot}-one`], rule: 'mirror', centerX: 0, centerY: 0, axisDeg: 90 });
  if (n.flourish !== 'none') {
    if (n.flourish === 'scrollPair')
      kit.shape('flourish', 'Flourish', sizedForm('scrollPair', { widthPx: width * 1.9 }), ink, { x: 0, y: h * 0.5 });
    else if (n.flourish === 'mantling')
      kit.shape('flourish', 'Mantling', { form: 'mantling', widthPx: width * 1.85, heightPx: h * 1.12 }, ink, { x: 0, y: -h * 0.04 });
    else if (n.flourish === 'acanthus') {
      kit.shape('flourish-one', 'Flourish', { form: 'acanthus', widthPx: width * 0.62, heightPx: h * 0.4, mirrored: 0 }, ink, {
        x: width * 0.82,
        y: h * 0.3,
      });
      mirrored('flourish', 'Flourishes');
    } else {
      const radius = Math.hypot(width / 2, h / 2) * 1.12;
      const wreath = formOf({ form: n.flourish, radiusPx: radius, sweepDeg: 138 });
      kit.shape('flourish', 'Wreath', wreath as unknown as FormInput, ink, { x: 0, y: -h * 0.02 });
    }
  }
  if (n.crossed !== 'none') {
    const long = n.crossed === 'anchor' ? h * 1.2 : h * 1.62;
    kit.shape(
      'crossed-one',
      `${formKind(n.crossed).label}, crossed`,
      sizedForm(n.crossed, { heightPx: long }),
      ink,
      { x: 0, y: -h * 0.03 },
      { turnDeg: n.crossed === 'arrow' ? -52 : 38 },
    );
    mirrored('crossed', 'Crossed');
  }
  const foot = h * 0.5;
  if (n.supporters !== 'none') {
    const wanted = n.supporters === 'wing' ? h * 0.62 : n.supporters === 'fish' ? h * 0.42 : h * 0.82;
    const one = figure(kit, n, n.supporters, wanted, width * 0.9);
    if (one) {
      const x = width * 0.58 + one.wide / 2;
      putFigure(kit, 'supporters-one', one, ink, { x, y: n.supporters === 'wing' ? -h * 0.02 : foot - one.tall / 2 });
      if (n.sides === 'both') mirrored('supporters', 'Supporters');
      // One alone on the left is the same picture, turned to the shield.
      else if (n.sides === 'left') {
        const alone = kit.parts.at(-1) as KnownPart;
        kit.parts[kit.parts.length - 1] = { ...alone, place: { ...alone.place, x: -x, flip: true } };
      }
    }
  }
  if (n.compartment !== 'none')
    kit.shape('compartment', 'Compartment', sizedForm(n.compartment, { widthPx: width * 2.3 }), ink, { x: 0, y: foot + h * 0.05 });
  if (n.top === 'helm' && n.flourish !== 'mantling')
    kit.shape('mantling', 'Mantling', { form: 'mantling', widthPx: width * 1.6, heightPx: h * 0.82 }, ink, { x: 0, y: -h * 0.36 });
}

/** The shield itself; a heater where the piece that it was to be is gone. */
function containerOf(kit: Kit, n: Crest): Figure {
  const found = figure(kit, n, n.container, n.sizePx, n.sizePx * 1.6) ?? formFigure('heaterShield', { heightPx: n.sizePx });
  // A field has no holes: those of a piece that was brought are filled.
  return { ...found, name: 'Shield', ...('area' in found ? { area: withoutHoles(found.area) } : {}) };
}

/** What stands above the shield: crowns by their width, what was brought by its height. */
function topOf(kit: Kit, n: Crest, width: number): Figure | undefined {
  if (n.top === 'none') return undefined;
  if (ownWordOf(n.top) !== undefined) return figure(kit, n, n.top, n.sizePx * 0.5, width);
  return formFigure(n.top as FormName, { widthPx: width * (n.top === 'helm' ? 0.42 : 0.66) });
}

/** The words on the banner; none where there is no banner. */
const mottoOf = (kit: Kit, n: Crest): string => (n.withBanner ? (n.motto || kit.context.heard.second || '').trim() : '');

/** A banner below or above, and the motto fitted to it. */
function motto(kit: Kit, n: Crest, y: number): void {
  const text = mottoOf(kit, n);
  if (text === '') return;
  const font = kit.face(n.family);
  const h = n.sizePx;
  const heightPx = h * 0.15;
  const natural = kit.lineWidth(text, font, 120, 'upper') * heightPx * 0.52;
  const widthPx = Math.min(h * 2.1, Math.max(h * 0.95, natural / (n.banner === 'scroll' ? 0.8 : 0.66)));
  const hanging = n.banner.startsWith('hanging');
  const bend = hanging ? { bendDeg: -42 } : n.banner.startsWith('arched') ? { bendDeg: 42 } : {};
  const banner = kit.shape('banner', 'Motto banner', { form: n.banner, widthPx, heightPx, ...bend } as FormInput, n.inkPaint, { x: 0, y });
  if (n.separationPercent > 0)
    kit.parts[kit.parts.length - 1] = {
      ...banner,
      treatments: [
        { kind: 'halo', id: 'separation', hidden: false, widthPx: Math.max(0.1, (h * n.separationPercent) / 100), join: 'round' },
      ],
    };
  const words = bannerWords('motto', text, banner as Shape, font.family);
  kit.add({ ...words, name: 'Motto', font, paint: n.groundPaint } as Parameters<Kit['add']>[0]);
}

const arms = (more: z.input<typeof armsSchema>): Arms => armsSchema.parse(more);

function starts(): readonly BuilderStart[] {
  const start = (id: string, label: string, numbers: z.input<typeof schema>): BuilderStart => ({
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

/** A shield with its field and charges, and all that stands around it. */
export const crest: Builder<typeof schema> = {
  schema,
  label: 'Crest',
  words: ['arms', 'coat of arms', 'shield', 'heraldry', 'blazon', 'motto', 'club', 'supporters', 'quarterly', 'crown'],
  hint: 'A shield with its field and charges, a crown, a motto',
  describe: ({ arms: on }) => writeBlazon(on),
  controls: [
    {
      type: 'blazon',
      field: 'arms',
      label: 'Blazon',
      hint: 'What stands on the shield, in the terms of heraldry; what is not understood is named',
    },
    {
      type: 'words',
      field: 'motto',
      label: 'Motto',
      hint: 'Stands on the banner and is fitted to it',
      placeholder: 'the second line',
      when: (n) => n['withBanner'] === true,
    },
    {
      type: 'choice',
      field: 'container',
      label: 'Container',
      hint: 'The form of the shield, or a piece of your own',
      options: options(CONTAINERS),
      more: ownOptions,
    },
    {
      type: 'choice',
      field: 'top',
      label: 'Above',
      hint: 'What stands above the shield',
      options: options(TOPS),
      more: ownOptions,
    },
    {
      type: 'choice',
      field: 'crossed',
      label: 'Crossed behind',
      hint: 'Two tools crossed behind the shield, a live mirror pair',
      options: options(CROSSED),
    },
    {
      type: 'choice',
      field: 'supporters',
      label: 'Supporters',
      hint: 'What stands to either side, a live mirror pair',
      options: options(SUPPORTERS),
      more: ownOptions,
    },
    {
      type: 'choice',
      field: 'sides',
      label: 'Supporters stand',
      hint: 'On both sides as a live mirror pair, or one alone',
      options: options(SIDES),
      when: (n) => n['supporters'] !== 'none',
    },
    { type: 'choice', field: 'compartment', label: 'Stands on', hint: 'What the supporters stand on', options: options(COMPARTMENTS) },
    { type: 'choice', field: 'flourish', label: 'Flourish', hint: 'What completes the silhouette', options: options(FLOURISHES) },
    { type: 'tick', field: 'withBanner', label: 'Motto banner', hint: 'A banner with the motto, below the shield' },
    {
      type: 'choice',
      field: 'banner',
      label: 'Banner',
      hint: 'What the motto stands on',
      options: options(BANNERS),
      when: (n) => n['withBanner'] === true,
    },
    { type: 'tick', field: 'name', label: 'Name panel', hint: 'The name on a panel below' },
    { type: 'tick', field: 'hatched', label: 'Engraved in one color', hint: 'Lines and dots stand for the tinctures, as in old prints' },
    {
      type: 'number',
      field: 'smallestPx',
      label: 'Smallest height',
      unit: 'px',
      hint: 'Where the crest is met smallest: the lines stay open there',
      when: (n) => n['hatched'] === true,
    },
    { type: 'number', field: 'edgePercent', label: 'Edge', unit: '%', hint: 'How heavy the shield’s edge is' },
    {
      type: 'number',
      field: 'separationPercent',
      label: 'Separation',
      unit: '%',
      hint: 'White between what lies in front and what lies behind',
    },
    { type: 'tick', field: 'backing', label: 'Backing', hint: 'A ground behind all of it, so that it stands apart from anything' },
    { type: 'number', field: 'sizePx', label: 'Size', unit: 'px', hint: 'Height of the shield' },
    { type: 'face', field: 'family', label: 'Face', hint: 'The face of motto and name' },
    { type: 'paint', field: 'inkPaint', label: 'Color', hint: 'Edge, banner, and all that stands around' },
    { type: 'paint', field: 'groundPaint', label: 'Light color', hint: 'What is light in it' },
    ...TINCTURES.map((tincture) => ({
      type: 'paint' as const,
      field: `${tincture}Paint`,
      label: tincture.replace(/^./, (letter) => letter.toUpperCase()),
      hint: `What ${tincture} is painted with`,
      when: (n: Readonly<Record<string, unknown>>) => n['hatched'] !== true && JSON.stringify(n['arms']).includes(`"${tincture}"`),
    })),
  ],
  starts,
  families: ({ family }) => [family],
  build: (n, context) => {
    const kit = new Kit(context);
    const { paths, remember } = context;
    const h = n.sizePx;
    const shield = containerOf(kit, n);
    const width = shield.wide;
    const edge = (h * n.edgePercent) / 100;
    around(kit, n, width);
    putFigure(kit, 'shield', shield, n.inkPaint, { x: 0, y: 0 }, SEPARATED(n));
    const light = edge * 0.5;
    const outline = outlineOfFigure(shield);
    const inside = remember(`shield ${JSON.stringify([outline.path, edge])}`, () => {
      const welded = paths.weld([outline]);
      return { line: shrunk(welded, edge * 0.5, paths, 'miter'), field: shrunk(welded, edge, paths, 'miter') };
    });
    if (light > 0) kit.drawn('shield-line', 'Inner line', [{ path: inside.line.path, rule: inside.line.rule, paint: 0 }], [n.groundPaint]);
    const show: Showing = {
      ...{ paints: paintsOf(n), hatched: n.hatched, ink: n.inkPaint, ground: n.groundPaint },
      pitchPx: Math.max(h / 90, (2.6 * h) / n.smallestPx),
      linePx: Math.max(h / 320, (0.95 * h) / n.smallestPx),
    };
    drawField({ kit, show, inside: inside.field, own: n.own }, n.arms);
    const above = topOf(kit, n, width);
    if (above) putFigure(kit, 'top', above, n.inkPaint, { x: 0, y: -h / 2 - above.tall / 2 - h * 0.035 }, SEPARATED(n));
    const below = mottoOf(kit, n) === '' ? h * 0.5 + h * 0.1 : h * 0.5 + h * 0.2;
    motto(kit, n, h * 0.5 + h * (n.banner.startsWith('hanging') ? 0.05 : 0.16));
    if (n.name) {
      const text = context.heard.text.replace(/\s*\n\s*/g, ' ');
      const font = kit.face(n.family);
      const y = below + h * 0.16;
      const cap = kit.outline('H', font)?.capHeight ?? 0.7;
      const sizePx = Math.min((h * 0.1) / cap, (width * 1.7) / Math.max(0.1, kit.lineWidth(text, font, 120, 'upper')));
      kit.shape('name-panel', 'Name panel', { form: 'panel', widthPx: width * 1.86, heightPx: h * 0.17, cornerPx: 0 }, n.inkPaint, {
        x: 0,
        y,
      });
      kit.add({
        kind: 'lettering',
        id: 'name',
        name: 'Name',
        text,
        case: 'upper',
        font,
        sizePx: Math.max(1, sizePx),
        trackingPermille: 120,
        paint: n.groundPaint,
        place: { x: 0, y: y + (cap * sizePx) / 2, turnDeg: 0 },
      });
    }
    for (const fault of tinctureFaults(n.arms))
      kit.note(
        'rule-of-tincture',
        `${fault} Seen from afar the two run together.`,
        'Exchange a metal for a color, or keep it: the rule is old, and often broken.',
      );
    if (n.backing) {
      const taken = new Set(kit.parts.flatMap((part) => ('members' in part ? part.members : [])));
      kit.add({
        kind: 'group',
        id: 'all',
        name: 'All of it',
        members: kit.parts.filter(({ id }) => !taken.has(id)).map(({ id }) => id),
        treatments: [{ kind: 'welding-band', id: 'backing', widthPx: Math.max(0.1, h * 0.045), counters: 'all', paint: n.groundPaint }],
      });
    }
    return kit.made();
  },
};
