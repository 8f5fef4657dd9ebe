import type { MeshBuilder, Point } from '../mesh';

/** A table that bends up to a wall behind, without an edge. @param bend radius of the bend */
export function backdrop(
  builder: MeshBuilder,
  material: number,
  { deep, wide, bend, front = 60 }: { readonly deep: number; readonly wide: number; readonly bend: number; readonly front?: number },
): void {
  const floor = front + deep - bend;
  const arc = (Math.PI / 2) * bend;
  const whole = floor + arc + 90;
  builder.surface(material, 24, 160, (s, t) => {
    const along = (1 - t) * whole;
    const x = (s - 0.5) * wide;
    if (along < floor) return [x, 0, front - along];
    if (along < floor + arc) {
      const angle = (along - floor) / bend;
      return [x, bend - bend * Math.cos(angle), -(deep - bend) - bend * Math.sin(angle)];
    }
    return [x, bend + along - floor - arc, -deep];
  });
}

/** A flat table that runs out of the picture on all sides. */
export function table(builder: MeshBuilder, material: number, half = 120): void {
  builder.surface(material, 8, 8, (s, t) => [(s - 0.5) * 2 * half, 0, (t - 0.5) * 2 * half]);
}

/**
 * A thin sheet with edges: paper, card, a board.
 * @param materials of its face, and of its edges and back
 * @param place sets a point (x to the right, y above its underside, z towards the lower edge; its middle at 0) into the scene
 */
export function sheet(
  builder: MeshBuilder,
  [face, edge]: readonly [number, number],
  { wide, high, thick }: { readonly wide: number; readonly high: number; readonly thick: number },
  place: (x: number, y: number, z: number) => Point,
  steps = 18,
): void {
  const [left, right, top, bottom] = [-wide / 2, wide / 2, -high / 2, high / 2];
  builder.surface(face, steps, steps, (s, t) => place(left + s * wide, thick, top + t * high));
  builder.surface(edge, steps, 2, (s, t) => place(left + s * wide, thick * (1 - t), bottom));
  builder.surface(edge, steps, 2, (s, t) => place(right - s * wide, thick * (1 - t), top));
  builder.surface(edge, steps, 2, (s, t) => place(right, thick * (1 - t), bottom - s * high));
  builder.surface(edge, steps, 2, (s, t) => place(left, thick * (1 - t), top + s * high));
  builder.surface(edge, steps, steps, (s, t) => place(right - s * wide, 0, top + t * high));
}

/** A round lid or plate that may be printed, seen from above: its print area is the square around it. */
export function disk(builder: MeshBuilder, material: number, radius: number, center: Point, dome = 0): void {
  builder.surface(
    material,
    96,
    12,
    (s, t) => {
      const [angle, far] = [(0.5 - s) * 2 * Math.PI, Math.max(1e-3, t) * radius];
      return [center[0] + far * Math.sin(angle), center[1] + dome * (1 - (far / radius) ** 2), center[2] + far * Math.cos(angle)];
    },
    {
      seam: true,
      uv: (s, t) => {
        const [angle, far] = [(0.5 - s) * 2 * Math.PI, Math.max(1e-3, t)];
        return [0.5 + (far * Math.sin(angle)) / 2, 0.5 + (far * Math.cos(angle)) / 2];
      },
    },
  );
}

/** A quarter of a round edge, as a lathe's profile. @param from angle in quarters of a turn, 0 is outwards, 1 is up */
export function roundEdge(center: readonly [number, number], radius: number, from: number, to: number, steps = 8): [number, number][] {
  return Array.from({ length: steps + 1 }, (_, n) => {
    const angle = ((from + ((to - from) * n) / steps) * Math.PI) / 2;
    return [Math.max(0.005, center[0] + radius * Math.cos(angle)), center[1] + radius * Math.sin(angle)];
  });
}
