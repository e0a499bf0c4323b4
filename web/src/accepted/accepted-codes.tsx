import { useState } from 'react';
import { explainCode } from '@pincer/core/codes';
import { withdrawCode, type Vehicle } from '@pincer/core/vehicle';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { day } from '../ui/format.ts';
import { now } from '../clock.ts';
import { useTell } from '../store/use-tell.ts';
import { AcceptForm } from './accept-form.tsx';

/** Codes that the owner knows and lives with, with reason and date; what was taken back stays on record. */
export function AcceptedCodes({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const [isAdding, setAdding] = useState(false);
  const all = vehicle.acceptedCodes ?? [];
  return (
    <div className="space-y-3">
      {all.length === 0 ? <p className="text-ink-2">None. Every code that is read counts.</p> : null}
      <ul className="divide-y divide-line">
        {all.map((a) => (
          <li key={`${a.code}${a.since}`} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <span className={`font-mono text-[18px] font-semibold ${a.until ? 'line-through' : ''}`}>
              {a.code}
            </span>
            <span className="min-w-48 flex-1">
              {tell(explainCode(a.code).title)}
              <span className="block text-[15px] text-ink-2">
                {a.reason} · since {day(a.since)}
                {a.until ? `, taken back ${day(a.until)}` : ''}
              </span>
            </span>
            {a.until ? null : (
              <button
                type="button"
                className={BUTTON.quiet}
                onClick={() => void dispatch(putVehicle(withdrawCode(vehicle, a.code, now().toISOString())))}
              >
                Withdraw
              </button>
            )}
          </li>
        ))}
      </ul>
      {isAdding ? (
        <AcceptForm vehicle={vehicle} onDone={() => setAdding(false)} />
      ) : (
        <button type="button" className={BUTTON.own} onClick={() => setAdding(true)}>
          + A known code
        </button>
      )}
    </div>
  );
}
