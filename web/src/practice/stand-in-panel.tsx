import { Unplug } from 'lucide-react';
import type { Mode } from '@pincer/simulator';
import { pullPlug, setStandInMode, standInDoes } from '../store/link-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { Segments } from '../ui/segments.tsx';
import { useTell } from '../store/use-tell.ts';

const KEYS: readonly { id: Mode; title: string }[] = [
  { id: 'off', title: 'Off' },
  { id: 'key-on', title: 'On' },
  { id: 'idle', title: 'Idle' },
  { id: 'raised', title: '{2,500 rpm}' },
];

/** Drive the simulated car: its key, a drive, a repair, the plug. Folded where something else has to stay in sight. */
export function StandInPanel({ isFolded = false }: { isFolded?: boolean }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const standIn = useAppSelector((s) => s.link.standIn);
  if (!standIn) return null;
  const controls = (
    <>
      <p className="text-[15px] text-ink-2">{tell('A simulated {car} for practice. Ignition and engine:')}</p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Segments
          label={tell('Ignition and engine of the simulated {car}')}
          options={KEYS.map((key) => ({ ...key, title: tell(key.title) }))}
          value={standIn.mode}
          onChange={(m) => void dispatch(setStandInMode(m))}
        />
        <button type="button" className={BUTTON.plain} onClick={() => void dispatch(standInDoes('warmUp'))}>
          Idle until warm
        </button>
        <button type="button" className={BUTTON.plain} onClick={() => void dispatch(standInDoes('drive'))}>
          Drive a trip
        </button>
        {/* In the practice bay it is repaired at Fix, or not at all. */}
        {standIn.setup.practice ? null : (
          <button
            type="button"
            className={BUTTON.plain}
            disabled={standIn.isMended}
            onClick={() => void dispatch(standInDoes('mend'))}
          >
            {standIn.isMended ? 'Repaired' : 'Repair its fault'}
          </button>
        )}
        <button type="button" className={BUTTON.plain} onClick={() => void dispatch(pullPlug())}>
          <Unplug size={18} aria-hidden="true" /> Unplug the adapter
        </button>
      </div>
      <p className="mt-2 text-[15px] text-ink-2" role="status">
        {standIn.trips === 0
          ? 'Not driven since you connected.'
          : `${standIn.trips} ${standIn.trips === 1 ? 'trip' : 'trips'} since you connected; the last one ${standIn.shook ? 'shook' : 'ran smoothly'}.`}
      </p>
    </>
  );
  if (isFolded)
    return (
      <details className={`${SHEET} px-4 py-1`}>
        <summary className="flex min-h-11 items-center font-semibold">
          {tell('Drive the simulated {car}')}
        </summary>
        <div className="pb-3">{controls}</div>
      </details>
    );
  return (
    <section aria-labelledby="stand-in" className={`${SHEET} p-4`}>
      <h3 id="stand-in" className="text-lg">
        {tell('Drive the simulated {car}')}
      </h3>
      {controls}
    </section>
  );
}
