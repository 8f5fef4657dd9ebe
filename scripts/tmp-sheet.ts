import { writeFileSync } from 'node:fs';
import { Resvg } from '@resvg/resvg-js';
import { FORM_NAMES, formKind, outlineOf, startOf, pathData, boundsOf } from '../src/core/index.ts';
import { ornaments } from '../src/core/ornaments/index.ts';
const names = (process.env.ONLY?.split(',') ?? Object.keys(ornaments)).filter((n) => FORM_NAMES.includes(n as never));
console.log(names.length, FORM_NAMES.length);
let svg = '';
const W = process.env.ONLY ? 4 : 10;
names.forEach((name, i) => {
  const path = outlineOf(startOf(name as never));
  const b = boundsOf(path)!;
  const s = 150 / Math.max(b.right - b.left, b.bottom - b.top),
    t = 28 / Math.max(b.right - b.left, b.bottom - b.top);
  const x = (i % W) * 200 + 90,
    y = Math.floor(i / W) * 195 + 85;
  const c = `translate(${-(b.left + b.right) / 2} ${-(b.top + b.bottom) / 2})`;
  svg += `<g transform="translate(${x} ${y}) scale(${s}) ${c}"><path d="${pathData(path)}" fill="#222"/></g><g transform="translate(${x + 90} ${y + 60}) scale(${t}) ${c}"><path d="${pathData(path)}" fill="#222"/></g><text x="${x - 80}" y="${y + 100}" font-size="13">${formKind(name as never).label} ${path.verbs.length}</text>`;
});
const H = Math.ceil(names.length / W) * 195 + 20;
writeFileSync(
  '/tmp/orn2.png',
  new Resvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 2000 ${H}"><rect width="2000" height="${H}" fill="#fff"/>${svg}</svg>`, {
    fitTo: { mode: 'width', value: 2000 },
    font: { loadSystemFonts: true },
  })
    .render()
    .asPng(),
);
