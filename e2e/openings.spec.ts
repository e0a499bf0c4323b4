import { expect, test, type Page } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';

/** Each of these once made a dangerous case look harmless, or opened a way to erase something. */

const road = (page: Page) => page.getByRole('region', { name: 'How far you may still drive' });

/** A code that must not be driven with, typed in. */
async function overheating(page: Page): Promise<void> {
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  await page.keyboard.type('P0217');
  await page.getByRole('button', { name: '+ This code' }).click();
  await page.getByRole('button', { name: /^Add this code/ }).click();
  await expect(page.getByText('P0217').first()).toBeVisible();
  await expect(road(page)).toContainText('Stop here');
}

async function paste(page: Page, text: string): Promise<void> {
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  await page.getByRole('tab', { name: 'Paste or open text' }).click();
  await page.getByRole('dialog').getByRole('textbox').first().fill(text);
  await page.getByRole('button', { name: /^Add/ }).click();
}

test('a text that holds only a vehicle number leaves "Stop here" as it is', async ({ page }) => {
  await openCase(page);
  await overheating(page);
  await paste(page, 'VIN: ZZ9TR1F46CH000302');
  await expect(page.getByText('The vehicle number was added.')).toBeVisible();
  await expect(road(page)).toContainText('Stop here');
  await expect(page.getByText('P0217').first()).toBeVisible();
});

test('a scan cut before the codes, and an older file with the lamp out, leave it as it is too', async ({
  page,
}) => {
  await openCase(page);
  await overheating(page);
  await connect(page, 'Nothing', 'Slow');
  await station(page, 'Read');
  await page
    .getByRole('button', { name: /^Read (everything|again)$/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('heading', { name: 'Not read' })).toBeVisible();
  await expect(road(page)).toContainText('Stop here');
  await page.getByLabel('Saved adapter session or CAN log').setInputFiles({
    name: 'old.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('>03\n7E8 02 43 00\n>0101\n7E8 06 41 01 00 07 65 00\n>'),
  });
  await expect(page.getByText('From a file: it adds what it holds, and takes nothing back.')).toBeVisible();
  await expect(road(page)).toContainText('Stop here');
});

test('a typed entry with no self-checks proves nothing after a clear', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Intake temperature sensor unplugged');
  await readAll(page);
  await page.getByRole('button', { name: 'Repair its fault' }).click();
  await station(page, 'Prove');
  await page.getByRole('button', { name: /I have read this/ }).click();
  await page.getByRole('button', { name: 'Clear now' }).click();
  await expect(page.getByText('Cleared: engine.', { exact: true })).toBeVisible();
  for (let n = 0; n < 4; n++) {
    await page
      .getByRole('radiogroup', { name: 'Same conditions as when it came?' })
      .getByRole('radio', { name: 'Yes' })
      .click();
    await page.getByRole('button', { name: '+ Record this drive' }).click();
  }
  await paste(page, 'VIN: ZZ9TR1F46CH000302');
  await station(page, 'Prove');
  await expect(page.getByText('Cleared, and not read since.')).toBeVisible();
  await expect(
    page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^\d Prove/ }),
  ).not.toContainText('proven');
});

test('another car in the socket is not cleared with the reading of this one', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 1 failed');
  await readAll(page);
  await station(page, 'Prove');
  await expect(page.getByText('The record is safe.')).toBeVisible();
  // A connection that has ended takes its permission along.
  await page.getByRole('button', { name: 'Unplug the adapter' }).click();
  await expect(page.getByText('Not yet: the connection has ended.')).toBeVisible();
  await connect(page, 'Air flow sensor unplugged');
  await station(page, 'Prove');
  await expect(
    page.getByText(/^(Not yet: the connection has ended|Not yet: read everything first)\.$/),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Clear now' })).toHaveCount(0);
});

test('another page of the same case takes the permission away when it reads', async ({ page, context }) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 1 failed');
  await readAll(page);
  await station(page, 'Prove');
  await page.getByRole('button', { name: /I have read this/ }).click();
  await expect(page.getByRole('button', { name: 'Clear now' })).toBeEnabled();
  const other = await context.newPage();
  await other.goto(page.url());
  await connect(other, 'Coil of cylinder 1 failed');
  await readAll(other);
  await expect(page.getByText('Not yet: something has come in since.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Clear now' })).toHaveCount(0);
});
