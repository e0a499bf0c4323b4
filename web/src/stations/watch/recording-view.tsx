import { useEffect, useMemo, useRef, useState } from 'react';
import { ChevronLeft, ChevronRight, Maximize2, ZoomIn, ZoomOut } from 'lucide-react';
import type { EntryOf } from '@pincer/core/case';
import { engineOf } from '@pincer/core/assess';
import { READINGS, expectedBand, judge, keyOfChannel } from '@pincer/core/signals';
import type { Vehicle } from '@pincer/core/vehicle';
import { useTell } from '../../store/use-tell.ts';
import { recordingsWorker } from '../../workers/recordings-client.ts';
import type { OpenedRecording } from '../../workers/recordings.worker.ts';
import { saveBlob } from '../../ui/save-text.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { counted, figure } from '../../ui/format.ts';
import { useMoment } from '../../ui/use-now.ts';
import { SpanTable, Traces, type Trace } from './traces.tsx';
import { readingName } from '../../ui/reading.ts';
import { useWording } from '../../store/use-tell.ts';

/** Pairs of extremes that a trace is thinned to: a pair for every few columns of a screen keeps each peak. */
const BUCKETS = 100;
const SHOWN_AT_FIRST = 6;

/** A stored recording: traces in step, zoom and pan, numbers of the span, another one behind it. */
export function RecordingView({
  entry,
  others,
  vehicle,
  onClose,
}: {
  entry: EntryOf<'recording'>;
  others: readonly EntryOf<'recording'>[];
  vehicle: Vehicle;
  onClose: () => void;
}) {
  const moment = useMoment();
  const wording = useWording();
  const [opened, setOpened] = useState<OpenedRecording | 'missing' | null>(null);
  const [view, setView] = useState({ from: 0, to: Math.max(0.1, entry.seconds) });
  const [shown, setShown] = useState<string[]>(entry.channels.slice(0, SHOWN_AT_FIRST).map((c) => c.id));
  const [otherId, setOtherId] = useState('');
  const [traces, setTraces] = useState<Trace[]>([]);
  const length = Math.max(0.1, entry.seconds);
  const heading = useRef<HTMLHeadingElement>(null);
  // Whoever opens a recording looks at it: it comes into view, and what is read out begins there.
  useEffect(() => {
    heading.current?.scrollIntoView({ block: 'start' });
    heading.current?.focus({ preventScroll: true });
  }, []);

  useEffect(() => {
    let isOff = false;
    void recordingsWorker()
      .open(entry.recording)
      .then((o) => {
        if (!isOff) setOpened(o ?? 'missing');
      });
    return () => {
      isOff = true;
    };
  }, [entry.recording]);

  useEffect(() => {
    let isOff = false;
    const load = async () => {
      const worker = recordingsWorker();
      const [mine, other] = await Promise.all([
        worker.traces(entry.recording, shown, view.from, view.to, BUCKETS),
        otherId ? worker.traces(otherId, shown, view.from, view.to, BUCKETS) : Promise.resolve({}),
      ]);
      if (isOff) return;
      const engine = engineOf(vehicle);
      const longest = [...entry.windows].sort((a, b) => b.seconds - a.seconds)[0];
      const next = shown.flatMap((id): Trace[] => {
        const channel = entry.channels.find((c) => c.id === id);
        const points = mine[id];
        if (!channel || !points) return [];
        const key = keyOfChannel(id);
        const compared = (other as typeof mine)[id];
        return [
          {
            id,
            name: key ? READINGS[key].title : channel.name,
            unit: channel.unit,
            points,
            from: view.from,
            to: view.to,
            other: compared,
            stat: points.stat,
            otherStat: compared?.stat ?? null,
            band: key && longest ? expectedBand(key, longest.state, engine) : null,
          },
        ];
      });
      setTraces(next);
    };
    void load();
    return () => {
      isOff = true;
    };
  }, [entry, shown, view, otherId, vehicle]);

  const span = view.to - view.from;
  const move = (from: number, to: number) => {
    const width = Math.min(length, Math.max(0.5, to - from));
    const start = Math.min(Math.max(0, from), length - width);
    setView({ from: start, to: start + width });
  };
  const zoom = (factor: number) => {
    const middle = (view.from + view.to) / 2;
    move(middle - (span * factor) / 2, middle + (span * factor) / 2);
  };
  const save = async (hasDecimalComma: boolean) => {
    const blob = await recordingsWorker().exportCsv(entry.recording, hasDecimalComma);
    if (blob) saveBlob(`${entry.title.replaceAll(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.csv`, blob);
  };
  return (
    <section aria-label={`Recording: ${entry.title}`} className={`${SHEET} space-y-3 p-4`}>
      <div className="flex flex-wrap items-start justify-between gap-2">
        <div>
          <h3 ref={heading} tabIndex={-1} className="scroll-mt-4 text-lg focus:outline-none">
            {entry.title}
          </h3>
          <p className="text-[15px] text-ink-2">
            {moment(entry.at)}, {figure(Math.round(entry.seconds))} s, {entry.samples.toLocaleString('en-GB')}{' '}
            samples
            {entry.file ? `, from ${entry.file}` : ''}
          </p>
        </div>
        <button type="button" className={BUTTON.quiet} onClick={onClose}>
          Close it
        </button>
      </div>
      {opened === 'missing' ? (
        <p>
          <b>Its samples are not in this browser.</b> The results are in the case all the same; the traces are
          only on the device that recorded it.
        </p>
      ) : null}
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className={BUTTON.plain}
          aria-label="Earlier"
          onClick={() => move(view.from - span / 2, view.to - span / 2)}
        >
          <ChevronLeft size={20} aria-hidden="true" />
        </button>
        <button
          type="button"
          className={BUTTON.plain}
          aria-label="Later"
          onClick={() => move(view.from + span / 2, view.to + span / 2)}
        >
          <ChevronRight size={20} aria-hidden="true" />
        </button>
        <button type="button" className={BUTTON.plain} aria-label="Zoom in" onClick={() => zoom(0.5)}>
          <ZoomIn size={20} aria-hidden="true" />
        </button>
        <button type="button" className={BUTTON.plain} aria-label="Zoom out" onClick={() => zoom(2)}>
          <ZoomOut size={20} aria-hidden="true" />
        </button>
        <button type="button" className={BUTTON.plain} onClick={() => move(0, length)}>
          <Maximize2 size={18} aria-hidden="true" /> All
        </button>
        <span role="status" className="font-mono text-[15px]">
          {figure(view.from)} to {figure(view.to)} s
        </span>
        {others.length > 0 ? (
          <label className="flex items-center gap-2">
            <span className="whitespace-nowrap">Compare with</span>
            <select className={FIELD} value={otherId} onChange={(e) => setOtherId(e.target.value)}>
              <option value="">nothing</option>
              {others.map((o) => (
                <option key={o.id} value={o.recording}>
                  {o.title}, {moment(o.at)}
                </option>
              ))}
            </select>
          </label>
        ) : null}
      </div>
      <Traces traces={traces} marks={entry.marks} />
      {entry.marks.length > 0 ? (
        <p className="text-[15px]">
          {counted(entry.marks.length, 'mark')}:{' '}
          {entry.marks.map((m) => `${m.text} at ${figure(m.at)} s`).join(', ')}
        </p>
      ) : null}
      <SpanTable traces={traces} hasOther={otherId !== ''} />
      <Verdicts entry={entry} vehicle={vehicle} />
      <fieldset>
        <legend className="font-semibold">Readings shown</legend>
        <div className="mt-1 flex flex-wrap gap-x-4">
          {entry.channels.map((c) => (
            <label key={c.id} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--car)"
                checked={shown.includes(c.id)}
                onChange={(e) =>
                  setShown(e.target.checked ? [...shown, c.id] : shown.filter((s) => s !== c.id))
                }
              />
              {readingName(c.name, wording)}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="flex flex-wrap gap-2">
        <button type="button" className={BUTTON.plain} onClick={() => void save(false)}>
          Save as CSV
        </button>
        <button type="button" className={BUTTON.quiet} onClick={() => void save(true)}>
          Semicolon-separated, decimal commas
        </button>
      </div>
    </section>
  );
}

/** What the rules say of this recording by itself: what is odd with its figures, how much is normal. */
function Verdicts({ entry, vehicle }: { entry: EntryOf<'recording'>; vehicle: Vehicle }) {
  const tell = useTell();
  const judged = useMemo(() => {
    const engine = engineOf(vehicle);
    return judge(entry.windows.map((w) => ({ ...w, engine, tests: [] })));
  }, [entry.windows, vehicle]);
  const odd = judged.filter((j) => j.verdict === 'odd' || j.verdict === 'impossible');
  const sound = judged.filter((j) => j.verdict === 'sound');
  const borderline = judged.filter((j) => j.verdict === 'borderline');
  return (
    <section aria-label="What this recording says">
      <h4 className="font-semibold">What this recording says</h4>
      {odd.length === 0 ? (
        <p>
          {sound.length + borderline.length === 0
            ? 'Nothing in it could be checked: it is too short, or the engine was in no state that a check knows.'
            : `Nothing unusual; ${counted(sound.length, 'check')} ${sound.length === 1 ? 'is' : 'are'} normal.`}
        </p>
      ) : (
        <ul>
          {odd.map((j) => (
            <li key={j.rule} className="border-t border-line py-1.5">
              <b>{tell(j.title)}: no</b> <span className="font-mono text-[15px]">{tell(j.measured)}</span>
              <span className="block text-[15px] text-ink-2">
                Expected: {tell(j.expected)}. {tell(j.source)}.
              </span>
            </li>
          ))}
        </ul>
      )}
      {borderline.map((j) => (
        <p key={j.rule}>
          <b>{tell(j.title)}: borderline.</b>{' '}
          <span className="font-mono text-[15px]">{tell(j.measured)}</span>{' '}
          <span className="text-[15px] text-ink-2">Expected: {tell(j.expected)}.</span>
        </p>
      ))}
    </section>
  );
}
