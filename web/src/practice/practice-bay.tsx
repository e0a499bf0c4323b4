import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { CaseRecord } from '@pincer/core/case';
import {
  PRACTICE_CARS,
  PRACTICE_KINDS,
  PRACTICE_TASKS,
  readTaskFile,
  taskFile,
  type PracticeCar,
  type PracticeKind,
  type PracticeTask,
} from '@pincer/core/practice';
import { CARS, faultTitle, practiceFaults } from '@pincer/simulator';
import { practiceOf, startPractice } from '../store/practice-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, FIELD, SHEET } from '../ui/classes.ts';
import { FileButton } from '../ui/file-button.tsx';
import { counted, day } from '../ui/format.ts';
import { Notice } from '../ui/notice.tsx';
import { saveText } from '../ui/save-text.ts';
import { usePracticeScores, type Played } from './use-practice-scores.ts';
import { practisedCases } from '../store/logbook-selectors.ts';
import { wordsIn } from '@pincer/core/words';
import { useWording } from '../store/use-tell.ts';

const KIND_TITLES: Readonly<Record<PracticeKind, string>> = {
  one: 'One fault',
  two: 'Two faults at once',
  'comes-and-goes': 'A fault that comes and goes',
  none: 'Nothing wrong any more',
};
const SYSTEM_TITLES: Readonly<Record<string, string>> = {
  ignition: 'Ignition',
  air: 'Air and throttle',
  cooling: 'Cooling',
  electrical: 'Battery and charging',
  exhaust: 'Exhaust',
  fuel: 'Fuel',
  diesel: 'Diesel',
  brakes: 'Brakes and stability',
  gearbox: 'Transmission',
  none: 'Nothing wrong',
};
const carTitle = (car: PracticeCar): string => CARS.find((c) => c.id === car)?.title ?? car;
const systemTitle = (system: string): string => SYSTEM_TITLES[system] ?? system;
const SYSTEMS = [...new Set(PRACTICE_TASKS.map((t) => t.system))].filter((s) => s !== 'none');

const ANY = 'any';

/** Faults are found on simulated cars here, with the very stations of a real case. */
export function PracticeBay() {
  const status = useAppSelector((s) => s.logbook.status);
  const mine = useAppSelector((s) => practisedCases(s.logbook));
  return (
    <main id="work" className="mx-auto w-full max-w-5xl space-y-4 p-4">
      <div>
        <title>Practice bay · Pincer</title>
        <h1 className="text-2xl">Practice bay</h1>
        <p className="text-ink-2">
          A simulated vehicle comes in with a fault that you do not know. Find it with the same stations as on
          a real one. Nothing here enters your logbook, its exports or what Pincer learns from your cases.
        </p>
      </div>
      {status === 'loading' ? (
        <p role="status">Opening the logbook…</p>
      ) : (
        <>
          <Pick done={mine} />
          <Open cases={mine.filter((c) => !c.entries.some((e) => e.kind === 'closed'))} />
          <Scores cases={mine.filter((c) => c.entries.some((e) => e.kind === 'closed'))} />
          <ForOthers />
        </>
      )}
    </main>
  );
}

function Pick({ done }: { done: readonly CaseRecord[] }) {
  const { words } = useWording();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [car, setCar] = useState<PracticeCar | typeof ANY>(ANY);
  const [kind, setKind] = useState<PracticeKind | typeof ANY>('one');
  const [system, setSystem] = useState<string>(ANY);
  const [problem, setProblem] = useState<string | null>(null);
  const fits = PRACTICE_TASKS.filter(
    (t) =>
      (car === ANY || t.car === car) &&
      (kind === ANY || t.kind === kind) &&
      (system === ANY || t.system === system),
  );
  const start = async (task: PracticeTask) => {
    const id = await dispatch(startPractice(task));
    void navigate(`/case/${id}/light`);
  };
  const begin = () => {
    const played = new Set(done.map((c) => practiceOf(c)?.task.id));
    const fresh = fits.filter((t) => !played.has(t.id));
    const from = fresh.length > 0 ? fresh : fits;
    const task = from[(crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % from.length];
    if (task) void start(task);
  };
  const open = async (file: File) => {
    const read = readTaskFile(await file.text());
    setProblem(read.ok ? null : read.message);
    if (read.ok) await start(read.task);
  };
  return (
    <section aria-labelledby="pick" className={`${SHEET} space-y-3 p-4`}>
      <h2 id="pick" className="text-lg">
        A new task
      </h2>
      <div className="grid gap-3 sm:grid-cols-3">
        <Choice
          label="Vehicle"
          value={car}
          options={PRACTICE_CARS.map((c) => [c, wordsIn(carTitle(c), words)])}
          onChange={setCar}
        />
        <Choice
          label="Kind"
          value={kind}
          options={PRACTICE_KINDS.map((k) => [k, KIND_TITLES[k]])}
          onChange={setKind}
        />
        <Choice
          label="System"
          value={system}
          options={SYSTEMS.map((s) => [s, systemTitle(s)])}
          onChange={setSystem}
        />
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className={BUTTON.solid} disabled={fits.length === 0} onClick={begin}>
          Bring a vehicle in
        </button>
        <FileButton
          label="Practice task"
          accept="application/json,.json"
          className={BUTTON.plain}
          onFile={(file) => void open(file)}
        >
          Open a task from a file
        </FileButton>
        <span className="text-[15px] text-ink-2" role="status">
          {fits.length === 0
            ? 'No task fits. Choose “Any” in one of the three.'
            : `${counted(fits.length, 'task')} ${fits.length === 1 ? 'fits' : 'fit'}.`}
        </span>
      </div>
      {problem ? (
        <Notice title="This task cannot be opened." tone="strong">
          {problem}
        </Notice>
      ) : null}
    </section>
  );
}

function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T | typeof ANY;
  options: readonly (readonly [T, string])[];
  onChange: (value: T | typeof ANY) => void;
}) {
  return (
    <label className="block">
      <span className="font-semibold">{label}</span>
      <select
        className={FIELD}
        value={value}
        onChange={(e) => onChange(options.find(([id]) => id === e.target.value)?.[0] ?? ANY)}
      >
        <option value={ANY}>Any</option>
        {options.map(([id, title]) => (
          <option key={id} value={id}>
            {title}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Tasks that are not ended yet. */
function Open({ cases }: { cases: readonly CaseRecord[] }) {
  const { words } = useWording();
  if (cases.length === 0) return null;
  return (
    <section aria-labelledby="open-tasks" className={`${SHEET} p-4`}>
      <h2 id="open-tasks" className="text-lg">
        Not finished
      </h2>
      <ul className="divide-y divide-line">
        {cases.map((c) => {
          const task = practiceOf(c)?.task;
          return (
            <li key={c.id}>
              <Link
                to={`/case/${c.id}/light`}
                className="flex min-h-11 flex-wrap items-center gap-x-3 underline underline-offset-4"
              >
                <b>{task ? wordsIn(carTitle(task.car), words) : 'A task that cannot be read'}</b>
                <span>begun {day(c.openedAt)}</span>
              </Link>
              {task ? <p className="pb-2 text-[15px] text-ink-2">{wordsIn(task.complaint, words)}</p> : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** How it went so far, by system and task by task. */
function Scores({ cases }: { cases: readonly CaseRecord[] }) {
  const { played, isWorking } = usePracticeScores(cases);
  if (cases.length === 0) return null;
  const systems = [...new Set(played.map((p) => p.system))];
  const rows = systems.map((system) => {
    const of = played.filter((p) => p.system === system);
    const mean = of.reduce((n, p) => n + p.points, 0) / of.length;
    const [newest, ...older] = of;
    return { system, of, mean, newest, before: older[0] };
  });
  return (
    <section aria-labelledby="scores" className={`${SHEET} space-y-3 p-4`}>
      <h2 id="scores" className="text-lg">
        How it went
      </h2>
      {isWorking ? <p role="status">Working it out…</p> : null}
      {rows.length > 0 ? (
        <table className="w-full text-left">
          <caption className="sr-only">Points by system, of 100</caption>
          <thead>
            <tr className="border-b border-line">
              <th scope="col">System</th>
              <th scope="col" className="text-right">
                Tasks
              </th>
              <th scope="col" className="text-right">
                Solved
              </th>
              <th scope="col" className="text-right">
                Points on average
              </th>
              <th scope="col" className="text-right">
                The last
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.system} className="border-b border-line last:border-b-0">
                <th scope="row" className="py-1.5 font-normal">
                  {systemTitle(r.system)}
                </th>
                <td className="text-right font-mono">{r.of.length}</td>
                <td className="text-right font-mono">{r.of.filter((p) => p.isSolved).length}</td>
                <td className="text-right font-mono">{Math.round(r.mean)}</td>
                <td className="text-right font-mono">
                  {r.newest?.points}
                  {r.newest && r.before ? trendWord(r.newest, r.before) : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <ul className="divide-y divide-line">
        {played.map((p) => (
          <li key={p.caseId}>
            <Link
              to={`/practice/${p.caseId}`}
              className="flex min-h-11 flex-wrap items-center justify-between gap-x-3 underline underline-offset-4"
            >
              <span>
                {day(p.at)}, {systemTitle(p.system).toLowerCase()}: {p.what}
              </span>
              <span className="font-mono">{p.points} of 100</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

const trendWord = (now: Played, before: Played): string =>
  now.points > before.points ? ', up' : now.points < before.points ? ', down' : ', the same';

/** A fault of one's own choice as a file, to give to somebody else. */
function ForOthers() {
  const { words } = useWording();
  const [id, setId] = useState(PRACTICE_TASKS[0]?.id ?? '');
  const task = PRACTICE_TASKS.find((t) => t.id === id);
  return (
    <details className={`${SHEET} px-4 py-1`}>
      <summary className="flex min-h-11 items-center font-semibold">Make a task for somebody else</summary>
      <div className="space-y-3 pb-3">
        <p>Choose what is wrong. The file does not show it; they open it here, in their own practice bay.</p>
        <label className="block">
          <span className="font-semibold">What is wrong</span>
          <select className={FIELD} value={id} onChange={(e) => setId(e.target.value)}>
            {PRACTICE_TASKS.map((t) => (
              <option key={t.id} value={t.id}>
                {wordsIn(`${carTitle(t.car)}: ${namesOf(t)}`, words)}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className={BUTTON.plain}
          disabled={!task}
          onClick={() => task && saveText('practice task.json', taskFile(task))}
        >
          Save as a file
        </button>
      </div>
    </details>
  );
}

function namesOf(task: PracticeTask): string {
  const names = practiceFaults(task.parts.map((p) => p.fault)).map(faultTitle);
  const said = names.length === 0 ? 'nothing wrong' : names.join(' and ').toLowerCase();
  return task.kind === 'comes-and-goes' ? `${said}, comes and goes` : said;
}
