import { describe, expect, it } from 'vitest';
import { oneOf, readBlazon, severalOf, writeBlazon } from '$core/index';

describe('names of charges that were brought', () => {
  // The common rules of English spelling and their exceptions, and how attitudes follow their beast in blazon; from memory.
  it.each([
    ['lion', 'lions'],
    ['lion rampant', 'lions rampant'],
    ['lion passant guardant', 'lions passant guardant'],
    ['sea lion', 'sea lions'],
    ['eagle displayed', 'eagles displayed'],
    ['horse', 'horses'],
    ['fox', 'foxes'],
    ['finch', 'finches'],
    ['wolf rampant', 'wolves rampant'],
    ['garb', 'garbs'],
    ['butterfly', 'butterflies'],
    ['donkey', 'donkeys'],
    ['stag lodged', 'stags lodged'],
    ['goose', 'geese'],
    ['fish hauriant', 'fish hauriant'],
    ['albatross', 'albatrosses'],
    ['lotus', 'lotuses'],
    ['bee', 'bees'],
    ['heron', 'herons'],
    ['hoof', 'hooves'],
  ])('one %s, several %s', (one, several) => {
    expect(severalOf(one)).toBe(several);
    if (one !== 'lotus') expect(oneOf(several)).toBe(one);
    expect(oneOf(one)).toBe(one);
  });
});

describe('a blazon with charges that were brought', () => {
  const valueOf = (text: string, own: readonly string[] = []) => {
    const read = readBlazon(text, own);
    if (!read.ok) throw new Error(read.problems[0]?.message);
    return read.value;
  };

  it('names what it has no picture for, as one of it, and builds the rest', () => {
    expect(valueOf('Azure, three lions rampant or').missing).toEqual(['lion rampant']);
    expect(valueOf('Azure, a fess or between two wolves argent').missing).toEqual(['wolf']);
    expect(valueOf('Azure, a fess or between two wolves argent').arms.items).toMatchObject([{ ordinary: 'fess' }]);
    expect(valueOf('Gules, in pale three herons argent, on a chief or two hares sable').missing).toEqual(['heron', 'hare']);
    // What is merely misspelled where no charge can stand is no charge.
    expect(valueOf('Azur, gules a fess').missing).toEqual([]);
    expect(valueOf('Azure, a mullet or').missing).toEqual([]);
  });

  it.each([
    'Azure, a lion rampant or',
    'Azure, three lions rampant or',
    'Gules, in pale three herons argent',
    'Vert, a fess argent between three hares or',
    'Or, on a chief azure two hares or',
    'Argent, semy of hares sable',
    'Quarterly azure and or, in the first and fourth a heron argent',
    'Per pale gules and argent, in chief two herons or, in base a lion rampant sable',
  ])('%s is read, written back, and reads as the same', (text) => {
    const own = ['lion rampant', 'heron', 'hare'];
    const { arms, words, missing } = valueOf(text, own);
    expect(words.filter(({ understood }) => !understood)).toEqual([]);
    expect(missing).toEqual([]);
    const written = writeBlazon(arms);
    expect(valueOf(written, own).arms).toEqual(arms);
    expect(written).toBe(text);
    // Without the pictures the same words are named as what they are.
    expect(valueOf(text).missing.length).toBeGreaterThan(0);
  });

  it('a name of one’s own stands before one of ours, and letters of other scripts make names', () => {
    expect(valueOf('Azure, a key or', ['key']).arms.items).toMatchObject([{ what: 'own:key' }]);
    expect(valueOf('Azure, a key or').arms.items).toMatchObject([{ what: 'key' }]);
    expect(valueOf('Azure, a лев or').missing).toEqual(['лев']);
    expect(valueOf('Azure, a лев or', ['лев']).arms.items).toMatchObject([{ what: 'own:лев' }]);
    // English rules make no several of them.
    expect(severalOf('лев')).toBe('лев');
    expect(severalOf('獅子')).toBe('獅子');
    expect(writeBlazon(valueOf('Azure, three лев or', ['лев']).arms)).toBe('Azure, three лев or');
  });
});
