import { inflateSync } from 'node:zlib';
import sharp, { type Sharp } from 'sharp';
import {
  boundsOf,
  weightOf,
  processOf,
  thinPlace,
  type Delivery,
  type FormatName,
  type ProcessName,
  type Region,
  type ThinPlace,
} from '$core/index';
import { importSvg } from '$core/svg-import';
import { pathAlgebra } from '../fonts';
import { MOST_PIXELS } from '../taken-picture';
import { openPdf } from '../verify/pdf';

/** What the desk is told with a file: what for, and how wide it is to be on the goods. */
export interface DeskOrder {
  readonly process: ProcessName;
  readonly format: FormatName;
  /** Without it, what the file says of itself. */
  readonly widthMm?: number;
}

/** Measured at so many pixels for the process's thinnest stroke, so that a stroke and a gap are told to a fifth of it. */
const PIXELS_PER_LIMIT = 6;
const MOST_PX = 2400;
const MM_PER_INCH = 25.4;
const PT_PER_MM = 72 / MM_PER_INCH;
/** A color that covers less of the ink is a speck, or the blend along an edge. */
const SPECK = 0.004;

interface Plane {
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
}

const raw = async (from: Sharp): Promise<Plane> => {
  const { data, info } = await from.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

/** How many solid colors a picture has: those of pixels that are wholly there and have neighbors of the same color. */
function colorsOf({ data, width, height }: Plane): { readonly count: number; readonly known: ReadonlySet<number> } {
  const counts = new Map<number, number>();
  let solid = 0;
  const at = (x: number, y: number) => data.readUInt32LE((y * width + x) * 4);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const color = at(x, y);
      if (color >>> 24 < 250 || at(x - 1, y) !== color || at(x, y - 1) !== color || at(x + 1, y) !== color || at(x, y + 1) !== color)
        continue;
      solid++;
      counts.set(color, (counts.get(color) ?? 0) + 1);
    }
  const kept = [...counts].filter(([, count]) => count / Math.max(1, solid) > SPECK).map(([color]) => color);
  return { count: kept.length, known: new Set(kept) };
}

/** Half-covered pixels against the ink they belong to, and where most of them lie. */
function softnessOf({ data, width, height }: Plane) {
  let [soft, ink, sumX, sumY, edges] = [0, 0, 0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const alpha = data[(y * width + x) * 4 + 3] as number;
      if (alpha === 0) continue;
      ink++;
      if (alpha > 4 && alpha < 251) {
        soft++;
        sumX += x;
        sumY += y;
        // One pixel along an edge is what smooth edges have: only half-covered pixels among their like are soft.
        const like = (dx: number, dy: number) => {
          const other = data[((y + dy) * width + x + dx) * 4 + 3] ?? 0;
          return other > 4 && other < 251;
        };
        if (
          x > 0 &&
          x < width - 1 &&
          y > 0 &&
          y < height - 1 &&
          [like(-1, 0), like(1, 0), like(0, -1), like(0, 1)].filter(Boolean).length >= 3
        )
          edges++;
      }
    }
  return { share: ink === 0 ? 0 : edges / ink, any: soft, x: soft === 0 ? 0 : sumX / soft, y: soft === 0 ? 0 : sumY / soft };
}

/** The first edge pixel whose color is far from every solid color of the picture and from their blends: lighter or darker than all of them. */
function fringeOf({ data, width, height }: Plane, known: ReadonlySet<number>) {
  if (known.size === 0) return undefined;
  const ranges = [0, 8, 16].map((shift) => {
    const values = [...known].map((color) => (color >>> shift) & 255);
    return { low: Math.min(...values) - 40, high: Math.max(...values) + 40 };
  });
  const found: { x: number; y: number; hex: string }[] = [];
  let edge = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      const alpha = data[at + 3] as number;
      if (alpha < 40 || alpha > 215) continue;
      edge++;
      const strange = ranges.some(({ low, high }, channel) => {
        const value = data[at + channel] as number;
        return value < low || value > high;
      });
      if (strange) found.push({ x, y, hex: `#${data.subarray(at, at + 3).toString('hex')}` });
    }
  return found.length > Math.max(8, edge * 0.05) ? found[Math.floor(found.length / 2)] : undefined;
}

/** What stands in the markup of outlines. @source W3C SVG 2, 9.3 and 13 */
async function svgOutlines(svg: string): Promise<NonNullable<Delivery['outlines']>> {
  const count = (pattern: RegExp) => [...svg.matchAll(pattern)].length;
  const open = [...svg.matchAll(/<path\b[^>]*\bd="([^"]*)"/g)]
    .flatMap(([, d = '']) => d.split(/(?=[Mm])/))
    .filter((part) => /[LlHhVvCcSsQqTtAa]/.test(part) && !/[Zz]\s*$/.test(part)).length;
  return {
    open: open + count(/<(line|polyline)\b/g),
    strokes: count(/\bstroke\s*[=:]\s*["']?(?!none)[^"';]+/g),
    gradients: count(/<(linear|radial)Gradient\b/g),
    halfClear: count(/\b(?:fill-|stroke-)?opacity="0?\.\d+"/g),
    pictures: count(/<image\b/g),
    fonts: count(/<text\b/g),
    overlaps: await overlap(svg),
  };
}

/** Outlines that share more than this part of the smaller one lie on one another; less is a rounding along a common edge. */
const SHARED = 0.002;

const areaOf = (region: Region): number => weightOf([region], 0.05)?.area ?? 0;

/** Whether any two outlines of a drawing share an area. */
async function overlap(svg: string): Promise<boolean> {
  const paths = await pathAlgebra();
  const read = importSvg(svg, paths);
  if (!read.ok) return false;
  const regions = read.value.pieces.map(({ path, rule }) => ({ path, rule, box: boundsOf(path) }));
  return regions.some((one, index) =>
    regions.slice(index + 1).some((other) => {
      if (!one.box || !other.box) return false;
      if (
        one.box.left >= other.box.right ||
        other.box.left >= one.box.right ||
        one.box.top >= other.box.bottom ||
        other.box.top >= one.box.bottom
      )
        return false;
      const shared = areaOf(paths.combine('intersect', one, other));
      return shared > SHARED * Math.min(areaOf(one), areaOf(other));
    }),
  );
}

/** @source ISO 32000-1, 14.11.2: the boxes of a page stand in its dictionary, in points */
function boxesOf(file: Uint8Array) {
  const text = Buffer.from(file).toString('latin1');
  const box = (name: string) => {
    const found = new RegExp(`/${name}\\s*\\[\\s*([-\\d.]+)\\s+([-\\d.]+)\\s+([-\\d.]+)\\s+([-\\d.]+)`).exec(text);
    return found?.slice(1).map(Number) as [number, number, number, number] | undefined;
  };
  return { media: box('MediaBox'), trim: box('TrimBox') };
}

/** Whether a PDF's own content is painted in process inks: no color of screens is set in it. */
function inProcessInks(file: Uint8Array): boolean {
  const bytes = Buffer.from(file);
  let [rgb, inks] = [0, 0];
  for (let at = bytes.indexOf('stream\n'); at >= 0; at = bytes.indexOf('stream\n', at + 1)) {
    const end = bytes.indexOf('endstream', at);
    try {
      const content = inflateSync(bytes.subarray(at + 7, end)).toString('latin1');
      rgb += [...content.matchAll(/ rg\b/g)].length;
      inks += [...content.matchAll(/ k\b| scn\b/g)].length;
    } catch {
      // Not packed so: no content of a page.
    }
  }
  return rgb === 0 && inks > 0;
}

interface Opened {
  readonly plane: Plane;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly dpi?: number;
  readonly outlines?: Delivery['outlines'];
  readonly bleedMm?: number;
  readonly trimMm?: { readonly width: number; readonly height: number };
  readonly processInks?: boolean;
}

/** How wide a file is looked at, in px, so that the limit of a process can be told. */
const lookedAt = (widthMm: number, heightMm: number, limitMm: number): number =>
  Math.round(Math.min((MOST_PX * widthMm) / Math.max(widthMm, heightMm), Math.max(400, (PIXELS_PER_LIMIT * widthMm) / limitMm)));

async function openDelivery(file: Uint8Array, { format, process, widthMm: asked }: DeskOrder): Promise<Opened> {
  const { strokeMm, gapMm } = processOf(process);
  const limitMm = Math.min(strokeMm, gapMm);
  if (format === 'pdf') {
    const { media, trim } = boxesOf(file);
    let [widthMm, heightMm] = [0, 0];
    const { canvas, counts } = await openPdf(file, ({ widthPt, heightPt }) => {
      widthMm = asked ?? widthPt / PT_PER_MM;
      heightMm = (widthMm * heightPt) / widthPt;
      return lookedAt(widthMm, heightMm, limitMm);
    });
    const { width, height } = canvas;
    const data = Buffer.from(canvas.getContext('2d').getImageData(0, 0, width, height).data.buffer);
    return {
      ...{ plane: { data, width, height }, widthMm, heightMm },
      outlines: {
        open: 0,
        strokes: counts.strokes,
        gradients: counts.gradients,
        halfClear: counts.halfClear,
        pictures: counts.pictures,
        fonts: counts.texts,
        overlaps: false,
      },
      ...(trim && media
        ? {
            trimMm: { width: (trim[2] - trim[0]) / PT_PER_MM, height: (trim[3] - trim[1]) / PT_PER_MM },
            bleedMm: (trim[0] - media[0]) / PT_PER_MM,
          }
        : {}),
      processInks: inProcessInks(file),
    };
  }
  if (format === 'svg') {
    const text = Buffer.from(file).toString('utf8');
    const size = /<svg[^>]* width="([\d.]+)(mm|px)?" height="([\d.]+)/.exec(text);
    const toMm = size?.[2] === 'mm' ? 1 : MM_PER_INCH / 96;
    const own = size ? { width: Number(size[1]) * toMm, height: Number(size[3]) * toMm } : { width: 100, height: 100 };
    const widthMm = asked ?? own.width;
    const heightMm = (widthMm * own.height) / own.width;
    const width = lookedAt(widthMm, heightMm, limitMm);
    const sized = text.replace(
      /(<svg[^>]*) width="[^"]*" height="[^"]*"/,
      `$1 width="${width}" height="${Math.max(1, Math.round((width * heightMm) / widthMm))}"`,
    );
    return { plane: await raw(sharp(Buffer.from(sized))), widthMm, heightMm, outlines: await svgOutlines(text) };
  }
  const opened = sharp(file, { limitInputPixels: MOST_PIXELS });
  const { width = 0, height = 0, density = 72 } = await opened.metadata();
  const widthMm = asked ?? (width / density) * MM_PER_INCH;
  return { plane: await raw(opened), widthMm, heightMm: (widthMm * height) / width, dpi: (width * MM_PER_INCH) / widthMm };
}

/** Small pictures are looked at larger, until the limit has so many cells; large ones as they are. */
const LEAST_CELLS = 5;
const MOST_CELLS = 6_000_000;
/** Looked at piece by piece, so that memory stays bounded; pieces share a rim, so that nothing is cut. */
const PIECE = 1400;

/** How much of a plane is there, cell by cell, larger or as it is. */
async function coverageOf(
  { data, width, height }: Plane,
  limitPx: number,
): Promise<{ readonly alpha: Uint8Array; readonly columns: number; readonly rows: number; readonly factor: number }> {
  const alpha = new Uint8Array(width * height);
  for (let at = 0; at < alpha.length; at++) alpha[at] = data[at * 4 + 3] as number;
  const factor = Math.min(3, LEAST_CELLS / limitPx, Math.sqrt(MOST_CELLS / (width * height)));
  if (factor <= 1.2) return { alpha, columns: width, rows: height, factor: 1 };
  const [columns, rows] = [Math.round(width * factor), Math.round(height * factor)];
  const larger = await sharp(alpha, { raw: { width, height, channels: 1 } })
    .resize(columns, rows, { fit: 'fill', kernel: 'linear' })
    .toColourspace('b-w')
    .raw()
    .toBuffer();
  return { alpha: larger, columns, rows, factor: columns / width };
}

/** A place where what is there, or what is not, is thinner than a limit; the first that is found. @param limitPx in pixels of the plane */
async function thinIn(plane: Plane, limitPx: number, isThere: boolean): Promise<ThinPlace | undefined> {
  const { alpha, columns, rows, factor } = await coverageOf(plane, limitPx);
  const limit = limitPx * factor;
  const rim = Math.ceil(limit * 2);
  for (let top = 0; top < rows; top += PIECE)
    for (let left = 0; left < columns; left += PIECE) {
      const [x0, y0] = [Math.max(0, left - rim), Math.max(0, top - rim)];
      const [x1, y1] = [Math.min(columns, left + PIECE + rim), Math.min(rows, top + PIECE + rim)];
      const mask = new Uint8Array((x1 - x0) * (y1 - y0));
      let [set, at] = [0, 0];
      for (let y = y0; y < y1; y++)
        for (let x = x0; x < x1; x++, at++)
          if ((alpha[y * columns + x] as number) > 127 === isThere) {
            mask[at] = 1;
            set++;
          }
      if (set === 0 || set === mask.length) continue;
      const found = thinPlace(mask, x1 - x0, y1 - y0, limit);
      if (!found) continue;
      // What is cut by the rim of a piece is whole in the one beside it.
      const isCut = (value: number, low: number, high: number, end: number) =>
        (low > 0 && value < rim / 2) || (high < end && value > high - low - rim / 2);
      if (isCut(found.x, x0, x1, columns) || isCut(found.y, y0, y1, rows)) continue;
      return { x: (found.x + x0) / factor, y: (found.y + y0) / factor, thickness: found.thickness / factor };
    }
  return undefined;
}

/** Opens a file as a supplier does, and measures what their limits are about, at the size that was ordered. */
export async function measureDelivery(file: Uint8Array, order: DeskOrder): Promise<Delivery> {
  let opened: Opened;
  try {
    opened = await openDelivery(file, order);
  } catch {
    return { format: order.format, opens: false, widthMm: 0, heightMm: 0, clearShare: 1, touchesEdge: false, colors: 0, softShare: 0 };
  }
  const { plane, widthMm, heightMm, dpi, outlines } = opened;
  const { strokeMm, gapMm } = processOf(order.process);
  const toMm = widthMm / plane.width;
  const place = (found: ThinPlace | undefined) => found && { xMm: found.x * toMm, yMm: found.y * toMm, mm: found.thickness * toMm };
  const thinStroke = place(await thinIn(plane, strokeMm / toMm, true));
  const thinGap = place(await thinIn(plane, gapMm / toMm, false));
  const { count, known } = colorsOf(plane);
  const soft = softnessOf(plane);
  const fringe = dpi === undefined ? undefined : fringeOf(plane, known);
  let clear = 0;
  for (let at = 3; at < plane.data.length; at += 4) if (plane.data[at] === 0) clear++;
  const edge = (x: number, y: number) => (plane.data[(y * plane.width + x) * 4 + 3] as number) > 0;
  let touchesEdge = false;
  for (let x = 0; x < plane.width; x++) touchesEdge ||= edge(x, 0) || edge(x, plane.height - 1);
  for (let y = 0; y < plane.height; y++) touchesEdge ||= edge(0, y) || edge(plane.width - 1, y);
  return {
    ...{ format: order.format, opens: true, widthMm, heightMm, touchesEdge, colors: count },
    ...(dpi === undefined ? {} : { dpi }),
    clearShare: clear / (plane.width * plane.height),
    ...(thinStroke ? { thinStroke } : {}),
    ...(thinGap ? { thinGap } : {}),
    softShare: dpi === undefined ? 0 : order.process === 'engraving' ? (soft.any > 0 ? Math.max(soft.share, 1e-6) : 0) : soft.share,
    ...(soft.any > 0 ? { soft: { xMm: soft.x * toMm, yMm: soft.y * toMm } } : {}),
    ...(fringe ? { fringe: { xMm: fringe.x * toMm, yMm: fringe.y * toMm, hex: fringe.hex } } : {}),
    ...(outlines ? { outlines } : {}),
    ...(opened.trimMm ? { trimMm: opened.trimMm } : {}),
    ...(opened.bleedMm === undefined ? {} : { bleedMm: opened.bleedMm }),
    ...(opened.processInks === undefined ? {} : { processInks: opened.processInks }),
  };
}
