/** A stand-in for the browser's database: values are copied in and out, as structured clones are. */
export class MemoryForage {
  readonly records = new Map<string, unknown>();
  /** When set, reads of these keys give nothing: a disk that does not keep what it was given. */
  forgets: RegExp | null = null;
  /** A disk with no room left. */
  isFull = false;

  setItem(key: string, value: unknown): Promise<unknown> {
    if (this.isFull) return Promise.reject(new Error('QuotaExceededError'));
    this.records.set(key, structuredClone(value));
    return Promise.resolve(value);
  }
  getItem(key: string): Promise<unknown> {
    return Promise.resolve(this.forgets?.test(key) ? null : structuredClone(this.records.get(key) ?? null));
  }
  removeItem(key: string): Promise<void> {
    this.records.delete(key);
    return Promise.resolve();
  }
  keys(): Promise<string[]> {
    return Promise.resolve([...this.records.keys()]);
  }
}
