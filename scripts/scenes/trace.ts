import { Tree } from './bvh';
import { cross, minus, times, unit, type Point } from './mesh';
import { hash, noise } from './noise';
import type { Lamp, Scene } from './scene';

/** What one row band of a picture gathers: sums over its samples, three channels each where it is light. */
export interface Gathered {
  readonly from: number;
  readonly to: number;
  /** Diffuse light on the goods, and how much of the pixel they cover. */
  readonly print: Float32Array;
  readonly printCover: Float32Array;
  /** Diffuse light on all else, what that throws back, and its share of the pixel. */
  readonly rest: Float32Array;
  readonly restAlbedo: Float32Array;
  readonly restCover: Float32Array;
  /** Light from coats. */
  readonly shine: Float32Array;
  /** Normals and places, apart for goods and rest, so that edges of one never blur the other: six numbers a pixel. */
  readonly printGuide: Float32Array;
  readonly restGuide: Float32Array;
  /** Print area and place in it at the pixel's center, through a pinhole; area 0 where there is none. */
  readonly area: Uint8Array;
  readonly uv: Float32Array;
}

const GOLDEN_X = 0.7548776662466927;
const GOLDEN_Y = 0.5698402909980532;
/** Most light that one sample may bring, straight from a lamp and by way of another surface: rare bright ones would stay as specks. */
const CLAMP = 4;
const CLAMP_ON = 0.9;

/**
 * Traces light through a scene: from the camera to the first surface, from there to both lamps and onwards twice, the last times with one lamp a turn.
 * Coats mirror with Schlick's Fresnel term and a lobe as wide as they are dull.
 * @source J. Kajiya, "The Rendering Equation", 1986; C. Schlick, 1994; samples spread by M. Roberts' R2 sequence, turned by a hash a pixel
 */
export class Tracer {
  readonly #tree: Tree;
  #nx = 0;
  #ny = 0;
  #nz = 0;

  constructor(readonly scene: Scene) {
    this.#tree = new Tree(scene.mesh);
  }

  /** Normal at the last hit, turned towards where the ray came from. */
  #normal(dx: number, dy: number, dz: number): number {
    const { hit } = this.#tree;
    const { triangles, normals, positions, materials } = this.scene.mesh;
    const at = hit.triangle * 3;
    const [a, b, c] = [(triangles[at] as number) * 3, (triangles[at + 1] as number) * 3, (triangles[at + 2] as number) * 3];
    const w = 1 - hit.u - hit.v;
    let x = (normals[a] as number) * w + (normals[b] as number) * hit.u + (normals[c] as number) * hit.v;
    let y = (normals[a + 1] as number) * w + (normals[b + 1] as number) * hit.u + (normals[c + 1] as number) * hit.v;
    let z = (normals[a + 2] as number) * w + (normals[b + 2] as number) * hit.u + (normals[c + 2] as number) * hit.v;
    const length = Math.sqrt(x * x + y * y + z * z) || 1;
    // The flat side decides which way is out, the smooth one how light falls.
    const [e1x, e1y, e1z] = [
      (positions[b] as number) - (positions[a] as number),
      (positions[b + 1] as number) - (positions[a + 1] as number),
      (positions[b + 2] as number) - (positions[a + 2] as number),
    ];
    const [e2x, e2y, e2z] = [
      (positions[c] as number) - (positions[a] as number),
      (positions[c + 1] as number) - (positions[a + 1] as number),
      (positions[c + 2] as number) - (positions[a + 2] as number),
    ];
    const [gx, gy, gz] = [e1y * e2z - e1z * e2y, e1z * e2x - e1x * e2z, e1x * e2y - e1y * e2x];
    const front = gx * dx + gy * dy + gz * dz > 0 ? -1 : 1;
    const agree = gx * x + gy * y + gz * z < 0 ? -front : front;
    x = (x / length) * agree;
    y = (y / length) * agree;
    z = (z / length) * agree;
    this.#nx = x;
    this.#ny = y;
    this.#nz = z;
    return materials[hit.triangle] as number;
  }

  #bend(material: number, px: number, py: number, pz: number): void {
    const bump = this.scene.materials[material]?.bump;
    if (!bump) return;
    const { size, steep } = bump;
    const [x, y, z] = [px / size, py / size, pz / size];
    const here = noise(x, y, z);
    const e = 0.1;
    const bx = (noise(x + e, y, z) - here) / e;
    const by = (noise(x, y + e, z) - here) / e;
    const bz = (noise(x, y, z + e) - here) / e;
    const x2 = this.#nx - bx * steep;
    const y2 = this.#ny - by * steep;
    const z2 = this.#nz - bz * steep;
    const length = Math.sqrt(x2 * x2 + y2 * y2 + z2 * z2) || 1;
    this.#nx = x2 / length;
    this.#ny = y2 / length;
    this.#nz = z2 / length;
  }

  readonly #lit = { r: 0, g: 0, b: 0, lx: 0, ly: 0, lz: 0, seen: 0 };
  /** Light of one lamp on a surface, by one point of it. */
  #lamp(
    lamp: Lamp,
    through: ((from: Point, to: Point) => number) | undefined,
    a: number,
    b: number,
    px: number,
    py: number,
    pz: number,
  ): void {
    const lit = this.#lit;
    lit.r = lit.g = lit.b = lit.seen = 0;
    const lx = lamp.corner[0] + lamp.across[0] * a + lamp.along[0] * b - px;
    const ly = lamp.corner[1] + lamp.across[1] * a + lamp.along[1] * b - py;
    const lz = lamp.corner[2] + lamp.across[2] * a + lamp.along[2] * b - pz;
    const square = lx * lx + ly * ly + lz * lz;
    const far = Math.sqrt(square);
    const [dx, dy, dz] = [lx / far, ly / far, lz / far];
    const facing = this.#nx * dx + this.#ny * dy + this.#nz * dz;
    if (facing <= 0) return;
    const [u, v] = [lamp.across, lamp.along];
    const [ax, ay, az] = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    const size = Math.sqrt(ax * ax + ay * ay + az * az);
    const away = -(ax * dx + ay * dy + az * dz) / size;
    if (away <= 0) return;
    let open = 1;
    if (through) open = through([px, py, pz], [px + lx, py + ly, pz + lz]);
    if (open <= 0) return;
    const [nx, ny, nz] = [this.#nx, this.#ny, this.#nz];
    if (this.#tree.meet(px + nx * 2e-3, py + ny * 2e-3, pz + nz * 2e-3, dx, dy, dz, far - 4e-3, true)) return;
    const strength = (open * facing * away * size) / (square * Math.PI);
    lit.r = lamp.color[0] * strength;
    lit.g = lamp.color[1] * strength;
    lit.b = lamp.color[2] * strength;
    lit.lx = dx;
    lit.ly = dy;
    lit.lz = dz;
    lit.seen = (open * away * size) / square;
  }

  /** What a mirrored ray sees that meets nothing: the panel itself, or the sky. */
  #beyond(px: number, py: number, pz: number, dx: number, dy: number, dz: number): Point {
    const { panel, sky } = this.scene;
    const plate = cross(panel.across, panel.along);
    const down = plate[0] * dx + plate[1] * dy + plate[2] * dz;
    if (down < 0) {
      const to = minus(panel.corner, [px, py, pz]);
      const t = (to[0] * plate[0] + to[1] * plate[1] + to[2] * plate[2]) / down;
      if (t > 0) {
        const at = minus([px + dx * t, py + dy * t, pz + dz * t], panel.corner);
        const [wide, high] = [panel.across, panel.along];
        const s = (at[0] * wide[0] + at[1] * wide[1] + at[2] * wide[2]) / (wide[0] ** 2 + wide[1] ** 2 + wide[2] ** 2);
        const u = (at[0] * high[0] + at[1] * high[1] + at[2] * high[2]) / (high[0] ** 2 + high[1] ** 2 + high[2] ** 2);
        if (s >= 0 && s <= 1 && u >= 0 && u <= 1) {
          // A cloth before the lamp: bright in the middle, falling off to its rim.
          const soft = Math.min(1, 6 * Math.min(s, 1 - s, u, 1 - u));
          return times(panel.color, soft);
        }
      }
    }
    const lift = 0.75 + 0.5 * dy;
    return [sky[0] * lift, sky[1] * lift, sky[2] * lift];
  }

  /**
   * Traces the rows of a band.
   * @param lit whether light is traced; without, only what is seen first is told: how much each surface covers, its normals, places and colors
   */
  rows(from: number, to: number, samples: number, lit: boolean): Gathered {
    const { scene } = this;
    const { widthPx: wide, heightPx: high, camera, materials, mesh, sky } = scene;
    const count = wide * (to - from);
    const made: Gathered = {
      from,
      to,
      print: new Float32Array(count * 3),
      printCover: new Float32Array(count),
      rest: new Float32Array(count * 3),
      restAlbedo: new Float32Array(count * 3),
      restCover: new Float32Array(count),
      shine: new Float32Array(count * 3),
      printGuide: new Float32Array(count * 6),
      restGuide: new Float32Array(count * 6),
      area: new Uint8Array(count),
      uv: new Float32Array(count * 2),
    };
    const ahead = unit(minus(camera.target, camera.eye));
    const right = unit(cross(ahead, [0, 1, 0]));
    const up = cross(right, ahead);
    const spread = Math.tan((camera.fovDeg * Math.PI) / 360);
    const focal = (() => {
      const d = minus(camera.focus, camera.eye);
      return d[0] * ahead[0] + d[1] * ahead[1] + d[2] * ahead[2];
    })();
    const tree = this.#tree;
    const albedo = (material: number, x: number, y: number, z: number): readonly [number, number, number] =>
      materials[material]?.albedo?.([x, y, z], [this.#nx, this.#ny, this.#nz]) ?? scene.goods;
    const pinhole = (x: number, y: number, at: number) => {
      const a = ((x + 0.5) / wide - 0.5) * 2 * spread;
      const b = ((0.5 - (y + 0.5) / high) * 2 * spread * high) / wide;
      const d = unit([ahead[0] + right[0] * a + up[0] * b, ahead[1] + right[1] * a + up[1] * b, ahead[2] + right[2] * a + up[2] * b]);
      if (!tree.meet(camera.eye[0], camera.eye[1], camera.eye[2], d[0], d[1], d[2], 1e5)) return;
      const { triangle, u, v } = tree.hit;
      const area = materials[mesh.materials[triangle] as number]?.area ?? 0;
      if (area === 0) return;
      const mix = (axis: number) => {
        const corner = (n: number) => mesh.uvs[(mesh.triangles[triangle * 3 + n] as number) * 2 + axis] as number;
        return corner(0) * (1 - u - v) + corner(1) * u + corner(2) * v;
      };
      const [s, t] = [mix(0), mix(1)];
      if (s < 0 || s > 1 || t < 0 || t > 1) return;
      made.area[at] = area;
      made.uv[at * 2] = s;
      made.uv[at * 2 + 1] = t;
    };
    for (let y = from; y < to; y++)
      for (let x = 0; x < wide; x++) {
        const at = (y - from) * wide + x;
        if (!lit) pinhole(x, y, at);
        for (let n = 0; n < samples; n++) {
          let dimension = 0;
          let [sa, sb] = [0, 0];
          const next = () => {
            const d = dimension++ * 2 + scene.seed * 64;
            sa = (hash(x, y, d) + n * GOLDEN_X) % 1;
            sb = (hash(x, y, d + 1) + n * GOLDEN_Y) % 1;
          };
          next();
          const a = ((x + sa) / wide - 0.5) * 2 * spread;
          const b = ((0.5 - (y + sb) / high) * 2 * spread * high) / wide;
          next();
          const radius = camera.aperture * Math.sqrt(sa);
          const [lensX, lensY] = [radius * Math.cos(2 * Math.PI * sb), radius * Math.sin(2 * Math.PI * sb)];
          const ex = camera.eye[0] + right[0] * lensX + up[0] * lensY;
          const ey = camera.eye[1] + right[1] * lensX + up[1] * lensY;
          const ez = camera.eye[2] + right[2] * lensX + up[2] * lensY;
          let dx = camera.eye[0] + (ahead[0] + right[0] * a + up[0] * b) * focal - ex;
          let dy = camera.eye[1] + (ahead[1] + right[1] * a + up[1] * b) * focal - ey;
          let dz = camera.eye[2] + (ahead[2] + right[2] * a + up[2] * b) * focal - ez;
          const length = Math.sqrt(dx * dx + dy * dy + dz * dz);
          dx /= length;
          dy /= length;
          dz /= length;
          let [px, py, pz] = [ex, ey, ez];
          let [tr, tg, tb] = [1, 1, 1];
          let [r, g, bl] = [0, 0, 0];
          let first = -1;
          for (let depth = 0; depth < 3; depth++) {
            if (!tree.meet(px, py, pz, dx, dy, dz, 1e5)) {
              if (depth === 0) {
                // Nothing is left empty: the scene's ground is part of it. What sees past it sees the sky.
                made.rest[at * 3] = (made.rest[at * 3] as number) + sky[0];
                made.rest[at * 3 + 1] = (made.rest[at * 3 + 1] as number) + sky[1];
                made.rest[at * 3 + 2] = (made.rest[at * 3 + 2] as number) + sky[2];
                for (let k = 0; k < 3; k++) made.restAlbedo[at * 3 + k] = (made.restAlbedo[at * 3 + k] as number) + 1;
                made.restCover[at] = (made.restCover[at] as number) + 1;
              } else {
                r += tr * sky[0];
                g += tg * sky[1];
                bl += tb * sky[2];
              }
              break;
            }
            px += dx * tree.hit.t;
            py += dy * tree.hit.t;
            pz += dz * tree.hit.t;
            const material = this.#normal(dx, dy, dz);
            if (depth === 0) {
              first = material;
              const goods = materials[material]?.area !== undefined;
              const guide = goods ? made.printGuide : made.restGuide;
              const row = [this.#nx, this.#ny, this.#nz, px, py, pz];
              for (let k = 0; k < 6; k++) guide[at * 6 + k] = (guide[at * 6 + k] as number) + (row[k] as number);
              this.#bend(material, px, py, pz);
              if (goods) made.printCover[at] = (made.printCover[at] as number) + 1;
              else {
                const color = albedo(material, px, py, pz);
                made.restCover[at] = (made.restCover[at] as number) + 1;
                for (let k = 0; k < 3; k++) made.restAlbedo[at * 3 + k] = (made.restAlbedo[at * 3 + k] as number) + (color[k] as number);
              }
            }
            if (!lit) break;
            const [nx, ny, nz] = [this.#nx, this.#ny, this.#nz];
            const lamp = this.#lit;
            next();
            const both = depth === 0;
            const which = both ? 0 : hash(x * 31 + n, y, depth + scene.seed) < 0.5 ? 1 : 2;
            if (which !== 2) {
              this.#lamp(scene.key, scene.key.through, sa, sb, px, py, pz);
              const by = both ? 1 : 2;
              r += tr * Math.min(both ? CLAMP : CLAMP_ON, lamp.r * by);
              g += tg * Math.min(both ? CLAMP : CLAMP_ON, lamp.g * by);
              bl += tb * Math.min(both ? CLAMP : CLAMP_ON, lamp.b * by);
              const { coat, shine = 0.04 } = materials[material] ?? {};
              if (both && coat !== undefined && lamp.seen > 0) {
                // The small lamp in the coat, as a lobe (GGX).
                const hx = lamp.lx - dx;
                const hy = lamp.ly - dy;
                const hz = lamp.lz - dz;
                const hl = Math.sqrt(hx * hx + hy * hy + hz * hz) || 1;
                const nh = Math.max(0, (nx * hx + ny * hy + nz * hz) / hl);
                const vh = Math.max(0, -(dx * hx + dy * hy + dz * hz) / hl);
                const alpha = Math.max(0.02, coat * coat);
                const lobe = alpha ** 2 / (Math.PI * (nh * nh * (alpha ** 2 - 1) + 1) ** 2);
                const fresnel = shine + (1 - shine) * (1 - vh) ** 5;
                const nv = Math.max(0.1, -(nx * dx + ny * dy + nz * dz));
                const strength = Math.min(CLAMP, (lobe * fresnel * lamp.seen) / (4 * nv));
                for (let k = 0; k < 3; k++)
                  made.shine[at * 3 + k] = (made.shine[at * 3 + k] as number) + Math.min(CLAMP, strength * (scene.key.color[k] as number));
              }
            }
            next();
            if (which !== 1) {
              this.#lamp(scene.panel, undefined, sa, sb, px, py, pz);
              const by = both ? 1 : 2;
              r += tr * Math.min(both ? CLAMP : CLAMP_ON, lamp.r * by);
              g += tg * Math.min(both ? CLAMP : CLAMP_ON, lamp.g * by);
              bl += tb * Math.min(both ? CLAMP : CLAMP_ON, lamp.b * by);
            }
            if (depth === 2) break;
            if (depth > 0) {
              const color = albedo(material, px, py, pz);
              // What the first surface throws back is told by its layer.
              tr *= color[0];
              tg *= color[1];
              tb *= color[2];
            }
            // Onwards, more often straight up than flat.
            next();
            const out = Math.sqrt(sa);
            const turn = 2 * Math.PI * sb;
            const sign = nz >= 0 ? 1 : -1;
            const k1 = -1 / (sign + nz);
            const k2 = nx * ny * k1;
            const [ux, uy, uz] = [1 + sign * nx * nx * k1, sign * k2, -sign * nx];
            const [wx, wy, wz] = [k2, sign + ny * ny * k1, -ny];
            const [ca, cb, cc] = [out * Math.cos(turn), out * Math.sin(turn), Math.sqrt(Math.max(0, 1 - sa))];
            const [qx, qy, qz] = [px + nx * 2e-3, py + ny * 2e-3, pz + nz * 2e-3];
            if (depth === 0 && materials[material]?.coat !== undefined)
              this.#mirror(made.shine, at, material, dx, dy, dz, px, py, pz, nx, ny, nz, x, y, n);
            dx = ux * ca + wx * cb + nx * cc;
            dy = uy * ca + wy * cb + ny * cc;
            dz = uz * ca + wz * cb + nz * cc;
            px = qx;
            py = qy;
            pz = qz;
          }
          if (lit && first >= 0) {
            const layer = materials[first]?.area !== undefined ? made.print : made.rest;
            layer[at * 3] = (layer[at * 3] as number) + Math.min(CLAMP, r);
            layer[at * 3 + 1] = (layer[at * 3 + 1] as number) + Math.min(CLAMP, g);
            layer[at * 3 + 2] = (layer[at * 3 + 2] as number) + Math.min(CLAMP, bl);
          }
        }
      }
    return made;
  }

  /** What a coat mirrors of the panel, the sky and other things. */
  #mirror(
    shine: Float32Array,
    at: number,
    material: number,
    dx: number,
    dy: number,
    dz: number,
    px: number,
    py: number,
    pz: number,
    nx: number,
    ny: number,
    nz: number,
    x: number,
    y: number,
    n: number,
  ): void {
    const { coat = 0.3, shine: straight = 0.04 } = this.scene.materials[material] ?? {};
    const { seed } = this.scene;
    const facing = -(nx * dx + ny * dy + nz * dz);
    const wide = coat * coat * 0.9;
    const jitter = (k: number) => ((hash(x, y, 900 + k + seed * 64) + n * (k === 0 ? GOLDEN_X : k === 1 ? GOLDEN_Y : 0.4503599)) % 1) - 0.5;
    let [mx, my, mz] = [
      dx + 2 * facing * nx + jitter(0) * 2 * wide,
      dy + 2 * facing * ny + jitter(1) * 2 * wide,
      dz + 2 * facing * nz + jitter(2) * 2 * wide,
    ];
    const length = Math.sqrt(mx * mx + my * my + mz * mz) || 1;
    mx /= length;
    my /= length;
    mz /= length;
    if (mx * nx + my * ny + mz * nz <= 0) return;
    const fresnel = straight + (1 - straight) * (1 - Math.max(0, facing)) ** 5 * (1 - coat * 0.7);
    let seen: Point;
    if (this.#tree.meet(px + nx * 2e-3, py + ny * 2e-3, pz + nz * 2e-3, mx, my, mz, 1e5)) {
      const [hx, hy, hz] = [px + mx * this.#tree.hit.t, py + my * this.#tree.hit.t, pz + mz * this.#tree.hit.t];
      const other = this.#normal(mx, my, mz);
      const color = this.scene.materials[other]?.albedo?.([hx, hy, hz], [this.#nx, this.#ny, this.#nz]) ?? this.scene.goods;
      this.#lamp(this.scene.panel, undefined, (jitter(0) + 0.5) % 1, (jitter(1) + 0.5) % 1, hx, hy, hz);
      const { sky } = this.scene;
      const soft = 0.55;
      seen = [color[0] * (this.#lit.r + sky[0] * soft), color[1] * (this.#lit.g + sky[1] * soft), color[2] * (this.#lit.b + sky[2] * soft)];
    } else seen = this.#beyond(px, py, pz, mx, my, mz);
    for (let k = 0; k < 3; k++) shine[at * 3 + k] = (shine[at * 3 + k] as number) + Math.min(CLAMP, (seen[k] as number) * fresnel);
  }
}
