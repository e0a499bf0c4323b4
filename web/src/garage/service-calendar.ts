import type { ServiceRow } from '@pincer/core/service';

/**
 * What is due as a calendar file (RFC 5545), one entry of a whole day each; what is overdue stands at its past date.
 * @throws Error in words where a date cannot be written.
 */
export async function serviceCalendar(
  rows: readonly ServiceRow[],
  vehicle: string,
  tell: (text: string) => string,
): Promise<string> {
  const { createEvents } = await import('ics');
  const events = rows.flatMap(({ item, dueAt }) => {
    const [y = 0, m = 0, d = 0] = (dueAt ?? '').split('-').map(Number);
    if (dueAt === null) return [];
    return [
      {
        start: [y, m, d] as [number, number, number],
        duration: { days: 1 },
        title: `${vehicle}: ${tell(item.title)}`,
        description: tell(item.about),
        calName: `Pincer: ${vehicle}, service`,
      },
    ];
  });
  const { value, error } = createEvents(events);
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return value;
}
