import type { Page } from '@playwright/test';

/** The longest task of a page's main thread. */
export interface Task {
  /** What the thread had of the processor in it, ms: what a page asks of a machine that has nothing else to do. */
  worked: number;
  /** What went by meanwhile, ms; on a shared machine others had the processor in between. */
  took: number;
}

/** One event of the browser's trace: times in microseconds, by the clock and by the thread's own. */
interface TraceEvent {
  name: string;
  ph: string;
  pid: number;
  tid: number;
  ts: number;
  dur?: number;
  tdur?: number;
  args: { name?: string };
}

/** By these names a page marks that only what begins after it counts, and which of the browser's processes it is. */
const FROM = 'bench-from';
const HERE = 'bench-here';

const mark = (page: Page, as: string): Promise<void> =>
  page.evaluate((name) => void performance.mark(name), as);

/** Only tasks that begin after this moment count, of those that are being looked at. */
export const countFromNow = (page: Page): Promise<void> => mark(page, FROM);

/**
 * The longest task of the page's main thread while something runs, from the browser's own trace.
 * @param run may say with `countFromNow` that what was before it does not count
 * @throws Error where the trace holds no task, or none with the thread's own time
 */
export async function longestTask(page: Page, run: () => Promise<void>): Promise<Task> {
  const browser = page.context().browser();
  if (!browser) throw new Error('The page belongs to no browser whose tasks could be traced.');
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing'] });
  await run();
  await mark(page, HERE);
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as {
    traceEvents: TraceEvent[];
  };
  // The browser draws parts of its own window as pages, which are none of the program's.
  const own = traceEvents.find((e) => e.name === HERE)?.pid;
  const main = traceEvents.find(
    (e) => e.name === 'thread_name' && e.args.name === 'CrRendererMain' && e.pid === own,
  )?.tid;
  const from = Math.max(-Infinity, ...traceEvents.filter((e) => e.name === FROM).map((e) => e.ts));
  const tasks = traceEvents.filter(
    (e) => e.ph === 'X' && e.name.endsWith('RunTask') && e.pid === own && e.tid === main && e.ts > from,
  );
  const [longest] = tasks.toSorted((a, b) => (b.tdur ?? 0) - (a.tdur ?? 0));
  if (longest?.tdur === undefined || longest.dur === undefined)
    throw new Error('The trace tells no task of the page’s main thread.');
  return { worked: longest.tdur / 1000, took: longest.dur / 1000 };
}

/** Both times of a task, as a row tells them. */
export const taskText = ({ worked, took }: Task): string =>
  `${worked.toFixed(0)} ms of processor in ${took.toFixed(0)} ms`;
