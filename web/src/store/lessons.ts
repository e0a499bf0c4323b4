import { createSelector } from '@reduxjs/toolkit';
import { lessonOf, type Lesson } from '@pincer/core/case';
import { ownCases } from './logbook-selectors.ts';

const sameLessons = (a: readonly Lesson[], b: readonly Lesson[]): boolean =>
  a.length === b.length && a.every((lesson, i) => lesson === b[i]);

/** What the closed cases of the whole logbook have taught; the same list as long as none is closed or opened again. */
export const lessonsOf = createSelector(
  [ownCases],
  (cases): readonly Lesson[] => cases.flatMap((record) => lessonOf(record) ?? []),
  { memoizeOptions: { resultEqualityCheck: sameLessons } },
);
