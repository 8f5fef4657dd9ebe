import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import sharp from 'sharp';
import { readUvMap, resizedUvMap, sceneSchema, type SceneFacts, type SceneLayers, type UvMap } from '$core/index';

/** Where the layers of goods lie that scripts/scenes makes. */
const SCENE_FOLDER = resolve(process.env['SCENE_FOLDER'] ?? 'scenes');

let facts: readonly SceneFacts[] | undefined;
/** All goods that ship. */
export function scenes(): readonly SceneFacts[] {
  facts ??= readdirSync(SCENE_FOLDER)
    .sort()
    .filter((name) => existsSync(join(SCENE_FOLDER, name, 'scene.json')))
    .map((name) => sceneSchema.parse(JSON.parse(readFileSync(join(SCENE_FOLDER, name, 'scene.json'), 'utf8'))));
  return facts;
}

const maps = new Map<string, UvMap>();
const kept = new Map<string, SceneLayers>();
/** Layers at small sizes are remembered: walls show many marks on the same goods. */
const KEPT = 24;
const KEPT_WIDTH_PX = 800;
/** Of large ones the last: whoever looks closely moves a mark about on the same goods, and packs show many marks on them. */
const large = new Map<string, SceneLayers>();
const LARGE_KEPT = 1;

/** Whole maps are large; the goods looked at last are remembered. */
const MAPS_KEPT = 4;
async function wholeMap(name: string, widthPx: number, heightPx: number): Promise<UvMap> {
  const known = maps.get(name);
  if (known) return known;
  const read = sharp(await readFile(join(SCENE_FOLDER, name, 'uv.webp'))).removeAlpha();
  const map = readUvMap(new Uint8Array(await read.raw().toBuffer()), widthPx, heightPx);
  remember(maps, name, map, MAPS_KEPT);
  return map;
}
function remember<T>(memory: Map<string, T>, key: string, value: T, most: number): void {
  const oldest = memory.keys().next();
  if (memory.size >= most && !oldest.done) memory.delete(oldest.value);
  memory.set(key, value);
}

/** The layers of goods at a width. */
export async function sceneLayers({ name, widthPx: wholeWide, heightPx: wholeHigh }: SceneFacts, widthPx: number): Promise<SceneLayers> {
  const key = `${name} ${widthPx}`;
  const known = kept.get(key) ?? large.get(key);
  if (known) return known;
  const heightPx = Math.max(1, Math.round((wholeHigh * widthPx) / wholeWide));
  const layer = async (file: string) => {
    const picture = sharp(await readFile(join(SCENE_FOLDER, name, `${file}.webp`))).removeAlpha();
    return new Uint8Array(await (widthPx === wholeWide ? picture : picture.resize(widthPx, heightPx, { fit: 'fill' })).raw().toBuffer());
  };
  const whole = await wholeMap(name, wholeWide, wholeHigh);
  const map = widthPx === wholeWide ? whole : resizedUvMap(whole, widthPx, heightPx);
  const layers = { rest: await layer('rest'), print: await layer('print'), map };
  if (widthPx <= KEPT_WIDTH_PX) remember(kept, key, layers, KEPT);
  else remember(large, key, layers, LARGE_KEPT);
  return layers;
}
