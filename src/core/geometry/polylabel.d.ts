declare module 'polylabel' {
  /** The pole of inaccessibility of a polygon (outer ring first, holes after it), found to within `precision`, and how far the edge is. */
  export default function polylabel(
    polygon: readonly (readonly (readonly [number, number])[])[],
    precision?: number,
  ): readonly number[] & { readonly distance: number };
}
