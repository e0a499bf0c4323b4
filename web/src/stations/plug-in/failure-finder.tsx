import { useEffect, useRef, useState } from 'react';
import { failureSign, narrowFailure, type FailureStep, type KnownFailure } from '@pincer/core/link';
import { socketCoverage } from '@pincer/core/vehicle';
import type { ConnectOutcome } from '../../store/link-actions.ts';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch } from '../../store/store.ts';
import { BUTTON, SHEET } from '../../ui/classes.ts';
import { percent } from '../../ui/format.ts';
import { useCase } from '../case-context.ts';
import { useTell } from '../../store/use-tell.ts';

/** Causes below this are only counted. */
const SHOWN = 0.04;

/** Why nothing talks: what is known narrows it, one step after the other, and the path stays in the log. */
export function FailureFinder({
  isBusy,
  onTry,
}: {
  isBusy: boolean;
  /** Connects once more in the same way. */
  onTry: (step: FailureStep) => Promise<ConnectOutcome>;
}) {
  const tell = useTell();
  const { record, state, vehicle } = useCase();
  const dispatch = useAppDispatch();
  const [isTrying, setTrying] = useState(false);
  const { connection, connectionSteps } = state;
  const place = useRef<HTMLElement>(null);
  const failedAt = connection?.outcome === 'failed' ? connection.id : null;
  const seen = useRef(failedAt);
  useEffect(() => {
    // A new failure is shown where the eyes are, wherever the button was; one from earlier does not jump.
    if (failedAt !== null && seen.current !== failedAt) place.current?.scrollIntoView({ block: 'center' });
    seen.current = failedAt;
  }, [failedAt]);
  if (connection?.outcome !== 'failed') return null;
  const known: KnownFailure = {
    kind: connection.by ?? 'serial',
    sign: failureSign(connection.fault),
    volts: connection.volts ?? null,
    refused: connection.refused ?? 0,
    coverage: socketCoverage(vehicle).verdict,
    ...(vehicle.year === undefined ? {} : { year: vehicle.year }),
    answers: connectionSteps,
  };
  const { causes, next } = narrowFailure(known);
  const shown = causes.filter((c, i) => i === 0 || c.chance >= SHOWN);
  const first = causes[0];
  const note = (step: FailureStep, answer: string) =>
    dispatch(addRecord(record.id, { kind: 'connection-step', step: step.id, answer }));
  const tryIt = async (step: FailureStep) => {
    setTrying(true);
    const outcome = await onTry(step);
    if (outcome !== 'cancelled') await note(step, outcome === 'talking' ? 'talks' : 'still-not');
    setTrying(false);
  };
  return (
    <section ref={place} aria-labelledby="why-not" className={`${SHEET} border-2 border-ink`}>
      <div className="grid md:grid-cols-[1.15fr_1fr]">
        <div className="p-4">
          <h3 id="why-not" className="text-lg">
            Why can’t it connect?
          </h3>
          <p className="text-ink-2">
            {connection.message}
            {connection.volts === undefined
              ? ''
              : ` The socket has ${connection.volts.toFixed(1)} V, so its fuse is whole.`}
          </p>
          {next ? (
            <div className="mt-3 border-l-[5px] border-own pl-3">
              <p className="text-[18px] font-bold">{tell(next.title)}</p>
              <p>{tell(next.how)}</p>
              <div className="mt-2.5 flex flex-wrap gap-2">
                {next.isTry ? (
                  <button
                    type="button"
                    className={BUTTON.solid}
                    disabled={isBusy || isTrying}
                    onClick={() => void tryIt(next)}
                  >
                    Done, connect again
                  </button>
                ) : (
                  next.answers.map((a) => (
                    <button
                      key={a.id}
                      type="button"
                      className={BUTTON.plain}
                      onClick={() => void note(next, a.id)}
                    >
                      {tell(a.title)}
                    </button>
                  ))
                )}
                {next.isTry ? (
                  <button
                    type="button"
                    className={BUTTON.quiet}
                    disabled={isTrying}
                    onClick={() => void note(next, 'still-not')}
                  >
                    I can’t, or already did
                  </button>
                ) : null}
              </div>
            </div>
          ) : (
            <p className="mt-3 font-semibold">
              There is nothing more to try. The likeliest reason is shown beside; meanwhile you can type codes
              by hand.
            </p>
          )}
        </div>
        <div className="border-t border-line p-4 md:border-l md:border-t-0">
          <h4 className="font-semibold">What it may be</h4>
          <ol className="mt-1.5 space-y-2">
            {shown.map((c, i) => (
              <li key={c.id}>
                <div className="flex items-baseline justify-between gap-3">
                  <span className={i === 0 ? 'font-semibold' : ''}>{tell(c.title)}</span>
                  <span className="font-mono text-[15px]">{percent(c.chance)}</span>
                </div>
                <div className="h-1.5 rounded-sm bg-line">
                  <div className="h-full rounded-sm bg-ink" style={{ width: `${c.chance * 100}%` }} />
                </div>
              </li>
            ))}
          </ol>
          {causes.length > shown.length ? (
            <p className="mt-2 text-[14px] text-ink-2">
              {causes.length - shown.length} others are unlikely now.
            </p>
          ) : null}
          {first && (first.chance > 0.5 || !next) ? (
            <p className="mt-3">
              <b>How to fix it:</b> {first.mend}
            </p>
          ) : null}
        </div>
      </div>
    </section>
  );
}
