import { useEffect, useMemo, useRef, useState } from 'react';
import { Volume2 } from 'lucide-react';
import { engineOf } from '@pincer/core/assess';
import type { Pace } from '@pincer/core/link';
import {
  DropOutWatch,
  GuidedWatch,
  READINGS,
  durationOf,
  downsample,
  engineState,
  expectedBand,
  indexAt,
  keyOfChannel,
  responseAt,
  samplesOf,
  statOf,
  type DropOut,
  type EngineState,
  type GuidedState,
  type GuidedStepId,
  type Recording,
  type Response,
} from '@pincer/core/signals';
import type { Vehicle } from '@pincer/core/vehicle';
import { pauseWatching, stopWatching } from '../../store/watch-actions.ts';
import { watchService } from '../../store/watch-service.ts';
import { useAppDispatch } from '../../store/store.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { counted, figure } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { Traces, type Trace } from './traces.tsx';
import { beep } from './beep.ts';
import { useTell } from '../../store/use-tell.ts';
import { apartInOwnUnit, inOwnUnit, readingName } from '../../ui/reading.ts';
import { useWording } from '../../store/use-tell.ts';

/** Seconds in view while it runs. */
const VIEW = 30;
const BUCKETS = 120;
/** The view moves on by so many seconds at a time: what stands still needs no new picture. */
const STEP = 5;

const newest = (recording: Recording, key: Parameters<typeof samplesOf>[1]): number | null =>
  samplesOf(recording, key)?.values.at(-1) ?? null;

/** What the engine does now, from the newest values. */
function stateNow(recording: Recording, vehicle: Vehicle): EngineState {
  return engineState(
    {
      engineSpeed: newest(recording, 'engineSpeed'),
      speed: newest(recording, 'speed'),
      coolant: newest(recording, 'coolant'),
      load: newest(recording, 'load'),
    },
    engineOf(vehicle),
  );
}

function liveTraces(recording: Recording, vehicle: Vehicle, from: number, to: number): Trace[] {
  const engine = engineOf(vehicle);
  const state = stateNow(recording, vehicle);
  return recording.channels.map((channel) => {
    const { times, values } = recording.samples[channel.id] ?? { times: [], values: [] };
    const first = Math.max(0, indexAt(times, from));
    const key = keyOfChannel(channel.id);
    const pid = Number.parseInt(channel.id, 16);
    return {
      id: channel.id,
      name: key ? READINGS[key].title : channel.name,
      unit: channel.unit,
      points: downsample(times, values, BUCKETS, first, times.length - 1),
      from,
      to,
      stat: statOf(values, first, values.length - 1, to - from),
      band: key ? expectedBand(key, state, engine) : null,
      rate: watchService.pace?.byPid.get(pid) ?? 0,
    };
  });
}

const STATE_WORDS: Readonly<Record<EngineState, string>> = {
  'key-on': 'ignition on, engine off',
  cranking: 'the starter turns',
  'idle-cold': 'idling, cold',
  'idle-warm': 'idling, warm',
  raised: 'revved, standing',
  cruise: 'steady drive',
  driving: 'driving',
  unknown: 'not known',
};

/** What is shown of the recording that runs, as it is at a moment: the recording itself grows in place. */
interface Seen {
  seconds: number;
  state: EngineState;
  pace: Pace | null;
  isSaved: boolean;
  traces: Trace[];
  channels: Recording['channels'];
  marks: Recording['marks'];
}

function seenOf(vehicle: Vehicle): Seen | null {
  const { recording, pace, saveFault } = watchService;
  if (!recording) return null;
  const seconds = durationOf(recording);
  const to = Math.max(VIEW, Math.ceil(seconds / STEP) * STEP);
  return {
    seconds,
    state: stateNow(recording, vehicle),
    pace,
    isSaved: saveFault === null,
    traces: liveTraces(recording, vehicle, to - VIEW, to),
    channels: [...recording.channels],
    marks: recording.marks,
  };
}

/** The recording that runs: traces, what the engine does, how fast values come; mark, pause, stop. */
export function Live({
  title,
  isPaused,
  vehicle,
  guided,
}: {
  title: string;
  isPaused: boolean;
  vehicle: Vehicle;
  guided: GuidedStepId | null;
}) {
  const tell = useTell();
  const [seen, setSeen] = useState(() => seenOf(vehicle));
  // While what was recorded is being written, its last look stays.
  useEffect(() => watchService.subscribe(() => setSeen((last) => seenOf(vehicle) ?? last)), [vehicle]);
  const dispatch = useAppDispatch();
  if (!seen) return <p role="status">Beginning…</p>;
  const { seconds, state, pace } = seen;
  return (
    <section aria-label="Recording now" className={`${SHEET} space-y-3 p-4`}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <div>
          <h3 className="text-lg">{title}</h3>
          <p className="text-[15px] text-ink-2">
            {isPaused ? 'Paused' : 'Recording'},{' '}
            <span className="font-mono">{figure(Math.round(seconds))} s</span>; {STATE_WORDS[state]};{' '}
            <span className="font-mono">{figure(Math.round((pace?.perSecond ?? 0) * 10) / 10)}</span> values a
            second, a request takes{' '}
            <span className="font-mono">{figure(Math.round(pace?.requestMs ?? 0))} ms</span>
          </p>
          {(pace?.silent.length ?? 0) > 0 ? (
            <p className="text-[15px]">
              {tell('The {car} stopped reporting:')}{' '}
              {pace?.silent.map((p) => p.toString(16).toUpperCase().padStart(2, '0')).join(', ')}.
            </p>
          ) : null}
        </div>
        <div className="flex flex-wrap gap-2">
          <button type="button" className={BUTTON.own} onClick={() => watchService.mark('mark')}>
            Mark this moment
          </button>
          <button type="button" className={BUTTON.plain} onClick={() => dispatch(pauseWatching(!isPaused))}>
            {isPaused ? 'Continue' : 'Pause'}
          </button>
          <button type="button" className={BUTTON.solid} onClick={() => void dispatch(stopWatching())}>
            Stop and keep it
          </button>
        </div>
      </div>
      {!seen.isSaved ? (
        <Notice title="It cannot be written to storage at the moment." tone="strong">
          Recording continues and saving is retried; do not close this page. A full disk is a common reason:
          make room.
        </Notice>
      ) : null}
      {guided ? <Guide step={guided} vehicle={vehicle} /> : null}
      <Traces traces={seen.traces} marks={seen.marks} />
      <MoveTest channels={seen.channels} seconds={seconds} />
    </section>
  );
}

/** Leads to one state and says when enough of it is recorded. */
function Guide({ step, vehicle }: { step: GuidedStepId; vehicle: Vehicle }) {
  const tell = useTell();
  const watch = useMemo(() => new GuidedWatch(step, engineOf(vehicle)), [step, vehicle]);
  const [now, setNow] = useState<GuidedState | null>(null);
  const isMarked = useRef(false);
  useEffect(
    () =>
      watchService.onSamples(() => {
        const { recording } = watchService;
        if (!recording) return;
        const next = watch.push({
          at: durationOf(recording),
          state: stateNow(recording, vehicle),
          engineSpeed: newest(recording, 'engineSpeed'),
          coolant: newest(recording, 'coolant'),
          speed: newest(recording, 'speed'),
        });
        if (next.isDone && !isMarked.current) {
          isMarked.current = true;
          watchService.mark('enough recorded');
          beep(660);
        }
        setNow(next);
      }),
    [watch, vehicle],
  );
  if (!now) return null;
  return (
    <div className="border-l-4 border-own bg-own-soft px-3 py-2">
      <p role="status" className="text-[18px] font-bold">
        {tell(now.says)}
      </p>
      <div className="mt-1 h-2.5 rounded-sm bg-line" aria-hidden="true">
        <div
          className="h-full rounded-sm bg-own"
          style={{ width: `${Math.min(1, now.have / Math.max(0.1, now.want)) * 100}%` }}
        />
      </div>
    </div>
  );
}

/** Move something, and see whether and how fast a reading follows; or wiggle a loom and hear each drop-out. */
function MoveTest({ channels, seconds }: { channels: Recording['channels']; seconds: number }) {
  const tell = useTell();
  const wording = useWording();
  const [channel, setChannel] = useState('');
  const [movedAt, setMovedAt] = useState<number | null>(null);
  const [isWiggling, setWiggling] = useState(false);
  const [dropOuts, setDropOuts] = useState<DropOut[]>([]);
  const [response, setResponse] = useState<Response | null>(null);
  const id = channels.some((c) => c.id === channel) ? channel : (channels[0]?.id ?? '');
  const unit = channels.find((c) => c.id === id)?.unit ?? '';
  const passed = movedAt === null ? 0 : seconds - movedAt;

  useEffect(() => {
    if (movedAt === null) return;
    const look = () => {
      const samples = watchService.recording?.samples[id];
      setResponse(samples ? responseAt(samples, movedAt) : null);
    };
    look();
    return watchService.subscribe(look);
  }, [movedAt, id]);

  useEffect(() => {
    if (!isWiggling) return;
    const watch = new DropOutWatch();
    return watchService.onSamples((batch) => {
      for (const s of batch) {
        if (s.channel.id !== id) continue;
        if (watch.push(s.at, s.value)) {
          beep(990);
          setDropOuts([...watch.dropOuts]);
          watchService.mark('drop-out');
        }
      }
    });
  }, [isWiggling, id]);

  return (
    <details>
      <summary className="flex min-h-11 items-center font-semibold">
        Move something and watch it respond
      </summary>
      <div className="space-y-2">
        <label className="block max-w-sm">
          <span className="font-semibold">Which reading should follow</span>
          <select className={FIELD} value={id} onChange={(e) => setChannel(e.target.value)}>
            {channels.map((c) => (
              <option key={c.id} value={c.id}>
                {readingName(c.name, wording)}
              </option>
            ))}
          </select>
        </label>
        <p className="text-[15px] text-ink-2">
          {tell(
            'With the ignition on and the engine off, {press the accelerator} or wiggle the connector. Switch the ignition off before you unplug anything. Keep hands off belts and fan; touch nothing yellow or orange.',
          )}
        </p>
        <div className="flex flex-wrap items-center gap-2">
          <button
            type="button"
            className={BUTTON.own}
            onClick={() => {
              setMovedAt(watchService.recording ? durationOf(watchService.recording) : seconds);
              watchService.mark('moved');
            }}
          >
            I am moving it now
          </button>
          <button
            type="button"
            className={BUTTON.plain}
            aria-pressed={isWiggling}
            onClick={() => setWiggling(!isWiggling)}
          >
            <Volume2 size={18} aria-hidden="true" />{' '}
            {isWiggling ? 'End the wiggle test' : 'Wiggle test, with a sound'}
          </button>
        </div>
        <div aria-live="polite">
          {movedAt !== null ? (
            <p>
              {response?.hasFollowed ? (
                <>
                  <b>It followed</b> after {figure(Math.round((response.afterSeconds ?? 0) * 10) / 10)} s:
                  from {inOwnUnit(response.before, unit, wording.units)} to{' '}
                  {inOwnUnit(response.furthest, unit, wording.units)}.
                </>
              ) : passed < 10 ? (
                'Watching…'
              ) : (
                <>
                  <b>It did not follow.</b> It stayed within{' '}
                  {apartInOwnUnit(response?.waver ?? 0, unit, wording.units)} of its value: check its
                  connector and wiring.
                </>
              )}
            </p>
          ) : null}
          {isWiggling || dropOuts.length > 0 ? (
            <p>
              {dropOuts.length === 0
                ? 'Bend the wiring bit by bit. No drop-out so far.'
                : `${counted(dropOuts.length, 'drop-out')}, the last from ${inOwnUnit(dropOuts.at(-1)?.from ?? 0, unit, wording.units)} to ${inOwnUnit(dropOuts.at(-1)?.to ?? 0, unit, wording.units)}: you bent it at the bad place.`}
            </p>
          ) : null}
        </div>
      </div>
    </details>
  );
}
