import { readFileSync } from 'node:fs';
import { quantile } from './figures.mjs';

/** Optical kerning at its middle against the designers of every shipped, well-kerned family; none was used for tuning. */
export async function opticalKerningAgainstDesigners() {
  const { openTypeface, unpackFontFile } = await import('../../src/core/shaping/index.ts');
  const { expect } = await import('../../src/core/index.ts');
  const { isWellKerned, kerningTrial, mayBeWellKerned, pairWeights } = await import('../../tests/support/kerning-trial.ts');
  const weights = pairWeights();
  /** @type {readonly { readonly id: string, readonly class: string, readonly faces: readonly { readonly file: string }[] }[]} */
  const families = JSON.parse(readFileSync('fonts/shipped.json', 'utf8'));
  const lines = [];
  const trials = [];
  for (const { id, class: group, faces } of families) {
    const [face] = faces;
    if (!face || !mayBeWellKerned(group)) continue;
    const trial = kerningTrial(expect(openTypeface(id, expect(await unpackFontFile(readFileSync(`fonts/${face.file}`))))), weights);
    if (!isWellKerned(trial)) continue;
    trials.push(trial);
    lines.push(
      `  ${id.padEnd(22)} ${trial.ratio.toFixed(2)} of no kerning, ${trial.weightedRatio.toFixed(2)} weighted; correlation ${trial.correlation.toFixed(2)}; false moves ${(100 * trial.falseMoves).toFixed(1)} %; spread of gaps ${trial.spread.optical.toFixed(2)} / ${trial.spread.blur.toFixed(2)}`,
    );
  }
  /** @param {(trial: typeof trials[number]) => number} of */
  const middle = (of) => quantile(trials.map(of), 0.5);
  return [
    `Optical kerning against designers, ${trials.length} unseen families: median ${middle(({ ratio }) => ratio).toFixed(3)} of no kerning (bar 0.72), weighted ${middle(({ weightedRatio }) => weightedRatio).toFixed(3)} (bar 0.76), correlation ${middle(({ correlation }) => correlation).toFixed(2)} (bar 0.78), false moves ${(100 * middle(({ falseMoves }) => falseMoves)).toFixed(1)} % (bar 3), below 1.0: ${trials.filter(({ ratio }) => ratio < 1).length} of ${trials.length}`,
    ...lines,
  ];
}
