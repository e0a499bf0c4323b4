import { createApi, fakeBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Assessment, CodePage } from '@pincer/core/assess';
import type { CaseRecord, Lesson, Owner } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { Wording } from '@pincer/core/words';
import { now } from '../clock.ts';
import type { ReferenceHit } from '../ports/core.ts';
import type { Ports } from '../ports/ports.ts';
import type { PracticeResult } from '../ports/practice.ts';
import type { Settings } from '../storage/records.ts';
import { lessonsOf } from './lessons.ts';
import type { LogbookState } from './logbook-slice.ts';
import { caseAndVehicle } from './logbook-selectors.ts';

/** What it needs of the store; the store is made of it, so that it cannot name the whole. */
interface Known {
  logbook: LogbookState;
  settings: Settings;
}
type Way = Pick<Ports, 'core' | 'practice'>;

/** Why the core's work failed, a sentence without its end. */
export interface CoreFault {
  message: string;
}

const faultOf = (error: unknown): CoreFault => ({
  message: error instanceof Error ? error.message : 'The program’s own work stopped',
});

/** What an assessment is of: a case, and the state of its log, its vehicle and its owner's rates. */
export interface AssessmentKey {
  caseId: string;
  log: number;
  vehicle: number;
  owner: number;
  lessons: number;
}

/** Numbers for objects that never change: another object, another number. */
const numbers = new WeakMap<object, number>();
let last = 0;
function numberOf(object: object): number {
  const known = numbers.get(object);
  if (known !== undefined) return known;
  numbers.set(object, ++last);
  return last;
}

/** The key of what is to be assessed. */
export const assessmentKey = (
  record: CaseRecord,
  vehicle: Vehicle,
  owner: Owner,
  lessons: readonly Lesson[],
): AssessmentKey => ({
  caseId: record.id,
  lessons: numberOf(lessons),
  log: numberOf(record),
  vehicle: numberOf(vehicle),
  owner: numberOf(owner),
});

const NO_LESSONS: readonly Lesson[] = [];
/** The key of how a task of the practice bay went: nothing that real cases have taught counts there. */
export const practiceKey = (record: CaseRecord, vehicle: Vehicle, owner: Owner): AssessmentKey =>
  assessmentKey(record, vehicle, owner, NO_LESSONS);

/** The core's answers, each kept under what was asked, with what is under way and what failed. */
export const coreApi = createApi({
  reducerPath: 'core',
  baseQuery: fakeBaseQuery<CoreFault>(),
  keepUnusedDataFor: 120,
  endpoints: (build) => ({
    assess: build.query<{ caseId: string; assessment: Assessment }, AssessmentKey>({
      queryFn: async ({ caseId }, { extra, getState }) => {
        const { core } = extra as Way;
        const { logbook, settings } = getState() as Known;
        const { record, vehicle } = caseAndVehicle(logbook, caseId);
        if (!record || !vehicle) return { error: { message: 'The case is not here any more' } };
        try {
          const assessment = await core.assess(
            record,
            vehicle,
            settings.owner,
            now().toISOString(),
            lessonsOf(logbook),
          );
          // Nobody changes an answer. Said so here, the store need not walk through all of it to say it again.
          return { data: Object.freeze({ caseId, assessment }) };
        } catch (error) {
          return { error: faultOf(error) };
        }
      },
    }),
    practiceResult: build.query<PracticeResult, AssessmentKey>({
      keepUnusedDataFor: 3_600,
      queryFn: async ({ caseId }, { extra, getState }) => {
        const { practice } = extra as Way;
        const { logbook, settings } = getState() as Known;
        const { record, vehicle } = caseAndVehicle(logbook, caseId);
        if (!record || !vehicle) return { error: { message: 'The case is not here any more' } };
        try {
          return { data: await practice.result(record, vehicle, settings.owner, now().toISOString()) };
        } catch (error) {
          return { error: faultOf(error) };
        }
      },
    }),
    codePage: build.query<CodePage, { code: string; wording: Wording }>({
      keepUnusedDataFor: 600,
      queryFn: ({ code, wording }, { extra }) =>
        (extra as Way).core.codePage(code, wording).then(
          (data) => ({ data }),
          (error: unknown) => ({ error: faultOf(error) }),
        ),
    }),
    search: build.query<readonly ReferenceHit[], { text: string; limit: number; wording: Wording }>({
      queryFn: ({ text, limit, wording }, { extra }) =>
        (extra as Way).core.searchReference(text, limit, wording).then(
          (data) => ({ data }),
          (error: unknown) => ({ error: faultOf(error) }),
        ),
    }),
  }),
});
