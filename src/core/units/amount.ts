import { fail, ok, type Result } from '../result/result';
import { PX_PER_UNIT, type LengthUnit } from './length';

/**
 * Reads what somebody typed into a number field: a number, a sum, or a sum of lengths with units.
 * Grammar: `+ − * / ( )`, decimal point or comma, and after any number one of px, mm, cm, in, pt when `lengths` is set.
 * A sum without any unit is one of the `bare` unit; beside a number with a unit, one without is a factor, or counts pixels.
 * @returns the value in the field's own unit (mark pixels when `lengths` is set); always finite
 * @example parseAmount('12mm + 3*8', { lengths: true })
 */
export function parseAmount(typed: string, options: { readonly lengths?: boolean; readonly bare?: LengthUnit } = {}): Result<number> {
  const source = typed.trim().toLowerCase().replaceAll('−', '-').replaceAll('×', '*').replaceAll('÷', '/');
  const refuse = (what: string) =>
    fail<number>({
      code: 'not-a-number',
      message: `“${typed}” is not a number: ${what}.`,
      fix: 'Type a number or a sum such as 3*8 or 12mm.',
    });
  if (source === '') return refuse('nothing was typed');

  const tokens = source.match(/\d+(?:[.,]\d*)?|[.,]\d+|[a-z%‰°]+|[-+*/()]|\S/g) ?? [];
  let at = 0;
  let wrong = '';
  let united = false;
  const note = (what: string): number => {
    wrong ||= what;
    return 0;
  };

  const atom = (): number => {
    const token = tokens[at++];
    if (token === undefined) return note('it ends too early');
    if (token === '-') return -atom();
    if (token === '+') return atom();
    if (token === '(') {
      const inner = sum();
      return tokens[at++] === ')' ? inner : note('a bracket is not closed');
    }
    const value = Number(token.replace(',', '.'));
    if (Number.isNaN(value)) return note(`“${token}” is not understood`);
    const next = tokens[at];
    if (next === undefined || !/^[a-z%‰°]/.test(next)) return value;
    at++;
    if (!options.lengths) return ['%', '‰', '°', 'deg'].includes(next) ? value : note(`“${next}” is not a unit here`);
    united = true;
    return next in PX_PER_UNIT ? value * PX_PER_UNIT[next as LengthUnit] : note(`“${next}” is not a unit of length`);
  };
  const product = (): number => {
    let value = atom();
    while (tokens[at] === '*' || tokens[at] === '/') value = tokens[at++] === '*' ? value * atom() : value / atom();
    return value;
  };
  const sum = (): number => {
    let value = product();
    while (tokens[at] === '+' || tokens[at] === '-') value = tokens[at++] === '+' ? value + product() : value - product();
    return value;
  };

  const sumOf = sum();
  const value = options.lengths && options.bare && !united ? sumOf * PX_PER_UNIT[options.bare] : sumOf;
  if (wrong) return refuse(wrong);
  if (at < tokens.length) return refuse(`“${tokens[at]}” is not understood`);
  return Number.isFinite(value) ? ok(value) : refuse('the sum has no finite value');
}
