import { blurredSides, formatOf, picturesIn, type CanvasFrame, type Drawing, type FormatName, type Hex } from '$core/index';
import { storedFile } from '../files';
import type { FileOrder, PictureSubject } from '../formats';
import { framed } from '../formats/framed';
import type { Pixels } from '../pixels/pixels';
import { smaller, smallSize } from '../pixels/seen';
import { painted } from './painted';
import { check, type FileCheck, type FileVerdict } from './verdict';
import { READERS, type Seen } from './readers';

/** Mean difference from the drawing as another renderer paints it, of 255. */
const MEAN_MOST = { pixels: 2, lossy: 3, vector: 2 } as const;
const PT_PER_INCH = 72;
const FINER = 3;

/** How far two pictures are apart: of 255 on average, and the fields that are not the same at all. */
interface Difference {
  readonly mean: number;
  readonly far: number;
}
/** Side of a field in pixels; a field is another one when its mean is off by more than this of 255. */
const FIELD = 4;
const FAR = 110;
/** Fields that may be so: tips and hairlines that one renderer sees and another does not. */
const FAR_MOST = 2;

/**
 * How far two pictures are apart on white and on black, by the compositing formula, of 255: fields of four by four pixels are compared by their
 * means, so that what renderers do along edges evens out and what is missing does not.
 * @source Porter and Duff, 1984: "over"
 */
function differences(one: Pixels, other: Pixels): readonly [light: Difference, dark: Difference] {
  const { widthPx, heightPx } = one;
  if (widthPx !== other.widthPx || heightPx !== other.heightPx) {
    const all = { mean: 255, far: widthPx * heightPx };
    return [all, all];
  }
  const most = FAR * FIELD * FIELD;
  let [light, dark, farLight, farDark] = [0, 0, 0, 0];
  for (let top = 0; top < heightPx; top += FIELD)
    for (let left = 0; left < widthPx; left += FIELD) {
      const [right, bottom] = [Math.min(left + FIELD, widthPx), Math.min(top + FIELD, heightPx)];
      let [red, green, blue, ground] = [0, 0, 0, 0];
      for (let y = top; y < bottom; y++)
        for (let at = (y * widthPx + left) * 4, end = (y * widthPx + right) * 4; at < end; at += 4) {
          const [a, b] = [one.data[at + 3] as number, other.data[at + 3] as number];
          red += (one.data[at] as number) * a - (other.data[at] as number) * b;
          green += (one.data[at + 1] as number) * a - (other.data[at + 1] as number) * b;
          blue += (one.data[at + 2] as number) * a - (other.data[at + 2] as number) * b;
          // What white shines through one more than through the other.
          ground += 255 * (b - a);
        }
      // Most fields are the same to the last bit.
      if (red === 0 && green === 0 && blue === 0 && ground === 0) continue;
      dark += (Math.abs(red) + Math.abs(green) + Math.abs(blue)) / 255;
      light += (Math.abs(red + ground) + Math.abs(green + ground) + Math.abs(blue + ground)) / 255;
      if (Math.max(Math.abs(red), Math.abs(green), Math.abs(blue)) > 255 * most) farDark++;
      if (Math.max(Math.abs(red + ground), Math.abs(green + ground), Math.abs(blue + ground)) > 255 * most) farLight++;
    }
  const values = widthPx * heightPx * 3;
  return [
    { mean: light / values, far: farLight },
    { mean: dark / values, far: farDark },
  ];
}

/** Rows and columns with less than this painted, in whole pixels, may be there for one renderer and not for another: tips of spikes, faint hairlines. */
const SURE = 3;
const FAINT = 0.3;

/** Of the rows and columns in which more than so many pixels are painted, the first and the last ones. */
interface InkBox {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** What is surely painted, and what is painted at all. */
function inkBoxes({ widthPx, heightPx, data }: Pixels): { readonly sure: InkBox; readonly faint: InkBox } {
  const [columns, rows] = [new Float64Array(widthPx), new Float64Array(heightPx)];
  for (let y = 0, at = 3; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++, at += 4) {
      const painted = (data[at] as number) / 255;
      columns[x] = (columns[x] as number) + painted;
      rows[y] = (rows[y] as number) + painted;
    }
  const box = (least: number): InkBox => {
    const isIn = (sum: number) => sum > least;
    return {
      ...{ left: columns.findIndex(isIn), right: columns.findLastIndex(isIn) },
      ...{ top: rows.findIndex(isIn), bottom: rows.findLastIndex(isIn) },
    };
  };
  return { sure: box(SURE), faint: box(FAINT) };
}

/** By how many pixels what is surely there in one of two pictures lies outside of what is there at all in the other. */
function beyond(one: Pixels, other: Pixels): number {
  const [here, there] = [inkBoxes(one), inkBoxes(other)];
  const outside = (sure: InkBox, faint: InkBox): number => {
    if (sure.left < 0) return 0;
    if (faint.left < 0) return Math.max(one.widthPx, one.heightPx);
    return Math.max(0, faint.left - sure.left, faint.top - sure.top, sure.right - faint.right, sure.bottom - faint.bottom);
  };
  return Math.max(outside(here.sure, there.faint), outside(there.sure, here.faint));
}

const channels = (hex: Hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));

/** The picture compared with the drawing, on a light ground and on a dark one: a fringe shows on one of them. */
function compared(seen: Pixels, wanted: Pixels, most: number): readonly FileCheck[] {
  const [light, dark] = differences(seen, wanted);
  const mean = Math.max(light.mean, dark.mean);
  const far = Math.max(light.far, dark.far);
  const off = beyond(seen, wanted);
  return [
    check(
      'picture',
      mean <= most && far <= FAR_MOST,
      `differs from the drawing by ${mean.toFixed(2)} of 255 on average, on light and on dark${far > FAR_MOST ? `; in ${far} places it is another` : ''}`,
    ),
    check(
      'ink',
      off <= 2,
      off === 0
        ? 'its ink begins and ends where it is drawn'
        : `its ink begins and ends ${off} px from where it is drawn, in a picture of ${Math.max(wanted.widthPx, wanted.heightPx)} px`,
    ),
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

/** A drawing as it was last painted: the sizes of a pack come one after the other, and most of them show it in the same frame. */
const paintings = new WeakMap<Drawing, { readonly as: string; readonly pixels: Promise<Pixels> }>();
function lastOf(drawing: Drawing, as: string, paint: () => Promise<Pixels>): Promise<Pixels> {
  const last = paintings.get(drawing);
  if (last?.as === as) return last.pixels;
  const pixels = paint();
  paintings.set(drawing, { as, pixels });
  return pixels;
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
  const wanted = await lastOf(drawing, JSON.stringify([frame.box, small, order.ground]), async () =>
    smaller(await painted(drawing, { box: frame.box, ...large, ground: order.ground }, storedFile), small.widthPx, small.heightPx),
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
    ...(pixels && canvas.unit === 'px' ? [sharpCheck(drawing, frame)] : []),
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

/** How many of a drawing's straight edges look soft at this size: said, and no fault; sides nearer to one another than a pixel cannot all be on one. */
function sharpCheck(drawing: Drawing, { box, widthPx }: CanvasFrame): FileCheck {
  const { allPx, blurredPx } = blurredSides(drawing, box, widthPx);
  const percent = allPx === 0 ? 0 : Math.round((100 * blurredPx) / allPx);
  if (percent > 0) return check('sharp', true, `${percent} % of its upright and level edges lie between pixels`);
  return check('sharp', true, allPx === 0 ? 'it has no upright or level edges' : 'its upright and level edges lie on whole pixels');
}

/** Coverage compared where colors cannot be: how far the alphas are apart, of 255. */
function shapesCheck(seen: Pixels, wanted: Pixels, hasGround: boolean): FileCheck {
  if (hasGround)
    return check('picture', seen.widthPx === wanted.widthPx && seen.heightPx === wanted.heightPx, 'in process inks, on its ground');
  const shape = ({ data, ...size }: Pixels): Pixels => ({ ...size, data: data.map((value, at) => (at % 4 === 3 ? value : 0)) });
  // Black shapes on white: what is left of them is how much is covered.
  const [{ mean, far }] = differences(shape(seen), shape(wanted));
  return check(
    'picture',
    mean <= MEAN_MOST.vector && far <= FAR_MOST,
    `its shapes differ from the drawing by ${mean.toFixed(2)} of 255 on average; its colors are process inks`,
  );
}
