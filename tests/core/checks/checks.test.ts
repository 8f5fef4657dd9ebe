import { describe, expect, it } from 'vitest';
import { contrastOnGround, contrastOnPicture, weightsOf, type Hex } from '$core/index';
import { drawnOn, letteringInput } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { paths } from '../../support/resolver';

describe('checks of proofs', () => {
  it('contrast fails below 3 and needs a look below 4.5 (WCAG 2.2, 1.4.11 and 1.4.3)', () => {
    expect(contrastOnGround('#000000' as Hex, '#ffffff' as Hex)).toMatchObject({ verdict: 'passes', figure: '21.0 : 1' });
    expect(contrastOnGround('#777777' as Hex, '#ffffff' as Hex).verdict).toBe('look');
    expect(contrastOnGround('#aaaaaa' as Hex, '#ffffff' as Hex).verdict).toBe('fails');
  });

  it('over a picture the worst tenth decides nothing, the rest everything', () => {
    const ground = (dark: number) => Array.from({ length: 100 }, (_, n) => (n < dark ? '#000000' : '#ffffff') as Hex);
    expect(contrastOnPicture('#000000' as Hex, ground(10))?.figure).toBe('21.0 : 1');
    expect(contrastOnPicture('#000000' as Hex, ground(11))).toMatchObject({ verdict: 'fails', figure: '1.0 : 1' });
    expect(contrastOnPicture('#000000' as Hex, [])).toBeUndefined();
  });
});

describe('the weights of a mark', () => {
  it('finds the thinnest part, in mark pixels and turned as it stands', async () => {
    const draw = drawnOn(await shelfOf('jost'));
    const mark = draw(
      { kind: 'shape', id: 'ring', form: { form: 'ring', widthPx: 400, heightPx: 400, bandPx: 2 } },
      { kind: 'shape', id: 'bar', form: { form: 'panel', widthPx: 300, heightPx: 12, cornerPx: 0 }, place: { x: 10, y: 0, turnDeg: 30 } },
      { kind: 'shape', id: 'unseen', form: { form: 'panel', widthPx: 300, heightPx: 0.5, cornerPx: 0 }, hidden: true },
      letteringInput({ sizePx: 200 }),
    );
    const weights = weightsOf(mark, paths);
    expect(weights.map(({ id }) => id)).toEqual(['ring', 'name', 'bar']);
    expect(weights[0]?.thinnestPx).toBeCloseTo(2, 1);
    expect(Math.hypot(weights[0]?.at.x ?? 0, weights[0]?.at.y ?? 0)).toBeCloseTo(199, 0);
    expect(weights[2]?.thinnestPx).toBeCloseTo(12, 1);
    expect(weights[2]?.medianPx).toBeCloseTo(12, 1);
    expect(weightsOf(mark, paths)).toEqual(weights);
  });
});
