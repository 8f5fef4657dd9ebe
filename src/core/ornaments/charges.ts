import {
  compose,
  joinPaths,
  mapPath,
  PathPen,
  polygonPath,
  readPath,
  reversePath,
  rotation,
  scaling,
  toSize,
  translation,
  windingOf,
  type Path,
  type Point,
} from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { rectangle } from '../shapes/rectangle';
import { ring } from '../shapes/ring';
import { count, defineForm, percent, sized, type NumberField } from '../shapes/form';
import { brush, layered, leaf, mirroredX } from './brush';
import { bloom, type BloomKind } from './blooms';
import { acornPiece, oakBlade } from './growths';

/**
 * The simple charges of heraldry and small signs like them, each our own construction after what the name means.
 * @source names: A. C. Fox-Davies, "A Complete Guide to Heraldry", 1909 (public domain)
 */
function charge<K extends string>(
  label: string,
  words: readonly string[],
  size: readonly [width: number, height: number],
  own: Readonly<Record<K, NumberField>>,
  draw: (numbers: Readonly<Record<K, number>>) => Path,
) {
  return defineForm<K | 'widthPx' | 'heightPx'>({
    label,
    group: 'ornament',
    words: ['charge', 'heraldry', 'symbol', ...words],
    fields: { ...sized(...size), ...own },
    outline: (numbers) => toSize(draw(numbers), numbers.widthPx, numbers.heightPx),
  });
}

const outline = (data: string): Path => readPath(data) as Path;
const at = (path: Path, x: number, y: number, turn = 0, size = 1): Path =>
  mapPath(path, compose(translation(x, y), compose(rotation(turn), scaling(size))));
const both = (path: Path): readonly Path[] => [path, mirroredX(path)];
const dot = (x: number, y: number, radius: number): Path => at(ellipse(2 * radius, 2 * radius), x, y);
const box = (x: number, y: number, width: number, height: number): Path => at(rectangle(width, height, 0), x, y);
/** A hole in whatever lies under it: it runs against everything layered. */
const hole = (path: Path): Path => (windingOf(path) > 0 ? reversePath(path) : path);
const withHoles = (solid: Path, holes: readonly Path[]): Path => joinPaths([solid, ...holes.map(hole)]);
const swept = (points: readonly Point[], width: (t: number) => number): Path => {
  // A quadratic through three points, at its ends and its middle.
  const [a, b, c] = points as [Point, Point, Point];
  return brush(
    (t) => ({ x: (1 - t) ** 2 * a.x + 2 * t * (1 - t) * b.x + t * t * c.x, y: (1 - t) ** 2 * a.y + 2 * t * (1 - t) * b.y + t * t * c.y }),
    width,
    14,
  );
};

const flower = (kind: BloomKind, label: string, words: readonly string[]) =>
  charge(label, ['flower', 'bloom', ...words], [160, 160], { variation: count('Variation', 1, 1, 9999) }, ({ variation }) =>
    bloom(kind, variation),
  );

const crownPoints = (count_: number, wide: number, tall: number, pearl: number): readonly Path[] =>
  Array.from({ length: count_ }, (_, index) => {
    const x = count_ === 1 ? 0 : -wide / 2 + (wide * index) / (count_ - 1);
    const lean = (x / wide) * 0.28;
    const top = { x: x + lean * tall, y: -tall * (1 - 0.22 * Math.abs(x / (wide / 2))) };
    const half = (wide / count_) * 0.62;
    return layered([
      polygonPath([{ x: x - half, y: 0 }, top, { x: x + half, y: 0 }]),
      ...(pearl > 0 ? [dot(top.x, top.y - pearl * 0.6, pearl)] : []),
    ]);
  });

export const charges = {
  fleurDeLis: charge(
    'Fleur-de-lis',
    ['lily', 'french', 'royal'],
    [170, 200],
    { bandPercent: percent('Band', 50, 20, 100) },
    ({ bandPercent }) => {
      const band = 0.1 * (bandPercent / 50);
      const side_ = outline(
        'M0.1 0.28C0.16 0.02 0.3 -0.3 0.56 -0.34C0.82 -0.38 0.96 -0.14 0.86 0.06C0.8 0.18 0.64 0.18 0.6 0.06C0.58 -0.02 0.64 -0.06 0.66 -0.1C0.6 -0.18 0.44 -0.1 0.36 0.06C0.3 0.16 0.28 0.22 0.28 0.28Z',
      );
      const foot = outline('M0.08 0.44L0.28 0.44C0.3 0.58 0.44 0.62 0.52 0.72C0.5 0.82 0.36 0.84 0.3 0.74C0.22 0.84 0.14 0.7 0.08 0.44Z');
      return layered([
        outline(
          'M0 -1C0.2 -0.74 0.3 -0.5 0.22 -0.22C0.18 -0.06 0.12 0.12 0.1 0.28L-0.1 0.28C-0.12 0.12 -0.18 -0.06 -0.22 -0.22C-0.3 -0.5 -0.2 -0.74 0 -1Z',
        ),
        ...both(side_),
        box(0, 0.36, 0.74, band),
        outline('M-0.1 0.44L0.1 0.44C0.1 0.66 0.06 0.84 0 1C-0.06 0.84 -0.1 0.66 -0.1 0.44Z'),
        ...both(foot),
      ]);
    },
  ),
  heraldicRose: charge('Heraldic rose', ['rose', 'tudor', 'flower'], [170, 170], { barbs: count('Barbs', 1, 0, 1) }, ({ barbs }) =>
    layered([
      bloom('rose', 3, 0),
      ...(Math.round(barbs) === 1
        ? Array.from({ length: 5 }, (_, index) => at(leaf({ x: 0.68, y: 0 }, 0, 0.46, 0.5), 0, 0, -90 + 36 + index * 72))
        : []),
    ]),
  ),
  escallop: charge('Escallop', ['shell', 'pilgrim', 'sea'], [180, 180], { ribs: count('Ribs', 7, 3, 15) }, ({ ribs }) => {
    const n = Math.round(ribs);
    const fan = Array.from({ length: n }, (_, index) => {
      const turn = -90 + ((index - (n - 1) / 2) * 150) / n;
      const wide = ((150 / n) * Math.PI) / 180;
      const r = 1 - (0.1 * Math.abs(index - (n - 1) / 2)) / n;
      const half = (r * wide) / 2;
      return at(
        new PathPen()
          .move(0.12, -0.012)
          .line(r * 0.94, -half * 0.86)
          .cubic(r * 1.03, -half * 0.6, r * 1.03, half * 0.6, r * 0.94, half * 0.86)
          .line(0.12, 0.012)
          .close()
          .path(),
        0,
        0,
        turn,
      );
    });
    return layered([...fan, outline('M-0.34 -0.04L0.34 -0.04L0.24 0.16C0.1 0.22 -0.1 0.22 -0.24 0.16Z')]);
  }),
  key: charge('Key', ['lock', 'door', 'home', 'saint'], [90, 240], { wards: count('Wards', 2, 1, 4) }, ({ wards }) =>
    withHoles(
      layered([
        dot(0, -0.72, 0.28),
        box(0, 0.2, 0.13, 1.4),
        box(0, -0.4, 0.26, 0.09),
        ...Array.from({ length: Math.round(wards) }, (_, index) => box(0.2, 0.82 - index * 0.24, 0.36, 0.15)),
        dot(0, 0.92, 0.09),
      ]),
      [dot(0, -0.74, 0.14)],
    ),
  ),
  anchor: charge('Anchor', ['sea', 'harbor', 'nautical', 'hope'], [190, 230], {}, () =>
    withHoles(
      layered([
        dot(0, -0.84, 0.15),
        box(0, 0.06, 0.14, 1.6),
        box(0, -0.5, 0.8, 0.12),
        dot(-0.4, -0.5, 0.09),
        dot(0.4, -0.5, 0.09),
        swept(
          [
            { x: -0.78, y: 0.28 },
            { x: -0.5, y: 1.02 },
            { x: 0.02, y: 0.92 },
          ],
          (t) => 0.06 + 0.12 * t,
        ),
        swept(
          [
            { x: 0.78, y: 0.28 },
            { x: 0.5, y: 1.02 },
            { x: -0.02, y: 0.92 },
          ],
          (t) => 0.06 + 0.12 * t,
        ),
        ...both(outline('M0.84 0.1L0.98 0.52L0.74 0.44L0.56 0.52Z')),
      ]),
      [dot(0, -0.84, 0.075)],
    ),
  ),
  oakLeaf: charge('Oak leaf', ['oak', 'leaf', 'forest'], [110, 220], {}, () =>
    layered([
      at(oakBlade, 0, 0, -90),
      brush(
        (t) => ({ x: 0.02 * t, y: 0.16 * t }),
        (t) => 0.05 - 0.015 * t,
        4,
      ),
    ]),
  ),
  acorn: charge('Acorn', ['oak', 'nut', 'forest', 'seed'], [110, 180], {}, () =>
    layered([
      at(acornPiece, 0, 0, 90),
      brush(
        (t) => ({ x: 0.04 * t, y: -0.16 * t }),
        () => 0.06,
        4,
      ),
    ]),
  ),
  tower: charge('Tower', ['castle', 'keep', 'fortress', 'stone'], [150, 220], { crenels: count('Crenels', 3, 2, 7) }, ({ crenels }) => {
    const n = Math.round(crenels);
    const merlon = 1.3 / (2 * n - 1);
    return withHoles(
      layered([
        box(0, 0.1, 0.96, 1.3),
        box(0, -0.62, 1.3, 0.2),
        box(0, 0.86, 1.3, 0.28),
        ...Array.from({ length: n }, (_, index) => box(-0.65 + merlon * (2 * index + 0.5), -0.84, merlon, 0.26)),
      ]),
      [outline('M-0.18 0.72L-0.18 0.44C-0.18 0.24 -0.08 0.18 0 0.12C0.08 0.18 0.18 0.24 0.18 0.44L0.18 0.72Z'), box(0, -0.2, 0.1, 0.28)],
    );
  }),
  castle: charge('Castle', ['towers', 'fortress', 'gate', 'town'], [240, 190], {}, () => {
    const top = (x: number, y: number, w: number): readonly Path[] => [-1, 0, 1].map((step) => box(x + (step * w) / 2.4, y, w / 4.4, 0.14));
    return withHoles(
      layered([
        box(0, 0.36, 1.5, 0.8),
        box(-0.74, 0.1, 0.4, 1.32),
        box(0.74, 0.1, 0.4, 1.32),
        box(0, -0.45, 0.4, 0.82),
        ...top(-0.74, -0.62, 0.44),
        ...top(0.74, -0.62, 0.44),
        ...top(0, -0.9, 0.44),
        ...[-0.37, 0.37].flatMap((x) => [box(x, -0.08, 0.12, 0.12)]),
      ]),
      [
        outline('M-0.17 0.76L-0.17 0.42C-0.17 0.28 -0.08 0.2 0 0.16C0.08 0.2 0.17 0.28 0.17 0.42L0.17 0.76Z'),
        box(-0.74, -0.14, 0.09, 0.24),
        box(0.74, -0.14, 0.09, 0.24),
        box(0, -0.42, 0.09, 0.24),
      ],
    );
  }),
  ship: charge('Ship', ['boat', 'sail', 'lymphad', 'sea', 'trade'], [220, 220], {}, () =>
    layered([
      outline('M-0.96 0.42L0.96 0.42C0.9 0.7 0.72 0.9 0.5 0.96L-0.5 0.96C-0.72 0.9 -0.9 0.7 -0.96 0.42Z'),
      box(0, -0.28, 0.06, 1.36),
      outline('M0.08 -0.74C0.44 -0.6 0.66 -0.22 0.66 0.28L0.08 0.28Z'),
      outline('M-0.08 -0.62C-0.36 -0.44 -0.56 -0.1 -0.58 0.28L-0.08 0.28Z'),
      outline('M0.02 -1L0.4 -0.9L0.02 -0.8Z'),
    ]),
  ),
  oar: charge(
    'Oar',
    ['rowing', 'boat', 'paddle', 'club'],
    [60, 420],
    { bladePercent: percent('Blade', 32, 15, 50) },
    ({ bladePercent }) => {
      const top = -1 + (2 * bladePercent) / 100;
      const along = (share: number) => -1 + (top + 1) * share;
      const bladePath = new PathPen()
        .move(-0.07, -0.98)
        .cubic(-0.13, along(0.4), -0.12, along(0.75), -0.02, top)
        .line(0.02, top)
        .cubic(0.12, along(0.75), 0.13, along(0.4), 0.07, -0.98)
        .cubic(0.04, -1.01, -0.04, -1.01, -0.07, -0.98)
        .close()
        .path();
      return layered([box(0, 0.1, 0.045, 1.76), bladePath, box(0, 0.3, 0.085, 0.07), box(0, 0.88, 0.06, 0.2)]);
    },
  ),
  sword: charge('Sword', ['blade', 'knight', 'justice'], [110, 320], {}, () =>
    layered([
      outline('M0 -1L0.07 -0.86L0.055 0.44L-0.055 0.44L-0.07 -0.86Z'),
      outline('M-0.32 0.46C-0.2 0.5 0.2 0.5 0.32 0.46L0.34 0.56C0.2 0.6 -0.2 0.6 -0.34 0.56Z'),
      box(0, 0.72, 0.075, 0.26),
      dot(0, 0.92, 0.085),
    ]),
  ),
  axe: charge('Axe', ['tool', 'wood', 'timber'], [130, 300], {}, () =>
    layered([
      box(-0.02, 0.02, 0.085, 1.96),
      outline(
        'M0.02 -0.86L0.16 -0.86C0.3 -0.84 0.42 -0.92 0.5 -1C0.62 -0.76 0.62 -0.46 0.5 -0.22C0.42 -0.34 0.3 -0.4 0.16 -0.4L0.02 -0.4Z',
      ),
    ]),
  ),
  hammer: charge('Hammer', ['tool', 'forge', 'smith', 'work'], [150, 280], {}, () =>
    layered([box(0, 0.18, 0.1, 1.62), outline('M-0.44 -0.9L0.34 -0.9L0.52 -0.72L0.34 -0.54L-0.44 -0.54Z')]),
  ),
  quill: charge('Feather', ['quill', 'writing', 'pen', 'bird'], [110, 300], { splits: count('Splits', 3, 0, 6) }, ({ splits }) => {
    const solid = outline(
      'M0 1C-0.02 0.6 -0.04 0.5 -0.06 0.44C-0.34 0.24 -0.42 -0.14 -0.3 -0.5C-0.22 -0.74 -0.06 -0.9 0.14 -1C0.36 -0.76 0.42 -0.4 0.34 -0.02C0.28 0.22 0.18 0.38 0.06 0.46C0.05 0.6 0.04 0.8 0.03 1Z',
    );
    // Slits on either side in turn, none of them as far as the edge or the spine.
    const cuts = Array.from({ length: Math.round(splits) }, (_, index) => {
      const y = -0.46 + (0.62 * index) / Math.max(1, splits - 0.4);
      const way = index % 2 === 0 ? 1 : -1;
      return leaf({ x: way > 0 ? 0.13 : -0.04, y }, way > 0 ? -0.7 : Math.PI + 0.7, 0.22, 0.16);
    });
    const spine = polygonPath([
      { x: 0.09, y: -0.82 },
      { x: 0.1, y: -0.82 },
      { x: 0.025, y: 0.42 },
      { x: -0.025, y: 0.42 },
    ]);
    return withHoles(solid, [spine, ...cuts]);
  }),
  wing: charge('Wing', ['bird', 'flight', 'eagle', 'angel'], [230, 160], { feathers: count('Feathers', 6, 3, 12) }, ({ feathers }) => {
    const n = Math.round(feathers);
    const row = (size: number, fullness: number, drop: number) =>
      Array.from({ length: n }, (_, index) => {
        const t = index / Math.max(1, n - 1);
        return at(leaf({ x: 0, y: 0 }, 0, (0.62 + 0.72 * t) * size, fullness), -0.86 + 1.06 * t, -0.02 - 0.52 * t + drop, 98 - 92 * t);
      });
    return layered([
      ...row(1, 0.27, 0.06),
      ...row(0.5, 0.42, 0.02),
      brush(
        (t) => ({ x: -1 + 1.34 * t, y: 0.06 - 0.3 * t - 0.42 * Math.sin((Math.PI * t) / 2) }),
        (t) => 0.3 - 0.2 * t,
        14,
      ),
    ]);
  }),
  sun: charge(
    'Sun',
    ['sunshine', 'rays', 'splendour', 'day'],
    [200, 200],
    { rays: count('Rays', 16, 6, 40), wavy: count('Every other wavy', 1, 0, 1) },
    ({ rays, wavy }) => {
      const n = Math.round(rays);
      return layered([
        dot(0, 0, 0.42),
        ...Array.from({ length: n }, (_, index) => {
          const half = (0.5 * Math.PI) / n;
          const straight = polygonPath([
            { x: 0.5, y: -0.52 * half },
            { x: 1, y: 0 },
            { x: 0.5, y: 0.52 * half },
          ]);
          const wave = brush(
            (t) => ({ x: 0.5 + 0.46 * t, y: 0.05 * Math.sin(2 * Math.PI * t) }),
            (t) => half * 0.95 * (1 - t) + 0.004,
            10,
          );
          return at(Math.round(wavy) === 1 && index % 2 === 1 ? wave : straight, 0, 0, -90 + (index * 360) / n);
        }),
      ]);
    },
  ),
  flame: charge('Flame', ['fire', 'torch', 'heat', 'passion'], [140, 210], {}, () =>
    withHoles(
      outline(
        'M0.04 -1C0.16 -0.66 0.6 -0.4 0.62 0.18C0.66 0.06 0.66 -0.08 0.62 -0.2C0.9 0.1 0.9 0.6 0.62 0.82C0.42 0.98 0.2 1 0 1C-0.4 1 -0.76 0.78 -0.76 0.32C-0.76 0.04 -0.6 -0.14 -0.52 -0.34C-0.44 -0.2 -0.42 -0.1 -0.42 0.02C-0.26 -0.28 -0.02 -0.52 0.04 -1Z',
      ),
      [
        outline(
          'M0.04 0.1C0.1 0.34 0.34 0.42 0.32 0.66C0.3 0.82 0.14 0.9 0 0.9C-0.18 0.9 -0.34 0.8 -0.34 0.6C-0.32 0.42 -0.06 0.36 0.04 0.1Z',
        ),
      ],
    ),
  ),
  wavesBar: charge(
    'Waves',
    ['water', 'sea', 'river', 'fess wavy'],
    [260, 90],
    { waves: count('Waves', 4, 2, 12), lines: count('Lines', 2, 1, 5) },
    ({ waves, lines }) => {
      const n = Math.round(lines);
      return layered(
        Array.from({ length: n }, (_, index) =>
          brush(
            (t) => ({ x: -1 + 2 * t, y: index * 0.26 + 0.075 * Math.sin(2 * Math.PI * Math.round(waves) * t) }),
            () => 0.1,
            Math.round(waves) * 10,
          ),
        ),
      );
    },
  ),
  tree: charge('Tree', ['oak', 'nature', 'garden', 'family'], [210, 230], { crowns: count('Crown', 7, 4, 12) }, ({ crowns }) => {
    const n = Math.round(crowns);
    return layered([
      dot(0, -0.34, 0.42),
      ...Array.from({ length: n }, (_, index) => {
        const turn = Math.PI * (0.82 + (1.36 * index) / (n - 1));
        return dot(0.56 * Math.cos(turn), -0.36 + 0.44 * Math.sin(turn), 0.26);
      }),
      outline('M-0.1 0C-0.09 0.4 -0.12 0.74 -0.34 0.98C-0.16 0.92 -0.08 0.92 0 1C0.08 0.92 0.16 0.92 0.34 0.98C0.12 0.74 0.09 0.4 0.1 0Z'),
    ]);
  }),
  mountain: charge('Mountains', ['peaks', 'alpine', 'outdoor', 'hill'], [240, 140], {}, () =>
    layered([
      withHoles(
        polygonPath([
          { x: -1, y: 0.6 },
          { x: -0.16, y: -0.6 },
          { x: 0.34, y: 0.14 },
          { x: 0.02, y: 0.6 },
        ]),
        [outline('M-0.16 -0.44L-0.4 -0.1L-0.28 -0.16L-0.2 -0.04L-0.08 -0.16L0.04 -0.06L0.06 -0.12Z')],
      ),
      polygonPath([
        { x: 0.12, y: 0.6 },
        { x: 0.56, y: -0.14 },
        { x: 1, y: 0.6 },
      ]),
    ]),
  ),
  fish: charge('Fish', ['sea', 'salmon', 'river', 'market'], [230, 100], {}, () =>
    withHoles(
      layered([
        outline('M-0.9 0C-0.6 -0.42 0.2 -0.5 0.62 -0.06L0.98 -0.38C0.9 -0.12 0.9 0.12 0.98 0.38L0.62 0.06C0.2 0.5 -0.6 0.42 -0.9 0Z'),
      ]),
      [dot(-0.58, -0.06, 0.055), outline('M-0.36 -0.26C-0.26 -0.1 -0.26 0.1 -0.36 0.26L-0.31 0.27C-0.2 0.1 -0.2 -0.1 -0.31 -0.27Z')],
    ),
  ),
  bee: charge('Bee', ['insect', 'honey', 'busy', 'napoleon'], [180, 180], {}, () =>
    layered([
      dot(0, -0.66, 0.17),
      outline('M-0.22 -0.46L0.22 -0.46C0.3 -0.36 0.3 -0.26 0.26 -0.18L-0.26 -0.18C-0.3 -0.26 -0.3 -0.36 -0.22 -0.46Z'),
      outline('M-0.29 -0.12L0.29 -0.12L0.32 0.12L-0.32 0.12Z'),
      outline('M-0.32 0.18L0.32 0.18L0.27 0.42L-0.27 0.42Z'),
      outline('M-0.24 0.48L0.24 0.48C0.18 0.7 0.1 0.84 0 0.96C-0.1 0.84 -0.18 0.7 -0.24 0.48Z'),
      ...both(at(leaf({ x: 0.24, y: -0.36 }, -0.32, 0.86, 0.5), 0, 0)),
      ...both(at(leaf({ x: 0.26, y: -0.22 }, 0.18, 0.66, 0.46), 0, 0)),
      ...both(
        swept(
          [
            { x: 0.06, y: -0.8 },
            { x: 0.12, y: -0.98 },
            { x: 0.28, y: -1.02 },
          ],
          () => 0.035,
        ),
      ),
    ]),
  ),
  bell: charge('Bell', ['church', 'ring', 'school', 'chime'], [160, 180], {}, () =>
    layered([
      outline(
        'M0 -0.86C0.4 -0.84 0.5 -0.5 0.52 -0.1C0.54 0.26 0.62 0.44 0.8 0.56L-0.8 0.56C-0.62 0.44 -0.54 0.26 -0.52 -0.1C-0.5 -0.5 -0.4 -0.84 0 -0.86Z',
      ),
      box(0, -0.92, 0.16, 0.16),
      dot(0, 0.74, 0.16),
    ]),
  ),
  book: charge('Book', ['learning', 'school', 'library', 'reading'], [220, 150], {}, () =>
    layered([
      ...both(outline('M0.03 -0.5C0.3 -0.7 0.66 -0.7 0.94 -0.58L0.94 0.44C0.66 0.32 0.3 0.32 0.03 0.52Z')),
      ...both(outline('M0.03 0.6C0.3 0.42 0.68 0.42 0.98 0.54L0.98 0.62C0.66 0.52 0.3 0.54 0.03 0.72Z')),
    ]),
  ),
  cup: charge('Cup', ['chalice', 'trophy', 'winner', 'prize'], [170, 210], {}, () =>
    withHoles(
      layered([
        outline(
          'M-0.5 -0.9L0.5 -0.9C0.52 -0.4 0.4 0 0.1 0.12L0.1 0.56C0.3 0.62 0.42 0.72 0.44 0.9L-0.44 0.9C-0.42 0.72 -0.3 0.62 -0.1 0.56L-0.1 0.12C-0.4 0 -0.52 -0.4 -0.5 -0.9Z',
        ),
        dot(-0.56, -0.5, 0.28),
        dot(0.56, -0.5, 0.28),
      ]),
      [
        outline('M0.5 -0.68C0.66 -0.7 0.72 -0.58 0.7 -0.46C0.66 -0.34 0.56 -0.3 0.44 -0.32C0.48 -0.44 0.5 -0.56 0.5 -0.68Z'),
        outline('M-0.5 -0.68C-0.66 -0.7 -0.72 -0.58 -0.7 -0.46C-0.66 -0.34 -0.56 -0.3 -0.44 -0.32C-0.48 -0.44 -0.5 -0.56 -0.5 -0.68Z'),
      ],
    ),
  ),
  wheel: charge('Wheel', ['cart', 'ship', 'helm', 'spokes'], [190, 190], { spokes: count('Spokes', 8, 3, 24) }, ({ spokes }) =>
    joinPaths([
      ring(2, 2, 0.2),
      ring(0.5, 0.5, 0.14),
      ...Array.from({ length: Math.round(spokes) }, (_, index) => at(box(0.525, 0, 0.57, 0.12), 0, 0, (index * 360) / Math.round(spokes))),
    ]),
  ),
  horseshoe: charge('Horseshoe', ['luck', 'horse', 'stable', 'smith'], [170, 180], {}, () =>
    withHoles(
      brush(
        (t) => {
          const turn = Math.PI * (0.36 - 1.72 * t);
          return { x: 0.66 * Math.cos(turn), y: -0.05 + 0.72 * Math.sin(turn) };
        },
        (t) => 0.22 + 0.12 * Math.sin(Math.PI * t),
        30,
      ),
      [-0.62, -0.38, -0.12, 0.12, 0.38, 0.62].map((step) => {
        const turn = -Math.PI / 2 + step * 2;
        return dot(0.66 * Math.cos(turn), -0.05 + 0.72 * Math.sin(turn), 0.045);
      }),
    ),
  ),
  compassStar: charge(
    'Compass star',
    ['star', 'compass', 'north', 'travel'],
    [220, 220],
    { points: count('Points', 8, 4, 16) },
    ({ points }) => {
      const n = Math.max(4, Math.round(points / 4) * 4);
      return layered(
        Array.from({ length: n }, (_, index) => {
          const long = index % 2 === 0 ? (index % (n / 4) === 0 ? 1 : 0.8) : 0.6;
          return at(
            polygonPath([
              { x: 0.03, y: -0.015 },
              { x: 0.17, y: -0.1 },
              { x: long, y: 0 },
              { x: 0.03, y: 0.015 },
            ]),
            0,
            0,
            -90 + (index * 360) / n,
          );
        }),
      );
    },
  ),
  roundel: charge('Roundel', ['disk', 'dot', 'bezant'], [120, 120], {}, () => ellipse(2, 2)),
  annulet: charge('Annulet', ['ring', 'circle'], [130, 130], { bandPercent: percent('Band', 22, 4, 80) }, ({ bandPercent }) =>
    ring(2, 2, bandPercent / 100),
  ),
  lozenge: charge('Lozenge', ['diamond', 'rhombus'], [110, 150], {}, () =>
    polygonPath([
      { x: 0, y: -1 },
      { x: 0.72, y: 0 },
      { x: 0, y: 1 },
      { x: -0.72, y: 0 },
    ]),
  ),
  billet: charge('Billet', ['block', 'brick', 'oblong'], [80, 140], {}, () => rectangle(0.57, 1, 0)),
  mullet: charge(
    'Mullet',
    ['star', 'spur'],
    [150, 150],
    { points: count('Points', 5, 4, 12), pierced: count('Pierced', 0, 0, 1) },
    ({ points, pierced }) => {
      const n = Math.round(points);
      const inner = n === 5 ? 0.382 : 0.42;
      const star = polygonPath(
        Array.from({ length: 2 * n }, (_, index) => {
          const r = index % 2 === 0 ? 1 : inner;
          const turn = -Math.PI / 2 + (index * Math.PI) / n;
          return { x: r * Math.cos(turn), y: r * Math.sin(turn) };
        }),
      );
      return Math.round(pierced) === 1 ? withHoles(layered([star]), [dot(0, 0, 0.17)]) : star;
    },
  ),
  crossPatty: charge('Cross patty', ['cross', 'knight', 'order'], [170, 170], {}, () =>
    layered(
      [0, 90, 180, 270].map((turn) =>
        at(outline('M-0.08 -0.06C-0.14 -0.5 -0.26 -0.8 -0.44 -1L0.44 -1C0.26 -0.8 0.14 -0.5 0.08 -0.06Z'), 0, 0, turn),
      ),
    ),
  ),
  crown: charge(
    'Crown',
    ['royal', 'king', 'queen'],
    [220, 150],
    { points: count('Points', 5, 3, 9), pearls: count('Pearls', 1, 0, 1) },
    ({ points, pearls }) =>
      layered([
        ...crownPoints(Math.round(points), 1.5, 0.8, Math.round(pearls) === 1 ? 0.075 : 0),
        box(0, 0.02, 1.62, 0.12),
        box(0, 0.2, 1.7, 0.12),
      ]),
  ),
  coronet: charge('Coronet', ['noble', 'leaves', 'crown'], [230, 110], { leaves: count('Leaves', 5, 3, 9) }, ({ leaves }) => {
    const n = Math.round(leaves);
    const trefoil = layered([
      dot(0, -0.6, 0.13),
      dot(-0.12, -0.44, 0.11),
      dot(0.12, -0.44, 0.11),
      outline('M-0.05 0L-0.03 -0.5L0.03 -0.5L0.05 0Z'),
    ]);
    return layered([
      ...Array.from({ length: n }, (_, index) => {
        const t = (2 * index) / (n - 1) - 1;
        return at(trefoil, t * 0.82, 0.02 - 0.06 * (1 - t * t), t * 14);
      }),
      ...Array.from({ length: n - 1 }, (_, index) => {
        const t = (2 * index + 1) / (n - 1) - 1;
        return dot(t * 0.82, -0.2, 0.075);
      }),
      outline('M-0.94 0C-0.5 -0.1 0.5 -0.1 0.94 0L0.94 0.2C0.5 0.1 -0.5 0.1 -0.94 0.2Z'),
    ]);
  }),
  muralCrown: charge(
    'Mural crown',
    ['city', 'town', 'wall', 'battlement'],
    [220, 110],
    { crenels: count('Crenels', 5, 3, 9) },
    ({ crenels }) => {
      const n = Math.round(crenels);
      const wide = 1.9 / (2 * n - 1);
      return layered([
        outline('M-1 -0.1L1 -0.1L0.92 0.5L-0.92 0.5Z'),
        ...Array.from({ length: n }, (_, index) => box(-0.95 + wide * (2 * index + 0.5), -0.24, wide, 0.3)),
      ]);
    },
  ),
  helm: charge('Helm', ['helmet', 'knight', 'armor'], [150, 180], { bars: count('Bars', 4, 1, 7) }, ({ bars }) => {
    const n = Math.round(bars);
    return withHoles(
      layered([
        outline(
          'M-0.62 0.3C-0.78 -0.5 -0.42 -1 0.06 -1C0.5 -1 0.72 -0.56 0.66 -0.12L0.74 0.3C0.62 0.42 0.5 0.5 0.44 0.62C0.6 0.74 0.72 0.86 0.78 1L-0.82 1C-0.78 0.78 -0.7 0.6 -0.62 0.3Z',
        ),
      ]),
      [
        ...Array.from({ length: n }, (_, index) =>
          at(
            outline('M-0.02 -0.42C0.03 -0.44 0.05 -0.3 0.05 0.1C0.05 0.24 0.03 0.34 -0.02 0.34C-0.06 0.2 -0.06 -0.26 -0.02 -0.42Z'),
            0.02 + (0.52 * (index + 0.5)) / n,
            -0.02,
          ),
        ),
        outline('M-0.6 0.62C-0.2 0.74 0.2 0.74 0.46 0.66L0.5 0.72C0.2 0.8 -0.2 0.8 -0.62 0.7Z'),
      ],
    );
  }),
  rose: flower('rose', 'Rose bloom', ['rose', 'romantic']),
  anemone: flower('anemone', 'Anemone', ['garden', 'wedding']),
  daisy: flower('daisy', 'Daisy', ['meadow', 'cheerful']),
  peony: flower('peony', 'Peony', ['garden', 'lush']),
  starFlower: flower('star-flower', 'Star flower', ['borage', 'small']),
  bud: charge('Bud', ['flower', 'tulip', 'spring'], [110, 220], {}, () =>
    layered([
      outline(
        'M0 -1C0.24 -0.84 0.34 -0.58 0.26 -0.32C0.18 -0.14 0.08 -0.08 0 -0.06C-0.08 -0.08 -0.18 -0.14 -0.26 -0.32C-0.34 -0.58 -0.24 -0.84 0 -1Z',
      ),
      brush(
        (t) => ({ x: 0.06 * Math.sin(2 * t), y: t }),
        () => 0.05,
        8,
      ),
      ...both(leaf({ x: 0.03, y: 0.72 }, -1.05, 0.66, 0.36)),
    ]),
  ),
} as const;
