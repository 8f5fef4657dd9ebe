import { notNought, STRAIGHT_RAD } from '../numeric/tolerances';
import { joinPaths, PathPen, polygonPath, warpPath, type Path, type Point, type Warp } from '../geometry';
import { angle, count, defineForm, length, levelLine, percent, sized, type NumberField, type TextLine } from './form';

/** Bent banners stay within this of their true image, in mark pixels. */
const BEND_PX = 0.02;

type Ends = 'square' | 'swallow' | 'pointed' | 'folded' | 'rolled';
interface Band {
  readonly widthPx: number;
  readonly heightPx: number;
  /** How deep a notch or point is, how far a fold hangs, as shares of the height. */
  readonly endPercent: number;
  readonly dropPercent: number;
  /** White between the front and what is folded behind it. */
  readonly gapPx: number;
}

const mirroredX = (points: readonly Point[]): readonly Point[] => points.map(({ x, y }) => ({ x: -x, y })).reverse();

/** A straight band on its center with its ends, front and folds as separate pieces. */
function flatBand(ends: Ends, { widthPx, heightPx, endPercent, dropPercent, gapPx }: Band): Path {
  const h = heightPx / 2;
  const end = (heightPx * endPercent) / 100;
  if (ends === 'folded') {
    const drop = (heightPx * dropPercent) / 100;
    const tail = heightPx * 0.9;
    const inset = Math.min(heightPx * 0.45, widthPx / 8);
    const x = widthPx / 2 - tail + inset / 2;
    const front: readonly Point[] = [
      { x: -x, y: -h },
      { x, y: -h },
      { x, y: h },
      { x: -x, y: h },
    ];
    const slope = drop / inset;
    const aside = Math.min(gapPx * Math.hypot(1, 1 / notNought(slope)), inset * 0.8);
    const fold: readonly Point[] = [
      { x: x - inset, y: h + gapPx },
      { x: x - Math.min(inset, gapPx / notNought(slope)), y: h + gapPx },
      { x: x - inset, y: h + drop },
    ];
    const outer = widthPx / 2;
    const behind: readonly Point[] = [
      { x: x + gapPx, y: -h + drop },
      { x: outer, y: -h + drop },
      { x: outer - end, y: drop },
      { x: outer, y: h + drop },
      { x: x - inset + aside, y: h + drop },
      { x: x + gapPx, y: h + drop - slope * (inset - aside + gapPx) },
    ];
    return joinPaths([front, fold, mirroredX(fold), behind, mirroredX(behind)].map(polygonPath));
  }
  const x = widthPx / 2;
  if (ends === 'rolled') {
    const r = Math.min((heightPx * Math.max(endPercent, 8)) / 100 / 2, widthPx / 6);
    const front = polygonPath([
      { x: -x + 2 * r + gapPx, y: -h },
      { x: x - 2 * r - gapPx, y: -h },
      { x: x - 2 * r - gapPx, y: h },
      { x: -x + 2 * r + gapPx, y: h },
    ]);
    // Each roll is seen from the side: a tube a little taller than the band, its ends round.
    const tall = h + r * 0.7;
    const roll = (cx: number): Path =>
      new PathPen()
        .move(cx - r, -tall + r / 2)
        .cubic(cx - r, -tall - r / 6, cx + r, -tall - r / 6, cx + r, -tall + r / 2)
        .line(cx + r, tall - r / 2)
        .cubic(cx + r, tall + r / 6, cx - r, tall + r / 6, cx - r, tall - r / 2)
        .close()
        .path();
    return joinPaths([front, roll(-x + r), roll(x - r)]);
  }
  const right: readonly Point[] = {
    square: [
      { x, y: -h },
      { x, y: h },
    ],
    swallow: [
      { x, y: -h },
      { x: x - end, y: 0 },
      { x, y: h },
    ],
    pointed: [
      { x: x - end, y: -h },
      { x, y: 0 },
      { x: x - end, y: h },
    ],
  }[ends];
  return polygonPath([...right, ...mirroredX(right)]);
}

/** The front of a band, where its words stand, without ends and folds. */
function frontOf(ends: Ends, { widthPx, heightPx, endPercent, gapPx }: Band): TextLine {
  const end = (heightPx * endPercent) / 100;
  const taken = {
    square: 0,
    swallow: end,
    pointed: end,
    // As `flatBand` lays them.
    folded: heightPx * 0.9 - Math.min(heightPx * 0.45, widthPx / 8) / 2,
    rolled: 2 * Math.min((heightPx * Math.max(endPercent, 8)) / 100 / 2, widthPx / 6) + gapPx,
  }[ends];
  const half = Math.max(widthPx / 2 - taken, widthPx / 20);
  return levelLine(-half, half, 0, heightPx);
}

/** A line that is bent along: pieces by Hermite's rule, a third of each piece's tangent to either side. */
function bentLine({ points, heightPx }: TextLine, warp: Warp, pieces: number): TextLine {
  const [left, right] = [points[0]?.x ?? 0, points.at(-1)?.x ?? 0];
  const third = (right - left) / pieces / 3;
  return {
    points: Array.from({ length: pieces + 1 }, (_, index) => {
      const { x, y, acrossX, acrossY } = warp(left + (index * (right - left)) / pieces, 0);
      return { x, y, inX: -acrossX * third, inY: -acrossY * third, outX: acrossX * third, outY: acrossY * third };
    }),
    heightPx,
  };
}

/** Bends a level band along a circle so that its middle line keeps its length; upward or downward by the sign. */
function arched(bendDeg: number, widthPx: number): Warp {
  const turn = (bendDeg * Math.PI) / 180;
  if (Math.abs(turn) < STRAIGHT_RAD) return (x, y) => ({ x, y, acrossX: 1, acrossY: 0, downX: 0, downY: 1 });
  const radius = widthPx / turn;
  return (x, y) => {
    const a = x / radius;
    const r = radius - y;
    return {
      x: r * Math.sin(a),
      y: radius - r * Math.cos(a),
      acrossX: (r / radius) * Math.cos(a),
      acrossY: (r / radius) * Math.sin(a),
      downX: -Math.sin(a),
      downY: Math.cos(a),
    };
  };
}

/** Moves a level band up and down in waves; its verticals stay upright. */
const waved = (wavePx: number, waves: number, widthPx: number): Warp => {
  const k = (2 * Math.PI * waves) / widthPx;
  return (x, y) => ({
    x,
    y: y + (wavePx / 2) * Math.sin(k * x),
    acrossX: 1,
    acrossY: (wavePx / 2) * k * Math.cos(k * x),
    downX: 0,
    downY: 1,
  });
};

const band = (width = 560, height = 90) => sized(width, height);
const END: NumberField = percent('End', 45, 0, 200);
const DROP: NumberField = percent('Fold', 32, 5, 100);
const GAP: NumberField = length('Gap', 4);

/** Eight pieces to a half circle keep within 1e-6 of its radius. */
const ARCH_PIECES = 8;
const bandOf = (n: object): Band => ({ endPercent: 0, dropPercent: 0, gapPx: 0, ...n }) as Band;
const archOf = (n: object): Warp => {
  const { bendDeg, widthPx } = n as { readonly bendDeg: number; readonly widthPx: number };
  return arched(bendDeg, widthPx);
};

const words = (...more: readonly string[]) => ['banner', 'ribbon', 'scroll', 'motto', 'name panel', ...more];

function straight<K extends 'endPercent' | 'dropPercent' | 'gapPx'>(
  label: string,
  more: readonly string[],
  ends: Ends,
  fields: Readonly<Record<K, NumberField>>,
) {
  return defineForm<'widthPx' | 'heightPx' | K>({
    label,
    group: 'banner',
    words: words(...more),
    fields: { ...band(), ...fields },
    outline: (n) => flatBand(ends, bandOf(n)),
    textLine: (n) => frontOf(ends, bandOf(n)),
  });
}

function bent<K extends 'endPercent' | 'dropPercent' | 'gapPx'>(
  label: string,
  more: readonly string[],
  ends: Ends,
  start: number,
  fields: Readonly<Record<K, NumberField>>,
) {
  return defineForm<'widthPx' | 'heightPx' | 'bendDeg' | K>({
    label,
    group: 'banner',
    words: words(...more),
    fields: { ...band(), bendDeg: angle('Bend', start, -180, 180), ...fields },
    outline: (n) => warpPath(flatBand(ends, bandOf(n)), archOf(n), BEND_PX),
    textLine: (n) => bentLine(frontOf(ends, bandOf(n)), archOf(n), ARCH_PIECES),
  });
}

export const banners = {
  ribbon: straight('Ribbon', ['straight', 'flag'], 'swallow', { endPercent: END }),
  pointedBanner: straight('Pointed banner', ['sign', 'straight'], 'pointed', { endPercent: END }),
  foldedRibbon: straight('Folded ribbon', ['straight', 'tails'], 'folded', {
    endPercent: percent('End', 38, 0, 80),
    dropPercent: DROP,
    gapPx: GAP,
  }),
  scroll: straight('Scroll', ['parchment', 'rolled', 'deed'], 'rolled', { endPercent: percent('Rolls', 34, 8, 100), gapPx: GAP }),
  archedBand: bent('Arched band', ['arch', 'curved'], 'square', 50, {}),
  archedRibbon: bent('Arched ribbon', ['arch', 'curved', 'over'], 'swallow', 50, { endPercent: END }),
  archedFoldedRibbon: bent('Arched folded ribbon', ['arch', 'curved', 'tails'], 'folded', 45, {
    endPercent: percent('End', 38, 0, 80),
    dropPercent: DROP,
    gapPx: GAP,
  }),
  hangingRibbon: bent('Hanging ribbon', ['under', 'smile', 'curved'], 'swallow', -50, { endPercent: END }),
  hangingFoldedRibbon: bent('Hanging folded ribbon', ['under', 'smile', 'tails', 'crest'], 'folded', -45, {
    endPercent: percent('End', 38, 0, 80),
    dropPercent: DROP,
    gapPx: GAP,
  }),
  wavingRibbon: defineForm({
    label: 'Waving ribbon',
    group: 'banner',
    words: words('flag', 'wave', 'wind'),
    fields: { ...band(), endPercent: END, wavePx: length('Wave', 40), waves: count('Waves', 1, 1, 12) },
    outline: (n) => warpPath(flatBand('swallow', bandOf(n)), waved(n.wavePx, n.waves, n.widthPx), BEND_PX),
    textLine: (n) => bentLine(frontOf('swallow', bandOf(n)), waved(n.wavePx, n.waves, n.widthPx), 12 * n.waves),
  }),
  pennant: defineForm({
    label: 'Pennant',
    group: 'banner',
    words: words('flag', 'triangle', 'team', 'camp'),
    fields: { ...band(420, 180), tipPercent: percent('Tip', 0) },
    outline: ({ widthPx, heightPx, tipPercent }) => {
      const tip = ((heightPx / 2) * tipPercent) / 100;
      const [x, y] = [widthPx / 2, heightPx / 2];
      return polygonPath([
        { x: -x, y: -y },
        { x, y: -tip },
        { x, y: tip },
        { x: -x, y },
      ]);
    },
  }),
  hangingBanner: defineForm({
    label: 'Hanging banner',
    group: 'banner',
    words: words('gonfalon', 'flag', 'guild', 'upright'),
    fields: { ...band(220, 340), endPercent: percent('End', 22, -60, 60) },
    outline: ({ widthPx, heightPx, endPercent }) => {
      const [x, y] = [widthPx / 2, heightPx / 2];
      const end = (widthPx * endPercent) / 100;
      const foot = end >= 0 ? y : y + end;
      return polygonPath([
        { x: -x, y: -y },
        { x, y: -y },
        { x, y: foot },
        { x: 0, y: end >= 0 ? y - end : y },
        { x: -x, y: foot },
      ]);
    },
    textLine: ({ widthPx, heightPx }) => levelLine(-widthPx / 2, widthPx / 2, -heightPx / 8, heightPx / 2),
  }),
} as const;
