import { PlugZap } from 'lucide-react';
import { useNavigate } from 'react-router';
import { socketCoverage } from '@pincer/core/vehicle';
import { faultTitle, type Fault, type TemperamentId } from '@pincer/simulator';
import { StandInPanel } from '../../practice/stand-in-panel.tsx';
import { connectStandIn, readCar, stopLink } from '../../store/link-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { RealAdapter } from './real-adapter.tsx';
import { Socket } from './socket.tsx';

const FAULTS: readonly { id: string; fault: Fault | null }[] = [
  { id: 'boot', fault: { kind: 'coil-boot', cylinder: 2 } },
  { id: 'coil-1', fault: { kind: 'coil', cylinder: 1 } },
  { id: 'coil-3', fault: { kind: 'coil', cylinder: 3 } },
  { id: 'air-flow', fault: { kind: 'air-flow-unplugged' } },
  { id: 'intake-temperature', fault: { kind: 'intake-temperature-unplugged' } },
  { id: 'leak', fault: { kind: 'intake-leak', share: 0.2 } },
  { id: 'none', fault: null },
];

/** The adapter's temper, from plain to awkward. */
const ADAPTERS: readonly { id: TemperamentId; title: string }[] = [
  { id: 'quick', title: 'Quick' },
  { id: 'slow', title: 'Slow' },
  { id: 'legacy', title: 'Quick, older car' },
  { id: 'forgetful', title: 'Loses characters' },
  { id: 'clone', title: 'Knows fewer commands' },
  { id: 'restarting', title: 'Restarts once' },
];

interface Choice {
  fault: string;
  temperament: TemperamentId;
  isFolded: boolean;
}
const START: Choice = { fault: 'boot', temperament: 'quick', isFolded: false };
const isChoice = (v: unknown): v is Choice =>
  typeof v === 'object' && v !== null && 'fault' in v && 'temperament' in v && 'isFolded' in v;

const COVERAGE_WORDS = {
  yes: 'This vehicle has the standard’s socket.',
  likely: 'It likely has it.',
  unlikely: 'It may well not have it.',
  unknown: 'Nobody can say yet whether it has it.',
} as const;

const PREPARE = [
  'Level ground, fresh air, in park or neutral, parking brake on.',
  'Find the socket: nearly always under the dash on the driver’s side, near the steering column, often behind a flap.',
  'The plug goes one way only: long row to long row. Never force it. Its lamp lights from the socket alone.',
  'Ignition on, engine not needed. On a button-start car press the button without the brake pedal.',
];

/** Getting the adapter to talk. */
export function PlugIn() {
  const { record, state, vehicle } = useCase();
  const coverage = socketCoverage(vehicle);
  const dispatch = useAppDispatch();
  const link = useAppSelector((s) => s.link);
  const [choice, setChoice] = useDraft('plug-in', START, isChoice);
  const mine = link.caseId === record.id ? link.status : { at: 'idle' as const };
  const isTalking = mine.at === 'talking' || mine.at === 'reading';
  const isBusy = isTalking || mine.at === 'connecting';
  const navigate = useNavigate();
  const connectNow = async (andRead: boolean) => {
    const fault = FAULTS.find((f) => f.id === choice.fault)?.fault ?? null;
    setChoice({ ...choice, isFolded: true });
    const isConnected = await dispatch(
      connectStandIn(record.id, { fault, seed: 7, temperament: choice.temperament, isWet: true }),
    );
    if (!isConnected || !andRead) return;
    void navigate(`/case/${record.id}/read`);
    await dispatch(readCar(record.id));
  };

  return (
    <StationPage
      title="Plug in"
      lead="The adapter has to talk to the car before anything can be read. Nothing is changed in the car by this."
      {...(isTalking
        ? {
            next: {
              title: 'Next: read everything',
              detail: 'Before anything is touched or cleared.',
              to: `/case/${record.id}/read`,
            },
          }
        : {})}
    >
      <details
        open={!choice.isFolded}
        onToggle={(e) => setChoice({ ...choice, isFolded: !e.currentTarget.open })}
        className={SHEET}
      >
        <summary className="min-h-11 px-4 py-2.5 text-lg font-bold">Before you plug in</summary>
        <p className="px-4 pb-2">
          <b>{COVERAGE_WORDS[coverage.verdict]}</b> {coverage.reason}{' '}
          <span className="text-ink-2">{coverage.howToTell}</span>
        </p>
        <div className="grid gap-4 px-4 pb-4 md:grid-cols-[1fr_300px]">
          <ol className="list-decimal space-y-1.5 pl-5">
            {PREPARE.map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ol>
          <Socket />
        </div>
      </details>
      <div aria-live="polite">
        {mine.at === 'connecting' ? (
          <Progress {...mine.progress} onStop={() => dispatch(stopLink())} />
        ) : null}
        {isTalking ? (
          <p className="text-[17px]">
            <b>Talking.</b> {'protocol' in mine ? mine.protocol : ''}
            {'volts' in mine && mine.volts !== null ? (
              <span>
                , <span className="font-mono">{mine.volts.toFixed(1)} V</span> at the socket (12.4 to 12.7
                rested)
              </span>
            ) : null}
          </p>
        ) : null}
        {mine.at === 'failed' || mine.at === 'lost' ? (
          <Notice title={mine.words.sentence} tone="strong">
            {mine.words.next}
            {'volts' in mine && mine.volts !== null
              ? ` The socket has ${mine.volts.toFixed(1)} V, so its fuse is whole.`
              : ''}
          </Notice>
        ) : null}
      </div>
      <RealAdapter caseId={record.id} isBusy={isBusy} />
      <section aria-labelledby="adapter" className={`${SHEET} p-4`}>
        <h3 id="adapter" className="flex items-center gap-2 text-lg">
          <PlugZap size={22} aria-hidden="true" /> Stand-in adapter
        </h3>
        <p className="text-ink-2">
          A made-up Tarrow Finch with an adapter in its socket, inside this page. It speaks the same bytes as
          a real one.
        </p>
        <div className="mt-3 grid items-end gap-3 sm:grid-cols-[1fr_180px_auto]">
          <label className="block">
            <span className="font-semibold">What is wrong with it</span>
            <select
              className={FIELD}
              value={choice.fault}
              disabled={isTalking}
              onChange={(e) => setChoice({ ...choice, fault: e.target.value })}
            >
              {FAULTS.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.fault ? faultTitle(f.fault) : 'Nothing'}
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="font-semibold">Adapter</span>
            <select
              className={FIELD}
              value={choice.temperament}
              disabled={isTalking}
              onChange={(e) =>
                setChoice({
                  ...choice,
                  temperament: ADAPTERS.find((a) => a.id === e.target.value)?.id ?? 'quick',
                })
              }
            >
              {ADAPTERS.map((a) => (
                <option key={a.id} value={a.id}>
                  {a.title}
                </option>
              ))}
            </select>
          </label>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className={BUTTON.plain}
              disabled={isBusy}
              onClick={() => void connectNow(false)}
            >
              {mine.at === 'failed' || mine.at === 'lost' || state.connection ? 'Connect again' : 'Connect'}
            </button>
            <button
              type="button"
              className={BUTTON.solid}
              disabled={isBusy}
              onClick={() => void connectNow(true)}
            >
              Connect and read
            </button>
          </div>
        </div>
      </section>
      <StandInPanel />
    </StationPage>
  );
}
