import type { ServiceRow } from '@pincer/core/service';
import { calendarFile } from '../ui/calendar.ts';

/** What is due as a calendar file, one entry a day; what is overdue stands at its past date. */
export function serviceCalendar(
  rows: readonly ServiceRow[],
  vehicle: string,
  tell: (text: string) => string,
): Promise<string> {
  const days = rows.flatMap(({ item, dueAt }) =>
    dueAt === null
      ? []
      : [{ date: dueAt, title: `${vehicle}: ${tell(item.title)}`, description: tell(item.about) }],
  );
  return calendarFile(days, `Pincer: ${vehicle}, service`);
}
