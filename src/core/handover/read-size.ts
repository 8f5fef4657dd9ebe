import { canvasSchema } from '../output/canvas';
import { fail, ok, type Result } from '../result/result';
import type { PlannedSize } from './plan';

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`;
const SIZE = new RegExp(
  String.raw`^${NUMBER}(?:\s*[x×*]\s*${NUMBER})?\s*(px|mm|cm|in|inch|inches|")?(?:\s*(?:@|at)?\s*(\d+)\s*(?:dpi|ppi)?)?$`,
  'i',
);

/**
 * A size as designers type it: `1200 x 800`, `60 mm`, `8.5 x 11 in`, `4500x5400 @300`. One number is a width, which the height follows.
 * @param airPercent clear room on every side, of the shorter side
 */
export function readSize(typed: string, airPercent = 0): Result<PlannedSize> {
  const [, first, second, said = 'px', dots] = SIZE.exec(typed.trim()) ?? [];
  const number = (text: string) => Number(text.replace(',', '.'));
  const unit = /^(in|")/i.test(said) ? 'in' : said.toLowerCase();
  const scale = unit === 'cm' ? 10 : 1;
  const own = unit === 'cm' ? 'mm' : (unit as 'px' | 'mm' | 'in');
  const [width, height] = [first, second].map((text) => (text === undefined ? undefined : number(text) * scale));
  if (width === undefined || width <= 0 || height === 0)
    return fail({
      code: 'no-size',
      message: `“${typed.trim().slice(0, 40)}” is not a size.`,
      fix: 'Type it as 1200 x 800, 60 mm or 8.5 x 11 in.',
    });
  const canvas = canvasSchema.safeParse({
    width,
    ...(height === undefined ? {} : { height }),
    unit: own,
    ...(dots ? { dpi: Number(dots) } : own === 'px' ? {} : { dpi: 300 }),
    airPercent,
  });
  if (!canvas.success)
    return fail({
      code: 'no-size',
      message: `“${typed.trim().slice(0, 40)}” is no size that a file can have.`,
      fix: 'Type it as 1200 x 800, 60 mm or 8.5 x 11 in.',
    });
  return ok({ label: height === undefined ? `${first} ${said} wide` : `${first} × ${second} ${said}`, canvas: canvas.data });
}
