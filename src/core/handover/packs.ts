import type { Use } from '../brand/brief';
import type { MarkRole } from '../brand/mark-roles';
import type { Dressing } from '../color/dressings';
import type { FormatName } from '../output/file-formats';
import type { PdfColors } from '../output/pdf';

/** A size that files of a pack are made in; without a height it follows the mark. */
export interface PackSize {
  readonly label: string;
  readonly width?: number;
  readonly height?: number;
  readonly unit: 'px' | 'mm' | 'in';
  readonly dpi?: number;
  readonly airPercent?: number;
  readonly bleedMm?: number;
  readonly round?: true;
  readonly crisp?: true;
  /** Chosen to begin with. */
  readonly first?: true;
}

/** One pack: the files that one use asks for. */
export interface PackKind {
  readonly label: string;
  /** What the client does with it, in their words. */
  readonly client: string;
  /** Uses of a brief that ask for it; without any it is offered, not chosen. */
  readonly uses: readonly Use[];
  /** Roles of marks that suit it, the best first; the first that the family has are chosen. */
  readonly roles: readonly MarkRole[];
  /** How many marks are chosen to begin with. */
  readonly marks: number;
  readonly dressings: readonly Dressing[];
  readonly formats: readonly FormatName[];
  readonly sizes: readonly PackSize[];
  /** In which colors its PDFs are written. */
  readonly colors?: PdfColors;
  /** For machines: one outline for each color, nothing lying on anything else. */
  readonly welded?: true;
  /** The marks are shown on these goods to begin with; no colorways are chosen, each goods has its own. */
  readonly goods?: readonly string[];
  /** It holds pieces, each in its own size and colors: no colorways and sizes are chosen. */
  readonly pieces?: true;
  /** A manifest for browsers goes with it. */
  readonly manifest?: true;
}

/** Sizes in px are common practice unless a source stands beside them. */
export const PACKS = {
  profiles: {
    label: 'Profiles',
    client:
      'Your picture on social networks, in chats and mail. It is cropped to a circle there: everything that matters lies inside of it.',
    uses: ['profile'],
    ...{ roles: ['submark', 'icon', 'primary'], marks: 1 },
    dressings: ['full', 'reversed'],
    formats: ['png', 'jpg'],
    sizes: [
      { label: 'profile', width: 800, height: 800, unit: 'px', round: true, crisp: true, first: true },
      { label: 'large profile', width: 1080, height: 1080, unit: 'px', round: true, first: true },
      { label: 'small profile', width: 400, height: 400, unit: 'px', round: true, crisp: true },
    ],
  },
  posts: {
    label: 'Covers and posts',
    client: 'The mark in the middle of a post, and on the wide picture above a page.',
    uses: [],
    ...{ roles: ['primary', 'secondary'], marks: 1 },
    dressings: ['full', 'reversed'],
    formats: ['png'],
    sizes: [
      { label: 'square post', width: 1080, height: 1080, unit: 'px', airPercent: 12, first: true },
      { label: 'portrait post', width: 1080, height: 1350, unit: 'px', airPercent: 12 },
      { label: 'wide cover', width: 1640, height: 624, unit: 'px', airPercent: 14, first: true },
      { label: 'link preview', width: 1200, height: 630, unit: 'px', airPercent: 14 },
    ],
  },
  stories: {
    label: 'Stories',
    client: 'The mark on a tall picture for stories and tall covers, clear of where buttons lie.',
    uses: [],
    ...{ roles: ['secondary', 'submark', 'primary'], marks: 1 },
    dressings: ['full', 'white'],
    formats: ['png'],
    sizes: [{ label: 'story', width: 1080, height: 1920, unit: 'px', airPercent: 16, first: true }],
  },
  products: {
    label: 'Products',
    client: 'Large transparent pictures for shirts, bags, cups and everything that a shop prints on.',
    uses: ['goods', 'label'],
    ...{ roles: ['primary', 'secondary', 'submark'], marks: 2 },
    dressings: ['full', 'one-color', 'white'],
    formats: ['png'],
    sizes: [
      { label: 'shirt front', width: 4500, height: 5400, unit: 'px', dpi: 300, airPercent: 4, first: true },
      { label: 'cup, wide', width: 2700, height: 1125, unit: 'px', dpi: 300, airPercent: 5 },
      { label: 'tote, square', width: 3600, height: 3600, unit: 'px', dpi: 300, airPercent: 5 },
      { label: 'sticker', width: 1200, height: 1200, unit: 'px', dpi: 300, airPercent: 5 },
    ],
  },
  pieces: {
    label: 'Pieces',
    client:
      'Posts, cards, labels and shirts as they were laid out, each in its own size: PNG for screens and shops, PDF with its bleed for printers. Pages of a booklet share one PDF.',
    uses: [],
    ...{ roles: ['piece'], marks: 100 },
    dressings: [],
    formats: ['png', 'pdf'],
    pieces: true,
    sizes: [],
  },
  goods: {
    label: 'On goods',
    client: 'Pictures of the mark on goods, for your shop, your pages and for whoever prints it next. They are pictures, not print files.',
    uses: [],
    ...{ roles: ['primary', 'submark', 'secondary'], marks: 1 },
    dressings: [],
    formats: ['jpg'],
    goods: ['mug', 'tote', 'cards', 'sign'],
    sizes: [
      { label: 'large', width: 2000, unit: 'px', first: true },
      { label: 'for pages', width: 1200, unit: 'px' },
    ],
  },
  photos: {
    label: 'Photos',
    client: 'The watermark to be laid over photographs: large, to be made smaller, never larger.',
    uses: ['photos'],
    ...{ roles: ['watermark', 'submark', 'primary'], marks: 1 },
    dressings: ['white', 'black'],
    formats: ['png'],
    sizes: [
      { label: 'master', width: 3000, unit: 'px', first: true },
      { label: 'for small pictures', width: 800, unit: 'px' },
    ],
  },
  web: {
    label: 'Web icons',
    client: 'The small pictures in browser tabs and on home screens, with the list that browsers read.',
    uses: ['web'],
    ...{ roles: ['icon', 'submark', 'primary'], marks: 1 },
    dressings: ['full'],
    formats: ['png', 'ico', 'svg'],
    manifest: true,
    sizes: [
      { label: 'tab', width: 32, height: 32, unit: 'px', crisp: true, first: true },
      { label: 'home screen', width: 180, height: 180, unit: 'px', airPercent: 8, crisp: true, first: true },
      { label: 'app', width: 192, height: 192, unit: 'px', airPercent: 4, crisp: true, first: true },
      { label: 'app, large', width: 512, height: 512, unit: 'px', airPercent: 4, first: true },
    ],
  },
  site: {
    label: 'Website',
    client: 'The mark for the head of a page and for mails, on light and on dark.',
    uses: ['web'],
    ...{ roles: ['primary', 'secondary'], marks: 2 },
    dressings: ['full', 'reversed'],
    formats: ['svg', 'png', 'webp'],
    sizes: [
      { label: 'head of a page', width: 640, unit: 'px', airPercent: 2, first: true },
      { label: 'twice as fine', width: 1280, unit: 'px', airPercent: 2, first: true },
      { label: 'mail', width: 320, unit: 'px', airPercent: 2, crisp: true },
      { label: 'small web logo', width: 100, height: 100, unit: 'px', airPercent: 2, crisp: true },
    ],
  },
  print: {
    label: 'Print',
    client: 'For your printer: outlines, and the same as a large picture where no outlines are taken.',
    uses: ['print', 'card', 'sign', 'vehicle'],
    ...{ roles: ['primary', 'secondary', 'submark'], marks: 3 },
    dressings: ['full', 'one-color', 'reversed'],
    formats: ['pdf', 'tif'],
    colors: 'cmyk',
    sizes: [
      { label: 'up to a hand wide', width: 100, unit: 'mm', dpi: 300, airPercent: 2, first: true },
      // ISO/IEC 7810:2003, table 1: ID-1 is 85,60 × 53,98 mm.
      { label: 'card with bleed', width: 85.6, height: 53.98, unit: 'mm', dpi: 300, airPercent: 16, bleedMm: 3 },
      { label: 'sign', width: 600, unit: 'mm', dpi: 100, airPercent: 2 },
    ],
  },
  making: {
    label: 'Embroidery and cutting',
    client: 'Plain outlines in one color for machines that stitch, cut and engrave: nothing overlaps, nothing is a stroke.',
    uses: ['label', 'goods'],
    ...{ roles: ['submark', 'primary', 'icon'], marks: 2 },
    dressings: ['black'],
    formats: ['svg', 'pdf'],
    welded: true,
    sizes: [{ label: 'as it is', width: 80, unit: 'mm', first: true }],
  },
  letters: {
    label: 'Letters and slides',
    client: 'For documents, invoices and presentations: small enough to be sent, fine enough to be printed in an office.',
    uses: ['print'],
    ...{ roles: ['primary', 'secondary'], marks: 1 },
    dressings: ['full', 'one-color'],
    formats: ['png', 'pdf'],
    sizes: [
      { label: 'letterhead', width: 60, unit: 'mm', dpi: 300, first: true },
      { label: 'slide', width: 1600, unit: 'px', airPercent: 2, first: true },
    ],
  },
} as const satisfies Readonly<Record<string, PackKind>>;
export type PackName = keyof typeof PACKS;
export const PACK_NAMES = Object.keys(PACKS) as readonly PackName[];
export const packKind = (name: PackName): PackKind => PACKS[name];
