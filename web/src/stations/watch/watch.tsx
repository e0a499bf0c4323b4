import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { engineOf } from '@pincer/core/assess';
import {
  GUIDED_STEPS,
  READINGS,
  READING_KEYS,
  isReadingKey,
  sourcesOfReading,
  offeredFor,
  watchList,
  type GuidedStepId,
  type ReadingKey,
} from '@pincer/core/signals';
import { StandInPanel } from '../../practice/stand-in-panel.tsx';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { recordingHours } from '../../store/space-actions.ts';
import { useDraft } from '../../store/use-draft.ts';
import {
  cutRecordings,
  keepCutRecording,
  startWatching,
  type CutRecording,
} from '../../store/watch-actions.ts';
import { BUTTON, SHEET } from '../../ui/classes.ts';
import { counted, figure } from '../../ui/format.ts';
import { useMoment } from '../../ui/use-now.ts';
import { Notice } from '../../ui/notice.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { ImportRecording } from './import-recording.tsx';
import { Live } from './live.tsx';
import { RecordingView } from './recording-view.tsx';

const isKeyList = (v: unknown): v is ReadingKey[] =>
  Array.isArray(v) && v.every((k) => typeof k === 'string' && isReadingKey(k));

/** Readings over time: watched, recorded, judged, compared. */
export function Watch() {
  const moment = useMoment();
  const { record, state, vehicle, assessment } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const status = useAppSelector((s) => s.watch.status);
  const link = useAppSelector((s) => s.link);
  const isTalking = link.caseId === record.id && link.status.at === 'talking';
  const isRunning = (status.at === 'watching' || status.at === 'paused') && status.caseId === record.id;
  const offered = new Set(
    state.scans.flatMap((r) =>
      r.scan.values.filter((v) => v.service === '01').map((v) => Number.parseInt(v.pid, 16)),
    ),
  );
  const can = (key: ReadingKey) =>
    sourcesOfReading(key, offered).some(([pid]) => offered.has(Number.parseInt(pid, 16)));
  const proposed = watchList(
    assessment.causes.map((c) => c.system),
    offered,
  );
  const [chosen, setChosen] = useDraft<ReadingKey[]>('watch-list', [], isKeyList);
  const [guided, setGuided] = useState<GuidedStepId | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const [cut, setCut] = useState<CutRecording[]>([]);
  const recordings = [...state.recordings].reverse();
  const open = recordings.find((r) => r.id === shown) ?? null;

  useEffect(() => {
    if (isRunning) return;
    let isOff = false;
    void dispatch(cutRecordings(record.id)).then((found) => {
      if (!isOff) setCut(found);
    });
    return () => {
      isOff = true;
    };
  }, [dispatch, record.id, isRunning, state.recordings.length]);

  const all =
    offered.size > 0
      ? offered
      : new Set(READING_KEYS.flatMap((k) => READINGS[k].from.map(([pid]) => Number.parseInt(pid, 16))));
  const begin = (
    title: string,
    keys: readonly ReadingKey[],
    step: GuidedStepId | null,
    goOn?: CutRecording,
  ) => {
    setGuided(step);
    setShown(null);
    void dispatch(startWatching({ caseId: record.id, title, keys, offered: all, ...(goOn ? { goOn } : {}) }));
  };
  return (
    <StationPage
      title="Watch the readings"
      lead="A reading that is impossible, or does not move when it should, tells more than a code. Everything is recorded and checked."
      next={
        isTalking
          ? {
              title: 'Then: narrow it down',
              detail: 'What was recorded is evidence there.',
              to: `/case/${record.id}/narrow`,
            }
          : {
              title: 'Next: connect',
              detail: 'No adapter is connected; recordings can be looked at all the same.',
              to: `/case/${record.id}/plug-in`,
            }
      }
    >
      <div aria-live="polite">
        {status.at === 'ended' && status.caseId === record.id ? (
          <Notice title={status.words.sentence} tone="strong">
            {status.words.next} What was recorded is kept.
          </Notice>
        ) : null}
      </div>
      {isTalking && !isRunning ? <Room /> : null}
      {link.caseId === record.id ? <StandInPanel isFolded={isRunning} /> : null}
      {open ? (
        <RecordingView
          key={open.id}
          entry={open}
          others={recordings.filter((r) => r !== open)}
          vehicle={vehicle}
          onClose={() => setShown(null)}
        />
      ) : null}
      {isRunning ? (
        <Live title={status.title} isPaused={status.at === 'paused'} vehicle={vehicle} guided={guided} />
      ) : (
        <>
          {cut.map((meta) => (
            <Notice
              key={meta.id}
              title={`A recording was cut off: ${meta.title}, ${moment(meta.startedAt)}.`}
              tone="strong"
              action={
                <span className="flex flex-wrap gap-2">
                  <button
                    type="button"
                    className={BUTTON.solid}
                    onClick={() => {
                      setCut(cut.filter((m) => m !== meta));
                      void dispatch(keepCutRecording(meta));
                    }}
                  >
                    Keep what there is
                  </button>
                  {isTalking ? (
                    <button
                      type="button"
                      className={BUTTON.plain}
                      onClick={() => begin(meta.title, chosen.length > 0 ? chosen : proposed, null, meta)}
                    >
                      Continue it
                    </button>
                  ) : null}
                </span>
              }
            >
              The page was closed or the browser stopped. Everything but the last seconds was saved.
            </Notice>
          ))}
          <Choose
            proposed={proposed}
            chosen={chosen}
            setChosen={setChosen}
            can={(k) => offered.size === 0 || can(k)}
            isTalking={isTalking}
            onBegin={(keys) => begin('Chosen readings', keys, null)}
          />
          <section aria-label="Guided watching" className={`${SHEET} p-4`}>
            <h3 className="text-lg">Guided</h3>
            <p className="text-[15px] text-ink-2">
              Follow the step; Pincer sees when the engine is in the right state, records what it needs and
              tells you when it is done.
            </p>
            <ul className="mt-2 space-y-2">
              {GUIDED_STEPS.map((step) => (
                <li
                  key={step.id}
                  className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-t border-line pt-2"
                >
                  <span className="min-w-0 flex-1 basis-80">
                    <b>{tell(step.title)}</b>
                    <span className="block text-[15px]">{tell(step.how)}</span>
                    {step.caution ? (
                      <span className="block text-[15px] font-semibold">{tell(step.caution)}</span>
                    ) : null}
                  </span>
                  <button
                    type="button"
                    className={BUTTON.plain}
                    disabled={!isTalking}
                    aria-label={`Begin: ${tell(step.title)}`}
                    onClick={() =>
                      begin(
                        tell(step.title),
                        offered.size > 0 ? offeredFor(step, offered) : step.needs,
                        step.id,
                      )
                    }
                  >
                    Begin
                  </button>
                </li>
              ))}
            </ul>
          </section>
        </>
      )}
      {isRunning ? null : (
        <section aria-label="Recordings" className={`${SHEET} p-4`}>
          <h3 className="text-lg">Recordings of this case</h3>
          {recordings.length === 0 ? <p className="text-ink-2">None yet.</p> : null}
          <ul>
            {recordings.map((r) => (
              <li
                key={r.id}
                className="flex flex-wrap items-center justify-between gap-2 border-t border-line py-1"
              >
                <span>
                  <b>{r.title}</b>{' '}
                  <span className="text-ink-2">
                    {moment(r.at)}, {figure(Math.round(r.seconds))} s, {counted(r.channels.length, 'reading')}
                  </span>
                </span>
                <button
                  type="button"
                  className={BUTTON.quiet}
                  aria-label={`Open ${r.title}, ${moment(r.at)}`}
                  onClick={() => setShown(r.id)}
                >
                  Open
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {isRunning ? null : <ImportRecording />}
      <p className="text-[15px]">
        <Link className="font-semibold underline" to={`/case/${record.id}/read`}>
          Back to Read
        </Link>
        : the verdicts on all readings stand there.{' '}
        {engineOf(vehicle).displacementLitres === null
          ? 'Enter the engine size and the air flow can be checked too.'
          : ''}
      </p>
    </StationPage>
  );
}

/** What to watch: proposed from codes and causes, or chosen. */
function Choose({
  proposed,
  chosen,
  setChosen,
  can,
  isTalking,
  onBegin,
}: {
  proposed: readonly ReadingKey[];
  chosen: readonly ReadingKey[];
  setChosen: (keys: ReadingKey[]) => void;
  can: (key: ReadingKey) => boolean;
  isTalking: boolean;
  onBegin: (keys: readonly ReadingKey[]) => void;
}) {
  const tell = useTell();
  const keys = chosen.length > 0 ? chosen : proposed;
  return (
    <section aria-label="What to watch" className={`${SHEET} space-y-2 p-4`}>
      <h3 className="text-lg">What to watch</h3>
      <p className="text-[15px] text-ink-2">
        {chosen.length > 0 ? 'As you chose:' : 'Suggested from the codes and likely causes:'}{' '}
        <span className="text-ink">{keys.map((k) => tell(READINGS[k].title).toLowerCase()).join(', ')}</span>
      </p>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={BUTTON.solid}
          disabled={!isTalking || keys.length === 0}
          onClick={() => onBegin(keys)}
        >
          Watch and record these
        </button>
        {chosen.length > 0 ? (
          <button type="button" className={BUTTON.quiet} onClick={() => setChosen([])}>
            Back to what is proposed
          </button>
        ) : null}
      </div>
      <details>
        <summary className="flex min-h-11 items-center font-semibold">Choose others</summary>
        <div className="flex flex-wrap gap-x-4">
          {READING_KEYS.filter(can).map((key) => (
            <label key={key} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--car)"
                checked={keys.includes(key)}
                onChange={(e) => setChosen(e.target.checked ? [...keys, key] : keys.filter((k) => k !== key))}
              />
              {tell(READINGS[key].title)}
            </label>
          ))}
        </div>
      </details>
    </section>
  );
}

/** Hours of recording below which it is said that room is short. */
const SHORT_HOURS = 3;

/** Said before a recording, not when it stops for lack of room. */
function Room() {
  const dispatch = useAppDispatch();
  const [hours, setHours] = useState<number | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(recordingHours()).then((found) => {
      if (isCurrent) setHours(found);
    });
    return () => {
      isCurrent = false;
    };
  }, [dispatch]);
  if (hours === null) return null;
  if (hours < SHORT_HOURS)
    return (
      <Notice title="There is little room on this device." tone="strong">
        It is enough for about {Math.max(0, Math.round(hours * 60))} minutes of recording. Make room before a
        long one.
      </Notice>
    );
  return (
    <p className="text-[15px] text-ink-2">
      Room on this device: {hours > 100 ? 'more than 100' : `about ${Math.round(hours)}`} hours of recording.
    </p>
  );
}
