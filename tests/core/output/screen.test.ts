import { describe, expect, it } from 'vitest';
import { groupMarkup, outlineOf, pathData, screenPicture, toSvg, type Group } from '$core/index';

const disk = outlineOf({ form: 'disk', widthPx: 10, heightPx: 10 });
const group = (change: Partial<Group> = {}): Group => ({
  kind: 'group',
  id: 'name',
  transform: { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 },
  opacity: 1,
  blend: 'normal',
  children: [{ kind: 'fill', path: disk, rule: 'nonzero', color: '#112233', opacity: 1 }],
  ...change,
});

describe('groupMarkup', () => {
  it('writes only what differs from the plain case', () => {
    expect(groupMarkup(group())).toBe(`<g id="name"><path fill="#112233" d="${pathData(disk)}"/></g>`);
  });

  it('writes moves as moves and turns with enough digits to stay put at any size', () => {
    expect(groupMarkup(group({ transform: { a: 1, b: 0, c: 0, d: 1, e: 1.23456, f: -2 } }))).toContain('transform="translate(1.235 -2)"');
    const third = Math.cos(1) / 3;
    expect(groupMarkup(group({ transform: { a: third, b: 0, c: 0, d: third, e: 0, f: 0 } }))).toContain(
      `matrix(${Number(third.toFixed(9))} 0 0 ${Number(third.toFixed(9))} 0 0)`,
    );
  });

  it('clips, nests, and keeps ids apart by their prefix', () => {
    const nested = group({ clip: { path: disk, rule: 'evenodd' }, children: [group({ id: 'inner', opacity: 0.25 })] });
    const markup = groupMarkup(nested, 'proof-');
    expect(markup).toContain(
      '<g id="proof-name" clip-path="url(#proof-name-clip)"><clipPath id="proof-name-clip"><path clip-rule="evenodd"',
    );
    expect(markup).toContain('<g id="proof-inner" opacity="0.25">');
  });

  it('writes even-odd outlines and translucent fills as such', () => {
    const markup = groupMarkup(group({ children: [{ kind: 'fill', path: disk, rule: 'evenodd', color: '#112233', opacity: 0.5 }] }));
    expect(markup).toContain('fill-opacity="0.5" fill-rule="evenodd"');
  });
});

describe('screenPicture', () => {
  it('carries the very markup of the file, part by part', () => {
    const drawing = { groups: [group(), group({ id: 'second' })] };
    const picture = screenPicture({ drawing, parts: [], ink: undefined }, '');
    const file = toSvg(drawing, { title: 't', box: { left: 0, top: 0, right: 1, bottom: 1 } });
    expect(file).toContain(drawing.groups.map((each) => groupMarkup(each)).join(''));
    for (const { pieces } of picture.groups) for (const piece of pieces) expect(file).toContain(piece);
    expect(picture.groups.map(({ attributes }) => attributes)).toEqual([{ id: 'name' }, { id: 'second' }]);
  });
});

describe('toSvg', () => {
  it('states sizes in the unit asked for, and isolates only where something blends', () => {
    const options = { title: 't', box: { left: 0, top: 0, right: 100, bottom: 50 } };
    expect(toSvg({ groups: [] }, { ...options, widthPx: 80, heightPx: 40, unit: 'mm' })).toContain(
      'width="80mm" height="40mm" viewBox="0 0 100 50"',
    );
    expect(toSvg({ groups: [group()] }, options)).not.toContain('isolation');
    expect(toSvg({ groups: [group({ blend: 'screen' })] }, options)).toContain('style="isolation:isolate"');
  });
});
