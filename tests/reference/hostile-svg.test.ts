import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { createPart, dress, STARTING_PALETTE, toSvg, expect as valueOf, type KnownPart, RECIPE_VERSION } from '$core/index';
import { asArt, importSvg } from '$core/svg-import';
import { shelfOf } from '../support/fonts';
import { paths, resolverOf } from '../support/resolver';

/** The list of script injections that ships with Debian's package wfuzz 3.1.0 (wordlist/Injections/XSS.txt), line by line. */
const published = readFileSync('/usr/share/wfuzz/wordlist/Injections/XSS.txt', 'latin1')
  .split(/\r?\n/)
  .filter((line) => line.trim() !== '');

/** Ways to be active that SVG itself offers (SVG 2, chapters 15 and 16; SVG Integration), written here from the standard. */
const ofSvg = [
  '<script>alert(1)</script>',
  '<script href="data:text/javascript,alert(1)"/>',
  '<a href="javascript:alert(1)"><rect width="9" height="9"/></a>',
  '<a xlink:href="javascript:alert(1)"><rect width="9" height="9"/></a>',
  '<set attributeName="onmouseover" to="alert(1)"/>',
  '<animate attributeName="href" values="javascript:alert(1)"/>',
  '<handler type="text/javascript">alert(1)</handler>',
  '<foreignObject><iframe xmlns="http://www.w3.org/1999/xhtml" src="javascript:alert(1)"/></foreignObject>',
  '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml" onload="alert(1)"/></foreignObject>',
  '<image href="data:image/svg+xml;base64,PHN2ZyBvbmxvYWQ9YWxlcnQoMSk+"/>',
  '<image href="https://example.invalid/track.png"/>',
  '<use href="https://example.invalid/a.svg#x"/>',
  '<use href="data:image/svg+xml,&lt;svg id=&quot;x&quot; onload=&quot;alert(1)&quot;/&gt;#x"/>',
  '<style>@import url("https://example.invalid/a.css"); rect { fill: url(javascript:alert(1)) }</style>',
  '<style>* { background: url("https://example.invalid/a") }</style>',
  '<rect width="9" height="9" style="fill:url(https://example.invalid/#a);behavior:url(#x)"/>',
  '<rect width="9" height="9" onload="alert(1)" onclick="alert(1)" onbegin="alert(1)"/>',
  '<rect width="9" height="9" fill="expression(alert(1))"/>',
  '<font-face><font-face-src><font-face-uri href="https://example.invalid/f"/></font-face-src></font-face>',
  '<switch><g requiredExtensions="x" onload="alert(1)"/></switch>',
  '<filter id="f"><feImage href="https://example.invalid/a.png"/></filter>',
  '<mask id="m"><image href="javascript:alert(1)"/></mask>',
  '<video src="https://example.invalid/v" onerror="alert(1)"/>',
  '<math href="javascript:alert(1)"/>',
];

const quoted = (text: string) => text.replaceAll('&', '&amp;').replaceAll('"', '&quot;').replaceAll('<', '&lt;');
const draw = async () => resolverOf(await shelfOf());

/** Every place of a drawing that a vector can be put into. */
const placesOf = (vector: string): readonly string[] => {
  const inside = (body: string, attributes = '') =>
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}><rect width="5" height="5"/>${body}</svg>`;
  return [
    inside(vector),
    inside(`<style>${vector}</style>`),
    inside(`<style><![CDATA[${vector}]]></style>`),
    inside(`<g id="${quoted(vector)}"><rect width="3" height="3"/></g>`),
    inside(`<path d="M0 0H9V9z ${quoted(vector)}"/>`),
    inside(`<rect width="9" height="9" fill="${quoted(vector)}" style="${quoted(vector)}" class="${quoted(vector)}"/>`),
    inside(`<use href="${quoted(vector)}"/><image href="${quoted(vector)}"/>`),
    inside(`<title>${vector}</title><desc>${vector}</desc>`),
    inside(`<rect width="9" height="9" clip-path="${quoted(vector)}" transform="${quoted(vector)}"/>`),
    vector,
  ];
};

/** The only things that a file of ours holds. */
const PLAIN =
  /^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="[\d.]+" height="[\d.]+" viewBox="[-\d. ]+" role="img"><title>Test<\/title>(<g id="art"[^<>]*>(<path fill="#[0-9a-f]{6}"( fill-opacity="[\d.]+")?( fill-rule="evenodd")? d="[MLQCZ\d. -]+"\/>)*<\/g>)*<\/svg>\n$/;

describe('hostile drawings', () => {
  it('the published list is there', () => expect(published.length).toBeGreaterThan(30));

  it('nothing active gets in or out: every vector, in every place of a drawing, comes out as plain outlines or is refused', async () => {
    const { resolve } = await draw();
    let drawn = 0;
    for (const vector of [...published, ...ofSvg])
      for (const markup of placesOf(vector)) {
        const read = importSvg(markup, paths);
        if (!read.ok) {
          expect(read.problems[0]?.message).toBeTruthy();
          continue;
        }
        const part = createPart({ ...asArt(read.value, { title: 'Test' }, STARTING_PALETTE), id: 'art' } as never);
        const mark = resolve({
          recipe: { version: RECIPE_VERSION, parts: [valueOf(part) as KnownPart] },
          sources: new Map(),
          dress: dress(STARTING_PALETTE, 'full'),
        });
        const written = toSvg(mark.drawing, { title: 'Test', box: mark.ink ?? { left: 0, top: 0, right: 1, bottom: 1 } });
        expect(written).toMatch(PLAIN);
        drawn++;
      }
    expect(drawn).toBeGreaterThan(200);
  });
});
