import { createSelector } from '@reduxjs/toolkit';
import { lessonOf, type CaseRecord, type Lesson } from '@pincer/core/case';
import type { LogbookState } from './logbook-slice.ts';

const sameLessons = (a: readonly Lesson[], b: readonly Lesson[]): boolean =>
  a.length === b.length && a.every((lesson, i) => lesson === b[i]);

/** What the closed cases of the whole logbook have taught; the same list as long as none is closed or opened again. */
export const lessonsOf = createSelector(
  [(logbook: Pick<LogbookState, 'cases'>) => logbook.cases],
  (cases: Readonly<Record<string, CaseRecord>>): readonly Lesson[] =>
    Object.values(cases).flatMap((record) => (record.practice === undefined ? (lessonOf(record) ?? []) : [])),
  { memoizeOptions: { resultEqualityCheck: sameLessons } },
);
