import { describe, expect, it } from 'vitest';
import { readBlazon, tinctureFaults, writeBlazon, type Arms } from '$core/index';

/**
 * Lines of the common textbook kind, made up by us, in terms of the glossaries of Fox-Davies, "A Complete Guide to Heraldry", 1909, and Gough and
 * Parker, "A Glossary of Terms Used in Heraldry", 1894 (both in the public domain).
 */
const LINES = [
  'Azure',
  'Azure, a fess or',
  'Gules, a bend argent',
  'Vert, a pale or',
  'Or, a chevron sable',
  'Sable, a saltire argent',
  'Argent, a cross gules',
  'Purpure, a chief or',
  'Or, a base vert',
  'Argent, a pile azure',
  'Azure, a bend sinister or',
  'Gules, a bordure or',
  'Azure, a fess wavy argent',
  'Gules, a chevron engrailed or',
  'Vert, a bend embattled argent',
  'Sable, a fess indented or',
  'Azure, a pale invected argent',
  'Or, a chief nebuly azure',
  'Azure, a mullet or',
  'Gules, three crescents argent',
  'Or, two roses gules',
  'Vert, four acorns or',
  'Azure, a key argent',
  'Sable, three escallops or',
  'Argent, three fleurs-de-lis azure',
  'Gules, five annulets or',
  'Azure, six billets argent',
  'Or, an anchor azure',
  'Argent, an oak leaf vert',
  'Azure, in chief two mullets or, in base a ship argent',
  'Gules, in pale three towers argent',
  'Azure, in bend three lozenges or',
  'Argent, in fess two swords sable',
  'Or, semy of fleurs-de-lis azure',
  'Azure, semy of mullets or',
  'Gules, a fess argent between three mullets or',
  'Azure, a chevron or between three keys argent',
  'Vert, a bend argent between two acorns or',
  'Sable, a pale or between two swords argent',
  'Gules, a cross argent between four roses or',
  'Argent, a saltire azure between four roundels gules',
  'Azure, on a chief or three roses gules',
  'Or, on a bend azure three mullets argent',
  'Argent, on a fess sable three escallops or',
  'Gules, on a pale argent three keys azure',
  'Vert, on a chevron or three acorns vert',
  'Per pale gules and argent',
  'Per fess azure and or',
  'Per bend vert and argent',
  'Per bend sinister sable and or',
  'Per chevron gules and argent',
  'Per saltire azure and argent',
  'Quarterly azure and or',
  'Gyronny or and sable',
  'Paly of eight or and gules',
  'Barry of six argent and azure',
  'Bendy of ten or and vert',
  'Chequy or and azure',
  'Lozengy argent and gules',
  'Barry wavy of eight argent and azure',
  'Per fess embattled gules and argent',
  'Per pale indented or and azure',
  'Quarterly azure and or, in the first a key argent',
  'Quarterly gules and argent, in the first and fourth a key or, in the second and third a rose azure',
  'Per pale azure and argent, a tower or',
  'Barry of six argent and azure, a bend gules',
  'Per chevron vert and or, three bees argent',
  'Azure, a sun or, within a bordure argent',
  'Argent, a tree vert, on a chief azure three mullets argent',
];

const armsOf = (text: string): Arms => {
  const read = readBlazon(text);
  if (!read.ok) throw new Error(`${text}: ${read.problems[0]?.message ?? ''}`);
  return read.value.arms;
};

describe('a blazon', () => {
  it.each(LINES)('“%s” is understood to the last word, written back, and read to the same', (line) => {
    const read = readBlazon(line);
    expect(read.ok && read.value.words.filter(({ understood }) => !understood)).toEqual([]);
    const written = writeBlazon(armsOf(line));
    expect(armsOf(written)).toEqual(armsOf(line));
    expect(writeBlazon(armsOf(written))).toBe(written);
  });

  it('is written back word for word where it was written as we write', () => {
    const own = LINES.filter((line) => line !== 'Azure, a sun or, within a bordure argent' && writeBlazon(armsOf(line)) === line);
    expect(own.length).toBeGreaterThan(LINES.length * 0.9);
  });

  it('reads the tincture of the field, and of the first and second', () => {
    expect(armsOf('Azure, a chief or, a mullet of the field').items[1]).toMatchObject({ what: 'mullet', tincture: 'azure' });
    expect(armsOf('Per pale gules and argent, a rose of the second').items[0]).toMatchObject({ tincture: 'argent' });
  });

  it('knows roundels by the names that bear their tincture', () => {
    expect(armsOf('Gules, three bezants').items[0]).toEqual({
      is: 'charges',
      what: 'roundel',
      count: 3,
      tincture: 'or',
      arranged: 'two-and-one',
    });
  });

  it('names every word that it does not know, proposes the nearest, and builds the rest', () => {
    const read = readBlazon('Azure, a lion rampant or, a fess argnt, three mullets argent');
    expect(read.ok && writeBlazon(read.value.arms)).toBe('Azure, three mullets argent');
    const odd = read.ok ? read.value.words.filter(({ understood }) => !understood) : [];
    expect(odd.map(({ text }) => text)).toEqual(expect.arrayContaining(['lion', 'rampant', 'argnt']));
    expect(odd.find(({ text }) => text === 'argnt')?.nearest).toBe('argent');
  });

  it('says that there is no field where none can be read', () => {
    expect(readBlazon('three mullets')).toMatchObject({ ok: false, problems: [{ code: 'blazon-no-field' }] });
    expect(readBlazon('')).toMatchObject({ ok: false });
    expect(readBlazon('x'.repeat(700))).toMatchObject({ ok: false, problems: [{ code: 'blazon-too-long' }] });
  });

  it('takes contradictions as they stand, one after the other', () => {
    const read = readBlazon('Azure azure, a a fess fess or or');
    expect(read.ok).toBe(true);
    expect(readBlazon('Quarterly azure').ok).toBe(false);
  });
});

describe('the rule of tincture', () => {
  it('is told for metal on metal and color on color, and for nothing else', () => {
    expect(tinctureFaults(armsOf('Azure, a fess or'))).toEqual([]);
    expect(tinctureFaults(armsOf('Azure, a fess gules'))).toEqual(['Fess gules on azure: gules and azure are both colors.']);
    expect(tinctureFaults(armsOf('Or, a mullet argent'))).toEqual(['Mullet argent on or: argent and or are both metals.']);
    expect(tinctureFaults(armsOf('Gules, on a chief or three mullets argent'))).toEqual([
      'Mullet argent on or: argent and or are both metals.',
    ]);
    expect(tinctureFaults(armsOf('Azure, a fess azure'))).toEqual(['Fess azure on azure cannot be seen.']);
  });
  it('lets charges of either kind lie on a field of a metal and a color', () => {
    expect(tinctureFaults(armsOf('Per pale azure and argent, a tower or'))).toEqual([]);
    expect(tinctureFaults(armsOf('Quarterly azure and or, in the first a key azure'))).toEqual(['Key azure on azure cannot be seen.']);
  });
});
