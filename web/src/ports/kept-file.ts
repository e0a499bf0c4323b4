/** The file outside the browser that the owner chose once and that every change is written into. */
export interface KeptFile {
  name: string;
  /** Whether the browser lets this page write it without asking again. */
  mayWrite: boolean;
  /** How many entries it held when it was last written. */
  entries: number;
}

/** A file that the owner has just chosen. */
export interface ChosenFile {
  name: string;
  /** What it holds already. */
  content: File;
  /** From now on it is the kept one. */
  keep: () => Promise<void>;
}

/** Files of the device that a page may write again and again, where the browser has them. */
export interface KeptFilePort {
  isPossible: () => boolean;
  /** Asks the owner for a file; from a touch only. @returns null where none was chosen. */
  choose: (name: string) => Promise<ChosenFile | null>;
  current: () => Promise<KeptFile | null>;
  /** Asks whether it may be written again, as browsers want it after a restart; from a touch only. */
  allow: () => Promise<boolean>;
  /** Writes it anew: all of it or nothing, what was there stays until then. @throws where the disk or the browser refuses. */
  write: (content: Blob, entries: number) => Promise<void>;
  /** Writes it no more. The file stays. */
  forget: () => Promise<void>;
}
