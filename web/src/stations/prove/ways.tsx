import { useState } from 'react';
import { Link } from 'react-router';
import type { ClearedBy } from '@pincer/core/case';
import type { FadingCode } from '@pincer/core/proof';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { useTell } from '../../store/use-tell.ts';
import { ByHand } from '../../typed/by-hand.tsx';
import { BUTTON, SHEET } from '../../ui/classes.ts';
import { Notice } from '../../ui/notice.tsx';
import { Segments } from '../../ui/segments.tsx';
import { WaitTimer } from '../../waiting/wait-timer.tsx';
import { useCase } from '../case-context.ts';
import { ClearGuard } from './clear-guard.tsx';

const WAYS = [
  { id: 'adapter', title: 'This adapter' },
  { id: 'hand', title: 'Another reader' },
  { id: 'none', title: 'No clearing' },
  { id: 'battery', title: 'Battery off' },
] as const;
type WayId = (typeof WAYS)[number]['id'];
const isWay = (value: unknown): value is WayId => WAYS.some((w) => w.id === value);

/** The four ways in which a memory gets empty, each with what it costs. */
export function Ways() {
  const tell = useTell();
  const { record, state } = useCase();
  const hasAdapter = state.scans.some((s) => s.via === 'adapter') || state.connection?.outcome === 'talking';
  const hasTyped = state.scans.some((s) => s.via === 'hand');
  const [way, setWay] = useDraft<WayId>(
    `clear-way:${record.id}`,
    hasTyped && !hasAdapter ? 'hand' : 'adapter',
    isWay,
  );
  return (
    <section aria-labelledby="clear" className={`${SHEET} space-y-3 p-4`}>
      <h3 id="clear" className="text-lg">
        {tell('1 · Clear, or let the {car} forget')}
      </h3>
      <Segments label="How the memory gets empty" options={WAYS} value={way} onChange={setWay} />
      {way === 'adapter' ? <ClearGuard /> : null}
      {way === 'hand' ? <ByReader /> : null}
      {way === 'none' ? <NoClear /> : null}
      {way === 'battery' ? <BatteryOff /> : null}
    </section>
  );
}

/** What is written down of what a clear would erase, with the form to do so. */
function WrittenDown() {
  const { record, state } = useCase();
  const [isTyping, setTyping] = useState(false);
  const { standing } = state;
  const stands = (list: readonly { clearedBy: string | null }[]) =>
    list.filter((x) => x.clearedBy === null).length;
  const codes = new Set(standing.codes.filter((c) => c.clearedBy === null).map((c) => c.code.code)).size;
  const parts = [
    { what: 'Codes with their states', has: codes, how: `${codes} in the record` },
    { what: 'Stored conditions (freeze frame)', has: stands(standing.freezeFrames), how: 'in the record' },
    { what: 'Self-checks (I/M, monitors)', has: stands(standing.monitors), how: 'in the record' },
  ];
  return (
    <>
      <p className="font-semibold">Write these down before anything is cleared:</p>
      <ul className="divide-y divide-line border-y border-line">
        {parts.map(({ what, has, how }) => (
          <li key={what} className="flex justify-between gap-3 py-1.5">
            <span>{what}</span>
            <b>{has > 0 ? how : 'not yet'}</b>
          </li>
        ))}
      </ul>
      <button type="button" className={BUTTON.plain} onClick={() => setTyping(true)}>
        Write down what the reader shows
      </button>
      {isTyping ? <ByHand caseId={record.id} onClose={() => setTyping(false)} /> : null}
    </>
  );
}

const BY: readonly { id: ClearedBy; title: string }[] = [
  { id: 'hand-held', title: 'I did' },
  { id: 'workshop', title: 'A {workshop}' },
  { id: 'somebody', title: 'Somebody else' },
];

/** With a hand-held reader, or by somebody else: the same guard in words, and the owner’s word for the clear. */
function ByReader() {
  const { record, state, assessment } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const [by, setBy] = useState<ClearedBy>('hand-held');
  const { standing } = state;
  const isEmpty = !standing.codes.some((c) => c.clearedBy === null);
  const last = standing.clears.filter((c) => c.unit === null).at(-1);
  const isWaiting = last?.way === 'told' && last.readSince === null;
  const inspection = assessment.options
    .find((o) => o.id === 'clear')
    ?.blocked.find((b) => b.id === 'inspection');
  const tellCleared = async () => {
    await dispatch(recordSaying(record.id, { kind: 'clear-told', by }, 'Recorded: cleared.'));
  };
  return (
    <div className="space-y-3">
      <p>
        Clearing erases the codes, the stored conditions and the self-checks, and an inspection soon after may
        fail. It does not erase permanent codes, and it repairs nothing.
      </p>
      <WrittenDown />
      {inspection ? <Notice title="Not now.">{inspection.text}</Notice> : null}
      {isWaiting ? (
        <Notice title="Recorded: cleared.">
          Now read again with the same reader, and write down what it shows.
        </Notice>
      ) : (
        <>
          <p>
            Ignition on, engine off. Clear in the reader’s own menu, often called “erase codes”, then say so
            here.
          </p>
          {isEmpty ? (
            <Notice title="No code is written down yet.">
              If it was cleared already, what was stored is lost: which code it was, and under which
              conditions it came. Record it all the same, and go on by what you noticed.
            </Notice>
          ) : null}
          <div className="flex flex-wrap items-center justify-between gap-2">
            <span>Who cleared it?</span>
            <Segments
              label="Who cleared it?"
              options={BY.map((b) => ({ ...b, title: tell(b.title) }))}
              value={by}
              onChange={setBy}
              tone="own"
            />
          </div>
          <button type="button" className={BUTTON.own} onClick={() => void tellCleared()}>
            + The codes were cleared
          </button>
        </>
      )}
    </div>
  );
}

/** Repaired and not cleared: what the vehicle does by itself, and how far it is. */
function NoClear() {
  const tell = useTell();
  const { record, state, assessment } = useCase();
  const { fading } = assessment.proof;
  return (
    <div className="space-y-3">
      <p>
        {tell(
          'Nothing has to be cleared. Once the fault is gone, three good drives in a row put the light out, and about forty warm-ups later the {car} erases the code by itself. The stored conditions and the self-checks are kept that long, so this is the better way shortly before an inspection.',
        )}
      </p>
      {state.repairs.length === 0 ? (
        <Notice
          title="First record the repair."
          action={
            <Link to={`/case/${record.id}/fix`} className={BUTTON.solid}>
              Go to Fix
            </Link>
          }
        >
          The drives count from then on.
        </Notice>
      ) : null}
      {fading.length > 0 ? (
        <ul className="space-y-3">
          {fading.map((f) => (
            <Fading key={f.code} {...f} />
          ))}
        </ul>
      ) : null}
    </div>
  );
}

/** Where a code is on its way out: good trips until the light is out, then warm-ups until it is erased. */
function Fading({ code, isGone, trips, tripsToLampOff, warmUps, warmUpsToErase }: FadingCode) {
  const tell = useTell();
  const isLampOff = trips >= tripsToLampOff;
  const words = isGone
    ? tell('erased by the {car}')
    : !isLampOff
      ? `${trips} of ${tripsToLampOff} good drives until ${warmUpsToErase > 0 ? 'the light is off' : 'it is erased'}`
      : `the light should be off; about ${Math.max(0, warmUpsToErase - warmUps)} warm-ups until it is erased`;
  return (
    <li>
      <p className="flex flex-wrap justify-between gap-x-3">
        <span className="font-mono text-[18px]">{code}</span>
        <span>{words}</span>
      </p>
      <div className="mt-1 flex gap-1" aria-hidden="true">
        {Array.from({ length: tripsToLampOff }, (_, i) => (
          <span
            key={i}
            className={`h-3 flex-1 rounded-sm border border-ink ${isGone || i < trips ? 'bg-ink' : ''}`}
          />
        ))}
        {warmUpsToErase > 0 ? (
          <span className="relative h-3 flex-[4] overflow-hidden rounded-sm border border-ink">
            <span
              className="absolute inset-y-0 left-0 bg-ink"
              style={{ width: `${isGone ? 100 : Math.min(100, (warmUps / warmUpsToErase) * 100)}%` }}
            />
          </span>
        ) : null}
      </div>
    </li>
  );
}

const BATTERY_STEPS = [
  'Write down the codes first. Have the radio code at hand, and leave a window open.',
  'Switch the ignition off, take the key away, close the doors, and wait until everything has gone quiet.',
  'Take off the negative (earth) lead only. Wrap its clamp in a cloth, so that it cannot swing back.',
  'Wait. Nothing may be switched on meanwhile.',
  'Put the negative lead back. Seat the clamp fully on its post by hand before you tighten it.',
] as const;
const BATTERY_MINUTES = 10;

/** The battery’s lead off as a reset: what it loses, its steps, and the wait. */
function BatteryOff() {
  const { record, vehicle, state } = useCase();
  const dispatch = useAppDispatch();
  const tell = useTell();
  const isHybrid = vehicle.fuel === 'hybrid' || vehicle.fuel === 'electric';
  const last = state.standing.clears.at(-1);
  const isWaiting = last?.way === 'battery-off' && last.readSince === null;
  const note = async () => {
    await dispatch(
      recordSaying(record.id, { kind: 'battery-off' }, 'Recorded: the battery was disconnected.'),
    );
  };
  return (
    <div className="space-y-3">
      <p>
        A reader is better. With the battery off, the learned values and the self-checks are always lost, and
        so may be the radio, the clock and the windows; the codes often stay.
      </p>
      {isHybrid ? (
        <Notice title="The 12-volt battery only." tone="strong">
          Leave everything orange and the high-voltage battery alone.
        </Notice>
      ) : null}
      <ol className="list-decimal space-y-1.5 pl-6">
        {BATTERY_STEPS.map((step, i) => (
          <li key={step}>
            {step}
            {i === 3 ? (
              <span className="mt-1 block">
                <WaitTimer
                  id={`battery:${record.id}`}
                  minutes={BATTERY_MINUTES}
                  what="Battery disconnected"
                />
              </span>
            ) : null}
          </li>
        ))}
      </ol>
      <p className="text-ink-2">
        Afterwards the idle, the windows and the steering may have to learn again: see the{' '}
        {tell('{handbook}')}.
      </p>
      {isWaiting ? (
        <Notice title="Recorded. Now read again.">
          Only a reading shows whether the codes are gone or were kept.
        </Notice>
      ) : (
        <button type="button" className={BUTTON.own} onClick={() => void note()}>
          + The battery was disconnected
        </button>
      )}
    </div>
  );
}
