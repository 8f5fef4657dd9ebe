import { expect as valueOf, ICON_SIDES_PX, icoFile } from '$core/index';
import type { Format } from './format';
import { pixelFile } from './pixel-format';

/** An icon of many sizes in one file, each drawn for itself. */
export const ico: Format = {
  make: async (subject, order) => {
    const pictures = [];
    for (const sidePx of ICON_SIDES_PX) {
      const canvas = { ...order.canvas, unit: 'px' as const, width: sidePx, height: sidePx, bleedMm: 0 };
      pictures.push({ sidePx, png: await pixelFile('plain', subject, { ...order, canvas }) });
    }
    return valueOf(icoFile(pictures));
  },
};
