import { describe, expect, it } from 'vitest';
import { boundsOf, createPart, parseRecipe, STARTING_PALETTE, writeRecipe, expect as valueOf, type Art, RECIPE_VERSION } from '$core/index';
import { asArt, importSvg, SVG_LIMITS } from '$core/svg-import';
import { areaOf } from '../../support/drawn-mark';
import { paths } from '../../support/resolver';

const svg = (body: string, attributes = '') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 100 100" ${attributes}>${body}</svg>`;
const read = (body: string) => valueOf(importSvg(svg(body), paths));
const codes = (markup: string) => {
  const read = importSvg(markup, paths);
  return read.ok ? [] : read.problems.map(({ code }) => code);
};
const area = (body: string) => areaOf(read(body).pieces);

describe('reading drawings made elsewhere', () => {
  it('reads basic shapes with the areas they have (closed forms; SVG 2, 10)', () => {
    expect(area('<rect x="10" y="10" width="30" height="20"/>')).toBeCloseTo(600, 3);
    expect(area('<rect width="40" height="20" rx="5"/>') / (800 - (4 - Math.PI) * 25)).toBeCloseTo(1, 3);
    expect(area('<circle cx="50" cy="50" r="20"/>') / (Math.PI * 400)).toBeCloseTo(1, 3);
    expect(area('<ellipse cx="50" cy="50" rx="20" ry="10"/>') / (Math.PI * 200)).toBeCloseTo(1, 3);
    expect(area('<polygon points="0,0 10,0 10,10"/>')).toBeCloseTo(50, 3);
    expect(area('<polyline points="0 0 10 0 10 10" fill="red"/>')).toBeCloseTo(50, 3);
    expect(area('<line x1="0" y1="0" x2="30" y2="40" stroke="#000" stroke-width="4"/>')).toBeCloseTo(200, 2);
  });

  it('reads paths: relative and short commands, arcs, several contours (SVG 2, 9.3)', () => {
    expect(area('<path d="M10 10h20v20h-20z"/>')).toBeCloseTo(400, 3);
    expect(area('<path d="M30 50a20 20 0 1 0 40 0a20 20 0 1 0 -40 0z"/>') / (Math.PI * 400)).toBeCloseTo(1, 3);
    expect(area('<path fill-rule="evenodd" d="M0 0H40V40H0zM10 10H30V30H10z"/>')).toBeCloseTo(1200, 3);
    expect(area('<path d="M0 0Q20 0 20 20T40 40L0 40z"/>')).toBeGreaterThan(100);
    // What is broken is read up to the break, as the standard asks.
    expect(area('<path d="M0 0H10V10H0z L oops"/>')).toBeCloseTo(100, 3);
  });

  it('applies transforms, groups and repetition in their order (CSS Transforms 1)', () => {
    const { box } = read('<g transform="translate(10 20) scale(2)"><rect width="5" height="5" transform="rotate(90)"/></g>');
    expect([box.left, box.top, box.right, box.bottom].map((value) => Math.round(value * 1e6) / 1e6)).toEqual([0, 20, 10, 30]);
    const used = read(
      '<defs><rect id="r" width="4" height="4"/></defs><use href="#r" x="10"/><use xlink:href="#r" y="10" transform="scale(2)"/>',
    );
    expect(used.pieces).toHaveLength(2);
    expect(boundsOf(used.pieces[1]?.path ?? { verbs: '', coords: [] })).toMatchObject({ top: 20, bottom: 28 });
    expect(read('<symbol id="s"><circle r="3"/></symbol><use href="#s" x="50" y="50"/>').pieces).toHaveLength(1);
  });

  it('cascades colors: attributes, style sheets by weight, style attributes, inheritance (CSS 2.2, 6.4)', () => {
    const colors = (body: string) => read(body).pieces.map(({ color }) => color);
    const sheet = '<style>rect{fill:#010101}.b{fill:#020202}#c{fill:#030303}g.d rect{fill:#040404}</style>';
    expect(colors(`${sheet}<rect width="1" height="1" fill="#0a0a0a"/>`)).toEqual(['#010101']);
    expect(colors(`${sheet}<rect class="b" id="c" width="1" height="1"/>`)).toEqual(['#030303']);
    expect(colors(`${sheet}<rect class="b" width="1" height="1" style="fill: tomato"/>`)).toEqual(['#ff6347']);
    expect(colors('<g fill="rgb(10 20 30)"><rect width="1" height="1"/><rect x="2" width="1" height="1" fill="none"/></g>')).toEqual([
      '#0a141e',
    ]);
    expect(colors('<g color="#123456"><rect width="1" height="1" fill="currentColor"/></g>')).toEqual(['#123456']);
    expect(read(`${sheet}<rect width="1" height="1"/>`).left).toEqual(['the style of “g.d rect”']);
  });

  it('makes strokes outlines, with their caps and joins, and stretches them with their transform', () => {
    expect(area('<path d="M0 0H50" stroke="#000" stroke-width="10" fill="none"/>')).toBeCloseTo(500, 2);
    expect(area('<path d="M0 0H50" stroke="#000" stroke-width="10" stroke-linecap="square" fill="none"/>')).toBeCloseTo(600, 2);
    expect(
      area('<path d="M0 0H50" stroke="#000" stroke-width="10" stroke-linecap="round" fill="none"/>') / (500 + Math.PI * 25),
    ).toBeCloseTo(1, 3);
    expect(area('<path d="M0 0H50" stroke="#000" stroke-width="10" fill="none" transform="scale(1 3)"/>')).toBeCloseTo(1500, 1);
    expect(read('<rect width="10" height="10" fill="red" stroke="blue"/>').pieces.map(({ color }) => color)).toEqual([
      '#ff0000',
      '#0000ff',
    ]);
  });

  it('clips and multiplies opacities; a gradient has a color that stands for it', () => {
    expect(area('<clipPath id="c"><rect width="10" height="10"/></clipPath><circle r="50" clip-path="url(#c)"/>')).toBeCloseTo(100, 2);
    expect(
      read('<g opacity=".5"><rect width="1" height="1" fill-opacity="50%" fill="rgba(0,0,0,.5)"/></g>').pieces[0]?.opacity,
    ).toBeCloseTo(0.125, 3);
    const shaded = read(
      '<linearGradient id="g"><stop stop-color="#000"/><stop offset="1" stop-color="#fff"/></linearGradient><rect width="9" height="9" fill="url(#g)"/>',
    );
    expect(shaded.pieces[0]?.color).toBe('#808080');
    expect(shaded.pieces[0]?.gradient?.stops.map(({ at, color }) => [at, color])).toEqual([
      [0, '#000000'],
      [1, '#ffffff'],
    ]);
    expect(shaded.left).toEqual([]);
    expect(read('<rect width="1" height="1" display="none"/><rect width="2" height="2"/>').pieces).toHaveLength(1);
  });

  it('lists what it leaves out and draws the rest', () => {
    const { left, pieces } = read(
      '<text>hi</text><image href="x.png"/><foreignObject/><filter id="f"/><rect width="3" height="3" filter="url(#f)"/><blink/>',
    );
    expect(pieces).toHaveLength(1);
    expect(left).toEqual(
      expect.arrayContaining([
        'the text “hi” in no named face, a face that is not here; turn it into outlines first',
        'an embedded or linked picture',
        'a web page inside the drawing',
        'a filter',
        '“blink”',
      ]),
    );
  });

  it('makes text outlines where its face is known: placed, anchored, sized, span by span', () => {
    // Every letter a box of half an em by an em: widths and places have closed forms.
    const set = (words: string, { family }: { readonly family: string }) =>
      family === 'Box'
        ? { advance: words.length / 2, path: { verbs: 'MLLLZ', coords: [0, -1, words.length / 2, -1, words.length / 2, 0, 0, 0] } }
        : undefined;
    const drawing = importSvg(
      svg(
        '<text x="100" y="50" font-family="Nobody, Box" font-size="20" text-anchor="middle" fill="#ff0000">ab<tspan fill="#0000ff">cd</tspan></text><text font-family="Nobody">lost</text>',
      ),
      paths,
      set,
    );
    if (!drawing.ok) throw new Error('not read');
    expect(drawing.value.pieces.map(({ color }) => color)).toEqual(['#ff0000', '#0000ff']);
    // Four letters of 10 px around 100: from 80 to 120, from the height of capitals to the baseline.
    expect(drawing.value.box).toEqual({ left: 80, right: 120, top: 30, bottom: 50 });
    expect(drawing.value.left).toEqual(['the text “lost” in Nobody, a face that is not here; turn it into outlines first']);
  });

  it('refuses what is broken, hostile or beyond its limits, each with its reason, and never hangs', () => {
    expect(codes('not a drawing')).toEqual(['svg-broken']);
    expect(codes('<html/>')).toEqual(['not-svg']);
    expect(codes(svg('<rect'))).toEqual(['svg-broken']);
    expect(codes(svg('<text>only</text>'))).toEqual(['svg-empty']);
    const laughs = `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]>${svg('<text>&b;</text>')}`;
    expect(codes(laughs)).toEqual(['svg-entities']);
    expect(codes(svg('<rect width="&xxe;" height="1"/>'))).toEqual(['svg-broken']);
    expect(codes(svg('<g>'.repeat(100) + '<rect width="1" height="1"/>' + '</g>'.repeat(100)))).toEqual(['svg-too-deep']);
    expect(codes(svg('<g/>'.repeat(SVG_LIMITS.elements + 1)))).toEqual(['svg-too-many']);
    // Ten levels of ten repetitions would be ten thousand million circles.
    const bomb = Array.from({ length: 10 }, (_, level) => `<g id="l${level + 1}">${`<use href="#l${level}"/>`.repeat(10)}</g>`).join('');
    expect(codes(svg(`<defs><circle id="l0" r="1"/>${bomb}</defs><use href="#l10"/>`))[0]).toMatch(/^svg-too-(many|detailed)$/);
    expect(codes(svg('<g id="me"><use href="#me"/></g>'))).toEqual(['svg-empty']);
    expect(codes(svg(`<path d="M0 0${'L1 1 2 0'.repeat(60_000)}"/>`))).toEqual(['svg-too-detailed']);
    expect(codes(svg('<rect width="1e12" height="1e12"/><rect width="1e-12" height="0"/>'))).toEqual(['svg-empty']);
    expect(codes(`<svg>${' '.repeat(SVG_LIMITS.characters)}</svg>`)).toEqual(['svg-too-large']);
    const stops = '<stop offset=".5" stop-color="red"/>'.repeat(5000);
    expect(read(`<linearGradient id="g">${stops}</linearGradient><rect width="9" height="9" fill="url(#g)"/>`).pieces).toHaveLength(1);
  });

  it('keeps degenerate outlines from doing harm', () => {
    for (const d of [
      'M0 0L10 0L10 0L10 10L0 0z',
      'M0 0L10 10L0 10L10 0z',
      'M5 5z',
      'M0 0L10 0L0 0z',
      'M0 0L10 0L10 10L0 10zM10 0L20 0L20 10L10 10z',
      'M1e-12 0L1e-12 1e-12L0 1e-12z',
    ])
      expect(read(`<path d="${d}"/><rect width="1" height="1"/>`).pieces.length).toBeGreaterThan(0);
  });
});

describe('a drawing as a part', () => {
  it('has its colors as slots with the nearest roles, its longer side 1000, and survives storage', () => {
    const drawing = read(
      '<rect width="40" height="10" fill="#111"/><circle cx="20" cy="5" r="4" fill="#fefefe"/><circle cx="30" cy="5" r="4" fill="#111"/>',
    );
    const part = valueOf(createPart({ ...asArt(drawing, { title: 'Sign' }, STARTING_PALETTE), id: 'sign' } as never)) as Art;
    expect(part.slots.map(({ original, paint }) => [original, paint])).toEqual([
      ['#111111', { role: 'ink' }],
      ['#fefefe', { role: 'paper' }],
    ]);
    expect(part.pieces.map(({ slot }) => slot)).toEqual([0, 1, 0]);
    const recipe = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe({ version: RECIPE_VERSION, parts: [part] })))));
    expect(recipe.parts[0]).toEqual(part);
    expect(createPart({ ...part, pieces: [{ data: 'M0 0 <script>' }] } as never).ok).toBe(false);
  });
});
