import { expose } from 'comlink';
import { assess, codePage } from '@pincer/core/assess';
import type { CaseRecord, Lesson, Owner } from '@pincer/core/case';
import { NO_SOURCE, emptyScan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import type { CorePort } from '../ports/core.ts';
import type { PracticePort, PracticeQuestion } from '../ports/practice.ts';
import { ReceivedCases, type CasePart } from './sent-cases.ts';

const THEN = '2026-01-01T00:00:00.000Z';
/** Nobody's car and case: assessed to have all tables made, and the paths run in that every case takes. */
const NOBODYS_CAR: Vehicle = {
  id: 'veh_warm_up',
  name: 'Nobody’s',
  kind: 'car',
  fuel: 'petrol',
  aspiration: 'natural',
};
const NOBODYS_CASE: CaseRecord = {
  id: 'case_warm_up',
  vehicle: NOBODYS_CAR.id,
  title: 'Nobody’s',
  openedAt: THEN,
  entries: [
    { kind: 'lamp', id: 'ent_1', at: THEN, offsetMinutes: 0, lamp: 'engine', mode: 'steady' },
    {
      kind: 'observation',
      id: 'ent_2',
      at: THEN,
      offsetMinutes: 0,
      observation: 'sign:shakes',
      answer: 'yes',
    },
    {
      kind: 'scan',
      id: 'ent_3',
      at: THEN,
      offsetMinutes: 0,
      via: 'hand',
      isComplete: false,
      scan: {
        ...emptyScan(),
        codes: ['P0302', 'P0171', 'P0420', 'P0562'].map((code) => ({
          code,
          state: 'confirmed',
          unit: NO_SOURCE,
        })),
      },
    },
  ],
};

const cases = new ReceivedCases();

/** The core, off the main thread. */
const api = {
  /** Null where a part of the case is missing here. */
  assess: (part: CasePart, vehicle: Vehicle, owner: Owner, now: string, lessons: readonly Lesson[]) => {
    const record = cases.wholeOf(part);
    return record && assess(record, vehicle, new Date(now), owner, lessons);
  },
  warm: () => {
    assess(NOBODYS_CASE, NOBODYS_CAR, new Date(THEN));
  },
  codePage,
  // What few pages ask for is fetched when it is asked for: an assessment must not wait for it.
  readCaseFile: async (text: string) => (await import('./files.ts')).readCaseFile(text),
  decodeFileText: async (text: string) => (await import('./files.ts')).decodeFileText(text),
  searchReference: async (...asked: Parameters<CorePort['searchReference']>) =>
    (await import('./search.ts')).searchReference(...asked),
  practiceAnswer: async (question: PracticeQuestion) =>
    (await import('./practice.ts')).practice.answer(question),
  practiceResult: async (...of: Parameters<PracticePort['result']>) =>
    (await import('./practice.ts')).practice.result(...of),
};
export type CoreApi = typeof api;

expose(api);
