import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { randomBytes } from 'node:crypto';
import type { Browser, CDPSession, Page } from '@playwright/test';
import type { Row } from './row.ts';
import { canServe, whileServed } from './served.ts';
import { inMs, median } from './spread.ts';

/** A phone of some years ago on a weak signal: 1.6 Mbit/s, 150 ms there and back, a processor four times slower. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 93_750 };
const SLOWER = 4;
const VISITS = 3;
const BUDGET_KB = 150;

interface Visit {
  /** Bytes as they were sent of the page, its scripts, styles and workers, until the garage can be used. */
  bytes: number;
  /** Moment of the largest paint, ms after the page was asked for (Largest Contentful Paint). */
  largestPaint: number;
  /** Moment from which it can be used, ms after the page was asked for. */
  usable: number;
}

async function slowly(page: Page): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', SLOW_4G);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  return session;
}

/** The newest largest paint that the browser has told, ms. Text of the page, so that it has no tool's helpers in it. */
const LARGEST_PAINT = `new Promise((resolve) => {
  new PerformanceObserver((list) => resolve(list.getEntries().at(-1).startTime))
    .observe({ type: 'largest-contentful-paint', buffered: true });
})`;

/** Waits until the page shows a text. @returns when it did, ms after the page was asked for, by the page's own clock. */
const untilShown = async (page: Page, text: string): Promise<number> =>
  Number(
    await page.evaluate(`new Promise((resolve) => {
      const isShown = (e) => e.textContent.includes(${JSON.stringify(text)});
      const look = () =>
        [...document.querySelectorAll('button, p')].some(isShown) ? resolve(performance.now()) : requestAnimationFrame(look);
      look();
    })`),
  );

/** @param text that is there once the page can be used. */
async function visit(browser: Browser, address: string, text: string): Promise<Visit> {
  const context = await browser.newContext({ locale: 'en-IE', viewport: { width: 390, height: 844 } });
  try {
    const page = await context.newPage();
    const session = await slowly(page);
    const kinds = new Map<string, string>();
    const came: { at: number; bytes: number }[] = [];
    let asked: number | undefined;
    session.on('Network.requestWillBeSent', (e) => (asked ??= e.timestamp));
    session.on('Network.responseReceived', (e) => kinds.set(e.requestId, e.type));
    session.on('Network.loadingFinished', (e) => {
      if (!['Font', 'Image', 'Fetch'].includes(kinds.get(e.requestId) ?? ''))
        came.push({ at: e.timestamp, bytes: e.encodedDataLength });
    });
    await page.goto(address, { waitUntil: 'commit' });
    const usable = await untilShown(page, text);
    await page.waitForTimeout(1_000);
    // By the browser's clock: what is fetched once the first screen stands may come before it is told here that it does.
    const until = (asked ?? 0) + usable / 1000;
    const bytes = came.filter((c) => c.at <= until).reduce((sum, c) => sum + c.bytes, 0);
    return { bytes, usable, largestPaint: Number(await page.evaluate(LARGEST_PAINT)) };
  } finally {
    await context.close();
  }
}

/** The least that those bytes need: a page with one script of so many, which shows its text when it has come. */
async function leastFor(browser: Browser, bytes: number): Promise<number> {
  // What cannot be packed, as text, three quarters of it real bytes: as long on the way as what is packed.
  const filler = randomBytes(Math.ceil(bytes * 0.75)).toString('base64');
  const server = createServer((request, response) => {
    const isScript = request.url === '/script.js';
    response.setHeader('Content-Type', isScript ? 'text/javascript' : 'text/html');
    response.end(
      isScript
        ? `/*${filler}*/document.body.innerHTML = '<p style="font-size:40px">The first screen</p>';`
        : '<!doctype html><title>Least</title><body><script src="/script.js"></script>',
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  try {
    const address = `http://localhost:${(server.address() as AddressInfo).port}/`;
    const { largestPaint } = await visit(browser, address, 'The first screen');
    return largestPaint;
  } finally {
    server.close();
  }
}

/** The first visit on an old phone and a weak signal, against the least that the same bytes need. */
export async function visitRows(): Promise<Row[]> {
  if (!canServe()) return [];
  return whileServed(false, async (address, browser) => {
    const visits: Visit[] = [];
    const least: number[] = [];
    for (let n = 0; n < VISITS; n++) {
      visits.push(await visit(browser, `${address}/`, 'Look at an example logbook'));
      least.push(await leastFor(browser, visits[n]?.bytes ?? 0));
    }
    const paints = visits.map((v) => v.largestPaint);
    const bytes = median(visits.map((v) => v.bytes));
    return [
      {
        what: 'First screen as sent: page, scripts, styles, workers',
        measured: `${(bytes / 1000).toFixed(0)} kB`,
        budget: `${BUDGET_KB} kB`,
        ratio: bytes / (BUDGET_KB * 1000),
      },
      {
        what: 'First visit, slow 4G, processor 4 x slower: largest paint',
        measured: inMs(paints),
        budget: `1.1 x ${median(least).toFixed(0)} ms, which the bytes need`,
        ratio: median(paints) / (1.1 * median(least)),
      },
      {
        what: 'The same, until the garage can be used',
        measured: inMs(visits.map((v) => v.usable)),
        budget: 'told, not set',
        ratio: null,
      },
    ];
  });
}
