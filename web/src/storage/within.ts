/** Every wait ends. @param late what it is that did not answer in time, ms. @throws it. */
export async function within<T>(work: Promise<T>, ms: number, late: () => Error): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const end = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(late()), ms);
  });
  try {
    return await Promise.race([work, end]);
  } finally {
    clearTimeout(timer);
  }
}
