import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import type { CatalogueEntry, MarkRole, PictureColor, Problem, RevisionKind, WantedFile } from '$core/index';
import type { GroundName } from '$core/pictures';
import type { FileVerdict } from '../verify/verdict';
import { author } from '../http/author';
import { Account, Person, Session, Studio } from './people-entities';
import type { PhotoReport } from '../photos/laid-over';
import type { PhotoFacts } from '../photos/taken-photo';

/** Who made a version, and from where. */
const made = () => ({
  madeBy: p
    .text()
    .default('')
    .onCreate(() => author().name),
  madeFrom: p
    .text()
    .default('')
    .onCreate(() => author().from),
});

/** Which revisions a pack shows: of the palette, of every mark by its id, and of the brand's documents by their kind. */
export interface HandoverBasis {
  readonly palette: number;
  readonly marks: Readonly<Record<string, number>>;
  /** Missing where a pack is older than this, or came in with a brand file, which holds the newest documents alone. */
  readonly documents?: Readonly<Record<string, number>>;
}
/** What one file shows: the revisions of its mark and of those that it follows, and a digest of all that its picture depends on. */
export interface FileBasis extends Omit<HandoverBasis, 'documents'> {
  readonly digest: string;
}

/** One client's brand. */
export const Brand = defineEntity({
  name: 'Brand',
  tableName: 'brand',
  properties: {
    id: p.uuid().primary(),
    /** Its address, one of its kind within the studio. */
    slug: p.string(),
    studio: () => p.manyToOne(Studio),
    name: p.string(),
    about: p.text().default(''),
    /** Number of the newest palette. */
    paletteNumber: p.integer(),
    createdAt: p.datetime(),
    /** Chosen by whoever asked for the brand, so that a repeated request is recognized. */
    requestKey: p.uuid().nullable(),
    /** Its place in the studio's own order. */
    position: p.integer().default(0),
    archivedAt: p.datetime().nullable(),
    removedAt: p.datetime().nullable(),
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
    kind: p.string().$type<RevisionKind>().default('edit'),
    gesture: p.string().default('Change'),
    ...made(),
    colors: p.json<unknown>(),
    createdAt: p.datetime(),
  },
});

/** One logo form of a brand. Its recipe is its newest revision. */
export const Mark = defineEntity({
  name: 'Mark',
  tableName: 'mark',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    slug: p.string(),
    name: p.string(),
    role: p.string().$type<MarkRole>(),
    position: p.integer(),
    /** Number of the newest revision. */
    revisionNumber: p.integer(),
    createdAt: p.datetime(),
    archivedAt: p.datetime().nullable(),
    removedAt: p.datetime().nullable(),
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
    ...made(),
    recipe: p.json<unknown>(),
    createdAt: p.datetime(),
  },
});

/** Another version of a mark, kept beside it; removing is a date, so that it can be undone. */
export const Try = defineEntity({
  name: 'Try',
  tableName: 'try',
  properties: {
    id: p.uuid().primary(),
    mark: () => p.manyToOne(Mark),
    name: p.string(),
    ...made(),
    recipe: p.json<unknown>(),
    createdAt: p.datetime(),
    removedAt: p.datetime().nullable(),
  },
});

/** A brand's document of one kind (brief, board, type desk) as it was saved once; append-only, the newest number counts. */
export const SavedDocument = defineEntity({
  name: 'SavedDocument',
  tableName: 'document',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    /** Which document: brief, board, type desk. */
    document: p.string().fieldName('document_kind'),
    number: p.integer(),
    kind: p.string().$type<RevisionKind>().default('edit'),
    gesture: p.string().default('Change'),
    ...made(),
    content: p.json<unknown>(),
    createdAt: p.datetime(),
  },
});

/** A picture that a brand's board shows; the file lies under its digest. */
export const Picture = defineEntity({
  name: 'Picture',
  tableName: 'picture',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    sha256: p.string(),
    name: p.string(),
    widthPx: p.integer(),
    heightPx: p.integer(),
    colors: p.json<readonly PictureColor[]>(),
    createdAt: p.datetime(),
    /** The brand that lent it, when it came from another one. */
    lentBy: () => p.manyToOne(Brand).nullable(),
  },
});

/** A font that a client brought, private to the brand; the file lies under its digest. */
export const OwnFont = defineEntity({
  name: 'OwnFont',
  tableName: 'own_font',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    sha256: p.string(),
    family: p.string(),
    name: p.string(),
    sizeBytes: p.integer(),
    entry: p.json<CatalogueEntry>(),
    embedding: p.string(),
    rights: p.text(),
    createdAt: p.datetime(),
    /** Removed fonts are no longer offered; marks that use one keep their pictures. */
    removedAt: p.datetime().nullable(),
  },
});

/** A pack of files as it was ordered once; the newest number is the newest. */
export const Handover = defineEntity({
  name: 'Handover',
  tableName: 'handover',
  properties: {
    /** Chosen by whoever asks, so that a repeated request is recognized. */
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    number: p.integer(),
    name: p.text(),
    /** The plan that it was made by. */
    plan: p.json<unknown>(),
    /** Which revisions of marks and palette it shows. */
    basis: p.json<HandoverBasis>(),
    ...made(),
    createdAt: p.datetime(),
    removedAt: p.datetime().nullable(),
  },
});

export const FILE_STATES = ['waiting', 'making', 'done', 'failed', 'stopped'] as const;
export type FileState = (typeof FILE_STATES)[number];

/** One file of a pack: what it is to be, and what has become of it. */
export const HandoverFile = defineEntity({
  name: 'HandoverFile',
  tableName: 'handover_file',
  properties: {
    id: p.uuid().primary(),
    handover: () => p.manyToOne(Handover),
    position: p.integer(),
    /** Its path within the pack. */
    name: p.text(),
    wanted: p.json<WantedFile>(),
    /** What it shows, as a digest: the same digest is the same picture. */
    basis: p.json<FileBasis>(),
    state: p.string().$type<FileState>(),
    jobId: p.uuid().nullable(),
    sha256: p.string().nullable(),
    sizeBytes: p.bigint('number').nullable(),
    verdict: p.json<FileVerdict>().nullable(),
    /** Why it could not be made. */
    reason: p.json<readonly Problem[]>().nullable(),
    tries: p.integer().default(0),
    worker: p.text().nullable(),
    madeAt: p.datetime().nullable(),
  },
});

/** A file that was sent to the print desk, and its answer. */
export const PrintOrder = defineEntity({
  name: 'PrintOrder',
  tableName: 'print_order',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    handoverFile: () => p.manyToOne(HandoverFile),
    process: p.string(),
    wanted: p.json<unknown>(),
    answer: p.json<unknown>().nullable(),
    askedAt: p.datetime(),
    dueAt: p.datetime().nullable(),
    answeredAt: p.datetime().nullable(),
  },
});

/** A photo of a brand, kept as it came. */
export const Photo = defineEntity({
  name: 'Photo',
  tableName: 'photo',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    sha256: p.string(),
    /** Which page of a PDF it is, from 1; nought where it is a photo. */
    page: p.integer().default(0),
    /** A smaller copy to look at. */
    preview: p.string(),
    name: p.text(),
    facts: p.json<PhotoFacts>(),
    sizeBytes: p.bigint('number'),
    toneColumns: p.integer(),
    toneRows: p.integer(),
    /** How light and how busy each cell of it is; two bytes a cell. */
    tones: p.blob(),
    position: p.integer(),
    createdAt: p.datetime(),
    removedAt: p.datetime().nullable(),
  },
});

/** Photos that were marked in one go, with what was laid over them and as which revisions. */
export const PhotoRun = defineEntity({
  name: 'PhotoRun',
  tableName: 'photo_run',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    number: p.integer(),
    name: p.text(),
    desk: p.json<unknown>(),
    basis: p.json<HandoverBasis>(),
    ...made(),
    createdAt: p.datetime(),
    removedAt: p.datetime().nullable(),
  },
});

/** One photo of a run: what it is called, and what has become of it. */
export const PhotoFile = defineEntity({
  name: 'PhotoFile',
  tableName: 'photo_file',
  properties: {
    id: p.uuid().primary(),
    run: () => p.manyToOne(PhotoRun),
    photo: () => p.manyToOne(Photo),
    /** Of a PDF: all its pages that are marked, by their ids in their order. */
    pages: p.json<readonly string[]>().nullable(),
    position: p.integer(),
    name: p.text(),
    state: p.string().$type<FileState>(),
    jobId: p.uuid().nullable(),
    sha256: p.string().nullable(),
    sizeBytes: p.bigint('number').nullable(),
    verdict: p.json<PhotoReport>().nullable(),
    reason: p.json<readonly Problem[]>().nullable(),
    tries: p.integer().default(0),
    worker: p.text().nullable(),
    madeAt: p.datetime().nullable(),
  },
});

/** A picture that was asked for in words: how far it is, and which picture of the brand came of it. */
export const PictureOrder = defineEntity({
  name: 'PictureOrder',
  tableName: 'picture_order',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    words: p.text(),
    ground: p.text().$type<GroundName>(),
    seed: p.integer(),
    service: p.text(),
    state: p.string().$type<FileState>(),
    done: p.integer().default(0),
    of: p.integer().default(0),
    jobId: p.uuid().nullable(),
    sha256: p.string().nullable(),
    widthPx: p.integer().nullable(),
    heightPx: p.integer().nullable(),
    reason: p.json<readonly Problem[]>().nullable(),
    tries: p.integer().default(0),
    worker: p.text().nullable(),
    ...made(),
    createdAt: p.datetime(),
    madeAt: p.datetime().nullable(),
    removedAt: p.datetime().nullable(),
  },
});

/** An address under which a client sees a brand: what it shows, and until when. */
export const ClientLink = defineEntity({
  name: 'ClientLink',
  tableName: 'client_link',
  properties: {
    id: p.uuid().primary(),
    brand: () => p.manyToOne(Brand),
    name: p.text(),
    tokenSha256: p.string().fieldName('token_sha256'),
    wordHash: p.text().nullable(),
    marks: p.json<readonly string[]>(),
    /** Tries of those marks that are compared. */
    tries: p.json<readonly string[]>(),
    /** Packs that are fetched whole. */
    packs: p.json<readonly string[]>(),
    ...made(),
    createdAt: p.datetime(),
    endsAt: p.datetime().nullable(),
    endedAt: p.datetime().nullable(),
  },
});

/** What a client said of a mark: a note, or a yes to the version that was shown. */
export const ClientNote = defineEntity({
  name: 'ClientNote',
  tableName: 'client_note',
  properties: {
    id: p.uuid().primary(),
    link: () => p.manyToOne(ClientLink),
    mark: () => p.manyToOne(Mark),
    revision: p.integer(),
    /** The try it is about, where it is not the mark itself. */
    try: () => p.manyToOne(Try).nullable(),
    /** The part that was pointed at. */
    part: p.text().nullable(),
    kind: p.string().$type<'note' | 'yes'>(),
    x: p.float().nullable(),
    y: p.float().nullable(),
    name: p.text(),
    text: p.text().default(''),
    createdAt: p.datetime(),
    answer: p.text().nullable(),
    answeredBy: p.text().nullable(),
    answeredAt: p.datetime().nullable(),
    closedAt: p.datetime().nullable(),
  },
});

export type BrandRow = InferEntity<typeof Brand>;
export type MarkRow = InferEntity<typeof Mark>;
export type TryRow = InferEntity<typeof Try>;
export type RevisionRow = InferEntity<typeof Revision>;

export const entities = [
  Studio,
  Person,
  Account,
  Session,
  Brand,
  SavedPalette,
  Mark,
  Revision,
  Try,
  SavedDocument,
  Picture,
  OwnFont,
  Handover,
  HandoverFile,
  PrintOrder,
  Photo,
  PhotoRun,
  PhotoFile,
  PictureOrder,
  ClientLink,
  ClientNote,
];
