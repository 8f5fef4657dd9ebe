import { describe, expect, it } from 'vitest';
import {
  asTracedArt,
  backToPicture,
  createPart,
  EMPTY_RECIPE,
  exchangePart,
  expect as valueOf,
  keptPictures,
  parseRecipe,
  STARTING_PALETTE,
  writeRecipe,
  type Art,
  type Picture,
} from '$core/index';
import { START_TRACING, tracePicture, type Pixels } from '$core/pictures';

const DIGEST = 'a'.repeat(64);
const WHOLE = 'b'.repeat(64);
const shown = valueOf(
  createPart({
    ...{ kind: 'picture', id: 'shown', name: 'Boat', sha256: DIGEST, fileWidthPx: 300, fileHeightPx: 200, sizePx: 240, opacity: 0.8 },
    source: { title: 'Boat', author: 'Somebody', license: 'client' },
    place: { x: 12, y: -7, turnDeg: 30 },
    cut: { from: WHOLE, strokes: [{ as: 'keep', points: [[0.5, 0.5]], width: 0.03, exact: false }] },
  }),
) as Picture;
const pixels = (levels: readonly number[]): Pixels => ({
  columns: 90,
  rows: 60,
  rgba: Uint8Array.from({ length: 90 * 60 * 4 }, (_, index) =>
    index % 4 === 3 ? 255 : (levels[Math.floor((((index >> 2) % 90) * levels.length) / 90)] as number),
  ),
});
const tones = { ...START_TRACING, way: 'tones' as const, count: 3, smooth: 0 };
const made = (): Art => asTracedArt(shown, tracePicture(pixels([20, 120, 230]), tones), tones, STARTING_PALETTE) as Art;

describe('a picture that became outlines', () => {
  it('stands where the picture stood, as large, as strong, under its name and rights', () => {
    const art = made();
    expect(art).toMatchObject({
      kind: 'art',
      id: 'shown',
      name: 'Boat',
      sizePx: 240,
      opacity: 0.8,
      place: shown.place,
      source: shown.source,
    });
    // Its outlines are counted from the picture's middle: another threshold moves nothing else.
    const [first] = art.pieces.slice(1);
    expect(first?.data).toContain('-500');
  });
  it('goes back to the very picture it was, ground taken out and all', () => {
    expect(backToPicture(made())).toEqual(shown);
    expect(backToPicture({ ...made(), traced: undefined } as Art)).toBeUndefined();
  });
  it('keeps the colors that were chosen for its slots when it is traced anew', () => {
    const art = made();
    const painted: Art = { ...art, slots: art.slots.map((slot) => ({ ...slot, paint: { role: 'accent' } })) };
    const again = asTracedArt(painted, tracePicture(pixels([30, 110, 240]), tones), tones, STARTING_PALETTE) as Art;
    expect(again.slots.map(({ paint }) => paint)).toEqual(again.slots.map(() => ({ role: 'accent' })));
    expect(again.slots[0]?.original).not.toBe(art.slots[0]?.original);
  });
  it('names every picture it keeps: the one traced and the one it was cut from', () => {
    expect(keptPictures(made())).toEqual([DIGEST, WHOLE]);
    expect(keptPictures(shown)).toEqual([DIGEST, WHOLE]);
    expect(keptPictures({ kind: 'shape' })).toEqual([]);
  });
  it('is not made of nothing', () => {
    expect(asTracedArt(shown, { areas: [], columns: 90, rows: 60 }, tones, STARTING_PALETTE)).toBeUndefined();
  });
  it('comes back from storage as it was, in the place of the picture', () => {
    const recipe = exchangePart({ ...EMPTY_RECIPE, parts: [shown] }, 'shown', made());
    const read = parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe))));
    expect(valueOf(read).parts).toEqual(recipe.parts);
  });
});
