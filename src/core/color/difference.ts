import { differenceCiede2000, parse } from 'culori';
import type { Hex } from './hex';

const ciede2000 = differenceCiede2000();

/**
 * How different two colors look side by side; 1 is about the least that is seen.
 * @returns ΔE00, from 0
 * @source G. Sharma, W. Wu, E. Dalal, "The CIEDE2000 Color-Difference Formula", Color Res. Appl. 30(1), 2005
 */
export function colorDifference(one: Hex, other: Hex): number {
  const [a, b] = [parse(one), parse(other)];
  return a && b ? ciede2000(a, b) : 0;
}
