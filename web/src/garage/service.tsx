import { useState } from 'react';
import { toast } from 'sonner';
import { serviceDue, type ServiceRow } from '@pincer/core/service';
import type { Vehicle } from '@pincer/core/vehicle';
import { fromOwn, ownUnit } from '@pincer/core/words';
import { now } from '../clock.ts';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { BUTTON, FIELD, NUMBER_FIELD, SHEET, TAG, cx } from '../ui/classes.ts';
import { counted, day, distance } from '../ui/format.ts';
import { LabelledField } from '../ui/labelled-field.tsx';
import { numberOf } from '../ui/number-of.ts';
import { saveBlob } from '../ui/save-text.ts';
import { useNow } from '../ui/use-now.ts';

const STATUS = { overdue: 'overdue', soon: 'soon', later: 'later', 'not-known': 'not known' } as const;

/** Service by distance and date: what is due next, what was done, and the handbook's own intervals. */
export function Service({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const units = useAppSelector((s) => s.settings.owner.units);
  const [open, setOpen] = useState<string | null>(null);
  const rows = serviceDue(vehicle, useNow());
  const dated = rows.filter((r) => r.dueAt !== null);
  const calendar = async () => {
    const { serviceCalendar } = await import('./service-calendar.ts');
    try {
      const text = await serviceCalendar(dated, vehicle.name, tell);
      saveBlob('service.ics', new Blob([text], { type: 'text/calendar' }));
    } catch {
      toast('The calendar could not be written: one of the dates cannot be.');
    }
  };
  return (
    <section aria-labelledby="service" className={`${SHEET} p-4`}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 id="service" className="text-lg">
          Service
        </h2>
        {dated.length > 0 ? (
          <button type="button" className={BUTTON.plain} onClick={() => void calendar()}>
            Save as calendar
          </button>
        ) : null}
      </div>
      <p className="text-[15px] text-ink-2">
        {tell(
          'Usual intervals, as a guess: type those of your {handbook} over them. Dates by distance follow what you drive in a year.',
        )}
      </p>
      <ul className="mt-1 divide-y divide-line">
        {rows.map((row) => (
          <li key={row.item.id} className="py-1.5">
            <button
              type="button"
              aria-expanded={open === row.item.id}
              className="flex min-h-11 w-full items-center justify-between gap-x-3 text-left"
              onClick={() => setOpen(open === row.item.id ? null : row.item.id)}
            >
              <span>
                <b>{tell(row.item.title)}</b>{' '}
                <span className="text-[15px] text-ink-2">{dueWords(row, units)}</span>
              </span>
              <span className={cx(TAG, 'shrink-0', row.status === 'overdue' && 'font-bold')}>
                {STATUS[row.status]}
              </span>
            </button>
            {open === row.item.id ? (
              <One
                vehicle={vehicle}
                row={row}
                onDone={() => setOpen((now) => (now === row.item.id ? null : now))}
              />
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}

function dueWords({ status, dueAt, leftKm, last }: ServiceRow, units: Parameters<typeof ownUnit>[1]): string {
  if (status === 'not-known' || dueAt === null)
    return last ? 'the interval by distance needs the mileage' : 'when was it done last?';
  const km =
    leftKm === null
      ? ''
      : leftKm < 0
        ? `, ${distance(-leftKm, units)} over`
        : `, ${distance(leftKm, units)} left`;
  return `${status === 'overdue' ? 'was due' : 'due'} ${day(dueAt)}${km}`;
}

/** One item: note that it was done, or type the handbook's interval. */
function One({ vehicle, row, onDone }: { vehicle: Vehicle; row: ServiceRow; onDone: () => void }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const units = useAppSelector((s) => s.settings.owner.units);
  const unit = ownUnit('km', units).unit;
  const inOwn = (km: number | undefined) =>
    km === undefined ? '' : String(Math.round(ownUnit('km', units).of(km)));
  const [at, setAt] = useState(now().toISOString().slice(0, 10));
  const [km, setKm] = useState(inOwn(vehicle.distanceKm));
  const [cost, setCost] = useState('');
  const [everyKm, setEveryKm] = useState(inOwn(row.interval.km));
  const [everyMonths, setEveryMonths] = useState(
    row.interval.months === undefined ? '' : String(row.interval.months),
  );
  const toKm = (text: string): number | null => {
    const typed = numberOf(text);
    return typed === null ? null : fromOwn(typed, 'km', units);
  };
  const service = vehicle.service ?? { done: [] };
  const isBad = (...texts: string[]) => texts.some((t) => t.trim() !== '' && (numberOf(t) ?? -1) < 0);
  const save = async (next: Vehicle, said: string) => {
    if (await dispatch(putVehicle(next))) {
      toast(said);
      onDone();
    }
  };
  const done = () => {
    const [doneKm, paid] = [toKm(km), numberOf(cost)];
    const entry = {
      item: row.item.id,
      at,
      ...(doneKm === null ? {} : { km: doneKm }),
      ...(paid === null ? {} : { cost: paid }),
    };
    // Done at a greater distance than was known: that is the mileage now.
    const farther = doneKm !== null && doneKm > (vehicle.distanceKm ?? 0) ? { distanceKm: doneKm } : {};
    return save(
      { ...vehicle, ...farther, service: { ...service, done: [...service.done, entry] } },
      'Recorded. The next date is reckoned from it.',
    );
  };
  const own = () => {
    const [k, m] = [toKm(everyKm), numberOf(everyMonths)];
    const { [row.item.id]: _, ...others } = service.intervals ?? {};
    const interval = { ...(k ? { km: k } : {}), ...(m ? { months: m } : {}) };
    const isOwn = Object.keys(interval).length > 0;
    return save(
      {
        ...vehicle,
        service: { ...service, intervals: isOwn ? { ...others, [row.item.id]: interval } : others },
      },
      isOwn ? 'Your interval counts now.' : 'The usual interval counts again.',
    );
  };
  const past = service.done.filter((d) => d.item === row.item.id);
  return (
    <div className="space-y-3 pb-2 pl-3">
      <p className="text-[15px] text-ink-2">{tell(row.item.about)}</p>
      <div className="grid grid-cols-2 items-end gap-3">
        <label className="block">
          <span className="font-semibold">Done on</span>
          <input type="date" className={FIELD} value={at} onChange={(e) => setAt(e.target.value)} />
        </label>
        <LabelledField label={`At, ${unit}`} text={km} isNumber onChange={setKm} />
        <LabelledField label="Cost" text={cost} isNumber onChange={setCost} />
        <button
          type="button"
          className={BUTTON.own}
          disabled={at === '' || isBad(km, cost)}
          onClick={() => void done()}
        >
          It was done
        </button>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <label>
          <span className="block text-[15px]">Every, {unit}</span>
          <input
            className={NUMBER_FIELD}
            inputMode="decimal"
            value={everyKm}
            onChange={(e) => setEveryKm(e.target.value)}
          />
        </label>
        <label>
          <span className="block text-[15px]">or every, months</span>
          <input
            className={NUMBER_FIELD}
            inputMode="decimal"
            value={everyMonths}
            onChange={(e) => setEveryMonths(e.target.value)}
          />
        </label>
        <button
          type="button"
          className={BUTTON.plain}
          disabled={isBad(everyKm, everyMonths)}
          onClick={() => void own()}
        >
          Use this interval
        </button>
        {row.isOwn ? <span className="text-[15px] text-ink-2">{tell('by your {handbook}')}</span> : null}
      </div>
      {isBad(km, cost, everyKm, everyMonths) ? (
        <p role="alert" className="text-[15px] font-semibold">
          Numbers of 0 or more, or leave it empty.
        </p>
      ) : null}
      {past.length > 0 ? (
        <p className="text-[15px]">
          {counted(past.length, 'time')} done, last on{' '}
          {day(
            past
              .map((d) => d.at)
              .sort()
              .at(-1) ?? '',
          )}
          .
        </p>
      ) : null}
    </div>
  );
}
