import { useEffect, useState } from 'react';
import { now } from '../clock.ts';
import { useDraft } from '../store/use-draft.ts';
import { BUTTON } from '../ui/classes.ts';

const isMoment = (value: unknown): value is string => typeof value === 'string';

/** A wait that a step asks for. It goes on through a reload, because what is kept is when it began. */
export function WaitTimer({ id, minutes, what }: { id: string; minutes: number; what: string }) {
  const [begun, setBegun, forget] = useDraft(`wait:${id}`, '', isMoment);
  const [at, setAt] = useState(() => now().getTime());
  const isOn = begun !== '';
  useEffect(() => {
    if (!isOn) return;
    const tick = setInterval(() => setAt(now().getTime()), 1_000);
    return () => clearInterval(tick);
  }, [isOn]);
  if (!isOn)
    return (
      <button
        type="button"
        className={BUTTON.plain}
        onClick={() => {
          setAt(now().getTime());
          setBegun(now().toISOString());
        }}
      >
        Start the {minutes} minutes
      </button>
    );
  const left = Math.max(0, Math.ceil((Date.parse(begun) + minutes * 60_000 - at) / 1_000));
  return (
    <span className="inline-flex flex-wrap items-center gap-3">
      {left > 0 ? (
        <span role="timer" aria-label={what}>
          <b className="font-mono text-[20px]">
            {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
          </b>{' '}
          left
        </span>
      ) : (
        <b role="status">The {minutes} minutes are over.</b>
      )}
      <button type="button" className={BUTTON.quiet} onClick={forget}>
        {left > 0 ? 'Stop' : 'Done'}
      </button>
    </span>
  );
}
