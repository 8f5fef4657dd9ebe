/** Ends the program with one clear sentence. */
export function stop(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

export const say = (sentence) => console.log(sentence);
