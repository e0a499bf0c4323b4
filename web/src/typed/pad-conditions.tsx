import { READER_CHECKS, READER_VALUES } from '@pincer/core/case';
import { MONITOR_NAMES } from '@pincer/core/obd';
import { numberOf } from '../ui/number-of.ts';
import { Segments } from '../ui/segments.tsx';

/** What was typed: by PID the number and its unit, by self-check what the reader showed. */
export interface TypedConditions {
  values: Record<string, { text: string; unit: string }>;
  checks: Record<string, 'ok' | 'inc' | 'na'>;
}

const SHOWN = [
  { id: 'ok', title: 'OK' },
  { id: 'inc', title: 'INC' },
  { id: 'na', title: 'N/A' },
] as const;

const SAYS = { ok: 'has run', inc: 'has not run yet', na: 'this vehicle has no such check' } as const;

/** Stored conditions and self-checks by the abbreviations on a reader's screen, each with its meaning. */
export function PadConditions({
  typed,
  onChange,
}: {
  typed: TypedConditions;
  onChange: (typed: TypedConditions) => void;
}) {
  const count = Object.values(typed.values).filter((v) => numberOf(v.text) !== null).length;
  const checked = Object.keys(typed.checks).length;
  return (
    <>
      <details className="border-t border-line">
        <summary className="flex min-h-11 items-center font-semibold">
          Stored conditions {count > 0 ? `(${count})` : '(freeze frame)'}
        </summary>
        <ul className="grid gap-x-6 gap-y-1 pb-3 sm:grid-cols-2">
          {READER_VALUES.map((v) => {
            const at = typed.values[v.pid] ?? { text: '', unit: v.unit };
            const units = [v.unit, ...Object.keys(v.others ?? {})];
            const isWrong = at.text.trim() !== '' && numberOf(at.text) === null;
            const put = (next: typeof at) =>
              onChange({ ...typed, values: { ...typed.values, [v.pid]: next } });
            return (
              <li key={v.pid} className="flex items-center gap-2">
                <label className="flex min-w-0 flex-1 items-center gap-2">
                  <span className="min-w-0 flex-1 leading-tight">
                    <b className="font-mono">{v.abbreviation}</b>
                    <span className="block text-[13px] text-ink-2">{isWrong ? 'not a number' : v.name}</span>
                  </span>
                  <input
                    className="min-h-11 w-20 rounded-md border border-line bg-sheet px-2 text-right font-mono"
                    inputMode="text"
                    value={at.text}
                    aria-invalid={isWrong}
                    onChange={(e) => put({ ...at, text: e.target.value })}
                  />
                </label>
                {units.length > 1 ? (
                  <select
                    aria-label={`Unit of ${v.abbreviation}`}
                    className="min-h-11 w-[76px] rounded-md border border-line bg-sheet px-1"
                    value={at.unit}
                    onChange={(e) => put({ ...at, unit: e.target.value })}
                  >
                    {units.map((u) => (
                      <option key={u}>{u}</option>
                    ))}
                  </select>
                ) : (
                  <span className="w-[76px] pl-2 text-ink-2">{v.unit}</span>
                )}
              </li>
            );
          })}
        </ul>
      </details>
      <details className="border-y border-line">
        <summary className="flex min-h-11 items-center font-semibold">
          Self-checks {checked > 0 ? `(${checked})` : '(I/M, monitors)'}
        </summary>
        <ul className="space-y-1 pb-3">
          {READER_CHECKS.map((c) => {
            const said = typed.checks[c.monitor];
            return (
              <li key={c.monitor} className="flex flex-wrap items-center gap-2">
                <span className="min-w-40 flex-1 leading-tight">
                  <b className="font-mono">{c.abbreviation}</b>
                  <span className="block text-[13px] text-ink-2">
                    {MONITOR_NAMES[c.monitor]}
                    {said ? `: ${SAYS[said]}` : ''}
                  </span>
                </span>
                <Segments
                  label={`${c.abbreviation}, ${MONITOR_NAMES[c.monitor]}`}
                  options={SHOWN}
                  value={said ?? null}
                  tone="own"
                  onChange={(next) => onChange({ ...typed, checks: { ...typed.checks, [c.monitor]: next } })}
                />
              </li>
            );
          })}
        </ul>
      </details>
    </>
  );
}
