/** Every wait ends. @param late what it is that did not answer in time, ms. @throws it. */
export const within = <T>(work: Promise<T>, ms: number, late: () => Error): Promise<T> =>
  whileAlive(() => work, ms, late);

/**
 * Every wait ends; one that goes on piece by piece begins anew with each piece. A logbook of years on an old phone takes long
 * to read, and is no storage that hangs.
 * @param ms how long it may stay silent. @param late what it is that did. @throws it.
 */
export function whileAlive<T>(
  work: (alive: () => void) => Promise<T>,
  ms: number,
  late: () => Error,
): Promise<T> {
  return new Promise<T>((resolve, reject) => {
    let hasEnded = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const end = () => {
      hasEnded = true;
      clearTimeout(timer);
    };
    const alive = () => {
      if (hasEnded) return;
      clearTimeout(timer);
      timer = setTimeout(() => {
        end();
        reject(late());
      }, ms);
    };
    alive();
    void work(alive).then(resolve, reject).finally(end);
  });
}
