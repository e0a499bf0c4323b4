import { wrap, type Remote } from 'comlink';
import type { Assessment } from '@pincer/core/assess';
import type { CaseRecord, Lesson, Owner } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { CoreApi } from './core.worker.ts';
import { SentCases } from './sent-cases.ts';

let core: Remote<CoreApi> | null = null;

/** Starts the core's worker, which is wanted at once. */
export const beginCore = (): void => void coreWorker();

/**
 * Lets the core's worker read its knowledge before it is asked, and run through it once; one that is at work already has.
 * What fails here fails again, and is told, when it is asked.
 */
export async function warmCore(): Promise<void> {
  if (core) return;
  await coreWorker()
    .warm()
    .catch(() => undefined);
}

/** The core's worker, started at the first use. */
export function coreWorker(): Remote<CoreApi> {
  core ??= wrap<CoreApi>(new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' }));
  return core;
}

const sent = new SentCases();

/** Assesses a case; of its log only what is new goes over to the worker. @param now ISO 8601. */
export async function assessThere(
  record: CaseRecord,
  vehicle: Vehicle,
  owner: Owner,
  now: string,
  lessons: readonly Lesson[],
): Promise<Assessment> {
  const ask = () => coreWorker().assess(sent.partOf(record), vehicle, owner, now, lessons);
  try {
    const answer = await ask();
    if (answer) return answer;
  } catch (error) {
    sent.lost(record.id);
    throw error;
  }
  // Never judged by half: all of it again.
  sent.lost(record.id);
  const again = await ask();
  if (!again) throw new Error('The case did not reach the program’s own work');
  return again;
}
