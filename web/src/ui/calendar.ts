/** An entry of a whole day. */
export interface CalendarDay {
  /** `YYYY-MM-DD`. */
  date: string;
  title: string;
  description: string;
}

/**
 * Days as a calendar file (RFC 5545). The package loads when a file is first wanted.
 * @param name of the calendar.
 * @throws Error in words where a date cannot be written.
 */
export async function calendarFile(days: readonly CalendarDay[], name: string): Promise<string> {
  const { createEvents } = await import('ics');
  const events = days.map(({ date, ...entry }) => {
    const [y = 0, m = 0, d = 0] = date.split('-').map(Number);
    return { ...entry, start: [y, m, d] as [number, number, number], duration: { days: 1 }, calName: name };
  });
  const { value, error } = createEvents(events);
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return value;
}
