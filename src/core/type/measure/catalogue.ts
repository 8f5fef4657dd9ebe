import type { Axis, Typeface } from '../typeface';
import { scriptsCovered } from './coverage';
import { kerningPairs } from './kerning-pairs';
import { measureFace, type FaceMeasures } from './measure-face';

/** What a face offers beyond its plain letters, told by its layout features. @source OpenType layout tag registry */
const OFFERS = {
  'small caps': /^(smcp|c2sc)$/,
  swashes: /^(swsh|cswh)$/,
  alternates: /^(salt|ss\d\d|cv\d\d|calt|titl|hist)$/,
  ligatures: /^(liga|dlig|hlig)$/,
  'old-style figures': /^onum$/,
  'lining figures': /^lnum$/,
  'tabular figures': /^tnum$/,
} as const;
export type Offer = keyof typeof OFFERS;
export const OFFER_NAMES = Object.keys(OFFERS) as readonly Offer[];

/** One face in the catalogue: everything the type room needs to know about it without opening it. */
export interface CatalogueEntry {
  readonly measures: FaceMeasures;
  readonly unread: readonly (keyof FaceMeasures)[];
  readonly scripts: readonly string[];
  readonly characterCount: number;
  readonly kerningPairs: number;
  readonly offers: readonly Offer[];
  readonly features: readonly string[];
  readonly axes: readonly Axis[];
}

/** Measures a face into its catalogue entry, with its axes at rest. */
export function catalogueEntry(face: Typeface): CatalogueEntry {
  const { measures, unread } = measureFace(face);
  return {
    measures,
    unread,
    scripts: scriptsCovered(face),
    characterCount: face.characterCount,
    kerningPairs: kerningPairs(face),
    offers: OFFER_NAMES.filter((offer) => face.features.some((tag) => OFFERS[offer].test(tag))),
    features: face.features,
    axes: face.axes,
  };
}
