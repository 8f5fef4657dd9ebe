import { QUALITY_NAMES, type Qualities, type Quality } from './qualities';

/** How much each quality counts in likeness: what the eye sees first counts most. Sums to 1. Common practice. */
const WEIGHTS: Readonly<Record<Quality, number>> = {
  ...{ serif: 0.2, joining: 0.16, weight: 0.12, contrast: 0.1, width: 0.1, slant: 0.08, roundness: 0.07, ornament: 0.06, xHeight: 0.04 },
  ...{ roughness: 0.03, hairline: 0.02, evenness: 0.01, stress: 0.01 },
};

/** How far apart two faces are, in [0, 1]: 0 for the same, 1 for opposites in everything. A weighted Euclidean distance, so it obeys the triangle rule. */
export const distance = (one: Qualities, other: Qualities): number =>
  Math.sqrt(QUALITY_NAMES.reduce((sum, quality) => sum + WEIGHTS[quality] * ((one[quality] - other[quality]) / 2) ** 2, 0));
