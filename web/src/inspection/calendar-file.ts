import type { DrivePlan } from '@pincer/core/inspection';
import { MONITOR_NAMES } from '@pincer/core/obd';
import { extraWords, tripWords } from './words.ts';

/**
 * The planned drives and the inspection as a calendar file (RFC 5545), one entry of a whole day each. The package loads when
 * a file is first wanted.
 * @param tell says a text in the owner's own units and English.
 * @throws Error in words where a date cannot be written.
 */
export async function calendarFile(
  { trips, extra }: DrivePlan,
  vehicle: string,
  due: string | null,
  tell: (text: string) => string,
): Promise<string> {
  const { createEvents } = await import('ics');
  const day = (date: string): [number, number, number] => {
    const [y = 0, m = 0, d = 0] = date.split('-').map(Number);
    return [y, m, d];
  };
  const whole = (date: string, title: string, description: string) => ({
    start: day(date),
    duration: { days: 1 },
    title,
    description: tell(description),
    calName: `Pincer: ${vehicle}`,
  });
  const events = [
    ...trips.map((t) =>
      whole(
        t.date,
        `${vehicle}: ${t.name}`,
        `${tripWords(t)} ${t.completes.map((m) => MONITOR_NAMES[m]).join(', ')}`,
      ),
    ),
    ...(extra && due ? [whole(due, `${vehicle}: inspection`, `Before it: ${extraWords(extra)}`)] : []),
    ...(!extra && due ? [whole(due, `${vehicle}: inspection`, '')] : []),
  ];
  const { value, error } = createEvents(events);
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return value;
}
