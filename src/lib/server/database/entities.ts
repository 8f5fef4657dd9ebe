import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import type { Palette, RevisionKind } from '$core/index';

/** One client's brand. */
export const Brand = defineEntity({
  name: 'Brand',
  tableName: 'brand',
  properties: {
    id: p.uuid().primary(),
    slug: p.string().unique(),
    name: p.string(),
    about: p.text().default(''),
    /** Number of the newest palette. */
    paletteNumber: p.integer(),
    createdAt: p.datetime(),
  },
});

/** A brand's palette as it was saved once; append-only, the newest number counts. */
export const SavedPalette = defineEntity({
  name: 'SavedPalette',
  tableName: 'palette',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    number: p.integer(),
    colors: p.json<Palette>(),
    createdAt: p.datetime(),
  },
});

export const MARK_ROLES = ['primary', 'secondary', 'submark', 'icon', 'watermark'] as const;

/** One logo form of a brand. Its recipe is its newest revision. */
export const Mark = defineEntity({
  name: 'Mark',
  tableName: 'mark',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    slug: p.string(),
    name: p.string(),
    role: p.string().$type<(typeof MARK_ROLES)[number]>(),
    position: p.integer(),
    /** Number of the newest revision. */
    revisionNumber: p.integer(),
    createdAt: p.datetime(),
  },
});

/** A mark's recipe as it was saved once; append-only. */
export const Revision = defineEntity({
  name: 'Revision',
  tableName: 'revision',
  properties: {
    /** Chosen by whoever saves, so that a repeated save is recognized. */
    id: p.uuid().primary(),
    mark: () => p.manyToOne(Mark),
    number: p.integer(),
    kind: p.string().$type<RevisionKind>(),
    /** What was done, in words. */
    gesture: p.string(),
    recipe: p.json<unknown>(),
    createdAt: p.datetime(),
  },
});

export type BrandRow = InferEntity<typeof Brand>;
export type MarkRow = InferEntity<typeof Mark>;
export type RevisionRow = InferEntity<typeof Revision>;

export const entities = [Brand, SavedPalette, Mark, Revision];
