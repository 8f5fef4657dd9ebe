import { ownWordOf, TINCTURES } from '../../../heraldry';
import { formKind, type FormName } from '../../../shapes';
import type { Builder } from '../../building/builder';
import type { OwnPiece } from '../own-piece';
import { BANNERS, COMPARTMENTS, CONTAINERS, CROSSED, FLOURISHES, SIDES, SUPPORTERS, TOPS, type crestSchema } from './numbers';

const labelOf = (form: string): string =>
  ownWordOf(form) ??
  (form === 'none' || (SIDES as readonly string[]).includes(form) ? form : formKind(form as FormName).label.toLowerCase());
const options = (values: readonly string[]) => values.map((value) => ({ value, label: labelOf(value) }));
/** What was brought can stand around the shield as well. */
const ownOptions = (numbers: Readonly<Record<string, unknown>>) =>
  (numbers['own'] as readonly OwnPiece[]).map(({ word }) => ({ value: `own:${word}`, label: word }));

/** What is changed of a crest by hand. */
export const CONTROLS: Builder<typeof crestSchema>['controls'] = [
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
];
