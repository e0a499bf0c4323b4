import { Check, CircleHelp, Printer, X } from 'lucide-react';
import { useId } from 'react';
import { toast } from 'sonner';
import { INSPECTION_RULES, INSPECTION_RULE_IDS, type InspectionView } from '@pincer/core/inspection';
import { MONITOR_NAMES } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { BUTTON, FIELD, SHEET, cx } from '../ui/classes.ts';
import { day, counted } from '../ui/format.ts';
import { saveText } from '../ui/save-text.ts';
import { drivesCalendar } from './drives-calendar.ts';
import { extraWords, tripWords } from './words.ts';

const VERDICTS = {
  pass: 'would pass',
  fail: 'would fail',
  'cannot-tell': 'cannot tell yet',
} as const;
const ICONS = { pass: Check, fail: X, unknown: CircleHelp } as const;
const SAYS = { pass: 'in order', fail: 'would fail', unknown: 'not known' } as const;

/** Whether it would pass an inspection, why, and the drives to get there. One line until it is opened. */
export function InspectionPanel({
  view,
  vehicle,
  isOpen = false,
}: {
  view: InspectionView;
  vehicle: Vehicle;
  isOpen?: boolean;
}) {
  const worst = view.reasons.find((r) => r.says === 'fail') ?? view.reasons.find((r) => r.says === 'unknown');
  return (
    <details className={cx(SHEET, 'print:border-0')} open={isOpen || undefined}>
      <summary className="flex min-h-12 flex-wrap items-center gap-x-3 px-4 py-2">
        <span className="text-lg font-bold">Inspection</span>
        <span className="font-semibold">{VERDICTS[view.verdict]}</span>
        {worst ? <span className="min-w-0 text-[15px] text-ink-2">{worst.text}</span> : null}
      </summary>
      <div className="space-y-4 px-4 pb-4">
        <Reasons view={view} />
        <Drives view={view} vehicle={vehicle} />
        <Rule view={view} vehicle={vehicle} />
      </div>
    </details>
  );
}

function Reasons({ view }: { view: InspectionView }) {
  return (
    <ul className="space-y-2">
      {view.reasons.map((r) => {
        const Icon = ICONS[r.says];
        return (
          <li key={r.id} className="flex gap-2">
            <Icon size={20} className="mt-0.5 shrink-0" aria-label={SAYS[r.says]} />
            <span>
              <span className={r.says === 'pass' ? '' : 'font-semibold'}>{r.text}</span>
              {r.change === '' ? null : <span className="block text-[15px] text-ink-2">{r.change}</span>}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function Drives({ view, vehicle }: { view: InspectionView; vehicle: Vehicle }) {
  const tell = useTell();
  const { plan, open, due, isInTime } = view;
  const blocked = open.filter((o) => o.blockedBy.length > 0);
  const save = async () => {
    try {
      saveText(
        `${vehicle.name} drives.ics`,
        await drivesCalendar(plan, vehicle.name, due?.date ?? null, tell),
        'text/calendar',
      );
    } catch {
      toast('The calendar file could not be made. The list here holds the same.');
    }
  };
  if (open.length === 0) return <Due view={view} />;
  return (
    <section className="space-y-2">
      <h4 className="font-semibold">Drives that let the open self-checks run</h4>
      {blocked.map((o) => (
        <p key={o.monitor}>
          <b>{o.name}</b> cannot run while <span className="font-mono">{o.blockedBy.join(', ')}</span> is
          stored: cure that first.
        </p>
      ))}
      {plan.trips.length > 0 ? (
        <ul className="divide-y divide-line border-y border-line">
          {plan.trips.map((t) => (
            <li key={`${t.date}${t.name}`} className="py-1.5">
              <b>{day(`${t.date}T12:00:00`)}</b>, {t.name}: {tripWords(t)}
              <span className="block text-[15px] text-ink-2">
                {t.completes.length > 0
                  ? `Then complete: ${t.completes.map((m) => MONITOR_NAMES[m].toLowerCase()).join(', ')}.`
                  : 'Counts towards a self-check that wants more than one drive.'}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      {plan.extra ? (
        <p>
          <b>One extra drive:</b> {tell(extraWords(plan.extra))}
          <span className="block text-[15px] text-ink-2">
            For: {plan.extra.for.map((m) => MONITOR_NAMES[m].toLowerCase()).join(', ')}.
            {(vehicle.usualTrips ?? []).length === 0
              ? ' Add the trips that you make anyway to the vehicle: perhaps one of them will do.'
              : ''}
          </span>
        </p>
      ) : null}
      {plan.readyOn ? (
        <p>
          {blocked.length > 0 ? 'The others are ready on' : 'Ready on'}{' '}
          <b>{day(`${plan.readyOn}T12:00:00`)}</b> at the earliest.
        </p>
      ) : null}
      <Due view={view} />
      {isInTime === false && blocked.length === 0 ? (
        <p>If the day cannot be moved, make a drive like the longest of these on purpose.</p>
      ) : null}
      <p className="text-[15px] text-ink-2">
        Makers differ in these conditions. Never read or type while driving.
      </p>
      <div className="flex flex-wrap gap-2 print:hidden">
        {plan.trips.length > 0 ? (
          <button type="button" className={BUTTON.plain} onClick={() => void save()}>
            Save as calendar file
          </button>
        ) : null}
        <button type="button" className={BUTTON.quiet} onClick={() => window.print()}>
          <Printer size={18} aria-hidden="true" /> Print
        </button>
      </div>
    </section>
  );
}

function Due({ view: { due, isInTime } }: { view: InspectionView }) {
  if (!due) return null;
  const when = `The inspection is on ${day(`${due.date}T12:00:00`)}`;
  if (due.days < 0) return <p>{when.replace('is on', 'was due on')}.</p>;
  return (
    <p>
      {when}, {due.days === 0 ? 'today' : `in ${counted(due.days, 'day')}`}
      {isInTime === null ? '.' : isInTime ? ': in time.' : ': the self-checks will not all have run by then.'}
    </p>
  );
}

/** The rule, to be changed, with its source. */
function Rule({ view, vehicle }: { view: InspectionView; vehicle: Vehicle }) {
  const id = useId();
  const dispatch = useAppDispatch();
  return (
    <div className="border-t border-line pt-3 print:hidden">
      <label htmlFor={id} className="font-semibold">
        Rule
      </label>
      <select
        id={id}
        className={FIELD}
        value={view.rule}
        onChange={(e) => void dispatch(putVehicle({ ...vehicle, inspectionRule: e.target.value }))}
      >
        {INSPECTION_RULE_IDS.map((r) => (
          <option key={r} value={r}>
            {INSPECTION_RULES[r].title}
          </option>
        ))}
      </select>
      <p className="mt-1 text-[15px] text-ink-2">
        {view.source}; looked up {day(`${view.asOf}T12:00:00`)}. <b>Check your local rule:</b> it may ask for
        more.
      </p>
    </div>
  );
}
