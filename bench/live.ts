import type { Browser, Page } from '@playwright/test';
import { connect, openCase, readAll } from '../e2e/helpers.ts';
import type { Row } from './row.ts';
import { canServe, whileServed } from './served.ts';
import { longestTask, taskText, type Task } from './tasks.ts';

const SLOWER = 4;
/** How long is recorded before it is measured, ms, and for how many seconds then. */
const BEGINS_MS = 6_000;
const SECONDS = 12;
const TRACED_MS = 4_000;

interface Live {
  /** Values a second that reach the recording, with its traces on the screen. */
  perSecond: number;
  longest: Task;
}

const samplesOn = async (page: Page): Promise<number> => {
  const said = await page.getByRole('region', { name: 'Recording now' }).innerText();
  return Number(/([\d.,]+)\s*values a\s+second/.exec(said)?.[1]?.replace(',', '') ?? NaN);
};

async function record(browser: Browser, address: string, slower: number): Promise<Live> {
  const context = await browser.newContext({
    locale: 'en-IE',
    baseURL: address,
    viewport: { width: 390, height: 844 },
  });
  try {
    const page = await context.newPage();
    await openCase(page);
    await connect(page, 'Nothing');
    await readAll(page);
    await page.getByRole('link', { name: 'Watch and record them' }).click();
    // As many traces as there are: the wire carries six values in a request.
    await page.getByText('Choose others').click();
    for (const box of await page.getByRole('region', { name: 'What to watch' }).getByRole('checkbox').all())
      await box.check();
    await page.getByRole('button', { name: 'Watch and record these' }).click();
    await page.getByRole('figure').first().waitFor();
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
    await page.waitForTimeout(BEGINS_MS);
    const told: number[] = [];
    for (let n = 0; n < SECONDS; n++) {
      await page.waitForTimeout(1_000);
      told.push(await samplesOn(page));
    }
    // Looked at by itself: to trace the page costs it values.
    const longest = await longestTask(page, () => page.waitForTimeout(TRACED_MS));
    return { perSecond: told.reduce((sum, n) => sum + n, 0) / told.length, longest };
  } finally {
    await context.close();
  }
}

/** What an old phone loses of the wire’s rate by drawing what comes. */
export async function liveRows(): Promise<Row[]> {
  if (!canServe()) return [];
  return whileServed(false, async (address, browser) => {
    const fast = await record(browser, address, 1);
    const slow = await record(browser, address, SLOWER);
    return [
      {
        what: `Live traces, processor ${SLOWER} x slower, against full speed: values a second`,
        measured: `${slow.perSecond.toFixed(0)} of ${fast.perSecond.toFixed(0)}; longest task ${taskText(slow.longest)}`,
        budget: '0.95 of them',
        ratio: (0.95 * fast.perSecond) / slow.perSecond,
      },
    ];
  });
}
