import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { artPyramid, composeScene, MOST_UV, readUvMap, sceneSchema, type SceneFacts, type SceneLayers } from '$core/index';
import { drawnLayers } from '../../scripts/scenes/drawn';
import { FLAT } from '../../scripts/scenes/goods/flat';
import { GOODS } from '../../scripts/scenes/goods/index';
import { Tracer } from '../../scripts/scenes/trace';
import { oneInEvery } from '../support/deep';

const FOLDER = 'scenes';
const names = readdirSync(FOLDER).sort();
const factsOf = (name: string): SceneFacts => sceneSchema.parse(JSON.parse(readFileSync(join(FOLDER, name, 'scene.json'), 'utf8')));
async function layersOf(name: string): Promise<SceneLayers> {
  const { widthPx, heightPx } = factsOf(name);
  const layer = async (file: string) =>
    new Uint8Array(
      await sharp(join(FOLDER, name, `${file}.webp`))
        .removeAlpha()
        .raw()
        .toBuffer(),
    );
  return { rest: await layer('rest'), print: await layer('print'), map: readUvMap(await layer('uv'), widthPx, heightPx) };
}

describe('goods that ship', () => {
  it.each(names)('%s: 2,000 px, under 400 kB, every print area seen, places that run on without a break', async (name) => {
    const facts = factsOf(name);
    expect(facts.widthPx).toBe(2000);
    const bytes = ['rest.webp', 'print.webp', 'uv.webp'].reduce((sum, file) => sum + statSync(join(FOLDER, name, file)).size, 0);
    expect(bytes).toBeLessThan(400_000);
    const { map } = await layersOf(name);
    const seen = new Uint32Array(facts.areas.length + 1);
    for (const area of map.area) seen[area] = (seen[area] ?? 0) + 1;
    facts.areas.forEach(({ name: area }, at) => expect(seen[at + 1], area).toBeGreaterThan(4000));
    // Within an area a place is never far from its neighbor’s, but across folds of cloth, laps of planks and from sheet to sheet.
    let [breaks, pairs] = [0, 0];
    for (let at = 1; at < map.area.length; at++) {
      if (map.area[at] === 0 || map.area[at] !== map.area[at - 1]) continue;
      pairs++;
      if (Math.abs((map.uv[at * 2] as number) - (map.uv[at * 2 - 2] as number)) > MOST_UV / 40) breaks++;
    }
    expect(breaks / pairs).toBeLessThan(0.01);
  });

  it('keep the bare goods’ shading under a mark: correlation at least 0.9', async () => {
    const art = artPyramid(
      Uint8Array.from({ length: 128 * 128 * 4 }, (_, at) => [30, 60, 110, 255][at % 4] as number),
      128,
      128,
    );
    for (const name of oneInEvery(15, names)) {
      const [facts, layers] = [factsOf(name), await layersOf(name)];
      // In a middle gray: what is nearly white is pressed together by the shoulder and says little of its light.
      const bare = composeScene(layers, facts, '#808080', [], 0);
      const shown = composeScene(layers, facts, '#e8e2d4', [{ area: 1, art, x: 0.5, y: 0.5, width: 0.5, turnDeg: 0, way: 'paper' }], 0);
      const pairs: [number, number][] = [];
      for (let at = 0; at < layers.map.area.length; at += 7) {
        if (layers.map.area[at] !== 1) continue;
        const [u, v] = [(layers.map.uv[at * 2] as number) / MOST_UV, (layers.map.uv[at * 2 + 1] as number) / MOST_UV];
        const ratio = (facts.areas[0]?.widthMm ?? 1) / (facts.areas[0]?.heightMm ?? 1);
        if (Math.abs(u - 0.5) < 0.2 && Math.abs(v - 0.5) < 0.2 * ratio)
          pairs.push([bare[at * 3 + 1] as number, shown[at * 3 + 1] as number]);
      }
      const mean = (k: 0 | 1) => pairs.reduce((sum, pair) => sum + pair[k], 0) / pairs.length;
      const [ma, mb] = [mean(0), mean(1)];
      const sum = (f: (a: number, b: number) => number) => pairs.reduce((total, [a, b]) => total + f(a - ma, b - mb), 0);
      const spread = Math.sqrt(sum((a) => a * a) / pairs.length);
      // An evenly lit card has no shading to keep.
      if (spread > 2) expect(sum((a, b) => a * b) / Math.sqrt(sum((a) => a * a) * sum((_, b) => b * b)), name).toBeGreaterThan(0.9);
    }
  });
});

describe('goods that are drawn plainly', () => {
  const flat = names.filter((name) => factsOf(name).flat);

  it('are all there, and made again to the last byte', async () => {
    expect(flat).toEqual(Object.keys(FLAT).sort());
    for (const name of oneInEvery(8, flat)) {
      const again = await drawnLayers(FLAT[name] as (typeof FLAT)[string]);
      for (const [file, bytes] of Object.entries(again) as [string, Buffer][])
        expect(Buffer.compare(bytes, readFileSync(join(FOLDER, name, `${file}.webp`))), `${name} ${file}`).toBe(0);
    }
  });
  it.each(flat)('%s keeps the color that it is given, and the mark’s, within a level', async (name) => {
    const [facts, layers] = [factsOf(name), await layersOf(name)];
    const ink = [181, 72, 45] as const;
    const art = artPyramid(
      Uint8Array.from({ length: 64 * 64 * 4 }, (_, at) => [...ink, 255][at % 4] as number),
      64,
      64,
    );
    const shown = composeScene(layers, facts, '#e8b84b', [{ area: 1, art, x: 0.5, y: 0.5, width: 0.3, turnDeg: 0, way: 'paper' }]);
    const at = (u: number, v: number) => {
      const { area, uv } = layers.map;
      const wanted = area.findIndex(
        (each, n) =>
          each === 1 && Math.abs((uv[n * 2] as number) / MOST_UV - u) < 0.004 && Math.abs((uv[n * 2 + 1] as number) / MOST_UV - v) < 0.004,
      );
      return [...shown.subarray(wanted * 3, wanted * 3 + 3)];
    };
    const off = (one: readonly number[], other: readonly number[]) =>
      Math.max(...one.map((value, k) => Math.abs(value - (other[k] as number))));
    expect(off(at(0.5, 0.5), ink)).toBeLessThanOrEqual(1);
    expect(off(at(0.5, 0.9), [0xe8, 0xb8, 0x4b])).toBeLessThanOrEqual(1);
  });
});

describe('the tracer', () => {
  it('gives the mug’s places as the closed form of a cylinder does: 95 of 100 within 0.1 px', async () => {
    const { map } = await layersOf('mug');
    const { camera, widthPx, heightPx } = GOODS['mug']?.(2000) ?? {};
    if (!camera || !widthPx || !heightPx) throw new Error('There is no mug.');
    const unit = (v: readonly number[]) => v.map((value) => value / Math.hypot(...v));
    const cross = (a: readonly number[], b: readonly number[]) =>
      [0, 1, 2].map(
        (k) => (a[(k + 1) % 3] as number) * (b[(k + 2) % 3] as number) - (a[(k + 2) % 3] as number) * (b[(k + 1) % 3] as number),
      );
    const ahead = unit(camera.target.map((value, k) => value - (camera.eye[k] as number)));
    const right = unit(cross(ahead, [0, 1, 0]));
    const up = cross(right, ahead);
    const spread = Math.tan((camera.fovDeg * Math.PI) / 360);
    // The print area: six tenths of the way around, from the wall’s own numbers in goods/mug.ts.
    const [radius, around, top, bottom] = [4.1, 0.62, 0.07, 0.97];
    const [wallTop, wallFoot] = [9.4 - 0.16, 0.9];
    const off: number[] = [];
    for (let y = 0; y < heightPx; y += 9)
      for (let x = 0; x < widthPx; x += 9) {
        const at = y * widthPx + x;
        if (map.area[at] !== 1 || map.area[at + 1] !== 1) continue;
        const [a, b] = [((x + 0.5) / widthPx - 0.5) * 2 * spread, ((0.5 - (y + 0.5) / heightPx) * 2 * spread * heightPx) / widthPx];
        const d = [0, 1, 2].map((k) => (ahead[k] as number) + (right[k] as number) * a + (up[k] as number) * b);
        const [dx, dy, dz] = d as [number, number, number];
        const [ex, ey, ez] = camera.eye;
        const [qa, qb, qc] = [dx * dx + dz * dz, ex * dx + ez * dz, ex * ex + ez * ez - radius * radius];
        const t = (-qb - Math.sqrt(qb * qb - qa * qc)) / qa;
        const angle = Math.atan2(ex + dx * t, ez + dz * t);
        const u = (angle / (2 * Math.PI) + around / 2) / around;
        const v = ((wallTop - (ey + dy * t)) / (wallTop - wallFoot) - top) / (bottom - top);
        const step = Math.abs((map.uv[at * 2 + 2] as number) - (map.uv[at * 2] as number)) / MOST_UV;
        const perPixelV = Math.abs((map.uv[(at + widthPx) * 2 + 1] as number) - (map.uv[at * 2 + 1] as number)) / MOST_UV;
        if (step === 0 || perPixelV === 0 || map.area[at + widthPx] !== 1) continue;
        off.push(Math.hypot((u - (map.uv[at * 2] as number) / MOST_UV) / step, (v - (map.uv[at * 2 + 1] as number) / MOST_UV) / perPixelV));
      }
    off.sort((one, other) => one - other);
    expect(off.length).toBeGreaterThan(3000);
    expect(off[Math.floor(off.length * 0.95)]).toBeLessThan(0.1);
  });
  it('traces the same light to the last bit, however often and in whichever bands', () => {
    const scene = GOODS['tin']?.(64);
    if (!scene) throw new Error('There is no tin.');
    const whole = new Tracer(scene).rows(0, scene.heightPx, 3, true);
    const half = new Tracer(scene);
    const bands = [half.rows(20, scene.heightPx, 3, true), half.rows(0, 20, 3, true)];
    expect([...(bands[1]?.rest ?? []), ...(bands[0]?.rest ?? [])]).toEqual([...whole.rest]);
    expect([...(bands[1]?.print ?? []), ...(bands[0]?.print ?? [])]).toEqual([...whole.print]);
    expect(whole.print.every(Number.isFinite)).toBe(true);
    expect(whole.print.reduce((sum, value) => sum + value, 0)).toBeGreaterThan(100);
  });
});
