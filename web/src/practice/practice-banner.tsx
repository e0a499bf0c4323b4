import { useEffect } from 'react';
import { Link, useNavigate } from 'react-router';
import type { CaseRecord } from '@pincer/core/case';
import { endPractice, practiceOf, repairPracticeCar } from '../store/practice-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { useWording } from '../store/use-tell.ts';
import { wordsIn } from '@pincer/core/words';

/** Over every station of a practice case: that nothing here is real, and the way to its end. */
export function PracticeBanner({ record }: { record: CaseRecord }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { words } = useWording();
  const practice = practiceOf(record);
  const left = practice?.wrong.length ?? 0;
  // What is repaired in the log is repaired in the car.
  useEffect(() => {
    void dispatch(repairPracticeCar(record.id));
  }, [dispatch, record.id, left]);
  const isOver = record.entries.some((e) => e.kind === 'closed');
  const to = `/practice/${record.id}`;
  const end = async () => {
    await dispatch(endPractice(record.id));
    void navigate(to);
  };
  return (
    <section
      aria-label="Practice"
      className="flex shrink-0 flex-wrap items-center justify-between gap-x-4 border-b-2 border-dashed border-own bg-own-soft px-3 md:px-4"
    >
      <p className="py-1">
        <b>Practice.</b> {practice ? <>The driver says: “{wordsIn(practice.task.complaint, words)}”</> : null}
      </p>
      {isOver ? (
        <Link
          to={to}
          className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
        >
          What it was
        </Link>
      ) : (
        <button
          type="button"
          className="min-h-11 font-semibold underline underline-offset-4"
          onClick={() => void end()}
        >
          I am done: show what it was
        </button>
      )}
    </section>
  );
}
