import { giveAllBack, goLast } from '../heavy/manners';
import { pixelWork, type PixelInput, type PixelWork } from './work';

goLast();

/** The door of the thread: does one piece of work. */
export default async function work<N extends keyof PixelWork>({ name, input }: { readonly name: N; readonly input: PixelInput<N> }) {
  try {
    return await pixelWork(name, input);
  } finally {
    await giveAllBack();
  }
}
