import { useEffect } from 'react';
import type { CaseRecord } from '@pincer/core/case';
import { ofCore } from '../store/core-answers.ts';
import { coreApi, practiceKey } from '../store/core-api.ts';
import { practiceOf } from '../store/practice-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';

/** One ended task, as the list of scores shows it. */
export interface Played {
  caseId: string;
  at: string;
  system: string;
  what: string;
  points: number;
  isSolved: boolean;
}

/** Tasks whose scores are worked out at the same time. */
const SHOWN = 40;

/** Scores of ended tasks, newest first; each is worked out from its log, in the worker, and kept while the page is open. */
export function usePracticeScores(cases: readonly CaseRecord[]): { played: Played[]; isWorking: boolean } {
  const dispatch = useAppDispatch();
  const vehicles = useAppSelector((s) => s.logbook.vehicles.entities);
  const owner = useAppSelector((s) => s.settings.owner);
  const keys = cases.slice(0, SHOWN).flatMap((record) => {
    const vehicle = vehicles[record.vehicle];
    return vehicle ? [{ record, key: practiceKey(record, vehicle, owner) }] : [];
  });
  const asked = keys.map(({ key }) => JSON.stringify(key)).join('\n');
  useEffect(() => {
    const running = asked
      .split('\n')
      .filter((k) => k !== '')
      .map((k) =>
        dispatch(
          coreApi.endpoints.practiceResult.initiate(
            JSON.parse(k) as Parameters<typeof coreApi.endpoints.practiceResult.initiate>[0],
          ),
        ),
      );
    return () => running.forEach((r) => r.unsubscribe());
  }, [dispatch, asked]);
  const results = useAppSelector(
    (s) => keys.map(({ key }) => ofCore(coreApi.endpoints.practiceResult.select(key))(s)),
    (a, b) => a.length === b.length && a.every((r, i) => r.data === b[i]?.data && r.status === b[i]?.status),
  );
  return {
    isWorking: results.some((r) => r.isLoading || r.isUninitialized),
    played: keys.flatMap(({ record }, i): Played[] => {
      const data = results[i]?.data;
      const task = practiceOf(record)?.task;
      if (!data || !task) return [];
      const at = record.entries.find((e) => e.kind === 'closed')?.at ?? record.openedAt;
      const what = data.what.length === 0 ? 'nothing was wrong' : data.what.join('; ');
      const { isSolved } = data.walked;
      return [{ caseId: record.id, at, system: task.system, what, points: data.score.points, isSolved }];
    }),
  };
}
