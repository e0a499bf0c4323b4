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
  /** Does something while the page is as slow as on that phone. A slow page takes a core, so that it is so only meanwhile. */
  slowly: <T>(run: () => T | Promise<T>) => Promise<T>;
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
  return {
    page,
    slowly: async (run) => {
      await slowDown(SLOWER);
      const found = await run();
      await slowDown(1);
      return found;
    },
  };
}

/** Opens the search, and the field of it. */
const PRESS = `document.dispatchEvent(new KeyboardEvent('keydown', { key: '/', code: 'Slash', bubbles: true }))`;
const SEARCH = 'input[cmdk-input]';

interface Garage {
  phone: Phone;
  opens: number[];
  /** At full speed: the longest task after the first names are there, until all is read; and how slow the machine was. */
  tasks: Task[];
  slower: number[];
  /** At full speed, once in each of these pages: the first opening of the search gathers what is searched. */
  firstFinder: number[];
}

const firstName = (page: Page): Promise<void> =>
  page
    .getByRole('heading', { name: /^Tarrow Finch \d+$/ })
    .first()
    .waitFor({ timeout: 120_000 });

/** Loads the garage in a page of its own, as at each start: what an earlier one has left behind is not cleared away meanwhile. */
async function loadAfresh(address: string, { phone, tasks, slower, firstFinder }: Garage): Promise<void> {
  const before = pace();
  const page = await phone.page.context().newPage();
  tasks.push(
    await longestTask(page, async () => {
      await page.goto(`${address}/`, { waitUntil: 'commit' });
      await firstName(page);
      await countFromNow(page);
      await page.waitForTimeout(READ_MS);
    }),
  );
  firstFinder.push(await untilDrawn(page, PRESS, SEARCH));
  await page.close();
  slower.push((before + pace()) / 2);
}

async function openGarage(address: string, { phone, opens }: Garage): Promise<void> {
  const { page, slowly } = phone;
  await slowly(async () => {
    const start = performance.now();
    await page.goto(`${address}/`, { waitUntil: 'commit' });
    await firstName(page);
    opens.push(performance.now() - start);
  });
  await page.goto('about:blank');
}

interface Finder {
  opens: number[];
  keys: number[];
  /** How slow the machine was beside each opening. */
  slower: number[];
}

/** The search over a garage that was read, worked out and copied. */
async function finderOf(address: string, { page, slowly }: Phone): Promise<Finder> {
  const found: Finder = { opens: [], keys: [], slower: [] };
  await page.goto(`${address}/`);
  await page.getByText('Short trips').first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(15_000);
  for (let time = 0; time < TIMES; time++) {
    found.slower.push(pace());
    await slowly(async () => {
      found.opens.push(await untilDrawn(page, PRESS, SEARCH));
      for (const word of ['w', 'we', 'wet', 'wet-', 'wet-m']) {
        const type = `{
          const input = document.querySelector('${SEARCH}');
          Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, '${word}');
          input.dispatchEvent(new Event('input', { bubbles: true }));
        }`;
        found.keys.push(await untilDrawn(page, type, SEARCH));
      }
      await page.keyboard.press('Escape');
      await page.locator(SEARCH).waitFor({ state: 'detached' });
    });
  }
  return found;
}

const worked = ({ tasks }: Garage): string => inMs(tasks.map((t) => t.worked));

interface Log {
  phone: Phone;
  touches: number[];
  /** How slow the machine was beside each touch. */
  slower: number[];
  opens: number[];
  strike: number[];
  elements: number;
}

/** Lamps that are touched, each at its second answer first, and then at its third; each has four. */
const LAMPS = 7;

/** Touches a light. @param time how often one was touched before: each time it is another answer. */
async function touchLight({ phone, touches, slower }: Log, time: number): Promise<void> {
  const at = (time % LAMPS) * 4 + 1 + Math.floor(time / LAMPS);
  slower.push(pace());
  await phone.slowly(async () => {
    touches.push(
      await untilDrawn(
        phone.page,
        `{
          const touched = document.querySelectorAll('[role=radio]')[${at}];
          touched.dataset.bench = '${at}';
          touched.click();
        }`,
        `[data-bench="${at}"][aria-checked=true]`,
      ),
    );
    await phone.page.waitForTimeout(1_000);
  });
}

/** Opens the log, and the form to strike its first entry out. */
async function openLog(log: Log): Promise<void> {
  const { page, slowly } = log.phone;
  const sheet = page.getByRole('dialog');
  await slowly(async () => {
    log.opens.push(
      await untilDrawn(
        page,
        `document.querySelector('a[aria-label^="Log, "]').click()`,
        '[role=dialog] li p',
      ),
    );
    await sheet
      .getByRole('button', { name: /^More: / })
      .first()
      .click();
    await page.getByRole('menuitem', { name: 'Strike out' }).waitFor();
    log.strike.push(
      await untilDrawn(page, `document.querySelector('[role=menuitem]').click()`, '[role=dialog] li input'),
    );
  });
  log.elements = Number(await page.evaluate('document.querySelectorAll("*").length'));
  await leaveLog(page);
}

async function leaveLog(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await page.waitForTimeout(500);
}

async function logOf(browser: Browser, address: string, count: number): Promise<Log> {
  const phone = await filled(browser, address, longLog(count));
  const { page } = phone;
  await page.goto(`${address}/case/case_wet/light`);
  await page.getByRole('heading', { name: /Which light is on/ }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(5_000);
  return { phone, touches: [], slower: [], opens: [], strike: [], elements: 0 };
}

/** Does the same with both several times, in turns: a shared machine is now fast, now slow. */
async function inTurns<T>(
  times: number,
  both: readonly T[],
  run: (one: T, time: number) => Promise<void>,
): Promise<void> {
  for (let time = 0; time < times; time++) for (const one of both) await run(one, time);
}

/** What a garage and a log of many years cost on an old phone, against small ones, in the real page. */
export async function manyRows(): Promise<Row[]> {
  if (!canServe()) return [];
  return whileServed(false, async (address, browser) => {
    const garages: Garage[] = [];
    for (const count of [FEW, MANY]) {
      const phone = await filled(browser, address, manyCases(count));
      await phone.page.goto('about:blank');
      garages.push({ phone, opens: [], tasks: [], slower: [], firstFinder: [] });
    }
    await inTurns(LOADS, garages, (g) => loadAfresh(address, g));
    await inTurns(TIMES, garages, (g) => openGarage(address, g));
    const [few, many] = garages as [Garage, Garage];
    const finder = await finderOf(address, many.phone);
    for (const { phone } of garages) await phone.page.context().close();
    const logs: Log[] = [];
    for (const count of [SHORT, LONG]) logs.push(await logOf(browser, address, count));
    await inTurns(2 * LAMPS, logs, touchLight);
    for (const { phone } of logs) {
      // Fetched once, so that its file is not counted.
      await phone.page.getByRole('link', { name: /^Log, / }).click();
      await phone.page
        .getByRole('dialog')
        .getByRole('button', { name: /^More: / })
        .first()
        .waitFor();
      await leaveLog(phone.page);
    }
    await inTurns(TIMES, logs, openLog);
    const [short, long] = logs as [Log, Log];
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
        ...msBudget(median(many.tasks.map((t) => t.worked)), 50, median(many.slower)),
      },
      {
        // What an owner waits for is the first opening, which gathers what is searched; the later ones are told beside it.
        what: `Search opens over ${MANY} cases, the first time; again, processor ${SLOWER} x slower`,
        measured: `${inMs(many.firstFinder)}; ${inMs(finder.opens)}`,
        ...msBudget(median(many.firstFinder), 100, median(many.slower), ' at full speed'),
      },
      {
        what: 'A key in it',
        measured: inMs(finder.keys),
        ...msBudget(median(finder.keys) / SLOWER, 50, median(finder.slower), ' at full speed'),
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
