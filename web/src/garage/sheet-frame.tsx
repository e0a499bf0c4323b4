import { Fragment, type ReactNode } from 'react';
import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { useAppSelector } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { SHEET } from '../ui/classes.ts';
import { day, distance } from '../ui/format.ts';

/** Cases of one vehicle that stand on its sheet before more are asked for. */
export const CASES_AT_ONCE = 6;

/** The same sheet while the logbook is read: names, and nothing that could be wrong yet. */
export function OpeningSheet({
  vehicle,
  cases,
}: {
  vehicle: Vehicle;
  cases: readonly Omit<CaseRecord, 'entries'>[];
}) {
  return (
    <SheetFrame vehicle={vehicle}>
      {cases.slice(0, CASES_AT_ONCE).map((c) => (
        <div key={c.id} className="flex min-h-14 items-center justify-between gap-3 px-4 py-2">
          <span className="text-[17px] font-semibold">{c.title}</span>
          <span className="shrink-0 text-[15px] text-ink-2">opened {day(c.openedAt)}</span>
        </div>
      ))}
    </SheetFrame>
  );
}

/** What every vehicle's sheet has: its name, and what is known of it in a line. */
export function SheetFrame({ vehicle, children }: { vehicle: Vehicle; children: ReactNode }) {
  const units = useAppSelector((s) => s.settings.owner.units);
  const tell = useTell();
  const about = [
    vehicle.year,
    vehicle.fuel === 'unknown' ? null : vehicle.fuel === 'petrol' ? tell('{petrol}') : vehicle.fuel,
    vehicle.distanceKm === undefined ? null : distance(vehicle.distanceKm, units),
    vehicle.plate,
  ].filter((x) => x !== null && x !== undefined);
  return (
    <section className={SHEET} aria-label={vehicle.name}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3 border-b border-line px-4 py-3">
        <h2 className="text-xl">{vehicle.name}</h2>
        <p className="text-[15px] text-ink-2">
          {about.map((what, i) => (
            // Where the line is too long it breaks between them, not within a number plate.
            <Fragment key={i}>
              {i > 0 ? ' · ' : ''}
              <span className="whitespace-nowrap">{what}</span>
            </Fragment>
          ))}
        </p>
      </div>
      <div className="divide-y divide-line">{children}</div>
    </section>
  );
}
