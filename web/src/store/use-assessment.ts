import { useEffect, useState } from 'react';
import type { Assessment } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { coreWorker } from '../workers/core-client.ts';
import { useAppSelector } from './store.ts';

export type AssessmentState =
  { status: 'working' } | { status: 'ready'; assessment: Assessment } | { status: 'failed'; message: string };

/** The latest results by case, so that going from station to station shows no gap. */
const latest = new Map<string, Assessment>();

/** What the core says of a case, computed in the worker whenever the log changes. */
export function useAssessment(record: CaseRecord | undefined, vehicle: Vehicle | undefined): AssessmentState {
  const owner = useAppSelector((s) => s.settings.owner);
  const [state, setState] = useState<AssessmentState>(() => {
    const known = record ? latest.get(record.id) : undefined;
    return known ? { status: 'ready', assessment: known } : { status: 'working' };
  });
  useEffect(() => {
    if (!record || !vehicle) return;
    let isCurrent = true;
    coreWorker()
      .assess(record, vehicle, owner, new Date().toISOString())
      .then((assessment) => {
        latest.set(record.id, assessment);
        if (isCurrent) setState({ status: 'ready', assessment });
      })
      .catch((error: unknown) => {
        if (isCurrent)
          setState({ status: 'failed', message: error instanceof Error ? error.message : 'unknown' });
      });
    return () => {
      isCurrent = false;
    };
  }, [record, vehicle, owner]);
  return state;
}
