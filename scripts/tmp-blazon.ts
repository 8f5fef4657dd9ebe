import { readBlazon, writeBlazon, tinctureFaults } from '../src/core/heraldry/index.ts';
const lines = [
  'Quarterly azure and or, in the first a key argent',
  'Gules, a fess argent between three mullets or',
  'Azure, on a chief or three roses gules',
  'Argent, a lion rampant gules',
  'Barry wavy of six argent and azure',
  'Vert, a bend wavy or between two acorns argent',
  'Or, semy of fleurs-de-lis azure',
  'Gules, three crescents argent, two and one',
  'Azure, in chief two mullets or and in base an anchor argent',
  'Quarterly gules and argent, in the first and fourth a key or, in the second and third a rose azure',
  'Per pale sable and argent, a chevron gules within a bordure engrailed or',
  'Gules, in pale three escallops or',
  'Azure, a bend of the first',
  'Argent, three bezants',
  'Per chevron embattled vert and or, three towers argent',
  'a castle',
  'Azur, a kee or',
  'Gyronny or and sable',
  'Paly of eight or and gules, a bordure azure',
];
for (const l of lines) {
  const r = readBlazon(l);
  if (!r.ok) {
    console.log('FAIL', l, r.problems[0]!.message);
    continue;
  }
  const w = writeBlazon(r.value.arms);
  const again = readBlazon(w);
  const same = again.ok && JSON.stringify(again.value.arms) === JSON.stringify(r.value.arms);
  console.log(
    same ? 'ok ' : 'DIFF',
    l,
    '=>',
    w,
    '|',
    r.value.words
      .filter((x) => !x.understood)
      .map((x) => x.text + (x.nearest ? `→${x.nearest}` : ''))
      .join(' '),
    tinctureFaults(r.value.arms).join(' '),
  );
}
