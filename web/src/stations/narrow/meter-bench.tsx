import { useId, useState } from 'react';
import type { CheckView } from '@pincer/core/assess';
import {
  CONDITIONS,
  METER_UNITS,
  expectedText,
  judgeMeasurement,
  valuesOf,
  type Condition,
  type Measurement,
  type Quantity,
  type Taking,
} from '@pincer/core/meter';
import { fromOwn, ownUnit, unitsOf, type UnitChoice } from '@pincer/core/words';
import { cylindersOf } from '@pincer/core/vehicle';
import { useDraft } from '../../store/use-draft.ts';
import { useTell } from '../../store/use-tell.ts';
import { useUnits } from '../../store/use-units.ts';
import { numberOf } from '../../ui/number-of.ts';
import { BUTTON, NUMBER_FIELD, cx } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';
import { MeterResult } from './meter-result.tsx';

/** What is typed: texts, as they stand in the fields. */
interface Typed {
  values: { text: string; unit: string; isOpen: boolean }[];
  conditions: Partial<Record<Condition, string>>;
  manual: { from: string; to: string; unit: string };
  table: { celsius: string; ohms: string }[];
}

const isTyped = (value: unknown): value is Typed =>
  typeof value === 'object' && value !== null && 'values' in value && 'table' in value;

/** The unit that a meter most likely shows, the owner's own where they have one. */
function firstUnit(quantity: Quantity, choice: UnitChoice): string {
  const names = Object.keys(METER_UNITS[quantity]);
  const wishes = unitsOf(choice);
  const wished =
    quantity === 'length' ? (wishes.length === 'in' ? 'in' : 'mm') : wishes.pressure === 'psi' ? 'psi' : '';
  return names.includes(wished) ? wished : (names[0] ?? '');
}

const sizeOf = (quantity: Quantity, unit: string): number =>
  (METER_UNITS[quantity] as Readonly<Record<string, number>>)[unit] ?? 1;

/** The typed texts as numbers in base units; what cannot be read counts as left out. */
function takingOf(typed: Typed, { quantity, asks }: Measurement, units: UnitChoice): Taking {
  const number = (text: string | undefined): number | null => numberOf(text ?? '');
  const conditions: Taking['conditions'] = {};
  for (const name of asks) {
    const value = number(typed.conditions[name]);
    if (value !== null) conditions[name] = fromOwn(value, CONDITIONS[name].unit, units);
  }
  const size = sizeOf(quantity, typed.manual.unit);
  const [from, to] = [number(typed.manual.from), number(typed.manual.to)];
  const table = typed.table.flatMap(({ celsius, ohms }) => {
    const [c, r] = [number(celsius), number(ohms)];
    return c === null || r === null || r <= 0 ? [] : { celsius: fromOwn(c, '°C', units), ohms: r * size };
  });
  return {
    values: typed.values.map(({ text, unit, isOpen }) => {
      const value = number(text);
      return isOpen ? 'open' : value === null ? null : value * sizeOf(quantity, unit);
    }),
    conditions,
    ...(from !== null || to !== null || table.length > 1
      ? {
          manual: {
            ...(from === null ? {} : { from: from * size }),
            ...(to === null ? {} : { to: to * size }),
            ...(table.length > 1 ? { table } : {}),
          },
        }
      : {}),
  };
}

/** A result to record: for which check, and what was measured. */
export interface Measured {
  check: string;
  outcome: string;
  measured: Taking;
}

/** Numbers from a meter or a gauge: typed, checked for slips, held against what is expected, and recorded. */
export function MeterBench({
  check,
  measurement,
  onTaken,
}: {
  check: CheckView;
  measurement: Measurement;
  onTaken: (results: readonly Measured[], verdict: string) => void;
}) {
  const { record, vehicle } = useCase();
  const units = useUnits();
  const tell = useTell();
  const [hasDenied, setDenied] = useState(false);
  const { quantity } = measurement;
  const cylinders = cylindersOf(vehicle);
  const wanted = valuesOf(measurement, cylinders);
  const unit = firstUnit(quantity, units);
  const empty: Typed = {
    values: wanted.map(() => ({ text: '', unit, isOpen: false })),
    conditions: {},
    manual: { from: '', to: '', unit },
    table: [],
  };
  const [base = check.id] = check.id.split(':');
  const [kept, put, forget] = useDraft(`meter:${record.id}:${base}`, empty, isTyped);
  const typed = kept.values.length === wanted.length ? kept : empty;
  const taking = takingOf(typed, measurement, units);
  const ids = check.outcomes.map((o) => o.id);
  const judge = (only: number | null) => judgeMeasurement(measurement, taking, ids, cylinders, only);
  const judged = judge(check.cylinder === null ? null : check.cylinder - 1);
  const setValue = (at: number, part: Partial<Typed['values'][number]>) => {
    setDenied(false);
    put({ ...typed, values: typed.values.map((v, i) => (i === at ? { ...v, ...part } : v)) });
  };

  const take = () => {
    if ('missing' in judged) return;
    const results: Measured[] = [];
    if (check.cylinder === null) results.push({ check: check.id, outcome: judged.outcome, measured: taking });
    else
      // One set tells of every cylinder in it.
      for (let n = 1; n <= cylinders; n++) {
        const own = judge(n - 1);
        if (!('missing' in own))
          results.push({ check: `${base}:${n}`, outcome: own.outcome, measured: taking });
      }
    forget();
    onTaken(results, judged.verdict);
  };

  return (
    <section aria-label="Type what the meter shows" className="rounded-lg border-2 border-own p-3">
      <h3 className="text-lg">Type what the meter shows</h3>
      <p className="mt-1">{tell(measurement.state)}</p>
      <ul className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2">
        {wanted.map(({ name, expected }, i) => (
          <ValueField
            key={name}
            name={name}
            quantity={quantity}
            value={typed.values[i] ?? { text: '', unit, isOpen: false }}
            expected={expectedText(expected, quantity, taking)}
            off={'missing' in judged ? 0 : (judged.values[i]?.off ?? 0)}
            isSlip={measurement.isSlip ?? false}
            onChange={(part) => setValue(i, part)}
          />
        ))}
      </ul>
      {measurement.asks.length > 0 ? (
        <div className="mt-3 space-y-2">
          {measurement.asks.map((name) => (
            <NumberField
              key={name}
              label={CONDITIONS[name].title}
              unit={ownUnit(CONDITIONS[name].unit, units).unit}
              text={typed.conditions[name] ?? ''}
              isBad={isOutOfRange(typed.conditions[name], name, units)}
              onChange={(text) => put({ ...typed, conditions: { ...typed.conditions, [name]: text } })}
            />
          ))}
        </div>
      ) : null}
      {measurement.isSlip ? null : (
        <ManualFields typed={typed} measurement={measurement} units={units} onChange={put} />
      )}
      <MeterResult
        judged={judged}
        check={check}
        source={tell(measurement.source)}
        hasDenied={hasDenied}
        onDeny={() => setDenied(true)}
        onMeant={(at, meant) =>
          setValue(at, { text: String(Number((meant / sizeOf(quantity, unit)).toPrecision(6))), unit })
        }
        onTake={take}
      />
    </section>
  );
}

function isOutOfRange(text: string | undefined, name: Condition, units: UnitChoice): boolean {
  if (text === undefined || text.trim() === '') return false;
  const value = numberOf(text);
  if (value === null) return true;
  const { from, to, unit } = CONDITIONS[name];
  const own = fromOwn(value, unit, units);
  return own < from || own > to;
}

function NumberField({
  label,
  unit,
  text,
  isBad,
  onChange,
}: {
  label: string;
  unit: string;
  text: string;
  isBad: boolean;
  onChange: (text: string) => void;
}) {
  const id = useId();
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label htmlFor={id} className="min-w-0 flex-1 leading-tight">
        {label}
        {isBad ? (
          <span className="block text-[14px] text-stop">This cannot be right. Type it again.</span>
        ) : null}
      </label>
      <span className="flex items-center gap-2">
        <input
          id={id}
          className={NUMBER_FIELD}
          inputMode="text"
          autoComplete="off"
          value={text}
          aria-invalid={isBad}
          onChange={(e) => onChange(e.target.value)}
        />
        <span className="w-10 font-mono text-[15px]">{unit}</span>
      </span>
    </div>
  );
}

function ValueField({
  name,
  quantity,
  value,
  expected,
  off,
  isSlip,
  onChange,
}: {
  name: string;
  quantity: Quantity;
  value: Typed['values'][number];
  expected: string | null;
  off: number;
  isSlip: boolean;
  onChange: (part: Partial<Typed['values'][number]>) => void;
}) {
  const id = useId();
  const tell = useTell();
  const names = Object.keys(METER_UNITS[quantity]);
  const isWrong = value.text.trim() !== '' && numberOf(value.text) === null;
  return (
    <li className="min-w-0">
      <label htmlFor={id} className="font-semibold">
        {name}
      </label>
      <div className="flex flex-wrap items-center gap-2">
        <input
          id={id}
          className={cx(NUMBER_FIELD, Math.abs(off) > 1 && 'ring-2 ring-ink')}
          inputMode="text"
          autoComplete="off"
          value={value.isOpen ? '' : value.text}
          disabled={value.isOpen}
          aria-invalid={isWrong}
          onChange={(e) => onChange({ text: e.target.value })}
        />
        {isSlip ? null : (
          <select
            className="min-h-11 rounded-md border border-line bg-sheet px-2 font-mono"
            aria-label={`Unit of “${name}”`}
            value={value.unit}
            disabled={value.isOpen}
            onChange={(e) => onChange({ unit: e.target.value })}
          >
            {names.map((n) => (
              <option key={n}>{n}</option>
            ))}
          </select>
        )}
        {quantity === 'resistance' ? (
          <label className="inline-flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              aria-label={`“${name}” is open`}
              checked={value.isOpen}
              onChange={(e) => onChange({ isOpen: e.target.checked })}
            />
            open (OL)
          </label>
        ) : null}
      </div>
      <p className="text-[14px] text-ink-2">
        {isWrong ? 'This is not a number.' : expected === null ? '' : `Expected: ${tell(expected)}`}
      </p>
    </li>
  );
}

/** The manual’s own limits, or for a thermistor two or three points of its table. */
function ManualFields({
  typed,
  measurement,
  units,
  onChange,
}: {
  typed: Typed;
  measurement: Measurement;
  units: UnitChoice;
  onChange: (typed: Typed) => void;
}) {
  const { quantity } = measurement;
  const size = typed.manual.unit;
  const isOpen = typed.manual.from !== '' || typed.manual.to !== '' || typed.table.length > 0;
  const values = 'each' in measurement.values ? [measurement.values] : measurement.values;
  const doesAsk = values.some((v) => v.expected.kind === 'manual') && !measurement.alike;
  const isThermistor = values.some((v) => v.expected.kind === 'thermistor');
  const [rows, setRows] = useState(typed.table.length > 0);
  const table = [0, 1, 2].map((i) => typed.table[i] ?? { celsius: '', ohms: '' });
  const manual = (part: Partial<Typed['manual']>) =>
    onChange({ ...typed, manual: { ...typed.manual, ...part } });
  return (
    <details className="mt-2" open={isOpen || doesAsk || undefined}>
      <summary className="flex min-h-11 items-center font-semibold">Figures of your manual</summary>
      <p className="mb-2 text-[15px] text-ink-2">They count instead of ours.</p>
      <div className="space-y-2">
        <NumberField
          label="At least"
          unit={size}
          text={typed.manual.from}
          isBad={isBad(typed.manual.from)}
          onChange={(from) => manual({ from })}
        />
        <NumberField
          label="At most"
          unit={size}
          text={typed.manual.to}
          isBad={isBad(typed.manual.to)}
          onChange={(to) => manual({ to })}
        />
        <label className="flex items-center justify-between gap-3">
          Unit of these figures
          <select
            className="min-h-11 rounded-md border border-line bg-sheet px-2 font-mono"
            value={size}
            onChange={(e) => manual({ unit: e.target.value })}
          >
            {Object.keys(METER_UNITS[quantity]).map((n) => (
              <option key={n}>{n}</option>
            ))}
          </select>
        </label>
        {isThermistor && !rows ? (
          <button type="button" className={BUTTON.quiet} onClick={() => setRows(true)}>
            My manual has a table of temperatures
          </button>
        ) : null}
        {isThermistor && rows ? (
          <fieldset>
            <legend className="font-semibold">Two or three lines of the table</legend>
            {table.map((row, i) => (
              <div key={i} className="mt-1 flex flex-wrap items-center gap-2">
                {(['celsius', 'ohms'] as const).map((part) => (
                  <span key={part} className="inline-flex items-center gap-1.5">
                    <input
                      className={NUMBER_FIELD}
                      inputMode="text"
                      aria-label={`${part === 'celsius' ? 'Temperature' : 'Resistance'} in line ${i + 1}`}
                      value={row[part]}
                      aria-invalid={isBad(row[part])}
                      onChange={(e) =>
                        onChange({
                          ...typed,
                          table: table.map((r, j) => (j === i ? { ...r, [part]: e.target.value } : r)),
                        })
                      }
                    />
                    <span className="font-mono text-[15px]">
                      {part === 'celsius' ? ownUnit('°C', units).unit : size}
                    </span>
                  </span>
                ))}
              </div>
            ))}
          </fieldset>
        ) : null}
      </div>
    </details>
  );
}

const isBad = (text: string): boolean => text.trim() !== '' && numberOf(text) === null;
