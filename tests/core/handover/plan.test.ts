import { describe, expect, it } from 'vitest';
import {
  accepted,
  canvasFrame,
  documentForms,
  expect as valueOf,
  fileLine,
  fileNames,
  formatOf,
  guidePage,
  guideText,
  handoverPlanSchema,
  marksOf,
  PACK_NAMES,
  pieceCanvasSchema,
  packKind,
  readSize,
  roughBytes,
  sizeName,
  startPack,
  startPlan,
  type GoodsAtHand,
  type SceneFacts,
  strangeWords,
  wantedFiles,
  webManifest,
  type Brief,
  type GuideFile,
  type NameWords,
  type Palette,
  type PlannedMark,
  type WantedFile,
} from '$core/index';
import fc from '../../support/properties';

const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };
const marks = [
  { id: 'a', name: 'Primary', role: 'primary' as const },
  { id: 'b', name: 'Submark', role: 'submark' as const },
  { id: 'c', name: 'Watermark', role: 'watermark' as const },
];
const brief = (uses: Brief['uses']): Brief => ({ audience: '', promise: '', avoid: '', keywords: [], uses, voice: {} });
const words =
  (more: Partial<Record<'brand' | 'mark', string>> = {}): NameWords =>
  (file) => ({
    brand: 'harbor',
    mark: file.mark,
    role: 'primary',
    colorway: file.dressing,
    use: file.label,
    size: sizeName(file),
    width: '',
    height: '',
    ...more,
  });

describe('a plan', () => {
  it('begins with the packs that the brief asks for, in the marks that suit them best', () => {
    const plan = startPlan(brief(['profile', 'photos']), marks, palette);
    expect(plan.packs.map(({ kind }) => kind)).toEqual(['profiles', 'photos']);
    expect(plan.packs.map((pack) => pack.marks)).toEqual([['b'], ['c']]);
    expect(startPlan(brief([]), marks, palette).packs.length).toBeGreaterThan(3);
    // Without a mark of a suited role the first of the family is taken.
    expect(startPack('photos', marks.slice(0, 1), palette).marks).toEqual(['a']);
  });

  const mug: SceneFacts = {
    ...{ name: 'mug', label: 'Mug', widthPx: 2000, heightPx: 1600 },
    areas: [{ name: 'around', widthMm: 230, heightMm: 80 }],
    start: { color: '#202428', way: 'paint' },
  };
  const goods: GoodsAtHand = {
    scenes: [mug, { ...mug, name: 'tote', label: 'Tote', start: { color: '#f4f0e6', way: 'cloth' } }],
    desk: { shown: {}, own: {} },
  };

  it('shows marks on goods as they are shown on the wall: dressed for their color, or as was chosen; those that are gone are passed over', () => {
    const pack = { ...startPack('goods', marks, palette), marks: ['a', 'b'], goods: ['mug', 'tote', 'gone'] };
    const chosen = { ...goods, desk: { shown: { 'b/mug': { dressing: 'white' as const, size: 0.4 } }, own: {} } };
    const files = wantedFiles({ pattern: 'x', packs: [pack] }, marks, palette, chosen);
    expect(
      files.map(({ mark, dressing, label, canvas, goods: of }) => [mark, dressing, label, canvas.width, canvas.height, of?.shown]),
    ).toEqual([
      ['a', 'reversed', 'Mug', 2000, 1600, {}],
      ['a', 'full', 'Tote', 2000, 1600, {}],
      ['b', 'white', 'Mug', 2000, 1600, { dressing: 'white', size: 0.4 }],
      ['b', 'full', 'Tote', 2000, 1600, {}],
    ]);
    expect(wantedFiles({ pattern: 'x', packs: [pack] }, marks, palette)).toEqual([]);
    // Side by side: one more for each mark, every goods in its own dressing; two panels of 1.25 : 1 fill a row of 2000 px.
    const together = wantedFiles({ pattern: 'x', packs: [{ ...pack, together: true }] }, marks, palette, chosen);
    expect(together).toHaveLength(6);
    const sheets = together.filter(({ goods: of }) => of?.beside);
    expect(sheets.map(({ mark, dressing, canvas, goods: of }) => [mark, dressing, canvas.width, of?.scene, of?.beside])).toEqual([
      ['a', 'reversed', 2000, 'mug', [{ scene: 'tote', shown: {}, dressing: 'full' }]],
      ['b', 'white', 2000, 'mug', [{ scene: 'tote', shown: {}, dressing: 'full' }]],
    ]);
    expect(sheets[0]?.canvas.height).toBe(24 + Math.round((2000 - 3 * 24) / 2.5) + 24);
    // One alone stands beside nothing.
    expect(wantedFiles({ pattern: 'x', packs: [{ ...pack, goods: ['mug'], together: true }] }, marks, palette, goods)).toHaveLength(2);
  });

  it('has a row for every pack that makes files which can be made: sizes fit, formats know what they are asked for', () => {
    const piece = { id: 'p', name: 'Post', role: 'piece' as const, canvas: pieceCanvasSchema.parse({ width: 1080, height: 1350 }) };
    const all = [...marks, piece];
    for (const kind of PACK_NAMES) {
      const pack = {
        ...startPack(kind, all, palette),
        sizes: packKind(kind).sizes.map(({ first: _, label, ...canvas }) => ({
          label,
          canvas: valueOf(readSize('100')).canvas && { ...valueOf(readSize('100')).canvas, ...canvas },
        })),
      };
      const files = wantedFiles({ pattern: 'x', packs: [pack as never] }, all, palette, goods);
      expect(files.length, kind).toBeGreaterThan(0);
      for (const { canvas, format } of files) {
        const { pixels, clear } = formatOf(format);
        const frame = canvasFrame({ left: 0, top: 0, right: 300, bottom: 100 }, canvas, pixels);
        expect(frame.ok, `${kind} ${format}`).toBe(true);
        expect(clear || files.every((file) => file.format !== format || file.ground !== null)).toBe(true);
      }
    }
  });

  it('makes outlines once where only the number of pixels differs, and pixels once for each size', () => {
    const pack = { ...startPack('site', marks, palette), marks: ['a'], dressings: ['full' as const] };
    const files = wantedFiles({ pattern: 'x', packs: [pack] }, marks, palette);
    expect(files.filter(({ format }) => format === 'svg')).toHaveLength(1);
    expect(files.filter(({ format }) => format === 'png')).toHaveLength(pack.sizes.length);
  });

  it('puts all marks into one file of pages where that is asked for, and into files of their own in formats without pages', () => {
    const pack = {
      ...startPack('print', marks, palette),
      marks: ['a', 'b', 'c'],
      dressings: ['full' as const],
      formats: ['pdf' as const, 'tif' as const],
      together: true,
    };
    const files = wantedFiles({ pattern: 'x', packs: [pack] }, marks, palette);
    expect(files.map(({ format, mark, pages }) => [format, mark, pages])).toEqual([
      ['pdf', 'a', ['b', 'c']],
      ['tif', 'a', undefined],
      ['tif', 'b', undefined],
      ['tif', 'c', undefined],
    ]);
    expect(files.map(marksOf)[0]).toEqual(['a', 'b', 'c']);
  });

  it('writes PDFs in the colors that a pack is chosen to have, else in those that such packs usually have', () => {
    const inColors = (kind: 'print' | 'profiles', colors?: 'rgb' | 'cmyk' | 'spot') => {
      const pack = { ...startPack(kind, marks, palette), formats: ['pdf', 'png'] as const, ...(colors ? { colors } : {}) };
      const files = wantedFiles({ pattern: 'x', packs: [{ ...pack, formats: [...pack.formats] }] }, marks, palette);
      expect(files.filter(({ format }) => format === 'png').every((file) => file.colors === undefined)).toBe(true);
      return new Set(files.filter(({ format }) => format === 'pdf').map((file) => file.colors));
    };
    expect([...inColors('print')]).toEqual(['cmyk']);
    expect([...inColors('profiles')]).toEqual([undefined]);
    expect([...inColors('print', 'spot')]).toEqual(['spot']);
    expect([...inColors('profiles', 'cmyk')]).toEqual(['cmyk']);
    const card: PlannedMark = {
      id: 'card',
      name: 'Card',
      role: 'piece',
      canvas: pieceCanvasSchema.parse({ width: 85, height: 55, unit: 'mm' }),
    };
    const pieces = { ...startPack('pieces', [card], palette), colors: 'spot' as const };
    expect(wantedFiles({ pattern: 'x', packs: [pieces] }, [card], palette).map(({ format, colors }) => [format, colors])).toEqual([
      ['png', undefined],
      ['pdf', 'spot'],
    ]);
  });

  it('lets pages of one booklet, size and bleed share a PDF, in their order; as pictures each is a file', () => {
    const leaf = (id: string, page: number, more: object = {}): PlannedMark => ({
      ...{ id, name: id, role: 'piece' },
      canvas: pieceCanvasSchema.parse({ width: 100, height: 140, unit: 'mm', bleed: 3, booklet: { id: 'tides', page }, ...more }),
    });
    const all = [
      leaf('third', 3),
      leaf('first', 1),
      leaf('odd', 2, { width: 90 }),
      leaf('second', 2),
      leaf('other', 1, { booklet: { id: 'o', page: 1 } }),
    ];
    const pack = startPack('pieces', all, palette);
    const files = (chosen: readonly string[]) =>
      wantedFiles({ pattern: 'x', packs: [{ ...pack, marks: [...chosen] }] }, all, palette).map(({ mark, format, pages }) => [
        mark,
        format,
        pages,
      ]);
    expect(files(all.map(({ id }) => id)).filter(([, format]) => format === 'pdf')).toEqual([
      ['first', 'pdf', ['second', 'third']],
      ['odd', 'pdf', undefined],
      ['other', 'pdf', undefined],
    ]);
    expect(files(all.map(({ id }) => id)).filter(([, format]) => format === 'png')).toHaveLength(5);
    expect(files(['third', 'second']).filter(([, format]) => format === 'pdf')).toEqual([['second', 'pdf', ['third']]]);
  });

  it('passes over marks and colors that are gone', () => {
    const pack = {
      ...startPack('profiles', marks, palette),
      marks: ['gone', 'a'],
      dressings: ['on-s-gone1' as const, 'full' as const],
      formats: ['png' as const],
    };
    const files = wantedFiles({ pattern: 'x', packs: [pack] }, marks, palette);
    expect(new Set(files.map(({ mark, dressing }) => `${mark} ${dressing}`))).toEqual(new Set(['a full']));
  });

  it('puts what cannot be transparent on the ground that its colorway is made for, or on the one that was chosen', () => {
    const pack = {
      ...startPack('profiles', marks, palette),
      dressings: ['full', 'reversed', 'on-lead'] as never,
      formats: ['jpg' as const],
    };
    const grounds = (of: object) => [
      ...new Set(
        wantedFiles({ pattern: 'x', packs: [{ ...pack, ...of }] }, marks, palette).map(({ dressing, ground }) => `${dressing} ${ground}`),
      ),
    ];
    expect(grounds({})).toEqual(['full paper', 'reversed ink', 'on-lead lead']);
    expect(grounds({ ground: 'accent' })).toEqual(['full accent', 'reversed accent', 'on-lead accent']);
  });

  it('is stored and read as every document of a brand is; nonsense is refused', () => {
    const plan = startPlan(brief(['web']), marks, palette);
    expect(valueOf(accepted(documentForms.handover, JSON.parse(JSON.stringify(plan))))).toEqual(plan);
    for (const bad of [{ packs: [{ kind: 'nothing' }] }, { pattern: '' }, { packs: 'many' }])
      expect(accepted(documentForms.handover, bad).ok).toBe(false);
    expect(handoverPlanSchema.parse({}).packs).toEqual([]);
  });

  it('says roughly how large a file will be, more pixels never less', () => {
    const [file] = wantedFiles({ pattern: 'x', packs: [startPack('products', marks, palette)] }, marks, palette);
    const at = (width: number) => roughBytes({ ...(file as WantedFile), canvas: { ...(file as WantedFile).canvas, width, height: width } });
    expect(at(400)).toBeLessThan(at(4000));
  });
});

describe('names of files', () => {
  const file = (more: Partial<WantedFile> = {}): WantedFile => ({
    ...{
      pack: 'profiles',
      kind: 'profiles',
      mark: 'a',
      dressing: 'full',
      format: 'png',
      label: 'profile',
      ground: null,
      welded: false,
      exact: false,
    },
    canvas: valueOf(readSize('800x800')).canvas,
    ...more,
  });
  const SAFE = /^[a-z0-9-]{1,60}\/[a-z0-9](?:[a-z0-9-]{0,120}[a-z0-9])?\.[a-z]{3,4}$/;

  it('follow the pattern', () => {
    expect(fileNames([file()], '{brand}-{mark}-{colorway}-{size}', words(), (pack) => pack)).toEqual([
      'profiles/harbor-a-full-800x800.png',
    ]);
    expect(fileNames([file({ canvas: valueOf(readSize('85.6 x 53.98 mm')).canvas })], '{size}', words(), () => 'Print, cards')).toEqual([
      'print-cards/85-6x53-98mm.png',
    ]);
    expect(strangeWords('{brand}-{client}-{size}')).toEqual(['client']);
  });

  it('are safe and never alike, whatever brands and patterns say: slashes, dots, emoji, 300 letters, device names', () => {
    const cases = [
      '../../etc/passwd',
      '..',
      'a/b\\c:d*e?f"g<h>i|j',
      '🦊🦊',
      'x'.repeat(300),
      'CON',
      'nul',
      'lpt1',
      ' . ',
      'Пекарня',
      '-',
      '\u202e',
    ];
    for (const brand of cases)
      for (const pattern of ['{brand}', '{brand}/{mark}', '../{brand}', '.', '{brand}.{size}', ' '])
        for (const name of fileNames([file(), file({ mark: 'b' }), file()], pattern, words({ brand, mark: 'same' }), () => brand)) {
          expect(name, `${brand} ${pattern}`).toMatch(SAFE);
          expect(/^(con|nul|prn|aux|com\d|lpt\d)\./.test(name.split('/')[1] ?? '')).toBe(false);
        }
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ unit: 'grapheme' }), fc.constantFrom('png', 'svg')), { minLength: 1, maxLength: 20 }),
        fc.string(),
        (of, pattern) => {
          const names = fileNames(
            of.map(([mark, format]) => file({ mark, format: format as 'png' })),
            pattern,
            words(),
            (pack) => pack,
          );
          expect(new Set(names.map((name) => name.toLowerCase())).size).toBe(names.length);
          for (const name of names) expect(name).toMatch(SAFE);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('a size as it is typed', () => {
  it.each([
    ['1200 x 800', { width: 1200, height: 800, unit: 'px' }],
    ['640', { width: 640, unit: 'px' }],
    ['60 mm', { width: 60, unit: 'mm', dpi: 300 }],
    ['8,5x11 in', { width: 8.5, height: 11, unit: 'in', dpi: 300 }],
    ['4500×5400 @300', { width: 4500, height: 5400, unit: 'px', dpi: 300 }],
    ['10 cm', { width: 100, unit: 'mm', dpi: 300 }],
  ])('%s', (typed, canvas) => expect(valueOf(readSize(typed)).canvas).toMatchObject(canvas));
  it.each(['', 'large', '0 x 20', '20 x 0', '-5', '1e9 px', '12 furlongs'])('“%s” is refused with a sentence', (typed) => {
    const read = readSize(typed);
    expect(read.ok ? '' : read.problems[0]?.message).toMatch(/size/);
  });
});

describe('the guide of a pack', () => {
  const wanted = wantedFiles({ pattern: 'x', packs: [startPack('web', marks, palette)] }, marks, palette);
  const files = wanted.map((each, at): GuideFile => ({
    name: `web/f${at}.${each.format}`,
    wanted: each,
    markName: 'Sub <b>mark</b>',
    colorway: 'full color',
    seen: ['800 × 800 px'],
  }));
  const guide = { brand: 'Salt & <Oats>', handover: 'First', date: '27 November 2026', files, rights: ['Jost (font): OFL-1.1'] };

  it('names every file, what it is for, and the rights, in text and as a page that escapes what people typed', () => {
    const [text, page] = [guideText(guide), guidePage(guide)];
    for (const { name } of files) expect([text.includes(name), page.includes(name)]).toEqual([true, true]);
    expect(text).toContain('Jost (font): OFL-1.1');
    expect(page).toContain('Salt &amp; &lt;Oats&gt;');
    expect(page).not.toMatch(/<b>mark|<script/);
    const print = wantedFiles({ pattern: 'x', packs: [{ ...startPack('print', marks, palette), colors: 'spot' }] }, marks, palette);
    const said = print.map((each) => fileLine({ markName: 'Primary', colorway: 'full color', wanted: each }));
    expect(said.filter((line) => line.includes('in spot colors where they are named'))).toHaveLength(
      print.filter(({ format }) => format === 'pdf').length,
    );
  });

  it('holds a manifest that browsers read: every icon by its own name and size', () => {
    const { manifest, head } = webManifest('Salt', { theme: palette.lead, ground: palette.paper }, files);
    const { icons } = JSON.parse(manifest) as { icons: { src: string; sizes: string }[] };
    expect(icons.map(({ sizes }) => sizes)).toEqual(['180x180', '192x192', '512x512']);
    expect(head).toMatch(/rel="apple-touch-icon"[^]*rel="icon" href="\/f\d+\.ico"[^]*type="image\/svg\+xml"[^]*rel="manifest"/);
    expect(wanted.filter(({ format }) => format === 'svg')).toHaveLength(1);
  });
});
