import { useState } from 'react';
import { toast } from 'sonner';
import type { CheckView } from '@pincer/core/assess';
import { NOT_DONE, type NotDone } from '@pincer/core/case';
import { UNKNOWN_ENGINE, windowOfScan, workedFigures, type WorkedFigure } from '@pincer/core/signals';
import { AskPracticeCar } from '../../practice/ask-practice-car.tsx';
import { recordSaying } from '../../logbook/record-saying.ts';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON, FIELD } from '../../ui/classes.ts';
import { Cautions } from '../../ui/cautions.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { percent } from '../../ui/format.ts';
import { WhichCylinder } from '../../ui/which-cylinder.tsx';
import { useCase } from '../case-context.ts';
import { MeterBench, type Measured } from './meter-bench.tsx';
import { CheckTags } from './check-tags.tsx';

/** A check: its cautions, how to do it, what each answer would say; or the list to choose one from. */
export function CheckDialog({ start, onClose }: { start: CheckView | null; onClose: () => void }) {
  const { assessment } = useCase();
  const [check, setCheck] = useState<CheckView | null>(start);
  return (
    <Dialog
      title={check ? check.title : 'Choose a check'}
      description={
        check
          ? 'First the warnings, then the steps, then what you found.'
          : 'Sorted by what they save after their own cost. Checks that you could not finish come last.'
      }
      open
      onOpenChange={onClose}
    >
      {check ? (
        <OneCheck check={check} onDone={onClose} />
      ) : (
        <CheckList
          checks={assessment.checks}
          doSomeWait={assessment.doChecksWaitForRoad}
          onChoose={setCheck}
        />
      )}
    </Dialog>
  );
}

/** What a list of checks can be held to. */
const FILTERS = {
  tools: { name: 'No tools to buy', holds: (c: CheckView) => c.tools.every((t) => !t.isMissing) },
  quick: { name: 'Ten minutes or less', holds: (c: CheckView) => c.minutes <= 10 },
  here: {
    name: 'Where it stands, on its wheels',
    holds: (c: CheckView) => !c.needsDriving && !c.needsLifting,
  },
  seat: { name: 'From the seat, in any weather', holds: (c: CheckView) => c.isFromSeat && !c.needsDriving },
  indoors: { name: 'In a closed garage, engine off', holds: (c: CheckView) => !c.runsEngine },
} as const;
type FilterId = keyof typeof FILTERS;
const FILTER_IDS = Object.keys(FILTERS) as FilterId[];

/** Reasons to leave a check, as the owner says them, and how the list says them back. */
const NOT_DONE_WORDS = {
  'could-not': { button: 'I could not do this', tag: 'you could not do this' },
  unsure: { button: 'I am not sure', tag: 'you were not sure' },
  'has-none': { button: 'Mine has none of this', tag: 'yours has none of this' },
} as const satisfies Record<NotDone, { button: string; tag: string }>;

function CheckList({
  checks,
  doSomeWait,
  onChoose,
}: {
  checks: readonly CheckView[];
  doSomeWait: boolean;
  onChoose: (check: CheckView) => void;
}) {
  const purse = useAppSelector((s) => s.settings.owner);
  const [query, setQuery] = useState('');
  const [filters, setFilters] = useState<readonly FilterId[]>([]);
  const words = query.toLowerCase().split(/\s+/);
  const shown = checks.filter(
    (c) =>
      filters.every((f) => FILTERS[f].holds(c)) &&
      words.every((w) => `${c.title} ${c.how}`.toLowerCase().includes(w)),
  );
  return (
    <>
      <input
        type="search"
        className={FIELD}
        aria-label="Search the checks"
        placeholder="Search the checks"
        value={query}
        onChange={(e) => setQuery(e.target.value)}
      />
      <div className="my-2 flex flex-wrap gap-x-4">
        {FILTER_IDS.map((id) => (
          <label key={id} className="inline-flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={filters.includes(id)}
              onChange={(e) =>
                setFilters(e.target.checked ? [...filters, id] : filters.filter((f) => f !== id))
              }
            />
            {FILTERS[id].name}
          </label>
        ))}
      </div>
      <p className="mb-1 text-[15px] text-ink-2" role="status">
        {shown.length === checks.length
          ? `${checks.length} checks`
          : `${shown.length} of ${checks.length} checks${shown.length === 0 ? '. Take a filter away to see more.' : ''}`}
      </p>
      {doSomeWait ? (
        <p className="mb-2">Checks that need a drive are hidden while you must not drive.</p>
      ) : null}
      <ul className="divide-y divide-line">
        {shown.map((c) => (
          <li key={c.id}>
            <button
              type="button"
              className="w-full py-2.5 text-left hover:bg-sheet-2"
              onClick={() => onChoose(c)}
            >
              <span className="font-semibold">{c.title}</span>
              <span className="mt-1 flex flex-wrap gap-1.5">
                <CheckTags check={c} purse={purse} />
              </span>
              <span className="text-[15px] text-ink-2">
                {c.notDone === null ? c.worth : NOT_DONE_WORDS[c.notDone].tag}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Figures that help a check, worked out from the last reading. */
const FIGURES_FOR: Readonly<Record<string, readonly WorkedFigure['id'][]>> = {
  'maf-rev': ['filling', 'fuel-flow'],
  'maf-clean': ['filling'],
  'back-pressure': ['filling'],
  'clutch-uphill': ['overall-ratio'],
  'slip-count': ['overall-ratio'],
  'level-jump': ['fuel-per-distance'],
};

function Figures({ check }: { check: string }) {
  const { state, vehicle } = useCase();
  const tell = useTell();
  const last = state.scans.at(-1);
  const wanted = FIGURES_FOR[check.split(':')[0] ?? ''];
  if (!last || !wanted) return null;
  const figures = workedFigures(windowOfScan(last.scan, UNKNOWN_ENGINE), vehicle).filter((f) =>
    wanted.includes(f.id),
  );
  if (figures.length === 0) return null;
  return (
    <section aria-label="Worked out from the last reading">
      {figures.map((f) => (
        <p key={f.id} className="border-l-4 border-car pl-2 text-[15px]">
          <b>{f.title}, by the last reading.</b> {tell(f.arithmetic)}{' '}
          <span className="text-ink-2">{tell(f.helps)}</span>
        </p>
      ))}
    </section>
  );
}

function OneCheck({ check, onDone }: { check: CheckView; onDone: () => void }) {
  const { record, vehicle } = useCase();
  const dispatch = useAppDispatch();
  const tell = useTell();
  const [hasSeen, setSeen] = useState(check.cautions.length === 0);
  const take = async (outcome: string, title: string) => {
    await dispatch(
      recordSaying(record.id, { kind: 'check', check: check.id, outcome }, `Recorded: ${title}.`),
    );
    onDone();
  };
  const measured = async (results: readonly Measured[], verdict: string) => {
    const saved = await Promise.all(
      results.map((result) => dispatch(addRecord(record.id, { kind: 'check', ...result }))),
    );
    if (saved.every((s) => s.isSaved)) toast(`Recorded. ${tell(verdict)}`);
    onDone();
  };
  const leave = async (reason: NotDone) => {
    const words = `Recorded: ${NOT_DONE_WORDS[reason].tag}.`;
    await dispatch(recordSaying(record.id, { kind: 'check-not-done', check: check.id, reason }, words));
    onDone();
  };
  return (
    <div className="space-y-4">
      {check.cylinder === null ? null : (
        <WhichCylinder
          cylinder={check.cylinder}
          cylinderOne={vehicle.cylinderOne}
          bankOne={vehicle.bankOne}
          manual={tell('{workshop manual}')}
        />
      )}
      <Figures check={check.id} />
      <Cautions texts={check.cautions} />
      {hasSeen ? null : (
        <button type="button" className={BUTTON.solid} onClick={() => setSeen(true)}>
          I have read these; show me how
        </button>
      )}
      {hasSeen ? (
        <>
          <p className="text-[17px]">{check.how}</p>
          <AskPracticeCar
            caseId={record.id}
            check={check.id}
            onAnswer={(outcome) =>
              void take(outcome, check.outcomes.find((o) => o.id === outcome)?.title ?? outcome)
            }
          />
          {check.measurement ? (
            <MeterBench
              check={check}
              measurement={check.measurement}
              onTaken={(results, verdict) => void measured(results, verdict)}
            />
          ) : null}
          <div>
            <h3 className="text-lg">{check.measurement ? 'Or say what you found' : 'What did you find?'}</h3>
            <ul className="mt-2 space-y-2">
              {check.outcomes.map((o) => (
                <li key={o.id}>
                  <button
                    type="button"
                    className="w-full rounded-md border-2 border-own px-3 py-2 text-left hover:bg-own-soft"
                    onClick={() => void take(o.id, o.title)}
                  >
                    <span className="flex justify-between gap-3">
                      <b>{o.title}</b>
                      <span className="font-mono text-[14px] text-ink-2">expected {percent(o.chance)}</span>
                    </span>
                    <span className="block text-[15px]">{o.says}</span>
                    {o.leads[0] ? (
                      <span className="block text-[14px] text-ink-2">
                        Then the likeliest would be: {o.leads[0].title.toLowerCase()},{' '}
                        <span className="font-mono">{percent(o.leads[0].probability)}</span>
                      </span>
                    ) : null}
                  </button>
                </li>
              ))}
            </ul>
          </div>
        </>
      ) : null}
      <div>
        <h3 className="text-lg">No result?</h3>
        <p className="text-[15px] text-ink-2">
          This changes nothing about the causes. The check moves to the end of the list, or out of it where
          your vehicle has no such part.
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          {NOT_DONE.map((reason) => (
            <button key={reason} type="button" className={BUTTON.plain} onClick={() => void leave(reason)}>
              {NOT_DONE_WORDS[reason].button}
            </button>
          ))}
        </div>
      </div>
    </div>
  );
}
