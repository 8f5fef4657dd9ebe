import { NUMBERS_OF, type Path, type Verb } from '../geometry';
import { WRITTEN_DIGITS } from '../numeric/tolerances';

const POWER = 10 ** WRITTEN_DIGITS;

/** A number as files carry it: rounded, without trailing zeros, never `-0`; without exponent below 1e21, far beyond any recipe's reach. */
export function written(value: number): string {
  const rounded = Math.round(value * POWER) / POWER;
  return rounded === 0 ? '0' : String(rounded);
}

const remembered = new WeakMap<Path, string>();

/** A path as the `d` attribute of SVG, absolute commands only. @source W3C SVG 2, 9.3 "Path data" */
export function pathData(path: Path): string {
  const kept = remembered.get(path);
  if (kept !== undefined) return kept;
  let data = '';
  let at = 0;
  for (const verb of path.verbs as Iterable<Verb>) {
    data += verb;
    for (let i = 0; i < NUMBERS_OF[verb]; i++) {
      const number = written(path.coords[at++] as number);
      data += i > 0 && !number.startsWith('-') ? ` ${number}` : number;
    }
  }
  remembered.set(path, data);
  return data;
}
