import {
  swatchColor,
  unpackTones,
  watermarkDrawing,
  watermarkSources,
  type ColorKey,
  type LaidStamp,
  type LaidWatermark,
  type Palette,
  type PathAlgebra,
  type PhotoOutput,
  type Protection,
  type Recipe,
  type ShippedFamily,
  type Watermark,
  type WatermarkSource,
} from '$core/index';
import { drawMark } from '../draw-mark';
import { refuse } from '../http/problem-error';

/** What marking a photo or pages of a PDF needs of the brand and of the desk. */
export interface MarkingOrder {
  readonly recipes: ReadonlyMap<string, Recipe>;
  readonly palette: Palette;
  readonly ownFamilies: readonly ShippedFamily[];
  readonly ownPictures: ReadonlySet<string>;
  readonly output: PhotoOutput;
  /** Lines about where the marks come from, written into the file. */
  readonly rights: readonly string[];
}
/** A photo or a page, and what is laid over it. */
export interface UnderWatermark {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly tones: { readonly columns: number; readonly rows: number; readonly bytes: Uint8Array };
  readonly watermark: Watermark;
}

/** What became of a marked photo or document, as it is kept beside it. */
export interface PhotoReport {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly stamps: readonly Pick<LaidStamp, 'id' | 'choice'>[];
  readonly protectedShare: number;
  readonly free: Protection['free'];
  readonly disturbs: number;
  readonly notes: readonly string[];
  /** Of a PDF: the pages that are marked, from 1. */
  readonly pages?: readonly number[];
}
/** What is told of what was laid. */
export const reportOf = ({ stamps, protection }: LaidWatermark): Omit<PhotoReport, 'widthPx' | 'heightPx' | 'notes'> => ({
  stamps: stamps.map(({ id, choice }) => ({ id, ...(choice ? { choice } : {}) })),
  protectedShare: protection.share,
  free: protection.free,
  disturbs: protection.disturbs,
});

/** The marks of all these watermarks, each drawn once. @throws a refusal where a stamp shows nothing */
export async function sourcesOf(
  { recipes, palette, ownFamilies }: MarkingOrder,
  watermarks: readonly Watermark[],
): Promise<ReadonlyMap<string, WatermarkSource>> {
  const veil = watermarks.find((watermark) => watermark.veil)?.veil;
  const all: Watermark = { stamps: watermarks.flatMap(({ stamps }) => stamps), ...(veil ? { veil } : {}) };
  const sources = await watermarkSources(all, recipes, (recipe, dressing) =>
    drawMark({ recipe, sources: recipes, palette, dressing }, ownFamilies),
  );
  if (all.stamps.some(({ mark }) => !sources.has(mark)))
    throw refuse(
      422,
      'nothing-drawn',
      'A stamp shows a mark that is gone or draws nothing.',
      'Choose another mark for it, or remove the stamp.',
    );
  return sources;
}

/** The watermark of a photo or a page, in its pixels. */
export const laidOver = (
  { widthPx, heightPx, tones, watermark }: UnderWatermark,
  sources: ReadonlyMap<string, WatermarkSource>,
  { palette }: Pick<MarkingOrder, 'palette'>,
  paths: PathAlgebra,
): LaidWatermark =>
  watermarkDrawing(watermark, sources, {
    photo: { widthPx, heightPx },
    tones: unpackTones(tones.columns, tones.rows, tones.bytes),
    colors: { light: palette.paper, dark: palette.ink, swatch: (key) => swatchColor(palette, key as ColorKey) },
    paths,
  });

/** The copyright, and where the marks come from, as one line. */
export const saidRights = ({ output, rights }: MarkingOrder): string => [output.copyright, ...rights].filter(Boolean).join('; ');

const xmlText = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
/** What is said of a photo inside of it. @source ISO 16684-1 (XMP): Dublin Core and Rights Management; IPTC Core 1.3 names the same properties */
export function xmpOf(order: MarkingOrder): string {
  const { creator } = order.output;
  const said = saidRights(order);
  return (
    '<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?><x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">' +
    '<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmpRights="http://ns.adobe.com/xap/1.0/rights/">' +
    (creator ? `<dc:creator><rdf:Seq><rdf:li>${xmlText(creator)}</rdf:li></rdf:Seq></dc:creator>` : '') +
    (said
      ? `<dc:rights><rdf:Alt><rdf:li xml:lang="x-default">${xmlText(said)}</rdf:li></rdf:Alt></dc:rights><xmpRights:Marked>True</xmpRights:Marked>`
      : '') +
    '</rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="w"?>'
  );
}
