import { NUMBERS_OF, type Path, type Verb } from './path';

/** The inverse of writing an outline down: absolute M, L, Q, C and Z only, as this program writes them. Nothing for anything else. */
export function readPath(data: string): Path | undefined {
  let verbs = '';
  const coords: number[] = [];
  for (const [, verb = '', numbers = ''] of data.matchAll(/([A-Za-z])([^A-Za-z]*)/g)) {
    if (!(verb in NUMBERS_OF)) return undefined;
    const list = numbers.match(/-?(?:\d+\.?\d*|\.\d+)/g) ?? [];
    if (list.length !== NUMBERS_OF[verb as Verb]) return undefined;
    verbs += verb;
    for (const number of list) coords.push(Number(number));
  }
  return /^(M[LQC]*Z?)*$/.test(verbs) ? { verbs, coords } : undefined;
}
