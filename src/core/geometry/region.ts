import type { FillRule, Path } from './path';

/** A filled area: an outline and the rule it is filled by. The rule travels with the path, because combining leaves even–odd outlines behind. */
export interface Region {
  readonly path: Path;
  readonly rule: FillRule;
}

export const COMBININGS = ['unite', 'subtract', 'intersect', 'exclude'] as const;
export type Combining = (typeof COMBININGS)[number];

export const JOINS = ['round', 'miter', 'bevel'] as const;
export type Join = (typeof JOINS)[number];

/** How an open stroke ends. */
export const CAPS = ['round', 'flat', 'square'] as const;
export type Cap = (typeof CAPS)[number];

/** Combining areas and drawing bands around outlines; curves stay curves. Opened once (WebAssembly), then handed to whoever draws. */
export interface PathAlgebra {
  readonly combine: (how: Combining, one: Region, other: Region) => Region;
  /** Everything that any of the areas covers, as one area. */
  readonly weld: (regions: readonly Region[]) => Region;
  /** An area grown outward by a distance all around. */
  readonly grow: (region: Region, by: number, join: Join) => Region;
  /** The band along an outline, half of it on either side; open contours get ends. */
  readonly band: (region: Region, width: number, join: Join, cap?: Cap) => Region;
  /** The same without what makes sure of every result: several times as fast, right nearly always, for pictures that are gone in a moment. */
  readonly unchecked?: PathAlgebra;
}
