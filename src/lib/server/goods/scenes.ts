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

/** The layers of goods at a width. */
export async function sceneLayers({ name, widthPx: wholeWide, heightPx: wholeHigh }: SceneFacts, widthPx: number): Promise<SceneLayers> {
  const key = `${name} ${widthPx}`;
  const known = kept.get(key);
  if (known) return known;
  const heightPx = Math.max(1, Math.round((wholeHigh * widthPx) / wholeWide));
  const layer = async (file: string) => {
    const picture = sharp(await readFile(join(SCENE_FOLDER, name, `${file}.webp`))).removeAlpha();
    return new Uint8Array(await (widthPx === wholeWide ? picture : picture.resize(widthPx, heightPx, { fit: 'fill' })).raw().toBuffer());
  };
  const whole =
    maps.get(name) ??
    readUvMap(
      new Uint8Array(
        await sharp(await readFile(join(SCENE_FOLDER, name, 'uv.webp')))
          .removeAlpha()
          .raw()
          .toBuffer(),
      ),
      wholeWide,
      wholeHigh,
    );
  const map = widthPx === wholeWide ? whole : resizedUvMap(whole, widthPx, heightPx);
  const layers = { rest: await layer('rest'), print: await layer('print'), map };
  if (widthPx <= KEPT_WIDTH_PX) {
    const oldest = kept.keys().next();
    if (kept.size >= KEPT && !oldest.done) kept.delete(oldest.value);
    kept.set(key, layers);
  }
  return layers;
}
