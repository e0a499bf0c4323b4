/** A stand-in for the browser's database: values are copied in and out, as structured clones are. */
export class MemoryForage {
  readonly records = new Map<string, unknown>();
  setItem(key: string, value: unknown): Promise<unknown> {
    this.records.set(key, structuredClone(value));
    return Promise.resolve(value);
  }
  getItem(key: string): Promise<unknown> {
    return Promise.resolve(structuredClone(this.records.get(key) ?? null));
  }
  removeItem(key: string): Promise<void> {
    this.records.delete(key);
    return Promise.resolve();
  }
  clear(): Promise<void> {
    this.records.clear();
    return Promise.resolve();
  }
  keys(): Promise<string[]> {
    return Promise.resolve([...this.records.keys()]);
  }
}
