import { readFileSync, writeFileSync } from 'node:fs';
import { Resvg } from '@resvg/resvg-js';
import {
  BUILDER_NAMES,
  startsOf,
  builtParts,
  EMPTY_RECIPE,
  createResolver,
  dress,
  STARTING_PALETTE,
  toSvg,
  type BuilderName,
} from '../src/core/index.ts';
import { openPathAlgebra } from '../src/core/pathops/index.ts';
import { shelfOf } from '../tests/support/fonts.ts';
const paths = await openPathAlgebra(readFileSync('node_modules/pathkit-wasm/bin/pathkit.wasm'));
const family = process.env.FAM ?? 'playfair-display';
const second = process.env.FAM2 ?? 'josefin-sans';
const shelf = await shelfOf(family, second, 'jost');
const kept = new Map<string, unknown>();
const remember = <T>(k: string, make: () => T): T => {
  if (!kept.has(k)) kept.set(k, make());
  return kept.get(k) as T;
};
const context = {
  fonts: shelf,
  paths,
  remember,
  heard: {
    text: process.env.NAME ?? 'Gorsebank Rowing Club',
    font: { family, style: 'normal' as const, axes: {} },
    second: process.env.SECOND ?? 'Row as one',
  },
};
const { resolve } = createResolver(shelf, paths);
let svg = '',
  i = 0;
const W = Number(process.env.W ?? 6);
for (const name of (process.env.B?.split(',') ?? BUILDER_NAMES) as BuilderName[]) {
  for (const start of startsOf(name, context)) {
    const numbers = { ...start.numbers, ...(process.env.NUM ? JSON.parse(process.env.NUM) : {}) };
    const t0 = performance.now();
    const parts = builtParts(EMPTY_RECIPE, 'built', { builder: name, numbers, follows: null, heard: context.heard }, context);
    const t1 = performance.now();
    if (!parts) {
      console.log('NOT BUILT', name, start.id);
      i++;
      continue;
    }
    const mark = resolve({ recipe: { ...EMPTY_RECIPE, parts }, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
    const t2 = performance.now();
    const notes = mark.parts.flatMap((p) => p.notices.map((n) => `${p.id}: ${n.code}`));
    console.log(name, start.id, parts.length, 'build', (t1 - t0).toFixed(0), 'draw', (t2 - t1).toFixed(0), notes.join('; '));
    const ink = mark.ink!;
    const s = 250 / Math.max(ink.right - ink.left, ink.bottom - ink.top);
    const inner = toSvg(mark.drawing, { box: ink, title: 'x', idPrefix: `s${i}-` } as never)
      .replace(/^[\s\S]*?<svg[^>]*>/, '')
      .replace(/<\/svg>\s*$/, '');
    const x = (i % W) * 300 + 150,
      y = Math.floor(i / W) * 310 + 140;
    svg += `<g transform="translate(${x} ${y}) scale(${s}) translate(${-(ink.left + ink.right) / 2} ${-(ink.top + ink.bottom) / 2})">${inner}</g><text x="${x - 140}" y="${y + 155}" font-size="14">${start.label}</text>`;
    i++;
  }
}
const H = Math.ceil(i / W) * 310 + 20;
writeFileSync(
  '/tmp/starts.png',
  new Resvg(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${W * 300} ${H}"><rect width="${W * 300}" height="${H}" fill="#F5F2EA"/>${svg}</svg>`,
    { fitTo: { mode: 'width', value: W * 260 }, font: { loadSystemFonts: true } },
  )
    .render()
    .asPng(),
);
