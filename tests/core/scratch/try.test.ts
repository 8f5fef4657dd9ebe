import { test } from 'vitest';
import { writeFileSync } from 'node:fs';
import { interlocks } from '$core/interlock';
import { setLine, joinPaths, mapPath, expect as ok, translation, scaling, compose, pathData } from '$core/index';
import { shelfOf } from '../../support/fonts';
import { paths } from '../../support/resolver';
test('x', async () => {
  const families = (process.env.FAM ?? 'playfair-display,jost,great-vibes,cormorant-garamond').split(',');
  const pairs = (
    process.env.PAIRS ??
    (process.env.RND
      ? Array.from({ length: Number(process.env.RND) }, (_, i) => {
          const n = (i * 7919 + 13) % 676;
          return String.fromCharCode(65 + (n % 26)) + String.fromCharCode(65 + Math.floor(n / 26));
        }).join(' ')
      : 'WF VJ SQ CR ZD QL WW MH ET WZ IR UH MP LB ZU AL SW NK ZY HL JW HY')
  ).split(' ');
  let svg = '';
  let row = 0;
  const shelf = await shelfOf(...families);
  for (const family of families) {
    const face = ok(shelf.find({ family, style: 'normal', axes: {} } as never));
    const area = (l: string) => {
      const set = setLine(face, l, { axes: {}, kerning: 'font', trackingPermille: 0 });
      return {
        area: paths.weld([
          {
            path: joinPaths(
              set.glyphs.map(({ instance, glyph, emPerUnit, x, y }) =>
                mapPath(instance.outline(glyph), { a: emPerUnit, b: 0, c: 0, d: emPerUnit, e: x, f: y }),
              ),
            ),
            rule: 'nonzero',
          },
        ]),
        capHeight: face.at({}).metrics.capHeight / face.at({}).metrics.unitsPerEm,
      };
    };
    const times: number[] = [];
    let two = 0,
      none = 0,
      clean = 0;
    const H = 100;
    pairs.forEach((p, i) => {
      const [a, b] = [area(p[0]!), area(p[1]!)] as const;
      const t = performance.now();
      const found = interlocks([a, b]);
      times.push(performance.now() - t);
      const f = found[0];
      if (!f) return;
      if (f.crossings >= 2) two++;
      if (f.crossings === 0) none++;
      if (found.some((x) => x.clean)) clean++;
      const ox = (i % 11) * 200 + 20,
        oy = row * 230 + Math.floor(i / 11) * 230 + 150;
      const A = pathData(mapPath(a.area.path, compose(translation(ox, oy), scaling((f.sizes[0] * H) / a.capHeight))));
      const B = pathData(mapPath(b.area.path, compose(translation(ox + f.dx * H, oy + f.dy * H), scaling((f.sizes[1] * H) / a.capHeight))));
      svg += `<path d="${A}" fill="#222" fill-rule="evenodd"/><path d="${B}" fill="#a5602a" fill-opacity=".8" fill-rule="evenodd"/><text x="${ox}" y="${oy + 75}" font-size="13">${p} ${f.family} ${f.score.toFixed(2)} x${f.crossings}${f.clean ? ' clean' : ''} n${found.length}</text>`;
    });
    row += Math.ceil(pairs.length / 11);
    times.sort((a, b) => a - b);
    console.log(
      family,
      'median',
      times[times.length >> 1]?.toFixed(0),
      'max',
      times.at(-1)?.toFixed(0),
      '>=2',
      two / pairs.length,
      'none',
      none,
      'clean',
      clean / pairs.length,
    );
  }
  writeFileSync(
    '/tmp/inter.svg',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 2250 ${row * 230}"><rect width="2250" height="${row * 230}" fill="#fff"/>${svg}</svg>`,
  );
}, 600000);
