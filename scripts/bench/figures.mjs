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
