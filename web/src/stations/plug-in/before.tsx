import { socketCoverage, type Vehicle } from '@pincer/core/vehicle';
import { SHEET } from '../../ui/classes.ts';
import { Places } from './places.tsx';
import { Socket } from './socket.tsx';
import { useTell } from '../../store/use-tell.ts';

const COVERAGE_WORDS = {
  yes: 'This vehicle has the standard’s socket.',
  likely: 'It likely has it.',
  unlikely: 'It may not have one.',
  unknown: 'Nobody can say yet whether it has it.',
} as const;

const PREPARE = [
  'Level ground, fresh air, {in park or neutral}, {parking brake on}.',
  'Find the socket: look at the places below, in that order. Caps and flaps come off by hand.',
  'The adapter fits one way only, long row to long row. Never force it. Its light comes on as soon as it has power.',
  'Ignition on, engine not needed. {With a start button, press it without the brake pedal}.',
  'For a long session, connect a battery charger.',
];

/** What to know and do before the plug goes in; seen once, it stays folded. */
export function Before({
  vehicle,
  isFolded,
  onFold,
}: {
  vehicle: Vehicle;
  isFolded: boolean;
  onFold: (isFolded: boolean) => void;
}) {
  const tell = useTell();
  const coverage = socketCoverage(vehicle);
  return (
    <details open={!isFolded} onToggle={(e) => onFold(!e.currentTarget.open)} className={SHEET}>
      <summary className="min-h-11 px-4 py-2.5 text-lg font-bold">Before you plug in</summary>
      <div className="space-y-4 px-4 pb-4">
        <div className="grid gap-x-6 gap-y-3 md:grid-cols-[1fr_270px]">
          <div>
            <p className="mb-2">
              <b>{COVERAGE_WORDS[coverage.verdict]}</b> {tell(coverage.reason)}{' '}
              <span className="text-ink-2">{tell(coverage.howToTell)}</span>
            </p>
            <ol className="list-decimal space-y-1 pl-5">
              {PREPARE.map((p) => (
                <li key={p}>{tell(p)}</li>
              ))}
            </ol>
          </div>
          <Socket />
        </div>
        <Places vehicle={vehicle} />
      </div>
    </details>
  );
}
