import type { Assessment } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { skipToken, useAssessQuery } from './core-answers.ts';
import { assessmentKey } from './core-api.ts';
import { lessonsOf } from './lessons.ts';
import { useAppSelector } from './store.ts';

export type AssessmentState =
  | { status: 'working' }
  | { status: 'ready'; assessment: Assessment }
  | { status: 'failed'; message: string };

/**
 * What the core says of a case, worked out in the worker whenever its log, its vehicle or the owner's rates change.
 * Until the new answer is there the one before stands, of the same case only.
 */
export function useAssessment(record: CaseRecord | undefined, vehicle: Vehicle | undefined): AssessmentState {
  const owner = useAppSelector((s) => s.settings.owner);
  const lessons = useAppSelector((s) => lessonsOf(s.logbook));
  const { data, error, isFetching } = useAssessQuery(
    record && vehicle ? assessmentKey(record, vehicle, owner, lessons) : skipToken,
  );
  if (error && !isFetching)
    return { status: 'failed', message: 'message' in error && error.message ? error.message : 'unknown' };
  return data && data.caseId === record?.id
    ? { status: 'ready', assessment: data.assessment }
    : { status: 'working' };
}
