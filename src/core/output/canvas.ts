import { z } from 'zod';
import { grow, heightOf, widthOf, type Bounds } from '../geometry';
import { MM_PER_INCH } from '../units/length';
import { fail, ok, type Result } from '../result/result';
import { LARGEST_PICTURE_PX, rasterFrame, ROUND_AIR, SMALLEST_PICTURE_PX } from './raster-frame';

/** Where a mark stands on a canvas that is larger than it. */
export const ANCHORS = ['top-left', 'top', 'top-right', 'left', 'center', 'right', 'bottom-left', 'bottom', 'bottom-right'] as const;
export type Anchor = (typeof ANCHORS)[number];

export const CANVAS_UNITS = ['px', 'mm', 'in'] as const;
export type CanvasUnit = (typeof CANVAS_UNITS)[number];

/** Pixels per inch of a canvas in px: a file of pixels says nothing of its size on paper, so this is only what one pixel is worth elsewhere. */
const SCREEN_DPI = 96;

/** Most that is printed beyond an edge, in mm: no printer asks for more (common practice: 3 to 5, 50 for banners). */
export const MOST_BLEED_MM = 50;

const side = z.number().positive().max(1_000_000);

/**
 * How large a file is. With both sides the canvas is exactly so large and the mark is fitted into it; with one, the other follows the mark;
 * with none, which only outlines can be, it is as large as the mark.
 */
export const canvasSchema = z
  .strictObject({
    width: side.exactOptional(),
    height: side.exactOptional(),
    unit: z.enum(CANVAS_UNITS).default('px'),
    /** Pixels per inch: for a canvas in mm or inch how many pixels it has, for one in px what the file says of itself. */
    dpi: z.number().min(1).max(10_000).exactOptional(),
    /** Air kept clear on every side, in percent: of the canvas's shorter side, or, where it follows the mark, of the mark's longer side. */
    airPercent: z.number().min(0).max(45).default(0),
    anchor: z.enum(ANCHORS).default('center'),
    /** The mark keeps within the circle that the canvas holds. */
    round: z.boolean().default(false),
    /** Printed beyond the edge on every side, in mm, and cut away. */
    bleedMm: z.number().min(0).max(MOST_BLEED_MM).default(0),
    /** Upright and level edges of the mark are set on whole pixels. */
    crisp: z.boolean().default(false),
  })
  .refine(({ round, width, height }) => !round || (width !== undefined && height !== undefined), 'A round canvas has a width and a height');
export type Canvas = z.infer<typeof canvasSchema>;

const INCHES = { px: 1 / SCREEN_DPI, mm: 1 / MM_PER_INCH, in: 1 } as const;

/** The frame that a canvas gives a mark. */
export interface CanvasFrame {
  /** What the file shows, in the mark's plane, the bleed among it. */
  readonly box: Bounds;
  /** Within the bleed. */
  readonly trim: Bounds;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Size on paper, the bleed among it, in inches; of a canvas in px at 96 px an inch. */
  readonly widthIn: number;
  readonly heightIn: number;
  /** What the file says of its own size; nothing where it is meant for screens. */
  readonly dotsPerInch?: number;
}

/** Where along a side the free room goes: 0 before, ½ on both sides, 1 behind. */
function shares(anchor: Anchor): { readonly x: number; readonly y: number } {
  return {
    x: anchor.endsWith('left') ? 0 : anchor.endsWith('right') ? 1 : 0.5,
    y: anchor.startsWith('top') ? 0 : anchor.startsWith('bottom') ? 1 : 0.5,
  };
}

const tooLarge = (name: 'width' | 'height', px: number) =>
  fail({
    code: `${name}-out-of-range`,
    message: `This canvas would be ${Math.round(px).toLocaleString('en')} px ${name === 'width' ? 'wide' : 'high'}; files have ${SMALLEST_PICTURE_PX} to ${LARGEST_PICTURE_PX.toLocaleString('en')} px a side.`,
    fix: 'Ask for a smaller canvas, or for fewer pixels an inch; outlines can be made as large as you like.',
    path: [name],
  });

/**
 * The frame for a mark on a canvas.
 * @param ink the mark's own box, with some width and height
 * @param pixels whether whole pixels are wanted, and their limits hold; outlines have neither
 */
export function canvasFrame(ink: Bounds, canvas: Canvas, pixels: boolean): Result<CanvasFrame> {
  const { unit, airPercent, anchor, round, bleedMm } = canvas;
  const dpi = canvas.dpi ?? (unit === 'px' ? SCREEN_DPI : 300);
  const perUnit = unit === 'px' ? 1 : INCHES[unit] * dpi;
  const said = unit === 'px' ? (canvas.dpi === undefined ? {} : { dotsPerInch: canvas.dpi }) : { dotsPerInch: dpi };
  const inUnit = (px: number) => px / (unit === 'px' ? SCREEN_DPI : dpi);
  const [wide, high] = [canvas.width, canvas.height].map((length) => (length === undefined ? undefined : length * perUnit));
  if (wide === undefined || high === undefined) {
    const box = grow(ink, (airPercent / 100) * Math.max(widthOf(ink), heightOf(ink)));
    if (wide === undefined && high === undefined) {
      if (pixels) return fail({ code: 'no-size', message: 'Expected a width, a height, or both.', path: ['width'] });
      return ok({
        box,
        trim: box,
        widthPx: widthOf(box),
        heightPx: heightOf(box),
        widthIn: widthOf(box) / SCREEN_DPI,
        heightIn: heightOf(box) / SCREEN_DPI,
      });
    }
    if (!pixels) {
      const scale = wide === undefined ? (high as number) / heightOf(box) : wide / widthOf(box);
      const [w, h] = [widthOf(box) * scale, heightOf(box) * scale];
      return ok({ box, trim: box, widthPx: w, heightPx: h, widthIn: inUnit(w), heightIn: inUnit(h), ...said });
    }
    const framed = rasterFrame(box, { widthPx: wide && Math.round(wide), heightPx: high && Math.round(high) });
    if (!framed.ok) return framed;
    const { widthPx, heightPx, box: whole } = framed.value;
    return ok({ box: whole, trim: whole, widthPx, heightPx, widthIn: inUnit(widthPx), heightIn: inUnit(heightPx), ...said });
  }
  const bleed = (bleedMm / MM_PER_INCH) * dpi;
  const round0 = (px: number) => (pixels ? Math.max(1, Math.round(px)) : px);
  const [widthPx, heightPx] = [round0(wide + 2 * bleed), round0(high + 2 * bleed)];
  if (pixels)
    for (const [name, px] of [
      ['width', widthPx],
      ['height', heightPx],
    ] as const)
      if (px < SMALLEST_PICTURE_PX || px > LARGEST_PICTURE_PX) return tooLarge(name, px);
  const air = bleed + (airPercent / 100) * Math.min(wide, high);
  const [roomX, roomY] = [widthPx - 2 * air, heightPx - 2 * air];
  const [inkX, inkY] = [widthOf(ink), heightOf(ink)];
  const scale = round ? Math.min(roomX, roomY) / (Math.hypot(inkX, inkY) * (1 + ROUND_AIR)) : Math.min(roomX / inkX, roomY / inkY);
  const share = round ? { x: 0.5, y: 0.5 } : shares(anchor);
  // The free room goes where the anchor says; in whole pixels, so that a mark of whole pixels stays sharp whether the room is even or odd.
  const before = (room: number, length: number, at: number) => {
    const free = (room - length * scale) * at;
    return air + (pixels ? Math.round(free + air) - air : free);
  };
  const left = ink.left - before(roomX, inkX, share.x) / scale;
  const top = ink.top - before(roomY, inkY, share.y) / scale;
  const box = { left, top, right: left + widthPx / scale, bottom: top + heightPx / scale };
  return ok({ box, trim: grow(box, -bleed / scale), widthPx, heightPx, widthIn: inUnit(widthPx), heightIn: inUnit(heightPx), ...said });
}

/** A canvas in words: “1080 × 1080 px”, “800 px wide”, “85 × 55 mm”. */
export function canvasText({ width, height, unit, dpi }: Canvas): string {
  const at = unit !== 'px' && dpi !== undefined ? ` at ${dpi} dpi` : '';
  if (width !== undefined && height !== undefined) return `${width} × ${height} ${unit}${at}`;
  if (width !== undefined) return `${width} ${unit} wide${at}`;
  if (height !== undefined) return `${height} ${unit} high${at}`;
  return 'any size';
}
