import { formatOf, type FormatName } from '../output/file-formats';
import { processOf, type ProcessName } from './processes';

/** A place on the goods, in mm from the upper left of the file. */
export interface PlaceMm {
  readonly xMm: number;
  readonly yMm: number;
}

/** What the desk measured in a file that it was sent. Lengths are on the goods, at the size that was ordered. */
export interface Delivery {
  readonly format: FormatName;
  /** Whether it could be opened at all. */
  readonly opens: boolean;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Pixels an inch at that size; nothing for outlines. */
  readonly dpi?: number;
  /** Share of the file that is clear. */
  readonly clearShare: number;
  /** Ink on the outermost row or column. */
  readonly touchesEdge: boolean;
  /** Solid colors that cover more than a speck. */
  readonly colors: number;
  /** Thinnest stroke and tightest gap below the limits of the process, with their places. */
  readonly thinStroke?: PlaceMm & { readonly mm: number };
  readonly thinGap?: PlaceMm & { readonly mm: number };
  /** Share of the ink's pixels that are neither there nor not: beyond what smooth edges have. */
  readonly softShare: number;
  readonly soft?: PlaceMm;
  /** A color along the edge that is in nothing else: what is left of another ground. */
  readonly fringe?: PlaceMm & { readonly hex: string };
  /** Outlines that do not end where they began, strokes, gradients, half-clear things, pictures. Of outlines only. */
  readonly outlines?: {
    readonly open: number;
    readonly strokes: number;
    readonly gradients: number;
    readonly halfClear: number;
    readonly pictures: number;
    readonly fonts: number;
    /** Outlines that lie on others. */
    readonly overlaps: boolean;
  };
  /** Of a PDF: how far it reaches beyond its trim, and the trim. */
  readonly bleedMm?: number;
  readonly trimMm?: { readonly width: number; readonly height: number };
  /** Whether a PDF is in process inks. */
  readonly processInks?: boolean;
}

export interface DeskReason {
  readonly code: string;
  readonly message: string;
  readonly at?: PlaceMm;
}

/** What the desk answers. */
export interface DeskAnswer {
  readonly accepted: boolean;
  readonly reasons: readonly DeskReason[];
}

const mm = (length: number): string => `${Number(length.toFixed(length < 1 ? 2 : 1))} mm`;
const where = ({ xMm, yMm }: PlaceMm): string => `${mm(xMm)} from the left, ${mm(yMm)} from the top`;
const near = ({ xMm, yMm }: PlaceMm): { readonly at: PlaceMm } => ({ at: { xMm, yMm } });

/** More of the ink than this in half-covered pixels is a soft edge; smooth edges have a pixel or so along them. */
const SOFT_SHARE = 0.35;
const OFF_MM = 0.5;

/** Judges a delivery as a supplier would: every reason at once, each with its number and place. */
export function judgeDelivery(name: ProcessName, delivery: Delivery): DeskAnswer {
  const process = processOf(name);
  const { format, widthMm, heightMm, outlines } = delivery;
  const reasons: DeskReason[] = [];
  const say = (code: string, message: string, at?: { readonly at: PlaceMm }) => reasons.push({ code, message, ...at });
  const kind = formatOf(format).label.split(',')[0] ?? format;
  if (!process.formats.includes(format)) say('format', `For ${process.label} we take ${process.takes}; this is a ${kind}.`);
  if (!delivery.opens) {
    say('unreadable', 'We cannot open this file.');
    return { accepted: false, reasons };
  }
  const longer = Math.max(widthMm, heightMm);
  if (longer < process.longerMm.least)
    say('too-small', `It would be ${mm(longer)} on its longer side; we make ${mm(process.longerMm.least)} and more.`);
  if (longer > process.longerMm.most)
    say('too-large', `It would be ${mm(longer)} on its longer side; we make ${mm(process.longerMm.most)} at most.`);
  if (process.trimMm) {
    const trim = delivery.trimMm ?? { width: widthMm, height: heightMm };
    if (Math.abs(trim.width - process.trimMm.width) > OFF_MM || Math.abs(trim.height - process.trimMm.height) > OFF_MM)
      say(
        'wrong-size',
        `The finished piece is ${mm(process.trimMm.width)} × ${mm(process.trimMm.height)}; this file is cut to ${mm(trim.width)} × ${mm(trim.height)}.`,
      );
  }
  if (process.bleedMm !== undefined && (delivery.bleedMm ?? 0) < process.bleedMm - 0.05)
    say(
      'no-bleed',
      `We need ${mm(process.bleedMm)} of bleed on every side; this file has ${delivery.bleedMm ? mm(delivery.bleedMm) : 'none'}.`,
    );
  if (process.bleedMm !== undefined && delivery.processInks === false)
    say('screen-colors', 'This file is in the colors of screens; we print in process inks.');
  if (delivery.dpi !== undefined && delivery.dpi < process.dpi - 1)
    say('too-coarse', `It has ${Math.round(delivery.dpi)} pixels an inch at this size; we need ${process.dpi}.`);
  if (process.clear && delivery.clearShare === 0)
    say('no-alpha', 'Its ground is painted: it would be printed as a box. Leave the ground out.');
  if (process.clear && delivery.clearShare === 1) say('empty', 'There is nothing on it.');
  if (process.colors !== undefined && delivery.colors > process.colors)
    say(
      'too-many-colors',
      `It has ${delivery.colors} colors; for ${process.label} we use ${process.colors === 1 ? 'one' : `${process.colors} at most`}.`,
    );
  if (delivery.thinStroke)
    say(
      'thin-stroke',
      `A stroke is ${mm(delivery.thinStroke.mm)} thick, ${where(delivery.thinStroke)}; ${mm(process.strokeMm)} holds.`,
      near(delivery.thinStroke),
    );
  if (delivery.thinGap)
    say(
      'thin-gap',
      `A gap is ${mm(delivery.thinGap.mm)} wide, ${where(delivery.thinGap)}; ${mm(process.gapMm)} stays open.`,
      near(delivery.thinGap),
    );
  if (delivery.softShare > SOFT_SHARE)
    say(
      'soft-edges',
      `Its edges are soft: ${Math.round(delivery.softShare * 100)} % of its ink is half there${delivery.soft ? `, most ${where(delivery.soft)}` : ''}.`,
      delivery.soft && near(delivery.soft),
    );
  if (process.hard && delivery.dpi !== undefined && delivery.softShare > 0)
    say('gray', 'It has gray pixels; for engraving every pixel is black or clear.', delivery.soft && near(delivery.soft));
  if (delivery.fringe)
    say(
      'fringe',
      `Along its edge lies ${delivery.fringe.hex}, a rest of another ground, ${where(delivery.fringe)}.`,
      near(delivery.fringe),
    );
  if (outlines) {
    if (outlines.fonts > 0) say('fonts', 'It needs fonts that we do not have; turn letters into outlines.');
    if (process.machine || process.hard) {
      const wrong: readonly (readonly [count: number, code: string, text: (count: number) => string])[] = [
        [
          outlines.open,
          'open-cuts',
          (count) => `${count} of its outlines ${count === 1 ? 'does' : 'do'} not close; a machine would cut on.`,
        ],
        [
          outlines.strokes,
          'strokes',
          (count) => `${count} of its lines ${count === 1 ? 'is a stroke' : 'are strokes'}; turn them into outlines.`,
        ],
        [outlines.gradients, 'gradients', (count) => `It has ${count} gradient${count === 1 ? '' : 's'}; machines know solid colors.`],
        [
          outlines.halfClear,
          'half-clear',
          (count) => `${count} of its shapes ${count === 1 ? 'is' : 'are'} half clear; machines know solid colors.`,
        ],
        [outlines.pictures, 'pictures', (count) => `It holds ${count} picture${count === 1 ? '' : 's'} in pixels; we need outlines.`],
        [outlines.overlaps ? 1 : 0, 'overlaps', () => 'Some of its outlines lie on others; they would be cut or stitched twice.'],
      ];
      for (const [count, code, text] of wrong) if (count > 0) say(code, text(count));
    }
  }
  return { accepted: reasons.length === 0, reasons };
}
