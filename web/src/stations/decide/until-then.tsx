import { SHEET } from '../../ui/classes.ts';
import { day } from '../../ui/format.ts';
import { useNow } from '../../ui/use-now.ts';
import { useCase } from '../case-context.ts';

/** What lowers the risk until it is fixed, and when to look again. */
export function Until() {
  const today = useNow();
  const { dos, stopIf, again, days } = useCase().assessment.untilThen;
  return (
    <section aria-labelledby="until-then" className={`${SHEET} p-4`}>
      <h3 id="until-then" className="text-lg">
        Until it is fixed
      </h3>
      {dos.length > 0 ? (
        <ul className="mt-1 list-disc space-y-1 pl-5">
          {dos.map((d) => (
            <li key={d}>{d}</li>
          ))}
        </ul>
      ) : null}
      {stopIf.length > 0 ? <p className="mt-2">Stop and switch off if {listed(stopIf)}.</p> : null}
      <p className="mt-2">
        {again}
        {days === null ? null : <> That is by {day(daysAfter(today, days).toISOString())}.</>}
      </p>
    </section>
  );
}

/** By the calendar: a day on which the clocks change is one day too. */
function daysAfter(moment: Date, days: number): Date {
  const after = new Date(moment);
  after.setDate(after.getDate() + days);
  return after;
}

const listed = (parts: readonly string[]): string =>
  new Intl.ListFormat('en', { type: 'disjunction' }).format(parts);
