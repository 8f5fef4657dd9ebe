import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  createQualityReader,
  distance,
  FEEL_WORDS,
  feelFilter,
  feelOf,
  KNOWN_FEELS,
  nearness,
  QUALITY_NAMES,
  rankAmong,
  rankPairings,
  strongestWishes,
  VOICE_SCALE_NAMES,
  VOICE_WEIGHTS,
  wishesOf,
  type CatalogueEntry,
  type Qualities,
  type Voice,
} from '$core/index';
import { shipped } from '../../../support/fonts';
import fc from '../../../support/properties';

const stored = JSON.parse(readFileSync('fonts/measures.json', 'utf8')) as Record<string, CatalogueEntry>;
const faces = shipped
  .filter((family) => family.class !== 'other scripts')
  .map((family) => ({
    id: family.id,
    name: family.name,
    group: family.class,
    entry: stored[family.faces[0]?.file ?? ''] as CatalogueEntry,
  }));
const read = createQualityReader(faces.map(({ entry }) => entry));
const voices = fc.record(Object.fromEntries(VOICE_SCALE_NAMES.map((scale) => [scale, fc.integer({ min: 0, max: 100 })])), {
  requiredKeys: [],
}) as fc.Arbitrary<Voice>;
const topTen = (voice: Voice) =>
  faces
    .map(({ id, entry }) => ({ id, score: nearness(voice, read(entry)).score }))
    .sort((a, b) => b.score - a.score)
    .slice(0, 10)
    .map(({ id }) => id);

describe('qualities', () => {
  it('lie between −1 and 1 for every shipped face', () => {
    for (const { id, entry } of faces)
      for (const quality of QUALITY_NAMES) expect(Math.abs(read(entry)[quality]), `${id} ${quality}`).toBeLessThanOrEqual(1);
  });

  it('rank a value by how many are below it, also one that was never seen', () => {
    expect([1, 2, 3, 2.5, 0, 9].map((value) => rankAmong([1, 2, 3], value))).toEqual([-1, 0, 1, 0.5, -1, 1]);
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 2 }),
        fc.integer({ min: -5, max: 55 }),
        fc.integer({ min: -5, max: 55 }),
        (values, one, other) => {
          const sorted = [...values].sort((a, b) => a - b);
          expect(rankAmong(sorted, Math.min(one, other))).toBeLessThanOrEqual(rankAmong(sorted, Math.max(one, other)));
        },
      ),
    );
  });
});

describe('nearness to a brief', () => {
  it('is the sum of its named contributions', () => {
    fc.assert(
      fc.property(voices, fc.constantFrom(...faces), (voice, { entry }) => {
        const { score, contributions } = nearness(voice, read(entry));
        expect(contributions.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(score, 12);
      }),
    );
  });

  it('moves faces only in the documented direction when one scale moves', () => {
    fc.assert(
      fc.property(
        voices,
        fc.constantFrom(...VOICE_SCALE_NAMES),
        fc.constantFrom(...faces),
        fc.constantFrom(...faces),
        (voice, scale, one, other) => {
          const asked = (face: Qualities) =>
            Object.entries(VOICE_WEIGHTS[scale]).reduce((sum, [quality, weight]) => sum + weight * face[quality as keyof Qualities], 0);
          const lead = (value: number) =>
            nearness({ ...voice, [scale]: value }, read(one.entry)).score - nearness({ ...voice, [scale]: value }, read(other.entry)).score;
          // Moving the scale by all of its length moves the lead by twice the difference in what the scale asks for.
          expect(lead(100) - lead(0)).toBeCloseTo(2 * (asked(read(one.entry)) - asked(read(other.entry))), 9);
        },
      ),
    );
  });

  it('has no opinion while the brief has none', () => {
    expect(Object.values(wishesOf({})).every((wish) => wish === 0)).toBe(true);
    expect(strongestWishes({})).toEqual([]);
    expect(nearness({}, read((faces[0] as (typeof faces)[number]).entry))).toEqual({ score: 0, contributions: [] });
  });

  it('has scales whose weights sum to one', () => {
    for (const scale of VOICE_SCALE_NAMES)
      expect(
        Object.values(VOICE_WEIGHTS[scale]).reduce((sum, weight) => sum + Math.abs(weight), 0),
        scale,
      ).toBeCloseTo(1, 12);
  });

  it('gives six opposed briefs top tens that share at most three faces', () => {
    const briefs: Record<string, Voice> = {
      'a hardware yard': { loudness: 95, strength: 95, novelty: 70, gravity: 80, ornament: 10 },
      'a silk weaver': { loudness: 5, strength: 3, novelty: 15, gravity: 85, ornament: 30 },
      'a law library': { loudness: 60, novelty: 2, gravity: 90, strength: 80, ornament: 25 },
      'a children’s bakery': { gravity: 3, warmth: 8, novelty: 95, strength: 90, ornament: 15, loudness: 60 },
      'a wedding calligrapher': { ornament: 97, gravity: 60, strength: 35 },
      'a clock laboratory': { ornament: 5, novelty: 95, warmth: 95, gravity: 75, loudness: 20, strength: 40 },
    };
    const tens = Object.entries(briefs).map(([name, voice]) => ({ name, ten: topTen(voice) }));
    for (const [index, one] of tens.entries())
      for (const other of tens.slice(index + 1)) {
        const shared = one.ten.filter((id) => other.ten.includes(id));
        expect(shared.length, `${one.name} and ${other.name} share ${shared.join(', ')}`).toBeLessThanOrEqual(3);
      }
  });
});

describe('likeness', () => {
  it('is a distance: zero to itself, the same both ways, never longer by a detour', () => {
    fc.assert(
      fc.property(fc.constantFrom(...faces), fc.constantFrom(...faces), fc.constantFrom(...faces), (a, b, c) => {
        const [x, y, z] = [read(a.entry), read(b.entry), read(c.entry)];
        expect(distance(x, x)).toBe(0);
        expect(distance(x, y)).toBeCloseTo(distance(y, x), 12);
        expect(distance(x, z)).toBeLessThanOrEqual(distance(x, y) + distance(y, z) + 1e-12);
        expect(distance(x, y)).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('feel words', () => {
  const found = (typed: string) => {
    const { keeps } = feelFilter(typed);
    return faces.filter((face) => keeps({ ...face, qualities: read(face.entry) })).map(({ id }) => id);
  };
  it.each([
    ['bold', 'alfa-slab-one', 'poiret-one'],
    ['script', 'great-vibes', 'jost'],
    ['slab', 'zilla-slab', 'bodoni-moda'],
    ['elegant', 'playfair-display', 'roboto-slab'],
    ['narrow', 'league-gothic', 'syncopate'],
    ['geometric', 'jost', 'eb-garamond'],
    ['classic', 'eb-garamond', 'outfit'],
    ['rough', 'rock-salt', 'montserrat'],
    ['round', 'comfortaa', 'orbitron'],
  ])('“%s” finds %s and not %s', (word, yes, no) => {
    expect(found(word)).toContain(yes);
    expect(found(word)).not.toContain(no);
  });

  it('are at least 150 with all that mean the same, each of which leaves some faces and not all', () => {
    expect(KNOWN_FEELS.length).toBeGreaterThanOrEqual(150);
    expect(new Set(KNOWN_FEELS).size).toBe(KNOWN_FEELS.length);
    const empty = Object.keys(FEEL_WORDS).filter((feel) => found(feel).length === 0 || found(feel).length > faces.length * 0.75);
    expect(empty).toEqual([]);
  });
  it.each([
    ['warm', 'warm'],
    ['rustic', 'rustic'],
    ['handmade', 'hand-made'],
    ['modern', 'modern'],
    ['vintage', 'vintage'],
    ['friendly', 'friendly'],
    ['luxury', 'luxury'],
    ['playful', 'playful'],
    ['feminine', 'feminine'],
    ['calm', 'calm'],
    ['quirky', 'quirky'],
    ['boldly', 'bold'],
    ['elegence', 'elegant'],
    ['frendly', 'friendly'],
    ['luxurius', 'luxury'],
    ['cozy', 'warm'],
    ['wedding', 'romantic'],
    ['xqzt', undefined],
    ['blorf', undefined],
  ])('“%s” is understood as %s', (word, feel) => expect(feelOf(word)).toBe(feel));
  it('that nobody knows are named with the nearest known ones, and keep nothing out', () => {
    const { unknown, keeps, understood } = feelFilter('bold xqzwarm', () => false);
    expect(understood).toEqual(['bold']);
    expect(unknown.map(({ word, near }) => [word, near.length])).toEqual([['xqzwarm', 3]]);
    expect(faces.some((face) => keeps({ ...face, qualities: read(face.entry) }))).toBe(true);
  });

  it('narrow each other, and other words look in names and kinds', () => {
    expect(found('serif bold').length).toBeLessThan(found('serif').length);
    expect(found('garamond')).toEqual(['eb-garamond']);
    expect(found('')).toHaveLength(faces.length);
  });

  it('each find something, and never everything', () => {
    for (const word of Object.keys(FEEL_WORDS)) {
      expect(found(word).length, word).toBeGreaterThan(0);
      expect(found(word).length, word).toBeLessThan(faces.length);
    }
  });
});

describe('pairing', () => {
  const asPairing = faces.map((face) => ({ ...face, qualities: read(face.entry) }));
  it('adds up from named reasons, and never suggests a script or a rough face first', () => {
    for (const name of asPairing) {
      const ranked = rankPairings(name, asPairing);
      for (const { score, reasons } of ranked) expect(reasons.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(score, 12);
      expect(stored[shipped.find(({ id }) => id === ranked[0]?.id)?.faces[0]?.file ?? '']?.measures.joining, name.id).toBeLessThan(0.5);
    }
  });
});
