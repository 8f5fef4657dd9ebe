import { readFileSync } from 'node:fs';

/** @param {readonly number[]} values @param {number} share in [0, 1] */
export function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}

/**
 * One row of a benchmark: median and 95th percentile, and how they stand to the budget.
 * @param {string} label
 * @param {readonly number[]} valuesMs
 * @param {{ readonly median: number, readonly p95: number }} budgetMs
 */
export function row(label, valuesMs, budgetMs) {
  const [median, p95] = [quantile(valuesMs, 0.5), quantile(valuesMs, 0.95)];
  const against = (/** @type {number} */ value, /** @type {number} */ budget) =>
    `${value.toFixed(1)} ms (${(value / budget).toFixed(2)} × the budget of ${budget} ms)`;
  return `${label}: median ${against(median, budgetMs.median)}, p95 ${against(p95, budgetMs.p95)}, n = ${valuesMs.length}`;
}

/**
 * The most memory that a process ever held, in words, from the first to this moment.
 * @param {string} who
 * @param {number} pid
 */
export function mostMemory(who, pid) {
  const kilobytes = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]);
  return `${who} held at most ${(kilobytes / 1024).toFixed(0)} MB`;
}

/**
 * What takes how many times as long as its reference, measured in turn: a machine that slows down slows both.
 * @param {number} times
 * @param {() => Promise<number>} whole ms
 * @param {() => Promise<number>} reference ms
 * @returns {Promise<{ readonly whole: number, readonly reference: number, readonly ratio: string }>} medians
 */
export async function inPairs(times, whole, reference) {
  const pairs = [];
  for (let n = 0; n < times; n++) pairs.push({ reference: await reference(), whole: await whole() });
  const ratios = pairs.map((pair) => pair.whole / pair.reference);
  return {
    whole: quantile(
      pairs.map((pair) => pair.whole),
      0.5,
    ),
    reference: quantile(
      pairs.map((pair) => pair.reference),
      0.5,
    ),
    ratio: `${quantile(ratios, 0.5).toFixed(2)} (${Math.min(...ratios).toFixed(2)} to ${Math.max(...ratios).toFixed(2)}, n = ${times})`,
  };
}
