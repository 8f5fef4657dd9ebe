import { describe, expect, it } from 'vitest';
import {
  apply,
  createPart,
  dress,
  expect as valueOf,
  picturesIn,
  rightsOf,
  screenPicture,
  STARTING_PALETTE,
  toSvg,
  type PictureFill,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { areaOf, drawnOn, partNamed, partOf } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';

type Input = Parameters<typeof createPart>[0];
const shelf = await shelfOf();
const draw = drawnOn(shelf);
const SHA = 'ab'.repeat(32);
const source = { title: 'Boathouse', author: 'A. Member', license: 'client' };
const picture = (more: object = {}): Input =>
  ({ kind: 'picture', id: 'photo', sha256: SHA, fileWidthPx: 400, fileHeightPx: 300, sizePx: 200, source, ...more }) as Input;
const disk = (id: string, x: number, size: number): Input =>
  ({ kind: 'shape', id, form: { form: 'disk', widthPx: size, heightPx: size }, place: { x, y: 0, turnDeg: 0 } }) as Input;

/** Every picture in a drawing. */
function seen(nodes: readonly { readonly kind: string }[]): readonly PictureFill[] {
  return nodes.flatMap((node) =>
    node.kind === 'picture' ? [node as PictureFill] : 'children' in node ? seen(node.children as readonly { kind: string }[]) : [],
  );
}

describe('pictures as parts', () => {
  it('stand on their own center, in the proportions of their file', () => {
    expect(partNamed(draw(picture()), 'photo').ink).toEqual({ left: -100, top: -75, right: 100, bottom: 75 });
    const { ink } = partNamed(draw(picture({ place: { x: 10, y: 20, turnDeg: 90 } })), 'photo');
    expect([ink?.left, ink?.top, ink?.right, ink?.bottom].map((edge) => Math.round((edge ?? 0) * 1e9) / 1e9)).toEqual([-65, -80, 85, 120]);
  });

  it('only to look at are on the table alone: in no drawing for files, no ink, no rights, and in no other part', () => {
    const reference = picture({ reference: true });
    const lone = draw(reference, disk('sun', 0, 50));
    expect(lone.drawing.groups.map(({ id }) => id)).toEqual(['sun']);
    expect(lone.ink).toEqual({ left: -25, top: -25, right: 25, bottom: 25 });
    expect(partNamed(lone, 'photo').ink?.right).toBe(100);
    const grouped = draw(reference, disk('sun', 0, 50), { kind: 'group', id: 'both', members: ['photo', 'sun'] });
    expect(picturesIn(grouped.drawing)).toEqual([]);
    const recipe: Recipe = { version: RECIPE_VERSION, parts: [reference, disk('sun', 0, 50)].map(partOf) };
    const view = { recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') };
    const table = resolverOf(shelf).resolve({ ...view, references: true });
    expect(table.drawing.groups.map(({ id }) => id)).toEqual(['photo', 'sun']);
    expect(table.ink?.right).toBe(25);
    expect(rightsOf(recipe, new Map(), shelf).parts.map(({ kind }) => kind)).toEqual(['drawn']);
    expect(rightsOf({ version: RECIPE_VERSION, parts: [partOf(picture())] }, new Map(), shelf).parts[0]).toMatchObject({
      what: 'Boathouse',
      kind: 'picture',
      author: 'A. Member',
    });
  });

  it('inside of a shape keep their place, and what is seen is the overlap (closed form: a disk of 50 px)', () => {
    const mark = draw(disk('hole', 30, 100), picture({ place: { x: 0, y: 10, turnDeg: 30 } }), {
      kind: 'inlay',
      id: 'all',
      members: ['hole', 'photo'],
      showsContainer: false,
    });
    const [only] = seen(mark.drawing.groups);
    if (!only) throw new Error('nothing is seen');
    // The disk lies within the picture, so that all of it is seen.
    expect(areaOf([only]) / (Math.PI * 2500)).toBeCloseTo(1, 3);
    // The picture's middle stays where the part stands.
    const middle = apply(only.map, { x: 0.5, y: 0.5 });
    expect([middle.x, middle.y].map((value) => Math.round(value * 1e9) / 1e9)).toEqual([0, 10]);
    expect(Math.hypot(only.map.a, only.map.b)).toBeCloseTo(200, 9);
  });

  it('kept to a half and mirrored show each half once', () => {
    const mark = draw(picture(), { kind: 'symmetry', id: 'twins', members: ['photo'], rule: 'mirror', crop: true, centerX: 40 });
    const halves = seen(mark.drawing.groups);
    expect(halves).toHaveLength(2);
    for (const half of halves) expect(areaOf([half])).toBeCloseTo(140 * 150, 3);
  });

  it('are the outline of their frame to whoever combines or bands them', () => {
    const united = draw(disk('sun', 0, 50), picture(), { kind: 'combination', id: 'all', members: ['sun', 'photo'], how: 'unite' });
    expect(areaOf(united.drawing.groups[0]?.children.flatMap((node) => (node.kind === 'fill' ? [node] : [])) ?? [])).toBeCloseTo(30_000, 2);
  });

  it.each([
    ['a digest that is none', { sha256: '../../etc/passwd' }],
    ['no pixels', { fileWidthPx: 0 }],
    ['too many', { fileHeightPx: 70_000 }],
    ['no rights', { source: { title: '', author: '', license: 'client' } }],
  ])('refuse %s', (_, change) => {
    expect(createPart(picture(change)).ok).toBe(false);
  });
});

describe('pictures as they are written', () => {
  const address = (sha256: string) => `data:image/png;base64,${sha256.slice(0, 4)}"><script>`;
  const svgOf = (...parts: readonly Input[]) => {
    const { drawing, ink } = draw(...parts);
    return toSvg(drawing, { title: 'Mark', box: ink ?? { left: 0, top: 0, right: 1, bottom: 1 }, pictureAddress: address });
  };

  it('are one image with plain numbers, its address escaped', () => {
    const svg = svgOf(picture());
    expect(svg).toContain(
      '<image preserveAspectRatio="none" x="-100" y="-75" width="200" height="150" href="data:image/png;base64,abab&quot;',
    );
    expect(svg).not.toContain('<script>');
    expect(svg).not.toContain('clipPath');
  });

  it('are clipped only where they were cut, each cut under an id of its own', () => {
    const inlaid = (id: string, x: number): readonly Input[] => [
      disk(`hole-${id}`, x, 100),
      picture({ id: `photo-${id}` }),
      { kind: 'inlay', id, members: [`hole-${id}`, `photo-${id}`], showsContainer: false },
    ];
    const svg = svgOf(...inlaid('one', 0), ...inlaid('two', 30));
    const ids = [...svg.matchAll(/clipPath id="([^"]+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(2);
    for (const id of ids) expect(svg).toContain(`clip-path="url(#${id})"`);
  });

  it('on a page come from the brand’s own address, and stay the same pieces while nothing changes', () => {
    const mark = draw(picture());
    const base = '/api/brands/ours/pictures/';
    const one = screenPicture(mark, 'stage-', base);
    expect(one.groups[0]?.pieces[0]).toContain(`href="${base}${SHA}"`);
    expect(screenPicture(mark, 'stage-', base).groups[0]).toBe(one.groups[0]);
    expect(screenPicture(mark, 'stage-', '/api/brands/theirs/pictures/').groups[0]?.pieces[0]).toContain('theirs');
    expect(valueOf(createPart(picture()))).toMatchObject({ reference: false, sizePx: 200 });
  });
});
