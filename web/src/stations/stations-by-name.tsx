import { ListOrdered } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { StationView } from '@pincer/core/assess';
import { Dialog } from '../ui/dialog.tsx';
import { STATION_TITLES } from './titles.ts';

/** Where the rail shows numbers alone: the stations with their names and what each holds, one touch away. */
export function StationsByName({ caseId, stations }: { caseId: string; stations: readonly StationView[] }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="grid size-11 shrink-0 place-items-center rounded-md md:hidden"
        aria-label="Stations by name"
        onClick={() => setOpen(true)}
      >
        <ListOrdered size={22} aria-hidden="true" />
      </button>
      <Dialog title="Stations" open={isOpen} onOpenChange={setOpen}>
        <ol className="divide-y divide-line">
          {stations.map((s, i) => (
            <li key={s.id}>
              <Link
                to={`/case/${caseId}/${s.id}`}
                className="flex min-h-12 items-center gap-3 py-1.5"
                onClick={() => setOpen(false)}
              >
                <span className="w-6 text-center font-mono">{i + 1}</span>
                <span>
                  <b>{STATION_TITLES[s.id]}</b>
                  <span className="block text-[15px] text-ink-2">
                    {s.summary === '–' ? 'nothing yet' : s.summary}
                  </span>
                </span>
              </Link>
            </li>
          ))}
        </ol>
      </Dialog>
    </>
  );
}
