/** Do not rename: this is where the owners’ second copies are. */
export const COPY_FILE = 'second-copy';

export interface CopiedRecord {
  key: string;
  /** The record as it lies in the database. */
  stored: unknown;
}

/** A file of the page’s own that takes what is recorded even when the disk is full, where the browser has such files. */
export interface CopyFilePort {
  /** The keys of the records in it; none where there is no such file, null where there is one that does not answer. */
  keys: () => Promise<string[] | null>;
  of: (keys: readonly string[]) => Promise<CopiedRecord[]>;
  /** @returns whether all of them are on the disk. */
  put: (records: readonly CopiedRecord[]) => Promise<boolean>;
  /** @throws where they cannot be forgotten: they would come back. */
  forget: (keys: readonly string[] | 'all') => Promise<void>;
}

/** Where there are no such files. */
export const NO_COPY_FILE: CopyFilePort = {
  keys: () => Promise.resolve([]),
  of: () => Promise.resolve([]),
  put: () => Promise.resolve(false),
  forget: () => Promise.resolve(),
};
