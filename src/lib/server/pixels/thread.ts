import { giveBack, goLast } from '../heavy/manners';
import { pixelWork, type PixelWork } from './work';

goLast();

/** The door of the thread: does one piece of work. */
export default async function work<N extends keyof PixelWork>({
  name,
  input,
}: {
  readonly name: N;
  readonly input: Parameters<PixelWork[N]>[0];
}) {
  try {
    return await (pixelWork[name] as (input: Parameters<PixelWork[N]>[0]) => Promise<unknown>)(input);
  } finally {
    giveBack();
  }
}
