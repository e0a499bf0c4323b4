import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { msBudget, paced } from './pace.ts';
import type { Row } from './row.ts';
import { canServe, whileServed } from './served.ts';
import { inMs, median } from './spread.ts';
import { longestTask, type Task } from './tasks.ts';

const MEGABYTES = 50;
/** A machine that takes memory back from its programs makes any one task long now and then: each is done so often. */
const IMPORTS = 3;
const PANS = 5;

/** The longest task of each of several times, ms of processor, and how slow the machine was beside them. */
const several = (
  times: number,
  measure: () => Promise<Task>,
  between: () => Promise<unknown> = () => Promise.resolve(),
): Promise<{ found: number[]; slower: number }> =>
  paced(async () => {
    const worked: number[] = [];
    for (let time = 0; time < times; time++) {
      if (time > 0) await between();
      worked.push((await measure()).worked);
    }
    return worked;
  });

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
      const seconds: number[] = [];
      const importing = await several(
        IMPORTS,
        () =>
          longestTask(page, async () => {
            const start = performance.now();
            await page.locator('input[type=file]').setInputFiles(file);
            await page.getByText(/Imported: /).waitFor({ timeout: 300_000 });
            seconds.push((performance.now() - start) / 1000);
          }),
        // Only then is what is said of the next one its own.
        () => page.reload(),
      );
      await page.waitForTimeout(1_000);
      await page
        .getByRole('button', { name: /^Open long-drive/ })
        .first()
        .click();
      await page.getByRole('figure').first().waitFor();
      const panning = await several(PANS, () =>
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
          measured: `${median(seconds).toFixed(1)} s, longest task ${inMs(importing.found)} of processor`,
          ...msBudget(median(importing.found), 50, importing.slower),
        },
        {
          what: 'The same opened, zoomed and panned: longest task',
          measured: `${inMs(panning.found)} of processor`,
          ...msBudget(median(panning.found), 50, panning.slower),
        },
      ];
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
