import type { Browser, Page } from '@playwright/test';
import type { Row } from './row.ts';
import { canServe, whileServed } from './served.ts';
import { longLog, manyCases, putRows } from './years.ts';

/** A phone of some years ago. */
const SLOWER = 4;
const FEW = 10;
const MANY = 2000;
const SHORT = 50;
const LONG = 5000;

/** Milliseconds from an act until something is there and drawn, in the page's own time. */
const untilDrawn = (page: Page, act: string, selector: string): Promise<number> =>
  // Text of the page, so that it has no tool's helpers in it.
  page.evaluate(`new Promise((resolve) => {
    const since = performance.now();
    const isThere = () => document.querySelector(${JSON.stringify(selector)}) !== null;
    const look = () => {
      if (!isThere()) return requestAnimationFrame(look);
      requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - since)));
    };
    ${act};
    look();
  })`);

async function filled(browser: Browser, address: string, rows: Parameters<typeof putRows>[1]): Promise<Page> {
  const context = await browser.newContext({
    locale: 'en-IE',
    serviceWorkers: 'block',
    viewport: { width: 390, height: 844 },
  });
  // What the tool that runs this file adds to functions is not known in the page.
  await context.addInitScript('globalThis.__name = (f) => f');
  const page = await context.newPage();
  await page.goto(`${address}/`);
  await page.getByText('No vehicles yet.').waitFor();
  await putRows(page, rows);
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  return page;
}

interface Garage {
  opens: number;
  finder: number;
  key: number;
}

async function garageOf(browser: Browser, address: string, count: number): Promise<Garage> {
  const page = await filled(browser, address, manyCases(count));
  const start = performance.now();
  await page.goto(`${address}/`, { waitUntil: 'commit' });
  await page
    .getByRole('heading', { name: /^Tarrow Finch \d+$/ })
    .first()
    .waitFor({ timeout: 120_000 });
  const opens = performance.now() - start;
  // Everything is read, worked out and copied.
  await page.getByText('Short trips').first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(15_000);
  const press = `document.dispatchEvent(new KeyboardEvent('keydown', { key: '/', code: 'Slash', bubbles: true }))`;
  const finder = await untilDrawn(page, press, 'input[cmdk-input]');
  const keys: number[] = [];
  for (const word of ['w', 'we', 'wet', 'wet-', 'wet-m']) {
    const type = `{
      const input = document.querySelector('input[cmdk-input]');
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, '${word}');
      input.dispatchEvent(new Event('input', { bubbles: true }));
    }`;
    keys.push(await untilDrawn(page, type, 'input[cmdk-input]'));
  }
  await page.context().close();
  return { opens, finder, key: keys.sort((a, b) => a - b)[2] ?? NaN };
}

interface Log {
  opens: number;
  strike: number;
  elements: number;
}

async function logOf(browser: Browser, address: string, count: number): Promise<Log> {
  const page = await filled(browser, address, longLog(count));
  await page.goto(`${address}/case/case_wet/light`);
  await page.getByRole('heading', { name: /Which light is on/ }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(5_000);
  // Fetched once, so that its file is not counted.
  await page.getByRole('link', { name: /^Log, / }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^More: / })
    .first()
    .waitFor();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.waitForTimeout(500);
  const opens = await untilDrawn(
    page,
    `document.querySelector('a[aria-label^="Log, "]').click()`,
    '[role=dialog] li p',
  );
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^More: / })
    .first()
    .click();
  await page.getByRole('menuitem', { name: 'Strike out' }).waitFor();
  const strike = await untilDrawn(
    page,
    `document.querySelector('[role=menuitem]').click()`,
    '[role=dialog] li input',
  );
  const elements = Number(await page.evaluate('document.querySelectorAll("*").length'));
  await page.context().close();
  return { opens, strike, elements };
}

/** What a garage and a log of many years cost on an old phone, against small ones, in the real page. */
export async function manyRows(): Promise<Row[]> {
  if (!canServe()) return [];
  return whileServed(false, async (address, browser) => {
    // Once for nothing: the first page of a browser pays for the browser.
    await garageOf(browser, address, FEW);
    const few = await garageOf(browser, address, FEW);
    const many = await garageOf(browser, address, MANY);
    const short = await logOf(browser, address, SHORT);
    const long = await logOf(browser, address, LONG);
    const ms = (value: number) => `${value.toFixed(0)} ms`;
    return [
      {
        what: `Garage of ${MANY} cases opens, processor 4 x slower, against ${FEW}`,
        measured: `${ms(many.opens)} against ${ms(few.opens)}`,
        budget: '1.5 x',
        ratio: many.opens / (1.5 * few.opens),
      },
      {
        what: `Search opens over ${MANY} cases`,
        measured: ms(many.finder),
        budget: '100 ms at full speed',
        ratio: many.finder / SLOWER / 100,
      },
      {
        what: 'A key in it',
        measured: ms(many.key),
        budget: '50 ms at full speed',
        ratio: many.key / SLOWER / 50,
      },
      {
        what: `Log of ${LONG} entries opens, against ${SHORT}; ${long.elements} elements`,
        measured: `${ms(long.opens)} against ${ms(short.opens)}`,
        budget: '1.5 x',
        ratio: long.opens / (1.5 * short.opens),
      },
      {
        what: 'Its form to strike an entry out, against the same',
        measured: `${ms(long.strike)} against ${ms(short.strike)}`,
        budget: '1.5 x',
        ratio: long.strike / (1.5 * short.strike),
      },
    ];
  });
}
