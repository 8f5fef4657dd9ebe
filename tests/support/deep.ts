/** Whether sweeps run in full, as `npm run test:deep` asks; `npm test` looks at a sample of each that stays the same from run to run. */
export const DEEP = process.env['DEEP'] === '1';

/** How many cases of a sweep are run: all there are to run, or as many as the everyday command takes. */
export const casesOf = ({ inFull, sample }: { readonly inFull: number; readonly sample: number }): number => (DEEP ? inFull : sample);

/** All of a list in full, and of a sample one in so many, spread over the list from its beginning. */
export const oneInEvery = <T>(step: number, all: readonly T[]): T[] => (DEEP ? [...all] : all.filter((_, at) => at % step === 0));
