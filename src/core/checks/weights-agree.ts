import { judge, type Finding } from './verdict';

/** Typical strokes of one mark that differ by more than this look as if they came from two hands; by twice as much, fine parts vanish beside heavy ones (common practice). */
const LOOKS = 3;
const FAILS = 6;

/** Whether the typical strokes of the parts of a mark go together. @param mediansPx of all parts, in mark pixels; nothing for fewer than two */
export function weightsAgree(mediansPx: readonly number[]): Finding | undefined {
  const some = mediansPx.filter((median) => median > 0);
  if (some.length < 2) return undefined;
  const ratio = Math.max(...some) / Math.min(...some);
  return {
    verdict: judge(1 / ratio, 1 / FAILS, 1 / LOOKS),
    figure: `1 : ${ratio.toFixed(1)}`,
    says: `The heaviest part’s strokes are ${ratio.toFixed(1)} times those of the finest; beyond ${LOOKS} they look mixed.`,
  };
}
