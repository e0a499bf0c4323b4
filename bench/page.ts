import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { msBudget, paced } from './pace.ts';
import type { Row } from './row.ts';
import { canServe, whileServed } from './served.ts';

const MEGABYTES = 50;

/** A long drive as CSV, ten readings twenty times a second. */
function longDrive(): string {
  const names = ['0C', '0D', '05', '0B', '10', '11', '04', '06', '07', '42'];
  const head = `time [s],${names.map((n) => `Reading ${n} [] {${n}}`).join(',')}\n`;
  const parts = [head];
  let bytes = head.length;
  for (let i = 0; bytes < MEGABYTES * 1e6; i++) {
    const row = `${(i / 20).toFixed(2)},${names.map((_, k) => (740 + Math.sin(i / (9 + k)) * 20).toFixed(2)).join(',')}\n`;
    parts.push(row);
    bytes += row.length;
  }
  return parts.join('');
}

/** Longest task of the page's main thread while something runs, ms (Long Tasks API; under 50 ms there is none). */
export async function longestTask(page: Page, run: () => Promise<void>): Promise<number> {
  await page.evaluate(() => {
    const seen = { longest: 0 };
    Object.assign(window, { benchTasks: seen });
    new PerformanceObserver((list) => {
      for (const e of list.getEntries()) seen.longest = Math.max(seen.longest, e.duration);
    }).observe({ type: 'longtask' });
  });
  await run();
  return page.evaluate(() => (window as unknown as { benchTasks: { longest: number } }).benchTasks.longest);
}

/** A 50 MB recording brought in, opened and panned in the real page; needs the build and Chromium. */
export async function pageRows(): Promise<Row[]> {
  if (!canServe())
    return [
      {
        what: `${MEGABYTES} MB recording brought in`,
        measured: 'not built, or no Chromium',
        budget: 'told, not set',
        ratio: null,
      },
    ];
  const folder = mkdtempSync(join(tmpdir(), 'pincer-bench-'));
  const file = join(folder, 'long-drive.csv');
  writeFileSync(file, longDrive());
  try {
    return await whileServed(true, async (address, browser) => {
      const page = await browser.newPage({ locale: 'en-IE' });
      await page.goto(`${address}/`);
      await page.getByText('Looked at before buying').waitFor();
      await page.waitForTimeout(1_500);
      await page.goto(`${address}/case/case_wet/watch`);
      await page.locator('input[type=file]').waitFor();
      await page.waitForTimeout(1_500);
      let seconds = 0;
      const importing = await paced(() =>
        longestTask(page, async () => {
          const start = performance.now();
          await page.locator('input[type=file]').setInputFiles(file);
          await page.getByText(/Imported: /).waitFor({ timeout: 300_000 });
          seconds = (performance.now() - start) / 1000;
        }),
      );
      await page.waitForTimeout(1_000);
      await page.getByRole('button', { name: /^Open long-drive/ }).click();
      await page.getByRole('figure').first().waitFor();
      const panning = await paced(() =>
        longestTask(page, async () => {
          for (const name of ['Zoom in', 'Zoom in', 'Zoom in', 'Later', 'Later', 'Later', 'All']) {
            await page.getByRole('button', { name, exact: true }).click();
            await page.waitForTimeout(250);
          }
        }),
      );
      return [
        {
          what: `${MEGABYTES} MB recording brought in, while the page answers`,
          measured: `${seconds.toFixed(1)} s, longest task ${importing.found.toFixed(0)} ms`,
          ...msBudget(importing.found, 50, importing.slower),
        },
        {
          what: 'The same opened, zoomed and panned: longest task',
          measured: `${panning.found.toFixed(0)} ms`,
          ...msBudget(panning.found, 50, panning.slower),
        },
      ];
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
