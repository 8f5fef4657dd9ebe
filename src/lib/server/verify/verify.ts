import { formatOf, picturesIn, type FormatName, type Hex } from '$core/index';
import { storedFile } from '../files';
import type { FileOrder, PictureSubject } from '../formats';
import { framed } from '../formats/framed';
import { painted, type Pixels } from './painted';
import type { FileCheck, FileVerdict } from './verdict';
import { READERS, smaller, smallSize, type Seen } from './readers';

/** Mean difference from the drawing as another renderer paints it, of 255, at 360 px; edges differ by the rules of their renderers, shapes do not. */
const MEAN_MOST = { pixels: 3, lossy: 4, vector: 3 } as const;
const PT_PER_INCH = 72;
const FINER = 2;

const over = (value: number, alpha: number, ground: number) => (value * alpha) / 255 + ground * (1 - alpha / 255);

/** How far two pictures are apart on a ground, by the compositing formula. @source Porter and Duff, 1984: "over" */
export function meanDifference(one: Pixels, other: Pixels, ground: number): number {
  if (one.widthPx !== other.widthPx || one.heightPx !== other.heightPx) return 255;
  let sum = 0;
  for (let at = 0; at < one.data.length; at += 4)
    for (let channel = 0; channel < 3; channel++)
      sum += Math.abs(
        over(one.data[at + channel] as number, one.data[at + 3] as number, ground) -
          over(other.data[at + channel] as number, other.data[at + 3] as number, ground),
      );
  return sum / (one.data.length / 4) / 3;
}

/** Rows and columns with less than this painted, in whole pixels, may be there for one renderer and not for another: tips of spikes, faint hairlines. */
const SURE = 3;
const FAINT = 0.3;

/** The box of the rows and columns in which more than so many pixels are painted. */
function inkBox({ widthPx, heightPx, data }: Pixels, least: number) {
  const [columns, rows] = [new Float64Array(widthPx), new Float64Array(heightPx)];
  for (let y = 0, at = 3; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++, at += 4) {
      const painted = (data[at] as number) / 255;
      columns[x] = (columns[x] as number) + painted;
      rows[y] = (rows[y] as number) + painted;
    }
  const from = (sums: Float64Array) => sums.findIndex((sum) => sum > least);
  const to = (sums: Float64Array) => sums.findLastIndex((sum) => sum > least);
  return { left: from(columns), right: to(columns), top: from(rows), bottom: to(rows) };
}

/** By how many pixels what is surely there in one picture lies outside of what is there at all in another. */
function beyond(one: Pixels, other: Pixels): number {
  const [sure, faint] = [inkBox(one, SURE), inkBox(other, FAINT)];
  if (sure.left < 0) return 0;
  if (faint.left < 0) return Math.max(one.widthPx, one.heightPx);
  return Math.max(0, faint.left - sure.left, faint.top - sure.top, sure.right - faint.right, sure.bottom - faint.bottom);
}

const check = (id: string, passes: boolean, message: string): FileCheck => ({ id, passes, message });
const channels = (hex: Hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));

/** The picture compared with the drawing, on a light ground and on a dark one: a fringe shows on one of them. */
function compared(seen: Pixels, wanted: Pixels, most: number): readonly FileCheck[] {
  const [light, dark] = [meanDifference(seen, wanted, 255), meanDifference(seen, wanted, 0)];
  const off = Math.max(beyond(seen, wanted), beyond(wanted, seen));
  return [
    check(
      'picture',
      light <= most && dark <= most,
      `differs from the drawing by ${Math.max(light, dark).toFixed(2)} of 255 on average, on light and on dark`,
    ),
    check('ink', off <= 2, `its ink lies where it is drawn, to ${off} of ${Math.max(wanted.widthPx, wanted.heightPx)} px`),
  ];
}

function rimCheck(rim: Uint8ClampedArray, ground: Hex | undefined, isLossy: boolean, wanted: Pixels): FileCheck {
  if (ground) {
    const [red = 0, green = 0, blue = 0] = channels(ground);
    const most = isLossy ? 12 : 1;
    // A mark may reach the edge; where its drawing leaves the edge alone, so must the file.
    const touches = inkTouches(wanted, ground);
    const off = touches
      ? 0
      : rim.reduce(
          (worst, value, at) => (at % 4 === 3 ? worst : Math.max(worst, Math.abs(value - ([red, green, blue][at % 4] as number)))),
          0,
        );
    return check(
      'edge',
      off <= most,
      touches ? 'the mark reaches the edge' : `its edge is the ground ${ground}${off > 0 ? `, to ${off} of 255` : ''}`,
    );
  }
  const touches = inkTouches(wanted, undefined);
  const most = rim.reduce((worst, value, at) => (at % 4 === 3 ? Math.max(worst, value) : worst), 0);
  return check('edge', touches || most === 0, touches ? 'the mark reaches the edge' : `all around it is clear (alpha ${most})`);
}

/** Whether a drawing reaches the rim of its frame, or comes so near that the smaller picture cannot tell. */
function inkTouches({ widthPx, heightPx, data }: Pixels, ground: Hex | undefined): boolean {
  const [red = 0, green = 0, blue = 0] = ground ? channels(ground) : [];
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      if (x > 1 && y > 1 && x < widthPx - 2 && y < heightPx - 2) continue;
      const at = (y * widthPx + x) * 4;
      const differs = ground
        ? Math.abs((data[at] as number) - red) + Math.abs((data[at + 1] as number) - green) + Math.abs((data[at + 2] as number) - blue) > 0
        : (data[at + 3] as number) > 0;
      if (differs) return true;
    }
  return false;
}

function sizeCheck(
  format: FormatName,
  seen: Seen,
  frame: { readonly widthPx: number; readonly heightPx: number; readonly widthIn: number; readonly heightIn: number },
  unit: string,
): FileCheck {
  if (format === 'pdf') {
    const [wide, high] = [frame.widthIn * PT_PER_INCH, frame.heightIn * PT_PER_INCH];
    const off = Math.max(
      ...(seen.pages ?? []).slice(0, 1).flatMap(({ widthPt, heightPt }) => [Math.abs(widthPt - wide), Math.abs(heightPt - high)]),
    );
    return check(
      'size',
      off < 0.05,
      `${seen.pages?.length === 1 ? 'one page' : `${seen.pages?.length} pages`}, the first ${((seen.widthPx / 72) * 25.4).toFixed(1)} × ${((seen.heightPx / 72) * 25.4).toFixed(1)} mm`,
    );
  }
  if (format === 'svg') {
    const by = unit === 'px' ? { w: frame.widthPx, h: frame.heightPx } : { w: frame.widthIn * 25.4, h: frame.heightIn * 25.4 };
    const fits = Math.abs(seen.widthPx - by.w) < 0.01 && Math.abs(seen.heightPx - by.h) < 0.01;
    return check('size', fits, `${seen.widthPx} × ${seen.heightPx} ${unit === 'px' ? 'px' : 'mm'}`);
  }
  return check('size', seen.widthPx === frame.widthPx && seen.heightPx === frame.heightPx, `${seen.widthPx} × ${seen.heightPx} px`);
}

/**
 * Opens a written file again with a reader that did not write it, and holds it against the drawing as a third program paints it.
 * What cannot be opened at all does not pass; nothing is thrown for a file that is wrong.
 */
export async function verifyFile(format: FormatName, file: Uint8Array, subject: PictureSubject, order: FileOrder): Promise<FileVerdict> {
  const { pixels, ownSizes } = formatOf(format);
  const canvas = ownSizes ? { ...order.canvas, unit: 'px' as const, width: 256, height: 256, bleedMm: 0 } : order.canvas;
  const { drawing, frame } = await framed(subject, { ...order, canvas }, pixels || ownSizes === true);
  let seen: Seen;
  try {
    seen = await READERS[format](file);
  } catch (error) {
    return {
      passes: false,
      checks: [
        check('opens', false, `it cannot be opened again: ${error instanceof Error ? error.message.slice(0, 200) : 'for no reason given'}`),
      ],
    };
  }
  const small = smallSize(frame.widthPx * (pixels || ownSizes ? 1 : 1000), frame.heightPx * (pixels || ownSizes ? 1 : 1000));
  // Painted larger and made smaller, as what it is held against.
  const large = { widthPx: small.widthPx * FINER, heightPx: small.heightPx * FINER };
  const wanted = smaller(
    await painted(drawing, { box: frame.box, ...large, ground: order.ground }, storedFile),
    small.widthPx,
    small.heightPx,
  );
  const lossy = format === 'jpg' || format === 'avif' || (format === 'webp' && !order.exact);
  const colored = format === 'pdf' && order.colors !== undefined && order.colors !== 'rgb';
  const drawsPixels = picturesIn(drawing).length > 0;
  const checks = [
    check('opens', true, 'opened by a program that did not write it'),
    sizeCheck(format, seen, frame, canvas.unit),
    ...(seen.sides ? [check('sizes', seen.sides.length >= 7, `holds ${seen.sides.join(', ')} px`)] : []),
    ...(order.pages ? [check('pages', seen.pages?.length === order.pages.length + 1, `${seen.pages?.length ?? 0} pages`)] : []),
    // Process inks have other colors on a screen; their shapes are compared.
    ...(colored
      ? [shapesCheck(seen.small, wanted, order.ground !== undefined)]
      : compared(seen.small, wanted, pixels ? (lossy ? MEAN_MOST.lossy : MEAN_MOST.pixels) : MEAN_MOST.vector)),
    ...(seen.rim ? [rimCheck(seen.rim, order.ground, lossy, wanted)] : []),
    ...(frame.dotsPerInch !== undefined && pixels && formatOf(format).paper
      ? [
          check(
            'density',
            Math.abs((seen.dotsPerInch ?? 0) - frame.dotsPerInch) <= 1,
            `says ${Math.round(seen.dotsPerInch ?? 0)} pixels an inch`,
          ),
        ]
      : []),
    ...(pixels || ownSizes
      ? []
      : [
          check(
            'alone',
            seen.strange.length === 0,
            seen.strange.length > 0 ? seen.strange.join('; ') : 'needs no font and nothing from outside',
          ),
          check(
            'outlines',
            seen.holdsPixels === drawsPixels,
            seen.holdsPixels ? 'holds the pictures of the mark, everything else as outlines' : 'outlines only, no pixels',
          ),
        ]),
    ...(ownSizes && seen.strange.length > 0 ? [check('entries', false, seen.strange.join('; '))] : []),
  ];
  return { passes: checks.every(({ passes }) => passes), checks };
}

/** Coverage compared where colors cannot be: how far the alphas are apart, of 255. */
function shapesCheck(seen: Pixels, wanted: Pixels, hasGround: boolean): FileCheck {
  if (hasGround)
    return check('picture', seen.widthPx === wanted.widthPx && seen.heightPx === wanted.heightPx, 'in process inks, on its ground');
  let sum = 0;
  const same = seen.data.length === wanted.data.length;
  for (let at = 3; same && at < seen.data.length; at += 4) sum += Math.abs((seen.data[at] as number) - (wanted.data[at] as number));
  const mean = same ? sum / (seen.data.length / 4) : 255;
  return check(
    'picture',
    mean <= MEAN_MOST.vector,
    `its shapes differ from the drawing by ${mean.toFixed(2)} of 255 on average; its colors are process inks`,
  );
}
