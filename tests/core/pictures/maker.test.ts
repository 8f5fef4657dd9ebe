import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import {
  GROUNDS,
  makePicture,
  meaningOf,
  MOTIF_NAMES,
  motifOf,
  partingOf,
  studyOf,
  subjectOf,
  type MadeSoFar,
  type PictureOrder,
} from '$core/pictures';
import { heightMap } from '../../../src/core/pictures/maker/height-map';
import { ball, form, limb, turned, type Solid } from '../../../src/core/pictures/maker/solid';

function made(order: Partial<PictureOrder>) {
  const steps: MadeSoFar[] = [];
  const making = makePicture({ motif: 'fox', ground: 'plain', seed: 1, sidePx: 120, ...order });
  let step = making.next();
  while (!step.done) {
    steps.push(step.value);
    step = making.next();
  }
  return { steps, ...step.value };
}
const digest = ({ rgba }: { readonly rgba: Uint8Array | Uint8ClampedArray }) => createHash('sha256').update(rgba).digest('hex');

describe('what words mean', () => {
  it('finds every motif by its label and by each of its words, alone and in a sentence', () => {
    for (const name of MOTIF_NAMES)
      for (const word of [motifOf(name).label, ...motifOf(name).words]) {
        const alone = meaningOf(word);
        expect(alone.ok && motifOf(alone.value.motif).label, word).toBe(motifOf(name).label);
        const within = meaningOf(`A picture of the ${word.toUpperCase()}, please!`);
        expect(within.ok && within.value.motif, word).toBe(alone.ok && alone.value.motif);
      }
  });
  it('no word means two things', () => {
    const all = MOTIF_NAMES.flatMap((name) => [...new Set([...motifOf(name).words, motifOf(name).label.toLowerCase()])]);
    expect(all.filter((word, at) => all.indexOf(word) !== at)).toEqual([]);
  });
  it('takes plurals and colors, the longest run of words first, and says what it left aside', () => {
    expect(meaningOf('two red foxes in the snow')).toEqual({ ok: true, value: { motif: 'fox', color: '#a83232', left: ['snow'] } });
    expect(meaningOf('berries and leaves')).toMatchObject({ ok: true, value: { motif: 'branch' } });
    expect(meaningOf('a person with long hair')).toMatchObject({ ok: true, value: { motif: 'long-haired' } });
    expect(meaningOf('orange')).toMatchObject({ ok: false });
  });
  it.each(['', '   ', '?!', 'castle', '東京', 'قلعة', 'a'.repeat(300), 'constructor', '__proto__'])(
    'says what it can draw where it knows no %j',
    (words) => {
      const meaning = meaningOf(words);
      expect(meaning.ok).toBe(false);
      if (!meaning.ok) expect(meaning.problems[0]?.fix).toContain('lighthouse');
    },
  );
});

describe('solids', () => {
  const side = 400;
  const area = (...solids: Solid[]) => {
    const building = heightMap(solids, side);
    let step = building.next();
    while (!step.done) step = building.next();
    const { heights, seen } = step.value;
    const unit = (2 / side) ** 2;
    let volume = 0;
    for (const height of heights) volume += height * unit;
    return { covered: seen.reduce((sum, each) => sum + (each >= 0 ? unit : 0), 0), volume };
  };
  const look = { color: '#808080' };
  it('cover and fill what the closed forms say', () => {
    // Half an ellipsoid over its ellipse: πab and ⅔πabc.
    const egg = area(ball(0.1, -0.05, 0.6, 0.4, { ...look, turnDeg: 30, depth: 0.3 }));
    expect(egg.covered).toBeCloseTo(Math.PI * 0.6 * 0.4, 2);
    expect(egg.volume).toBeCloseTo((2 / 3) * Math.PI * 0.6 * 0.4 * 0.3, 3);
    // A rod with round ends: half a cylinder and half a ball.
    const rod = area(limb([-0.4, 0], [0.4, 0], 0.2, 0.2, look));
    expect(rod.covered).toBeCloseTo(0.8 * 0.4 + Math.PI * 0.04, 2);
    expect(rod.volume).toBeCloseTo((Math.PI * 0.04 * 0.8) / 2 + (2 / 3) * Math.PI * 0.008, 3);
    // A turned cone's half: ⅙πr²h.
    const cone = area(
      turned(
        0,
        [
          [-0.6, 0],
          [0.6, 0.5],
        ],
        look,
      ),
    );
    expect(cone.covered).toBeCloseTo(0.6, 2);
    expect(cone.volume).toBeCloseTo((Math.PI * 0.25 * 1.2) / 6, 3);
    const square = area(
      form(
        [
          [-0.5, -0.5],
          [0.5, -0.5],
          [0.5, 0.5],
          [-0.5, 0.5],
        ],
        0,
        look,
        true,
      ),
    );
    expect(square.covered).toBeCloseTo(1, 2);
  });
  it('whichever stands farther in front is seen', () => {
    const low = ball(0, 0, 0.5, 0.5, look);
    const high = ball(0, 0, 0.2, 0.2, { ...look, lift: 0.6 });
    for (const order of [
      [low, high],
      [high, low],
    ] as const) {
      const building = heightMap([...order], side);
      let step = building.next();
      while (!step.done) step = building.next();
      expect(order[step.value.seen[(side / 2) * side + side / 2] as number]).toBe(high);
    }
  });
});

describe('a picture', () => {
  it('is the same to the byte for the same order, and another for another seed, ground or color', () => {
    const one = digest(made({}));
    expect(digest(made({}))).toBe(one);
    const others = [{ seed: 2 }, { ground: 'busy' as const }, { color: '#2f4a7a' }, { motif: 'owl' as const }].map((change) =>
      digest(made(change)),
    );
    expect(new Set([one, ...others]).size).toBe(5);
  });
  it('says how far it is, always further, up to the end', () => {
    const { steps, columns, rows, rgba } = made({ sidePx: 200 });
    expect(steps.length).toBeGreaterThan(20);
    steps.forEach(({ done, of }, at) => {
      expect(of).toBe(400);
      expect(done).toBeGreaterThanOrEqual(steps[at - 1]?.done ?? 0);
    });
    expect([columns, rows, rgba.length]).toEqual([200, 200, 160_000]);
    expect(rgba.every((value, at) => at % 4 !== 3 || value === 255)).toBe(true);
  });
  it.each(MOTIF_NAMES)('%s shows something on either ground, in three variations', (motif) => {
    for (const ground of GROUNDS)
      for (const seed of [1, 2, 3]) {
        const { rgba } = made({ motif, ground, seed, sidePx: 64 });
        const tones = new Set<number>();
        for (let at = 0; at < rgba.length; at += 4)
          tones.add(((rgba[at] as number) >> 4) * 256 + ((rgba[at + 1] as number) >> 4) * 16 + ((rgba[at + 2] as number) >> 4));
        expect(tones.size, `${ground} ${seed}`).toBeGreaterThan(20);
      }
  });
  it('what stands on a plain ground is found again, untouched, but for a sixth of its area (its handle holds ground in)', () => {
    const order = { motif: 'mug', color: '#7a1f1f', seed: 4, sidePx: 320 } as const;
    const study = studyOf(made(order));
    const { mask, columns, nothing } = subjectOf(partingOf(study), []);
    expect(nothing).toBe(false);
    // The independent route: pixels as red as the mug is, and its dark drink.
    const { rgba } = made({ ...order, sidePx: columns });
    let [wanted, found, both] = [0, 0, 0];
    mask.forEach((kept, at) => {
      const [red, green] = [rgba[at * 4] as number, rgba[at * 4 + 1] as number];
      const mug = red > 1.6 * green || red + green < 150;
      if (mug) wanted++;
      if (kept) found++;
      if (mug && kept) both++;
    });
    expect(both / (wanted + found - both)).toBeGreaterThan(0.82);
  });
  it('sizes beyond the limits are drawn at the limits', () => {
    expect(made({ sidePx: 1 }).columns).toBe(64);
  });
});
