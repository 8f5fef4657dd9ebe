/**
 * Ends the program with one clear sentence.
 * @param {string} sentence
 * @returns {never}
 */
export function stop(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

/** @param {string} sentence */
export const say = (sentence) => console.log(sentence);
