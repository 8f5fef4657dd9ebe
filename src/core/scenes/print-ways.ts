import type { PrintWay } from './scene';

/** Ink over one pixel of a surface, all in linear light. */
export interface InkHere {
  /** Color of the ink, straight. */
  readonly ink: readonly [number, number, number];
  /** Color of the surface. */
  readonly surface: readonly [number, number, number];
  /** Share of the pixel under ink. */
  readonly cover: number;
  /** Where ink begins (above 0) or ends (below 0) toward the light. */
  readonly edge: number;
  /** Whether the surface is dark, so that a white ground is printed under the ink. */
  readonly dark: boolean;
}
/** What is seen then: what was there times `keep`, and the light that falls there times `add`; `shine` is light given back as by metal. */
export interface InkSeen {
  readonly keep: number;
  readonly add: readonly [number, number, number];
  readonly shine: readonly [number, number, number];
}

const NONE = [0, 0, 0] as const;
const times = ([r, g, b]: InkHere['ink'], by: number) => [r * by, g * by, b * by] as const;
/** Ink that soaks into cloth; what lies on it stays a little matt. */
const SOAKS = 0.92;

const laid = ({ ink, cover }: InkHere): InkSeen => ({ keep: 1 - cover, add: times(ink, cover), shine: NONE });
const sunk =
  (deep: number, lit: number) =>
  ({ cover, edge }: InkHere): InkSeen => ({ keep: (1 - deep * cover) * (1 - edge * lit), add: NONE, shine: NONE });

/** How ink of each way is seen; a new way is one row here and one name in `PRINT_WAYS`. */
export const INK_OF: Record<PrintWay, (here: InkHere) => InkSeen> = {
  paper: laid,
  paint: laid,
  /** Ink soaks in and takes the cloth's color with it; on dark cloth a white ground lies under it. */
  cloth: ({ ink, surface, cover, dark }) => {
    const soak = cover * (dark ? 0.96 : SOAKS);
    const [r, g, b] = ink.map((part, k) => (dark ? part * SOAKS : part * (0.32 + 0.68 * (surface[k] as number)))) as [
      number,
      number,
      number,
    ];
    return { keep: 1 - soak, add: times([r, g, b], soak), shine: NONE };
  },
  engraved: sunk(0.5, 0.5),
  pressed: sunk(0.14, 0.42),
  /** Metal gives back the light that falls on it in its own color, most where it is brightest. */
  foil: ({ ink, cover, edge }) => ({
    keep: 1 - cover,
    add: times(ink, 0.72 * cover),
    shine: times(ink, cover * 0.55 + Math.max(0, -edge) * 0.3),
  }),
};
/** Ways whose edges catch the light. */
export const HAS_EDGES: ReadonlySet<PrintWay> = new Set<PrintWay>(['engraved', 'pressed', 'foil']);
