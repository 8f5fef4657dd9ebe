import { ENCODERS, type Encoding, type Writing } from './encoders';
import { renderedFine, straight } from './rendered';

/** A drawing that is to become a file of pixels. */
export interface PixelOrder extends Writing {
  readonly as: Encoding;
  /** Without text, and with no address outside of itself; its pictures good for pixels so many times finer. */
  readonly svg: string;
  readonly finer: number;
  readonly widthPx: number;
}

/** Renders a drawing and writes it. */
export const written = async ({ as, svg, finer, widthPx, ...writing }: PixelOrder): Promise<Uint8Array> =>
  ENCODERS[as](straight(await renderedFine(svg, finer, widthPx)), writing);
