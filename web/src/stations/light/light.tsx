import { Check, X } from 'lucide-react';
import type { Answered } from '@pincer/core/case';
import { OBSERVATIONS, OWNER_OBSERVATIONS, type ObservationKey } from '@pincer/core/knowledge';
import { levelRank } from '@pincer/core/urgency';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useTell } from '../../store/use-tell.ts';
import { useAppDispatch } from '../../store/store.ts';
import { ANSWERS, chosen } from '../../ui/answers.ts';
import { BUTTON, SHEET, cx } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { PreliminaryChecks } from './preliminary-checks.tsx';
import { Lamps } from './lamps.tsx';
import { Minute } from './minute.tsx';

const GROUPS = [
  { id: 'runs', title: 'How does it run?' },
  { id: 'when', title: 'When?' },
  { id: 'senses', title: 'What do you hear, see, smell?' },
  { id: 'gauges', title: 'What do the gauges and fluid levels show?' },
  { id: 'before', title: 'What happened before?' },
] as const;

/** What lit, how it runs, what came before. Anything may stay unknown. */
export function Light() {
  const { record, vehicle, state, assessment } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const answer = (observation: ObservationKey, next: Answered) =>
    void dispatch(
      recordSaying(
        record.id,
        { kind: 'observation', observation, answer: next },
        `${tell(OBSERVATIONS[observation].title)}: ${chosen(ANSWERS, next)}.`,
      ),
    );
  const urgent =
    levelRank(assessment.allowance.level) <= levelRank('safe-place')
      ? assessment.allowance.reasons.find((r) => r.isDeciding && r.minute.length > 0)
      : undefined;

  return (
    <StationPage
      title="Which light is on, and how does it run?"
      lead="Tap what you know: once for yes, twice for no, three times for don’t know. What you leave blank counts as unknown, not as OK."
      next={
        urgent
          ? {
              title: urgent.then.split('. ')[0] ?? urgent.then,
              action: (
                <button
                  type="button"
                  className={`${BUTTON.solid} w-full sm:w-auto`}
                  onClick={() => document.getElementById('minute')?.scrollIntoView({ block: 'center' })}
                >
                  What to do now
                </button>
              ),
            }
          : {
              title: 'Next: connect and read',
              detail: 'Reading takes under a minute and saves everything.',
              to: `/case/${record.id}/plug-in`,
            }
      }
    >
      <Minute allowance={assessment.allowance} />
      <div className="grid gap-4 xl:grid-cols-[1.06fr_1fr]">
        <Lamps caseId={record.id} vehicle={vehicle} state={state} />
        <div className="space-y-4">
          <PreliminaryChecks caseId={record.id} things={assessment.preliminaryChecks} />
          {GROUPS.map((group) => (
            <section key={group.id} aria-label={group.title} className={`${SHEET} p-4`}>
              <h3 className="text-lg">{group.title}</h3>
              <div className="mt-2 flex flex-wrap gap-2">
                {OWNER_OBSERVATIONS.filter(
                  (key) => OBSERVATIONS[key].side === 'owner' && kindOf(key) === group.id,
                ).map((key) => (
                  <Answer
                    key={key}
                    title={tell(OBSERVATIONS[key].title)}
                    value={state.standing.observations.get(key)?.answer ?? 'unknown'}
                    onChange={(a) => answer(key, a)}
                  />
                ))}
              </div>
            </section>
          ))}
        </div>
      </div>
    </StationPage>
  );
}

function kindOf(key: ObservationKey): string | undefined {
  const kind = OBSERVATIONS[key];
  return 'group' in kind ? kind.group : undefined;
}

const NEXT: Readonly<Record<Answered, Answered>> = { unknown: 'yes', yes: 'no', no: 'unknown' };
const WORDS: Readonly<Record<Answered, string>> = { unknown: 'not answered', yes: 'yes', no: 'no' };

/** Yes, no or unknown with one target for a thumb. */
function Answer({
  title,
  value,
  onChange,
}: {
  title: string;
  value: Answered;
  onChange: (value: Answered) => void;
}) {
  return (
    <button
      type="button"
      aria-label={`${title}: ${WORDS[value]}`}
      onClick={() => onChange(NEXT[value])}
      className={cx(
        'inline-flex min-h-11 items-center gap-1.5 rounded-md border px-3 text-[15px] font-semibold',
        value === 'yes' && 'border-own bg-own text-sheet',
        value === 'no' && 'border-own bg-own-soft text-ink',
        value === 'unknown' && 'border-line bg-sheet hover:bg-sheet-2',
      )}
    >
      {value === 'yes' ? <Check size={17} aria-hidden="true" /> : null}
      {value === 'no' ? <X size={17} aria-hidden="true" /> : null}
      {value === 'no' ? <s>{title}</s> : title}
    </button>
  );
}
