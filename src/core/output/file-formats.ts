/** What a file of a format can hold, and what is said of it. */
export interface FileFormat {
  /** As the designer chooses it. */
  readonly label: string;
  /** What is worth knowing before it is chosen, one sentence. */
  readonly about: string;
  /** What it is for, in the client's words. */
  readonly client: string;
  readonly mime: string;
  /** Made of pixels, so that a size in pixels is asked for. */
  readonly pixels: boolean;
  /** Whether it can be transparent; one that cannot needs a ground. */
  readonly clear: boolean;
  /** Whether it knows how large it is on paper. */
  readonly paper: boolean;
  /** Whether it can hold several marks, each on a page. */
  readonly pages?: true;
  /** Whether it holds sizes of its own, so that none is asked for. */
  readonly ownSizes?: true;
}

/**
 * The file formats a mark is handed over in, by the ending of their files; the first is offered first. Each has a writer and a reader on the server.
 * EPS is not among them: no well-kept package writes it, and it knows no transparency; a PDF does all that it is asked for.
 */
export const FILE_FORMATS = {
  png: {
    label: 'PNG, transparent',
    about: 'The ground is left out, not painted.',
    client: 'Transparent picture: for websites, documents, slides and printers who ask for a picture.',
    mime: 'image/png',
    ...{ pixels: true, clear: true, paper: true },
  },
  webp: {
    label: 'WebP, transparent',
    about: 'The ground is left out, not painted.',
    client: 'Small transparent picture for websites.',
    mime: 'image/webp',
    ...{ pixels: true, clear: true, paper: false },
  },
  jpg: {
    label: 'JPEG, on a ground',
    about: 'A JPEG cannot be transparent: its ground is painted.',
    client: 'Picture on a colored ground, for forms and shops that take nothing else. It is never transparent.',
    mime: 'image/jpeg',
    ...{ pixels: true, clear: false, paper: true },
  },
  svg: {
    label: 'SVG, outlines',
    about: 'SVG holds outlines only, so no font is needed to open it.',
    client: 'Outlines at any size, for websites, sign makers and everybody who draws.',
    mime: 'image/svg+xml',
    ...{ pixels: false, clear: true, paper: true },
  },
  pdf: {
    label: 'PDF, outlines',
    about: 'Outlines, transparent, no fonts; a picture among them has 300 pixels an inch.',
    client: 'Outlines at any size for printers, sign makers and shops that embroider.',
    mime: 'application/pdf',
    ...{ pixels: false, clear: true, paper: true, pages: true },
  },
  avif: {
    label: 'AVIF, on a ground',
    about: 'Very small, for websites that know it; its ground is painted.',
    client: 'Very small picture on a colored ground, for websites that know the format.',
    mime: 'image/avif',
    ...{ pixels: true, clear: false, paper: false },
  },
  tif: {
    label: 'TIFF, transparent',
    about: 'For printers who ask for it: exact pixels, transparent, with its size on paper.',
    client: 'Large exact picture for printers who ask for a TIFF.',
    mime: 'image/tiff',
    ...{ pixels: true, clear: true, paper: true },
  },
  ico: {
    label: 'ICO, 16 to 256 px',
    about: 'Holds the icon at seven sizes, each drawn for itself.',
    client: 'The small picture in a browser tab and on a desktop.',
    mime: 'image/x-icon',
    ...{ pixels: false, clear: true, paper: false, ownSizes: true },
  },
} as const satisfies Readonly<Record<string, FileFormat>>;
export type FormatName = keyof typeof FILE_FORMATS;
export const FORMAT_NAMES = Object.keys(FILE_FORMATS) as readonly FormatName[];
export const isFormat = (name: string): name is FormatName => Object.hasOwn(FILE_FORMATS, name);
export const formatOf = (name: FormatName): FileFormat => FILE_FORMATS[name];
