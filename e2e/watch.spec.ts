import { truncateSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';
import { rowsOf } from '../faults/stored.ts';

/** A read car at the watch page. */
async function toWatch(page: Page, fault = 'Nothing'): Promise<void> {
  await openCase(page);
  await connect(page, fault);
  await readAll(page);
  await page.getByRole('link', { name: 'Watch and record them' }).click();
  await expect(page.getByRole('heading', { name: 'Watch the readings' })).toBeVisible();
}

const now = (page: Page) => page.getByRole('region', { name: 'Recording now' });
/** Its controls are folded while it records. */
async function atTheWheel(page: Page): Promise<void> {
  const panel = page.locator('details').filter({ hasText: 'Drive the simulated car' });
  if ((await panel.count()) > 0 && !(await panel.evaluate((d) => (d as HTMLDetailsElement).open)))
    await panel.locator('summary').click();
}
const key = async (page: Page, name: string): Promise<void> => {
  await atTheWheel(page);
  await page.getByRole('radio', { name, exact: true }).click();
};

/** Waits until the recording has so many seconds, by its own count. */
const lasts = (page: Page, seconds: number): Promise<void> =>
  expect
    .poll(async () => Number(/Recording, (\d+) s/.exec(await now(page).innerText())?.[1] ?? 0))
    .toBeGreaterThanOrEqual(seconds);

/** How many pieces of recordings the browser has stored. */
const piecesStored = async (page: Page): Promise<number> =>
  (await rowsOf(page, 'recordings')).filter((row) => row.key.startsWith('chunk:')).length;

test('what is proposed is recorded, marked, paused and kept; it is judged, opened, zoomed and saved', async ({
  page,
}) => {
  await toWatch(page, 'Alternator does not charge');
  await key(page, 'Idle');
  await page.getByRole('button', { name: 'Watch and record these' }).click();
  await expect(now(page)).toContainText(/values a second/);
  await expect(now(page).getByRole('figure', { name: /^Engine speed: 7/ })).toBeVisible();
  await lasts(page, 4);
  await now(page).getByRole('button', { name: 'Mark this moment' }).click();
  await now(page).getByRole('button', { name: 'Pause' }).click();
  await expect(now(page)).toContainText('Paused');
  await now(page).getByRole('button', { name: 'Continue' }).click();
  await expectAccessible(page);
  // It goes on while another station is looked at; the adapter does nothing else meanwhile.
  await station(page, 'Read');
  await expect(page.getByText('A recording is running.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Read again', exact: true })).toBeDisabled();
  await page.getByRole('link', { name: 'To the recording' }).click();
  await now(page).getByRole('button', { name: 'Stop and keep it' }).click();
  await page.getByRole('button', { name: /^Open Chosen readings/ }).click();
  const view = page.getByRole('region', { name: 'Recording: Chosen readings' });
  await expect(view).toContainText('1 mark: mark at');
  await expect(view.getByRole('figure').first()).toBeVisible();
  const status = view.getByRole('status').filter({ hasText: / to .* s$/ });
  const whole = await status.textContent();
  await view.getByRole('button', { name: 'Zoom in' }).click();
  await expect(status).not.toHaveText(whole ?? '');
  await view.getByRole('button', { name: 'All' }).click();
  await expect(status).toHaveText(whole ?? '');
  await expect(view.getByRole('row', { name: /Engine speed/ })).toBeVisible();
  // One cursor through all of them, by the arrow keys and read out.
  await view.getByRole('group', { name: /^Traces/ }).press('ArrowRight');
  await expect(view.getByText(/ rpm at \d/).first()).toBeVisible();
  await expect(view.getByText(/^At \d.* s: .*Engine speed 7\d\d/)).toBeAttached();
  await view.getByRole('group', { name: /^Traces/ }).press('Escape');
  await expect(view.getByText(/ rpm at \d/)).toHaveCount(0);
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    view.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('chosen-readings.csv');
  // What was recorded is evidence: the charging voltage stands among what the car says.
  await page.getByRole('link', { name: 'Continue' }).click();
  await expect(page.getByText('Charging voltage: no')).toBeVisible();
});

test('guided: it sees when the state is reached and says when it has enough; then something is moved', async ({
  page,
}) => {
  await toWatch(page);
  await page.getByRole('button', { name: 'Begin: Hold 2,500 rpm' }).click();
  await expect(now(page)).toContainText('A little more: 0 rpm.');
  await key(page, '2,500 rpm');
  await expect(now(page)).toContainText(/Hold it there/);
  await expect(now(page)).toContainText('That is enough.', { timeout: 30_000 });
  await now(page).getByText('Move something and watch it respond').click();
  await now(page).getByLabel('Which reading should follow').selectOption({ label: 'Engine speed' });
  await now(page).getByRole('button', { name: 'I am moving it now' }).click();
  await expect(now(page)).toContainText('Watching…');
  await key(page, 'Idle');
  await expect(now(page)).toContainText(/It followed after .* s: from 2,(4|5)\d\d/, { timeout: 10_000 });
  await now(page)
    .getByRole('button', { name: /Wiggle test/ })
    .click();
  await expect(now(page)).toContainText('No drop-out so far');
  await now(page).getByRole('button', { name: 'Stop and keep it' }).click();
  await expect(page.getByRole('button', { name: /^Open Hold 2,500 rpm/ })).toBeVisible();
});

test('cut by a reload it is found, and gone on with after connecting again', async ({ page }) => {
  await toWatch(page);
  await key(page, 'Idle');
  await page.getByRole('button', { name: 'Watch and record these' }).click();
  await expect(now(page).getByRole('figure', { name: /^Engine speed: / })).toBeVisible();
  await expect.poll(() => piecesStored(page)).toBeGreaterThan(0);
  await page.reload();
  await expect(page.getByText(/A recording was cut off: Chosen readings/)).toBeVisible();
  await connect(page, 'Nothing');
  await station(page, 'Read');
  await page.getByRole('link', { name: 'Watch and record them' }).click();
  await page.getByRole('button', { name: 'Continue it' }).click();
  await expect(now(page)).toContainText(/Recording, ([6-9]|1\d) s/);
  await now(page).getByRole('button', { name: 'Stop and keep it' }).click();
  await expect(page.getByRole('button', { name: /^Open Chosen readings/ })).toHaveCount(1);
  await expect(page.getByText(/A recording was cut off/)).toBeHidden();
});

test('cut by a reload it can be kept as it is; the plug pulled out keeps what came', async ({ page }) => {
  await toWatch(page);
  await key(page, 'Idle');
  await page.getByRole('button', { name: 'Watch and record these' }).click();
  await expect(now(page).getByRole('figure', { name: /^Engine speed: / })).toBeVisible();
  await lasts(page, 3);
  await atTheWheel(page);
  await page.getByRole('button', { name: 'Unplug the adapter' }).click();
  await expect(page.getByText('What was recorded is kept.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Open Chosen readings/ })).toHaveCount(1);
  await connect(page, 'Nothing');
  await station(page, 'Read');
  await page.getByRole('link', { name: 'Watch and record them' }).click();
  const kept = await piecesStored(page);
  await page.getByRole('button', { name: 'Watch and record these' }).click();
  await expect(now(page).getByRole('figure', { name: /^Engine speed: / })).toBeVisible();
  await expect.poll(() => piecesStored(page)).toBeGreaterThan(kept);
  await page.reload();
  await page.getByRole('button', { name: 'Keep what there is' }).click();
  await expect(page.getByRole('button', { name: /^Open Chosen readings/ })).toHaveCount(2);
});

test('before and after in one picture', async ({ page }) => {
  await toWatch(page, 'Air leak after the air flow sensor');
  await atTheWheel(page);
  await page.getByRole('button', { name: 'Idle until warm', exact: true }).click();
  for (const isMended of [false, true]) {
    if (isMended) await page.getByRole('button', { name: 'Repair its fault' }).click();
    await page.getByRole('button', { name: 'Watch and record these' }).click();
    await lasts(page, 3);
    await now(page).getByRole('button', { name: 'Stop and keep it' }).click();
    await expect(page.getByRole('button', { name: /^Open Chosen readings/ })).toHaveCount(isMended ? 2 : 1);
  }
  await page
    .getByRole('button', { name: /^Open Chosen readings/ })
    .first()
    .click();
  const view = page.getByRole('region', { name: 'Recording: Chosen readings' });
  await view.getByLabel('Compare with').selectOption({ index: 1 });
  await expect(view.getByRole('row', { name: /, the other/ }).first()).toBeVisible();
});

test('a large file comes in while the page answers, can be stopped with what came, and a broken one is told', async ({
  page,
}, testInfo) => {
  await openCase(page);
  await page.goto(`${page.url().replace(/\/light.*/, '')}/watch`);
  const rows = Array.from(
    { length: 260_000 },
    (_, i) =>
      `${(i / 20).toFixed(2)};${(740 + Math.sin(i / 9) * 20).toFixed(1).replace('.', ',')};${(88 + (i % 7) / 10).toFixed(1).replace('.', ',')};${i % 9 === 0 ? '' : '14,1'}`,
  );
  rows.splice(1_000, 0, '50,0;kaputt;88,0;14,1');
  const big = testInfo.outputPath('long-drive.csv');
  writeFileSync(
    big,
    `time [s];Engine speed [rpm] {0C};Coolant temperature [°C] {05};Control unit voltage [V] {42}\n${rows.map((r) => r.replace(/^(\d+)\.(\d+)/, '$1,$2')).join('\n')}\n`,
  );
  const input = page.locator('input[type=file]');
  await input.setInputFiles(big);
  await expect(page.getByRole('progressbar')).toBeVisible();
  // The page answers meanwhile.
  await page.keyboard.press('/');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Imported: 12,999|Imported: 13,000/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/1 with something that is not a number/)).toBeVisible();
  await page.getByRole('button', { name: /^Open long-drive/ }).click();
  await expect(
    page.getByRole('region', { name: 'Recording: long-drive' }).getByRole('figure').first(),
  ).toBeVisible();

  // What would take more memory than there is, is told before a byte of it is read.
  const vast = testInfo.outputPath('a-summer.csv');
  writeFileSync(vast, '');
  truncateSync(vast, 300e6);
  await input.setInputFiles(vast);
  await expect(page.getByText('This file has 300 MB; a recording may have 100 MB.')).toBeVisible();
  await input.setInputFiles({
    name: 'letter.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('dear;friend\n1;2\n'),
  });
  await expect(page.getByText('Its first row has no time column, such as “time [s]”.')).toBeVisible();
  await input.setInputFiles({
    name: 'bus.log',
    mimeType: 'text/plain',
    buffer: Buffer.from('(100.100000) can0 7E8#04410C0B90AAAAAA\n(100.600000) can0 7E8#04410C0BA0AAAAAA\n'),
  });
  await expect(page.getByText(/Imported: 1 s, 1 reading, 2 samples/)).toBeVisible();
});
