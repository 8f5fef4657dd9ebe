import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import {
  accepted,
  documentForms,
  MOST_SWATCHES,
  paletteForm,
  recovered,
  STARTING_PALETTE,
  swatchColor,
  swatchesOf,
  versionOf,
  writtenForm,
  expect as valueOf,
  type StoredForm,
} from '$core/index';
import fc from '../../support/properties';

/** A form with a history: version 1 counted in halves, version 2 called it by another name, version 3 is today's. */
interface Card {
  readonly widthPx: number;
  readonly words: string;
  readonly tags: readonly string[];
}
const cardForm: StoredForm<Card> = {
  label: 'This card',
  steps: [({ halves, ...rest }) => ({ ...rest, width: Number(halves) / 2 }), ({ width, ...rest }) => ({ ...rest, widthPx: width })],
  schema: z.strictObject({
    widthPx: z.number().min(10).max(100),
    words: z.string().max(5).default(''),
    tags: z.array(z.string()).max(2).default([]),
  }),
};

describe('a stored form', () => {
  it('reads every earlier version by the steps from there on, and writes today’s', () => {
    const card = { widthPx: 40, words: '', tags: [] };
    for (const stored of [{ halves: 80 }, { version: 1, halves: 80 }, { version: 2, width: 40 }, { version: 3, widthPx: 40 }]) {
      expect(valueOf(recovered(cardForm, stored))).toEqual({ value: card, mended: [] });
      expect(valueOf(accepted(cardForm, stored))).toEqual(card);
    }
    expect(writtenForm(cardForm, card)).toEqual({ version: 3, ...card });
  });

  it.each([
    ['a newer version', { version: 4, widthPx: 40 }, 'newer-version'],
    ['no version of any program', { version: 0 }, 'invalid-version'],
    ['half a version', { version: 1.5 }, 'invalid-version'],
    ['a list', [], 'invalid-type'],
    ['nothing', null, 'invalid-type'],
  ])('says what is wrong with %s', (_what, stored, code) => {
    for (const read of [accepted(cardForm, stored), recovered(cardForm, stored)])
      expect(read.ok ? undefined : read.problems[0]?.code).toBe(code);
  });

  it('is strict with what is to be saved, and lenient with what was', () => {
    const old = { version: 3, widthPx: 4000, words: 'longer', tags: ['a', 'b', 'c'], gone: true };
    const refused = accepted(cardForm, old);
    expect(refused.ok ? [] : refused.problems.map(({ code }) => code)).toEqual(['too-big', 'too-big', 'too-big', 'unrecognized-keys']);
    const { value, mended } = valueOf(recovered(cardForm, old));
    expect(value).toEqual({ widthPx: 100, words: 'longe', tags: ['a', 'b'] });
    expect(mended).toHaveLength(4);
  });

  it('cuts no pair of a text in half', () => {
    expect(valueOf(recovered(cardForm, { version: 3, widthPx: 10, words: 'wind🪁🪁🪁' })).value.words).toBe('wind🪁');
  });

  it('opens whatever was stored, or says why not, and never throws', () => {
    fc.assert(
      fc.property(fc.object({ key: fc.constantFrom('version', 'widthPx', 'words', 'tags', 'halves', 'x'), maxDepth: 2 }), (stored) => {
        const read = recovered(cardForm, stored);
        if (read.ok) expect(cardForm.schema.safeParse(read.value.value).success).toBe(true);
        else expect(read.problems.length).toBeGreaterThan(0);
      }),
      { seed: 10, numRuns: 400 },
    );
  });
});

describe('the forms of a brand', () => {
  it('read what they write, and what was saved before forms had versions', () => {
    for (const form of Object.values(documentForms) as StoredForm<object>[]) {
      const empty = valueOf(accepted(form, {}));
      expect(writtenForm(form, empty)).toMatchObject({ version: versionOf(form) });
      expect(valueOf(recovered(form, writtenForm(form, empty))).value).toEqual(empty);
    }
  });

  it('keep palettes of five colors as they were saved first', () => {
    expect(valueOf(recovered(paletteForm, { ...STARTING_PALETTE }))).toEqual({ value: STARTING_PALETTE, mended: [] });
  });
});

describe('a palette of named swatches', () => {
  const swatch = (n: number) => ({ key: `s-${String(n).padStart(6, '0')}` as const, name: `Sea ${n}`, hex: '#3a6ea5' as const });
  const many = (n: number) => ({ ...STARTING_PALETTE, more: Array.from({ length: n }, (_, index) => swatch(index)) });

  it('holds up to 24, all of one color if need be, the roles first', () => {
    const full = valueOf(accepted(paletteForm, many(MOST_SWATCHES - 5)));
    expect(swatchesOf(full)).toHaveLength(24);
    expect(
      swatchesOf(full)
        .slice(0, 6)
        .map(({ name }) => name),
    ).toEqual(['ink', 'paper', 'lead', 'second', 'accent', 'Sea 0']);
    expect(swatchColor(full, 's-000003')).toBe('#3a6ea5');
    expect(swatchColor(full, 's-gone00')).toBeUndefined();
    expect(accepted(paletteForm, many(MOST_SWATCHES - 4)).ok).toBe(false);
    // Saved under a wider limit once: it still opens.
    expect(swatchesOf(valueOf(recovered(paletteForm, many(40))).value)).toHaveLength(24);
  });

  it.each([
    ['two of one key', [swatch(1), swatch(1)]],
    ['one without a name', [{ ...swatch(1), name: '  ' }]],
    ['one called like a role', [{ ...swatch(1), key: 'ink' }]],
    ['one without a color', [{ ...swatch(1), hex: 'blueish' }]],
  ])('refuses %s', (_what, more) => expect(accepted(paletteForm, { ...STARTING_PALETTE, more }).ok).toBe(false));
});
