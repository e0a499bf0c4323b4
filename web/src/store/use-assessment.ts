import { useEffect, useState } from 'react';
import type { Assessment } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { useAppDispatch, useAppSelector, type AppThunk } from './store.ts';

export type AssessmentState =
  { status: 'working' } | { status: 'ready'; assessment: Assessment } | { status: 'failed'; message: string };

/** The latest results by case, so that going from station to station shows no gap. */
const latest = new Map<string, Assessment>();

/** What the core says of a case at this moment, by the owner's rates. */
function assessCase(record: CaseRecord, vehicle: Vehicle): AppThunk<Promise<Assessment>> {
  return (_, getState, { core }) =>
    core.assess(record, vehicle, getState().settings.owner, now().toISOString());
}

/** What the core says of a case, computed in the worker whenever the log changes. */
export function useAssessment(record: CaseRecord | undefined, vehicle: Vehicle | undefined): AssessmentState {
  const owner = useAppSelector((s) => s.settings.owner);
  const dispatch = useAppDispatch();
  const [state, setState] = useState<AssessmentState>(() => {
    const known = record ? latest.get(record.id) : undefined;
    return known ? { status: 'ready', assessment: known } : { status: 'working' };
  });
  useEffect(() => {
    if (!record || !vehicle) return;
    let isCurrent = true;
    dispatch(assessCase(record, vehicle))
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
  }, [dispatch, record, vehicle, owner]);
  return state;
}
