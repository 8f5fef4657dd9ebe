import { crc32 } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { dotsPerInchOf, outlineOf, rasterFrame, toSvg, withDensity, withoutDensity, written, type Drawing } from '$core/index';
import fc from '../../support/properties';

const drawing: Drawing = {
  groups: [
    {
      kind: 'group',
      id: 'disk',
      transform: { a: 1, b: 0, c: 0, d: 1, e: 5, f: 0 },
      opacity: 0.5,
      blend: 'multiply',
      children: [
        { kind: 'fill', path: outlineOf({ form: 'disk', widthPx: 10, heightPx: 10 }), rule: 'nonzero', color: '#112233', opacity: 1 },
      ],
    },
  ],
};
const box = { left: 0, top: -5, right: 10, bottom: 5 };

describe('toSvg', () => {
  it('escapes what people typed', () => {
    const svg = toSvg(drawing, { box, title: '"><script>alert(1)</script>&' });
    expect(svg).not.toContain('<script');
    expect(svg).toContain('<title>&quot;&gt;&lt;script&gt;alert(1)&lt;/script&gt;&amp;</title>');
  });

  it('holds no scripts, styles sheets, text, fonts or references', () => {
    expect(toSvg(drawing, { box, title: 't' })).not.toMatch(/<(script|style|text|image|use|foreignObject|a)\b|href|url\(|on\w+=/i);
  });

  it('writes part opacity and blending', () => {
    expect(toSvg(drawing, { box, title: 't' })).toContain(
      '<g id="disk" transform="translate(5 0)" opacity="0.5" style="mix-blend-mode:multiply">',
    );
  });
});

describe('written', () => {
  it('rounds to 0.001, without exponent or negative zero', () => {
    expect([written(-0.0001), written(1e-9), written(0.1 + 0.2), written(123456.7891)]).toEqual(['0', '0', '0.3', '123456.789']);
    fc.assert(fc.property(fc.double({ min: -1e9, max: 1e9, noNaN: true }), (value) => /^-?\d+(\.\d{1,3})?$/.test(written(value))));
  });
});

describe('rasterFrame', () => {
  it('has whole pixels of one scale on both sides and holds all of the box', () => {
    fc.assert(
      fc.property(fc.integer({ min: 16, max: 12_000 }), fc.double({ min: 0.05, max: 1, noNaN: true }), (width, ratio) => {
        const framed = rasterFrame({ left: 0, top: 0, right: 500, bottom: 500 * ratio }, { widthPx: width });
        if (!framed.ok) throw new Error('a flat box fits at every width');
        const { widthPx, heightPx, box: grown } = framed.value;
        expect((grown.bottom - grown.top) / heightPx).toBeCloseTo((grown.right - grown.left) / widthPx, 9);
        expect(grown.top).toBeLessThanOrEqual(1e-6);
        expect(heightPx).toBeLessThan((500 * ratio * width) / 500 + 1);
      }),
    );
  });

  it('takes a side that is a rounding error too long for a whole number of pixels', () => {
    // 0.1 × 3 is 0.30000000000000004: a picture of ten of them is three rows for every ten columns, and no row of nothing below.
    const framed = rasterFrame({ left: 0, top: 0, right: 1, bottom: 0.1 * 3 }, { widthPx: 100 });
    expect(framed.ok && framed.value.heightPx).toBe(30);
    const taller = rasterFrame({ left: 0, top: 0, right: 1, bottom: 0.3001 }, { widthPx: 100 });
    expect(taller.ok && taller.value.heightPx).toBe(31);
  });

  it('refuses what would be too high, and says which width would fit', () => {
    const framed = rasterFrame({ left: 0, top: 0, right: 10, bottom: 100 }, { widthPx: 12_000 });
    expect(framed.ok ? '' : framed.problems[0]?.fix).toBe('Ask for at most 1200 px of width.');
  });
});

describe('withDensity', () => {
  it('adds a pHYs chunk with a CRC that zlib agrees on', () => {
    const png = new Uint8Array(33);
    const out = withDensity(png, 300);
    const view = new DataView(out.buffer);
    expect(out.length - png.length).toBe(21);
    expect(view.getUint32(33 + 8)).toBe(11_811); // 300 / 0.0254, rounded
    // The unit is the metre. @source W3C PNG (Third Edition), 11.3.4.3
    expect(out[33 + 8 + 8]).toBe(1);
    expect(view.getUint32(33 + 17)).toBe(crc32(out.subarray(37, 37 + 13)));
    expect(dotsPerInchOf(1200, 101.6)).toBeCloseTo(300, 9);
  });

  it('is taken out again, and only it', () => {
    const png = new Uint8Array(45);
    png.set([0, 0, 0, 13, 73, 72, 68, 82], 8); // IHDR
    png.set([0, 0, 0, 0, 73, 69, 78, 68], 33); // IEND
    expect(withoutDensity(withDensity(png, 300))).toEqual(png);
    expect(withoutDensity(png)).toEqual(png);
    expect(withoutDensity(png.subarray(0, 20))).toEqual(png.subarray(0, 20));
  });
});
