import type { DrivePlan } from '@pincer/core/inspection';
import { MONITOR_NAMES } from '@pincer/core/obd';
import { calendarFile, type CalendarDay } from '../ui/calendar.ts';
import { extraWords, tripWords } from './words.ts';

/**
 * The planned drives and the inspection as a calendar file, one entry a day.
 * @param tell says a text in the owner's own units and English.
 */
export function drivesCalendar(
  { trips, extra }: DrivePlan,
  vehicle: string,
  due: string | null,
  tell: (text: string) => string,
): Promise<string> {
  const drives = trips.map((t): CalendarDay => ({
    date: t.date,
    title: `${vehicle}: ${t.name}`,
    description: tell(`${tripWords(t)} ${t.completes.map((m) => MONITOR_NAMES[m]).join(', ')}`),
  }));
  const inspection: CalendarDay[] =
    due === null
      ? []
      : [
          {
            date: due,
            title: `${vehicle}: inspection`,
            description: extra ? tell(`Before it: ${extraWords(extra)}`) : '',
          },
        ];
  return calendarFile([...drives, ...inspection], `Pincer: ${vehicle}`);
}
