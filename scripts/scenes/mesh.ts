/** A point or direction in centimeters: x to the right, y up, z towards whoever looks. */
export type Point = readonly [x: number, y: number, z: number];

export const add = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Point, by: number): Point => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Point, b: Point): Point => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
export const unit = (a: Point): Point => times(a, 1 / (Math.hypot(...a) || 1));

/** All triangles of a scene. */
export interface Mesh {
  readonly positions: Float32Array;
  readonly normals: Float32Array;
  /** Place in the print area in [0, 1], downwards; two a vertex. */
  readonly uvs: Float32Array;
  readonly triangles: Uint32Array;
  /** Index of its material, one a triangle. */
  readonly materials: Uint8Array;
}

/** Where a surface may be printed: a corner of the area and its size, in the surface's own [0, 1] × [0, 1]. */
export interface PrintWindow {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
const WHOLE: PrintWindow = { left: 0, top: 0, right: 1, bottom: 1 };

interface SurfaceWays {
  /** Whether the end of s meets its beginning. */
  readonly seam?: boolean;
  readonly print?: PrintWindow;
  /** Which cells there are; all where it is left out. */
  readonly wanted?: (s: number, t: number) => boolean;
  /** Where (s, t) lies on the flat surface, if it is not spread evenly. */
  readonly uv?: (s: number, t: number) => readonly [number, number];
}

/** Collects triangles; a surface is a grid of points over [0, 1] × [0, 1], its normals those of the grid. */
export class MeshBuilder {
  readonly #positions: number[] = [];
  readonly #normals: number[] = [];
  readonly #uvs: number[] = [];
  readonly #triangles: number[] = [];
  readonly #materials: number[] = [];

  /**
   * Adds a curved surface.
   * @param at the point at (s, t); s runs to the right, t downwards, seen from outside
   */
  surface(
    material: number,
    columns: number,
    rows: number,
    at: (s: number, t: number) => Point,
    { seam = false, print = WHOLE, wanted, uv = (s, t) => [s, t] }: SurfaceWays = {},
  ): this {
    const first = this.#positions.length / 3;
    const grid: Point[] = [];
    for (let row = 0; row <= rows; row++) for (let column = 0; column <= columns; column++) grid.push(at(column / columns, row / rows));
    const place = (column: number, row: number): Point => {
      const wrapped = seam ? (column + columns) % columns : Math.min(columns, Math.max(0, column));
      return grid[Math.min(rows, Math.max(0, row)) * (columns + 1) + wrapped] as Point;
    };
    for (let row = 0; row <= rows; row++)
      for (let column = 0; column <= columns; column++) {
        const across = minus(place(column + 1, row), place(column - 1, row));
        const down = minus(place(column, row + 1), place(column, row - 1));
        const normal = unit(cross(down, across));
        const [s, t] = uv(column / columns, row / rows);
        this.#positions.push(...place(column, row));
        this.#normals.push(...normal);
        this.#uvs.push((s - print.left) / (print.right - print.left), (t - print.top) / (print.bottom - print.top));
      }
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        if (wanted && !wanted((column + 0.5) / columns, (row + 0.5) / rows)) continue;
        const a = first + row * (columns + 1) + column;
        const c = a + columns + 1;
        this.#triangles.push(a, c, a + 1, a + 1, c, c + 1);
        this.#materials.push(material, material);
      }
    return this;
  }

  /** A body turned about an upright line. @param profile radius and height, from its beginning to its end; the outside lies to the left on the way down */
  lathe(
    material: number,
    profile: readonly (readonly [radius: number, height: number])[],
    center: Point,
    sides = 120,
    print?: PrintWindow,
  ): this {
    const lengths = [0];
    profile.slice(1).forEach(([r, y], n) => {
      const [r0, y0] = profile[n] as readonly [number, number];
      lengths.push((lengths[n] as number) + Math.hypot(r - r0, y - y0));
    });
    const whole = lengths.at(-1) as number;
    const rows = Math.max(profile.length - 1, Math.min(240, Math.round(whole * 5)));
    const along = (t: number): readonly [number, number] => {
      const want = t * whole;
      let n = 1;
      while (n < lengths.length - 1 && (lengths[n] as number) < want) n++;
      const [from, to] = [lengths[n - 1] as number, lengths[n] as number];
      const part = to === from ? 0 : (want - from) / (to - from);
      const [[r0, y0], [r1, y1]] = [profile[n - 1], profile[n]] as [[number, number], [number, number]];
      return [r0 + (r1 - r0) * part, y0 + (y1 - y0) * part];
    };
    return this.surface(
      material,
      sides,
      rows,
      (s, t) => {
        const [radius, y] = along(t);
        const angle = (s - 0.5) * 2 * Math.PI;
        return [center[0] + radius * Math.sin(angle), center[1] + y, center[2] + radius * Math.cos(angle)];
      },
      { seam: true, ...(print ? { print } : {}) },
    );
  }

  /** A tube along a line of points. @param thick half its width and half its height at t */
  tube(
    material: number,
    path: (t: number) => Point,
    thick: (t: number) => readonly [number, number],
    rows = 90,
    sides = 28,
    side: Point = [0, 0, 1],
  ): this {
    return this.surface(
      material,
      sides,
      rows,
      (s, t) => {
        const ahead = unit(minus(path(Math.min(1, t + 1e-3)), path(Math.max(0, t - 1e-3))));
        const across = unit(cross(cross(ahead, side), ahead));
        const up = cross(ahead, across);
        const [wide, high] = thick(t);
        const angle = -s * 2 * Math.PI;
        return add(path(t), add(times(across, Math.cos(angle) * wide), times(up, Math.sin(angle) * high)));
      },
      { seam: true },
    );
  }

  /** A box with rounded edges, made of six faces. @param place sets a point of the box (its middle at 0) into the scene */
  roundBox(materials: readonly number[], size: Point, radius: number, place: (point: Point) => Point, steps = 40): this {
    const half = times(size, 0.5);
    const faces: readonly (readonly [Point, Point, Point])[] = [
      [
        [1, 0, 0],
        [0, -1, 0],
        [0, 0, 1],
      ],
      [
        [0, 0, -1],
        [0, -1, 0],
        [1, 0, 0],
      ],
      [
        [-1, 0, 0],
        [0, -1, 0],
        [0, 0, -1],
      ],
      [
        [0, 0, 1],
        [0, -1, 0],
        [-1, 0, 0],
      ],
      [
        [1, 0, 0],
        [0, 0, 1],
        [0, 1, 0],
      ],
      [
        [1, 0, 0],
        [0, 0, -1],
        [0, -1, 0],
      ],
    ];
    // Close steps where the edge bends, wide ones over the flat; the print area still runs evenly over the face.
    const edge = 6 / steps;
    const bend = (t: number, wide: number) => {
      const round = radius / wide;
      if (t < edge) return (round * t) / edge;
      if (t > 1 - edge) return 1 - (round * (1 - t)) / edge;
      return round + ((1 - 2 * round) * (t - edge)) / (1 - 2 * edge);
    };
    const widthAlong = (axis: Point) => Math.abs(axis[0]) * size[0] + Math.abs(axis[1]) * size[1] + Math.abs(axis[2]) * size[2];
    faces.forEach(([across, down, out], face) =>
      this.surface(
        materials[face % materials.length] as number,
        steps,
        steps,
        (s, t) => {
          const [wide, high] = [bend(s, widthAlong(across)), bend(t, widthAlong(down))];
          const raw = add(add(times(across, (wide - 0.5) * 2), times(down, (high - 0.5) * 2)), out);
          const corner: Point = [raw[0] * half[0], raw[1] * half[1], raw[2] * half[2]];
          const clamped = corner.map((value, axis) => {
            const most = (half[axis] as number) - radius;
            return Math.min(most, Math.max(-most, value));
          }) as unknown as Point;
          const away = minus(corner, clamped);
          const length = Math.hypot(...away);
          return place(length === 0 ? corner : add(clamped, times(away, radius / length)));
        },
        { uv: (s, t) => [bend(s, widthAlong(across)), bend(t, widthAlong(down))] },
      ),
    );
    return this;
  }

  build(): Mesh {
    return {
      positions: Float32Array.from(this.#positions),
      normals: Float32Array.from(this.#normals),
      uvs: Float32Array.from(this.#uvs),
      triangles: Uint32Array.from(this.#triangles),
      materials: Uint8Array.from(this.#materials),
    };
  }
}
