import { wrap, type Remote } from 'comlink';
import type { CoreApi } from './core.worker.ts';

let core: Remote<CoreApi> | null = null;

/** Lets the core's worker read its knowledge before it is asked. What fails here fails again, and is told, when it is. */
export const warmCore = (): Promise<void> =>
  coreWorker()
    .warm()
    .catch(() => undefined);

/** The core's worker, started at the first use. */
export function coreWorker(): Remote<CoreApi> {
  core ??= wrap<CoreApi>(new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' }));
  return core;
}
