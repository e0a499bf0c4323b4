import type { Browser, Page } from '@playwright/test';
import { msBudget, pace } from './pace.ts';
import type { Row } from './row.ts';
import { canServe, whileServed } from './served.ts';
import { inMs, median } from './spread.ts';
import { countFromNow, longestTask, type Task } from './tasks.ts';
import { longLog, manyCases, putRows } from './years.ts';

/** A phone of some years ago. */
const SLOWER = 4;
const FEW = 10;
const MANY = 2000;
const SHORT = 50;
const LONG = 5000;
/** What a page answers within is felt as at once (Web Vitals, interaction to next paint: good), ms. */
const TOUCH_MS = 200;
/** One opening alone is now half, now twice another. */
const TIMES = 7;

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

interface Phone {
  page: Page;
  /** Does something while the page is at full speed; to make it slow takes a core. */
  atFullSpeed: <T>(run: () => T | Promise<T>) => Promise<T>;
}

/** Loads of the garage whose tasks are looked at, and how long after its names are there it is done with all of it, ms. */
const LOADS = 5;
const READ_MS = 10_000;

async function filled(
  browser: Browser,
  address: string,
  rows: Parameters<typeof putRows>[1],
): Promise<Phone> {
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
  const slowDown = (rate: number) => session.send('Emulation.setCPUThrottlingRate', { rate });
  await slowDown(SLOWER);
  return {
    page,
    atFullSpeed: async (run) => {
      await slowDown(1);
      const found = await run();
      await slowDown(SLOWER);
      return found;
    },
  };
}

interface Garage {
  opens: number[];
  finder: number[];
  keys: number[];
  /** How slow the machine was beside each opening of the search. */
  slower: number[];
  /** At full speed: the longest task after the first names are there, until all is read; and how slow the machine was. */
  tasks: Task[];
  slowerThen: number[];
}

async function garageOf(browser: Browser, address: string, count: number): Promise<Garage> {
  const { page, atFullSpeed } = await filled(browser, address, manyCases(count));
  await page.goto('about:blank');
  const found: Garage = { opens: [], finder: [], keys: [], slower: [], tasks: [], slowerThen: [] };
  await atFullSpeed(async () => {
    for (let time = 0; time < LOADS; time++) {
      const before = pace();
      // A page of its own, as at each start: what an earlier one has left behind is not cleared away while it is read.
      const fresh = await page.context().newPage();
      found.tasks.push(
        await longestTask(fresh, async () => {
          await fresh.goto(`${address}/`, { waitUntil: 'commit' });
          await fresh
            .getByRole('heading', { name: /^Tarrow Finch \d+$/ })
            .first()
            .waitFor({ timeout: 120_000 });
          await countFromNow(fresh);
          await fresh.waitForTimeout(READ_MS);
        }),
      );
      await fresh.close();
      found.slowerThen.push((before + pace()) / 2);
    }
  });
  for (let time = 0; time < TIMES; time++) {
    const start = performance.now();
    await page.goto(`${address}/`, { waitUntil: 'commit' });
    await page
      .getByRole('heading', { name: /^Tarrow Finch \d+$/ })
      .first()
      .waitFor({ timeout: 120_000 });
    found.opens.push(performance.now() - start);
  }
  // Everything is read, worked out and copied.
  await page.getByText('Short trips').first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(15_000);
  const press = `document.dispatchEvent(new KeyboardEvent('keydown', { key: '/', code: 'Slash', bubbles: true }))`;
  for (let time = 0; time < TIMES; time++) {
    found.slower.push(await atFullSpeed(pace));
    found.finder.push(await untilDrawn(page, press, 'input[cmdk-input]'));
    for (const word of ['w', 'we', 'wet', 'wet-', 'wet-m']) {
      const type = `{
        const input = document.querySelector('input[cmdk-input]');
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, '${word}');
        input.dispatchEvent(new Event('input', { bubbles: true }));
      }`;
      found.keys.push(await untilDrawn(page, type, 'input[cmdk-input]'));
    }
    await page.keyboard.press('Escape');
    await page.locator('input[cmdk-input]').waitFor({ state: 'detached' });
  }
  await page.context().close();
  return found;
}

const worked = ({ tasks }: Garage): string => inMs(tasks.map((t) => t.worked));

interface Log {
  touches: number[];
  /** How slow the machine was beside each touch. */
  slower: number[];
  opens: number[];
  strike: number[];
  elements: number;
}

async function logOf(browser: Browser, address: string, count: number): Promise<Log> {
  const { page, atFullSpeed } = await filled(browser, address, longLog(count));
  await page.goto(`${address}/case/case_wet/light`);
  await page.getByRole('heading', { name: /Which light is on/ }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(5_000);
  const found: Log = { touches: [], slower: [], opens: [], strike: [], elements: 0 };
  for (let time = 0; time < TIMES; time++) {
    // Another lamp's second answer each time.
    const at = time * 4 + 1;
    found.slower.push(await atFullSpeed(pace));
    found.touches.push(
      await untilDrawn(
        page,
        `{
          const touched = document.querySelectorAll('[role=radio]')[${at}];
          touched.dataset.bench = '${at}';
          touched.click();
        }`,
        `[data-bench="${at}"][aria-checked=true]`,
      ),
    );
    await page.waitForTimeout(2_000);
  }
  const log = page.getByRole('dialog');
  const more = log.getByRole('button', { name: /^More: / }).first();
  const leave = async () => {
    await page.getByRole('button', { name: 'Close' }).click();
    await log.waitFor({ state: 'detached' });
    await page.waitForTimeout(500);
  };
  // Fetched once, so that its file is not counted.
  await page.getByRole('link', { name: /^Log, / }).click();
  await more.waitFor();
  await leave();
  for (let time = 0; time < TIMES; time++) {
    found.opens.push(
      await untilDrawn(
        page,
        `document.querySelector('a[aria-label^="Log, "]').click()`,
        '[role=dialog] li p',
      ),
    );
    await more.click();
    await page.getByRole('menuitem', { name: 'Strike out' }).waitFor();
    found.strike.push(
      await untilDrawn(page, `document.querySelector('[role=menuitem]').click()`, '[role=dialog] li input'),
    );
    found.elements = Number(await page.evaluate('document.querySelectorAll("*").length'));
    await leave();
  }
  await page.context().close();
  return found;
}

/** What a garage and a log of many years cost on an old phone, against small ones, in the real page. */
export async function manyRows(): Promise<Row[]> {
  if (!canServe()) return [];
  return whileServed(false, async (address, browser) => {
    const few = await garageOf(browser, address, FEW);
    const many = await garageOf(browser, address, MANY);
    const short = await logOf(browser, address, SHORT);
    const long = await logOf(browser, address, LONG);
    // What an owner waits for is the first opening, which gathers what is searched; the later ones are told beside it.
    const [first = NaN, ...again] = many.finder;
    const touch = [short, long]
      .map((log) => msBudget(median(log.touches), TOUCH_MS, median(log.slower), ' at a quarter of the speed'))
      .reduce((worst, next) => (next.ratio > worst.ratio ? next : worst));
    return [
      {
        what: `Garage of ${MANY} cases opens, processor 4 x slower, against ${FEW}`,
        measured: `${inMs(many.opens)} against ${inMs(few.opens)}`,
        budget: '1.5 x',
        ratio: median(many.opens) / (1.5 * median(few.opens)),
      },
      {
        what: `Longest task while ${MANY} cases are read, from their names on, against ${FEW}`,
        measured: `${worked(many)} against ${worked(few)} of processor`,
        ...msBudget(median(many.tasks.map((t) => t.worked)), 50, median(many.slowerThen)),
      },
      {
        what: `Search opens over ${MANY} cases, the first time`,
        measured: `${first.toFixed(0)} ms; again ${inMs(again)}`,
        ...msBudget(first / SLOWER, 100, median(many.slower), ' at full speed'),
      },
      {
        what: 'A key in it',
        measured: inMs(many.keys),
        ...msBudget(median(many.keys) / SLOWER, 50, median(many.slower), ' at full speed'),
      },
      {
        what: `A light is touched, until it is marked, in a log of ${SHORT}; of ${LONG}`,
        measured: `${inMs(short.touches)}; ${inMs(long.touches)}`,
        ...touch,
      },
      {
        what: `Log of ${LONG} entries opens, against ${SHORT}; ${long.elements} elements`,
        measured: `${inMs(long.opens)} against ${inMs(short.opens)}`,
        budget: '1.5 x',
        ratio: median(long.opens) / (1.5 * median(short.opens)),
      },
      {
        what: 'Its form to strike an entry out, against the same',
        measured: `${inMs(long.strike)} against ${inMs(short.strike)}`,
        budget: '1.5 x',
        ratio: median(long.strike) / (1.5 * median(short.strike)),
      },
    ];
  });
}
