import { useState } from 'react';
import { Link } from 'react-router';
import { scanView, storedConditions, onBoardTests, type LampApart } from '@pincer/core/assess';
import type { ClearedLately, EntryOf } from '@pincer/core/case';
import type { Scan } from '@pincer/core/obd';
import { compareVins, type Vehicle } from '@pincer/core/vehicle';
import { tellAll } from '@pincer/core/words';
import { InspectionPanel } from '../../inspection/inspection-panel.tsx';
import { StandInPanel } from '../../practice/stand-in-panel.tsx';
import { cutScan, scanCar, stopLink } from '../../store/link-actions.ts';
import { putVehicle } from '../../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { isWatching } from '../../store/watch-slice.ts';
import { Panels } from '../../ui/contained.tsx';
import { BUTTON, SHEET, cx } from '../../ui/classes.ts';
import { counted, distance } from '../../ui/format.ts';
import { useTell, useWording } from '../../store/use-tell.ts';
import { useUnits } from '../../store/use-units.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { FrameValues } from './all-readings.tsx';
import { ByHand } from '../../typed/by-hand.tsx';
import { Records } from './records.tsx';
import { CodesByUnit, NotRead, Problems } from './codes-by-unit.tsx';
import { FileReading } from './file-reading.tsx';
import { Judged } from './judged.tsx';
import { OnBoardTests } from './on-board-tests.tsx';
import { Stored } from './stored.tsx';
import { useMoment, useNow } from '../../ui/use-now.ts';

/** Everything that the car says, written down before anything is touched. */
export function Read() {
  const moment = useMoment();
  const tell = useTell();
  const at = useNow();
  const { record, state, assessment, vehicle } = useCase();
  const dispatch = useAppDispatch();
  const link = useAppSelector((s) => s.link);
  const mine = link.caseId === record.id ? link.status : { at: 'idle' as const };
  const wording = useWording();
  const view = tellAll(scanView(state, vehicle), wording);
  const { known, last } = view;
  const codes = new Set(known.codes.map((c) => c.code)).size;
  const isRecording = useAppSelector(isWatching);
  const canRead = mine.at === 'talking' && !isRecording;
  const begun = canRead ? cutScan(record, at) : null;
  const [isByHand, setByHand] = useState(false);
  return (
    <StationPage
      title="Read everything first"
      lead="Codes, freeze-frame data, engine light, readiness and live data, all saved to the log. Clearing would erase them."
      next={
        last
          ? {
              title: 'Next: what it means',
              detail: `${counted(codes, 'code')} known now.`,
              to: `/case/${record.id}/meaning`,
            }
          : canRead
            ? {
                title: 'Next: read',
                detail: 'Under a minute; you can stop any time and keep what was read.',
                action: (
                  <button
                    type="button"
                    className={`${BUTTON.solid} w-full sm:w-auto`}
                    onClick={() => void dispatch(scanCar(record.id))}
                  >
                    Read everything
                  </button>
                ),
              }
            : { title: 'Next: connect', detail: 'No adapter is connected.', to: `/case/${record.id}/plug-in` }
      }
    >
      <div className={`${SHEET} p-4`} aria-live="polite">
        {mine.at === 'reading' ? (
          <Progress {...mine.progress} onStop={() => dispatch(stopLink())} />
        ) : (
          <div className="flex flex-wrap items-center gap-3">
            {begun ? (
              <button
                type="button"
                className={BUTTON.solid}
                onClick={() => void dispatch(scanCar(record.id, begun))}
              >
                Go on where it was cut
              </button>
            ) : null}
            <button
              type="button"
              className={last ? BUTTON.plain : BUTTON.solid}
              disabled={!canRead}
              onClick={() => void dispatch(scanCar(record.id))}
            >
              {last ? 'Read again' : 'Read everything'}
            </button>
            {mine.at === 'talking' ? null : (
              <Link to={`/case/${record.id}/plug-in`} className={BUTTON.quiet}>
                Connect first
              </Link>
            )}
            <button type="button" className={BUTTON.quiet} onClick={() => setByHand(true)}>
              No adapter? Type or paste codes
            </button>
            <FileReading caseId={record.id} />
          </div>
        )}
        {mine.at === 'lost' ? (
          <div className="mt-3">
            <Notice
              title={tell(mine.words.sentence)}
              tone="strong"
              action={
                <Link className={BUTTON.solid} to={`/case/${record.id}/plug-in`}>
                  Connect again
                </Link>
              }
            >
              {tell(mine.words.next)}
            </Notice>
          </div>
        ) : null}
      </div>
      {isRecording && mine.at === 'talking' ? (
        <Notice
          title="A recording is running."
          action={
            <Link className={BUTTON.plain} to="../watch">
              To the recording
            </Link>
          }
        >
          The adapter can do only one thing at a time: stop the recording first.
        </Notice>
      ) : null}
      {isByHand ? <ByHand caseId={record.id} onClose={() => setByHand(false)} /> : null}
      {link.caseId === record.id ? <StandInPanel /> : null}
      {last ? (
        <Panels name="This part of the reading">
          <p className="text-ink-2">
            Read {moment(last.at)}
            {last.adapter ? `, ${last.adapter}` : ''}
            {last.scan.protocol ? `, ${last.scan.protocol}` : ''}. {howWords(last)}
          </p>
          <NotRead view={view} canGoOn={begun !== null} missing={last.scan.missing} />
          {view.clearedLately ? (
            <ClearedNotice {...view.clearedLately} wasHere={state.clears.length > 0} />
          ) : null}
          {view.lampApart ? <LampNotice apart={view.lampApart} /> : null}
          <CodesByUnit view={view} />
          <Records records={view.records} />
          <div className="grid gap-4 lg:grid-cols-2">
            <Stored stored={tellAll(storedConditions(state, vehicle), wording)}>
              <FrameValues reading={known} />
            </Stored>
            <Monitors reading={known} />
          </div>
          {assessment.inspection ? <InspectionPanel view={assessment.inspection} vehicle={vehicle} /> : null}
          <OnBoardTests {...onBoardTests(state)} />
          <Identity reading={known} vehicle={vehicle} />
          <Judged reading={known} judgements={assessment.judgements} />
          <Problems problems={view.problems} />
        </Panels>
      ) : null}
    </StationPage>
  );
}

/** How much a scan is worth, in a word or two. */
function howWords({ via, isComplete }: EntryOf<'scan'>): string {
  if (isComplete) return 'Complete.';
  return via === 'hand'
    ? 'Written down by hand.'
    : via === 'file'
      ? 'From a file: it adds what it holds, and takes nothing back.'
      : 'Not complete.';
}

/** The engine lamp is not what the car commands: on a car for sale, somebody may have seen to that. */
function LampNotice({ apart }: { apart: LampApart }) {
  const tell = useTell();
  return apart === 'dark' ? (
    <Notice title={tell('The {car} commands its engine light on, and you see it out.')} tone="strong">
      {tell(
        'Look at key-on, engine off: every light comes on for a moment. If this one stays dark, its bulb, the instrument panel or the wiring has failed, or somebody made it dark. The codes count all the same. On a {car} for sale, ask why.',
      )}
    </Notice>
  ) : (
    <Notice title={tell('You see the engine light on, and the {car} does not command it.')}>
      Look again with the engine running. If it went out meanwhile, say so at Warning light. If it is on, the
      fault is in the instrument panel or its wiring, or it is the light of another control unit.
    </Notice>
  );
}

/** What a memory that was cleared a few kilometres ago hides. */
function ClearedNotice({ km, warmUps, waiting, wasHere }: ClearedLately & { wasHere: boolean }) {
  const tell = useTell();
  const units = useUnits();
  const since = [
    km === null ? null : distance(km, units),
    warmUps === null ? null : counted(warmUps, 'warm-up'),
  ].filter((s) => s !== null);
  return (
    <Notice title={`The memory was cleared ${since.join(' and ')} ago.`} tone="strong">
      {counted(waiting, 'self-check')} {waiting === 1 ? 'has' : 'have'} not run since, so the absence of a
      code does not prove {tell('the {car} is sound.')}{' '}
      {wasHere
        ? 'You cleared it in this case; Prove says what still has to run.'
        : tell(
            'If somebody wants to sell it to you: ask what was cleared and why, and read again after {100 km}.',
          )}
    </Notice>
  );
}

/** The number that the car reports against the one on file, and the units' software. */
function Identity({ reading, vehicle }: { reading: Scan; vehicle: Vehicle }) {
  const dispatch = useAppDispatch();
  const tell = useTell();
  const { verdict, differsAt, sentence, mayMean } = compareVins(reading.vin, vehicle.vin);
  return (
    <section className={`${SHEET} p-4`} aria-labelledby="identity">
      <h3 id="identity" className="text-lg">
        Identity
      </h3>
      {reading.vin ? (
        <p className="font-mono text-[18px] tracking-wider">
          {Array.from(reading.vin).map((c, i) =>
            differsAt.length <= 4 && differsAt.includes(i + 1) ? (
              <mark key={i} className="bg-own-soft px-0.5 font-bold text-ink underline">
                {c}
              </mark>
            ) : (
              c
            ),
          )}
        </p>
      ) : null}
      <p>
        <b>{tell(sentence)}</b>
      </p>
      {mayMean.length > 0 ? (
        <ul className="mt-1 list-disc pl-5 text-[15px]">
          {mayMean.map((m) => (
            <li key={m}>{tell(m)}</li>
          ))}
        </ul>
      ) : null}
      {verdict === 'not-on-file' ? (
        <button
          type="button"
          className={`${BUTTON.plain} mt-2`}
          onClick={() => void dispatch(putVehicle({ ...vehicle, vin: (reading.vin ?? '').toUpperCase() }))}
        >
          It matches the papers: save it
        </button>
      ) : null}
      <ul className="mt-2 text-[15px] text-ink-2">
        {reading.identities.map((u) => (
          <li key={u.unit}>
            <span className="font-mono">{u.unit}</span> {u.name ?? ''} calibration{' '}
            {u.calibrationIds.join(', ') || 'not reported'}
            {u.verificationNumbers.length > 0 ? `, verification ${u.verificationNumbers.join(', ')}` : ''}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Monitors({ reading }: { reading: Scan }) {
  const rows = reading.monitors.filter((m) => m.span === 'since-clear');
  return (
    <section className={`${SHEET} p-4`}>
      <h3 className="text-lg">Self-checks since the last clear</h3>
      {rows.length === 0 ? <p className="text-ink-2">Not reported.</p> : null}
      <ul className="mt-1 space-y-1">
        {rows.map((m) => (
          <li key={`${m.unit}${m.monitor}`} className="flex justify-between gap-3">
            <span>
              {m.name} <span className="font-mono text-[13px] text-ink-2">{m.unit}</span>
            </span>
            <span className={cx('shrink-0', !m.complete && 'font-semibold')}>
              {m.complete ? 'has run' : 'not yet'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
