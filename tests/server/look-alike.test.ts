import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  ALIKE,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  fingerprintOf,
  likeness,
  markOutlines,
  newTreatment,
  STARTING_PALETTE,
  type Fingerprint,
  type Treatment,
} from '$core/index';
import { artPiece } from '../../src/lib/server/art';
import { shelfOf } from '../support/fonts';
import { random } from '../support/random';
import { resolverOf } from '../support/resolver';

const catalogue = JSON.parse(readFileSync('art/catalogue.json', 'utf8')) as readonly { readonly id: string }[];
const { resolve } = resolverOf(await shelfOf());

async function printOf(id: string, place: object = {}, treatments: readonly Treatment[] = []): Promise<Fingerprint | undefined> {
  const piece = await artPiece(id, STARTING_PALETTE);
  if (!piece) return undefined;
  const part = valueOf(createPart({ ...piece, id: 'art', place: { x: 0, y: 0, turnDeg: 0, ...place }, treatments: [...treatments] }));
  const mark = resolve({ recipe: { ...EMPTY_RECIPE, parts: [part] }, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
  return fingerprintOf(markOutlines(mark.drawing));
}

describe('marks that look alike', () => {
  // Drawn from the open collections that ship with the app; each pair is of one collection.
  it('of 300 pairs of art, at least 95 in 100 are sorted right: the same sized, turned, mirrored, recolored, outlined; or another piece of the collection', async () => {
    const next = random(41);
    const sets = [...new Set(catalogue.map(({ id }) => id.split('/')[0] ?? ''))];
    let [pairs, right] = [0, 0];
    const wrong: string[] = [];
    const judge = (name: string, one: Fingerprint, other: Fingerprint | undefined, same: boolean) => {
      if (!other || pairs >= 300) return;
      pairs++;
      const alike = likeness(one, other);
      if (alike >= ALIKE === same) right++;
      else wrong.push(`${name} ${alike.toFixed(3)}`);
    };
    for (let n = 0; pairs < 300 && n < 120; n++) {
      const of = catalogue.filter(({ id }) => id.startsWith(`${sets[n % sets.length] ?? ''}/`));
      const pick = () => of[Math.floor(next() * of.length)]?.id ?? '';
      const [id, other] = [pick(), pick()];
      const base = await printOf(id);
      if (!base || id === other) continue;
      judge(`${id} sized and turned`, base, await printOf(id, { scale: 0.2 + next() * 5, turnDeg: next() * 360 }), true);
      judge(`${id} mirrored`, base, await printOf(id, { flip: true, turnDeg: next() * 360 }), true);
      judge(`${id} outlined`, base, await printOf(id, {}, [newTreatment('outline-band', 'band', { widthPx: 4 })]), true);
      for (let k = 0; k < 3; k++) judge(`${id} and ${other}`, base, await printOf(k === 0 ? other : pick()), false);
    }
    expect(pairs).toBe(300);
    expect(right / pairs, wrong.join('; ')).toBeGreaterThanOrEqual(0.95);
  });

  it('nothing and a single line are no drawing to compare', () => {
    expect(fingerprintOf([])).toBeUndefined();
    expect(fingerprintOf([{ verbs: 'ML', coords: [0, 0, 10, 0] }])).toBeUndefined();
  });
});
