import { wrap, type Remote } from 'comlink';
import type { RecordingsApi } from './recordings.worker.ts';

let worker: Remote<RecordingsApi> | null = null;

/** The worker with the recordings, started at the first use. */
export function recordingsWorker(): Remote<RecordingsApi> {
  worker ??= wrap<RecordingsApi>(
    new Worker(new URL('./recordings.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}
