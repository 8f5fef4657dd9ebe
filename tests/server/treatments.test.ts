import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OWN_TREATMENTS } from '$core/index';
import { palette, recipeOf, send } from '../support/api';
import { DEEP } from '../support/deep';
import { begun } from '../support/treatments';
import { byLibrsvg } from '../support/second-renderer';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let slug = '';
beforeAll(async () => {
  app = await startTestApp();
  slug = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Treated', palette })).value.slug;
});
afterAll(() => app.stop());

type Input = Parameters<typeof recipeOf>[0];
const back = {
  kind: 'shape',
  id: 'back',
  form: { form: 'panel', widthPx: 260, heightPx: 60, cornerPx: 10 },
  paint: { role: 'second' },
} as Input;
const disk = (id: string, x: number, more: object = {}) =>
  ({ kind: 'shape', id, form: { form: 'disk', widthPx: 90, heightPx: 90 }, place: { x, y: 0, turnDeg: 0 }, ...more }) as unknown as Input;
/** What is treated: letters, a shape, and a turned and mirrored group of two. */
const TREATED: Readonly<Record<string, (treatments: readonly object[]) => readonly Input[]>> = {
  letters: (treatments) => [
    {
      kind: 'lettering',
      id: 'it',
      text: 'Rob',
      font: { family: 'jost', axes: { wght: 800 } },
      sizePx: 110,
      place: { x: 0, y: 36, turnDeg: 0 },
      treatments,
    } as unknown as Input,
  ],
  shape: (treatments) => [disk('it', 0, { treatments })],
  group: (treatments) => [
    disk('a', -30),
    disk('b', 30, { paint: { role: 'accent' } }),
    {
      kind: 'group',
      id: 'it',
      members: ['a', 'b'],
      place: { x: 0, y: 0, turnDeg: 20, scale: 0.9, flip: true },
      treatments,
    } as unknown as Input,
  ],
};

/** The PNG that the app makes, and what a second renderer makes of the SVG. */
async function bothPictures(mark: string): Promise<{ readonly png: PNG; readonly svg: PNG; readonly bytes: number }> {
  const base = `${app.url}/api/brands/${slug}/marks/${mark}/picture`;
  const png = PNG.sync.read(Buffer.from(await (await fetch(`${base}.png?width=1500`)).arrayBuffer()));
  const markup = await (await fetch(`${base}.svg`)).text();
  return { png, svg: byLibrsvg(markup, png.width, png.height), bytes: markup.length };
}

/** The mean difference of two pictures over all channels, on paper as well as clear: colors count as far as they cover. */
function meanOff(one: PNG, other: PNG): number {
  let off = 0;
  for (let at = 0; at < one.data.length; at += 4) {
    const [a, b] = [(one.data[at + 3] as number) / 255, (other.data[at + 3] as number) / 255];
    for (let channel = 0; channel < 3; channel++)
      off += Math.abs((one.data[at + channel] as number) * a - (other.data[at + channel] as number) * b);
    off += 255 * Math.abs(a - b);
  }
  return off / one.data.length;
}

describe.each(OWN_TREATMENTS.map((kind, at) => ({ kind, at })))('$kind', ({ kind, at }) => {
  // Every kind on one thing after the other; each on all of them in full.
  it.each(Object.keys(TREATED).filter((_, place, all) => DEEP || place === at % all.length))(
    'looks alike in the app’s PNG and in its SVG drawn by librsvg, on %s',
    async (name) => {
      const make = TREATED[name] as (treatments: readonly object[]) => readonly Input[];
      const recipe = recipeOf(back, ...make([begun(kind)]));
      const made = await send<{ slug: string }>(`${app.url}/api/brands/${slug}/marks`, 'POST', {
        name: `${kind} ${name}`,
        role: 'primary',
        recipe,
      });
      const { png, svg } = await bothPictures(made.value.slug);
      expect(meanOff(png, svg)).toBeLessThan(1);
    },
  );
});

it('an engraved word of 20 letters is an SVG of less than 300 kB, an etched one as well', async () => {
  for (const kind of ['engraved-lines', 'etched'] as const) {
    const recipe = recipeOf({
      kind: 'lettering',
      id: 'it',
      text: 'Windrow Kite Worksho',
      font: { family: 'playfair-display', axes: { wght: 900 } },
      sizePx: 120,
      treatments: [begun(kind)],
    } as Input);
    const made = await send<{ slug: string }>(`${app.url}/api/brands/${slug}/marks`, 'POST', {
      name: `Long ${kind}`,
      role: 'primary',
      recipe,
    });
    expect((await bothPictures(made.value.slug)).bytes).toBeLessThan(300_000);
  }
});
