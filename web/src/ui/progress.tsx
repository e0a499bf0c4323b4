import { Progress as Bar } from 'radix-ui';
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
  const max = Math.max(1, total);
  const value = Math.min(done, max);
  return (
    <div className="flex flex-wrap items-center gap-4">
      <div className="min-w-56 flex-1">
        <div className="flex justify-between text-base">
          <span role="status">{step}</span>
          <span className="font-mono text-ink-2">
            {done}/{total}
          </span>
        </div>
        <Bar.Root
          value={value}
          max={max}
          getValueLabel={(v, of) => `${v} of ${of}`}
          aria-label={step}
          className="mt-1 h-3 rounded-sm bg-line"
        >
          <Bar.Indicator
            className="block h-full rounded-sm bg-car"
            style={{ width: `${(value / max) * 100}%` }}
          />
        </Bar.Root>
      </div>
      <button type="button" className={BUTTON.plain} onClick={onStop}>
        Stop
      </button>
    </div>
  );
}
