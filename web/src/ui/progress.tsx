import { BUTTON } from './classes.ts';

/** Long work: what it does, how far it is, and the way to stop it with what it has. */
export function Progress({
  step,
  done,
  total,
  onStop,
}: {
  step: string;
  done: number;
  total: number;
  onStop: () => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-4">
      <div className="min-w-56 flex-1">
        <div className="flex justify-between text-base">
          <span role="status">{step}</span>
          <span className="font-mono text-ink-2">
            {done}/{total}
          </span>
        </div>
        <div
          role="progressbar"
          aria-label={step}
          aria-valuenow={done}
          aria-valuemin={0}
          aria-valuemax={total}
          className="mt-1 h-3 rounded-sm bg-line"
        >
          <div
            className="h-full rounded-sm bg-car"
            style={{ width: `${(done / Math.max(1, total)) * 100}%` }}
          />
        </div>
      </div>
      <button type="button" className={BUTTON.plain} onClick={onStop}>
        Stop
      </button>
    </div>
  );
}
