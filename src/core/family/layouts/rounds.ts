import type { KnownInput } from '../../marks/registry';
import { ground, inOneLine, type Bench } from '../bench';
import { inDisk, together, type Item, type Spot } from '../item';
import type { LayoutRow } from '../layout';
import type { WordPiece } from '../pieces';

/** Radius of the outer line, in mark pixels, and the bounds of the ring text's size against it. */
const RADIUS_PX = 220;
const TEXT_MOST = 0.2;
const TEXT_LEAST = 0.075;
/** Share of the circle that one text alone may take, and each of two. */
const ALONE = 0.84;
const EACH = 0.4;
const TRACKING_PERMILLE = 140;

/** The size of a ring text: as large as the share of its circle allows; nothing where it would be too small. */
function ringSize(bench: Bench, piece: WordPiece, share: number): number | undefined {
  const ems = bench.ems(piece, TRACKING_PERMILLE);
  if (ems <= 0) return undefined;
  const cap = bench.capEm(piece);
  // Baseline radius: the middle of the capitals lies two capitals inside the edge.
  const size = Math.min(TEXT_MOST * RADIUS_PX, (share * 2 * Math.PI * RADIUS_PX) / (ems + share * 2 * Math.PI * cap * 1.7));
  return size >= TEXT_LEAST * RADIUS_PX ? size : undefined;
}

const ringText = (bench: Bench, id: string, piece: WordPiece, sizePx: number, insetPx: number, side: 'over' | 'under'): Item => ({
  box: { left: 0, right: 0, top: 0, bottom: 0 },
  middle: { x: 0, y: 0 },
  put: ({ x, y, scale }: Spot): readonly KnownInput[] => [
    bench.link(
      id,
      piece,
      {
        sizePx,
        ...inOneLine(piece),
        own: {
          case: 'upper',
          trackingPermille: TRACKING_PERMILLE,
          companion: null,
          fit: null,
          align: 'center',
          line: { shape: 'arc', form: 'ring', side, radiusPx: RADIUS_PX - insetPx, around: { part: 'ring', insetPx } },
        },
      },
      { x, y, turnDeg: 0, ...(scale === 1 ? {} : { scale }) },
    ),
  ],
});

/** Something in the middle, the name around it, the second line below where there is one, a ring around all. */
function ringed(bench: Bench, middle: Item | undefined): Item | undefined {
  const { name, second } = bench.context.pieces;
  if (!middle || !name) return undefined;
  const sizes = [ringSize(bench, name, second ? EACH : ALONE), second ? ringSize(bench, second, EACH) : undefined] as const;
  const [size] = sizes;
  if (size === undefined) return undefined;
  // Two texts on one ring have one size: the smaller of both.
  const both = sizes[1] === undefined ? size : Math.min(size, sizes[1]);
  const cap = bench.capEm(name) * both;
  const inset = cap * 1.35;
  const line = ground(
    'ring',
    'Ring',
    { form: 'ring', widthPx: 2 * RADIUS_PX, heightPx: 2 * RADIUS_PX, bandPx: RADIUS_PX * 0.02 },
    { role: 'ink' },
    { widthPx: 2 * RADIUS_PX, heightPx: 2 * RADIUS_PX },
  );
  const inner = RADIUS_PX - inset - cap * 0.5;
  return together(
    line,
    ringText(bench, 'around', name, both, inset, 'over'),
    ...(second && sizes[1] !== undefined ? [ringText(bench, 'below', second, both, inset, 'under')] : []),
    inDisk(middle, inner - cap * 0.9),
  );
}

/** Round forms, for profiles, stamps and stickers. */
export const rounds = {
  'initial-ringed': { label: 'initial, the name around', role: 'submark', lay: (bench) => ringed(bench, bench.initial()) },
  'symbol-ringed': { label: 'symbol, the name around', role: 'submark', lay: (bench) => ringed(bench, bench.symbol()) },
  badge: {
    label: 'all in a badge',
    role: 'submark',
    lay: (bench) => (bench.context.pieces.name ? bench.context.build('badge', { plan: 'seal' }, 'badge') : undefined),
  },
} as const satisfies Readonly<Record<string, LayoutRow>>;
