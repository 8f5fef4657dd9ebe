// Photographs of goods without any mark, from the scenes that ship: samples for the photos room, into static/photos.
// node --import tsx scripts/photos-of-goods.ts
import { readFile, writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import { composeScene, readUvMap, sceneSchema, type Hex } from '../src/core/scenes';

/** Which goods, in which color, and the part of the picture that is shown. */
const SHOTS = {
  boat: '#dfe6e4',
  sign: '#2f4f4c',
  mug: '#c9563a',
  'enamel-cup': '#f2efe6',
  box: '#d9c3a0',
  cards: '#f5f2ea',
  book: '#23383a',
  'hang-tag': '#e9dcc2',
} as const;

for (const [name, tint] of Object.entries(SHOTS)) {
  const folder = `scenes/${name}`;
  const read = await readFile(`${folder}/scene.json`, 'utf8').catch(() => undefined);
  if (read === undefined) continue;
  const facts = sceneSchema.parse(JSON.parse(read));
  const layer = async (file: string) =>
    new Uint8Array(
      await sharp(await readFile(`${folder}/${file}.webp`))
        .removeAlpha()
        .raw()
        .toBuffer(),
    );
  const layers = {
    rest: await layer('rest'),
    print: await layer('print'),
    map: readUvMap(await layer('uv'), facts.widthPx, facts.heightPx),
  };
  const pixels = composeScene(layers, facts, tint as Hex, [], 0.012);
  const photo = await sharp(pixels, { raw: { width: facts.widthPx, height: facts.heightPx, channels: 3 } })
    .resize({ width: 1200 })
    .jpeg({ quality: 82, mozjpeg: true })
    .toBuffer();
  await writeFile(`static/photos/${name}.jpg`, photo);
  console.log(`static/photos/${name}.jpg: ${photo.length} bytes`);
}
