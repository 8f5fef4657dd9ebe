/**
 * Lets what is begun begin one by one, with a look around between two: a crowd that comes at once keeps nobody else waiting for all of it.
 * @returns {(begin: () => void) => void} each in the order in which it came
 */
export function inTurn() {
  let crowd = Promise.resolve();
  return (begin) => {
    crowd = crowd.then(
      () =>
        new Promise((next) => {
          setImmediate(() => {
            // What fails, fails alone.
            next();
            begin();
          });
        }),
    );
  };
}
