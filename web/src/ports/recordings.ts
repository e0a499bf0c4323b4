import type { EngineFacts } from '@pincer/core/signals';

/** The recordings' slow work, done off the main thread. */
export interface RecordingsPort {
  /** A recording as CSV; null when it is not in this browser. */
  exportCsv: (id: string) => Promise<Blob | null>;
  /** Takes a CSV in as a recording with this id. @returns why it could not, or null. */
  importCsv: (
    file: File,
    target: { id: string; caseId: string; title: string; engine: EngineFacts },
  ) => Promise<string | null>;
}
