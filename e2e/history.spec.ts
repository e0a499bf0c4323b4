import { readFileSync } from 'node:fs';
import { expect, test } from './window.ts';
import { pdfText } from './pdf-text.ts';
import { example } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('a vehicle over the years: sorted, renamed, put away and brought back, its costs as a file', async ({
  page,
}) => {
  await example(page, '/vehicle/veh_finch');
  const history = page.getByRole('region', { name: 'Over the years' });
  await expect(history.getByRole('row')).toHaveCount(3);
  await history.getByRole('button', { name: 'Case', exact: true }).click();
  await expect(history.getByRole('columnheader', { name: 'Case' })).toHaveAttribute('aria-sort', 'ascending');
  await expect(history.getByRole('row').nth(1)).toContainText('Lean, back twice');
  await expectAccessible(page);
  await history.getByRole('button', { name: 'Rename “Wet-morning shake”' }).click();
  await history.getByLabel('New name of “Wet-morning shake”').fill('Shake in the wet');
  await page.keyboard.press('Enter');
  await expect(history.getByRole('link', { name: 'Shake in the wet' })).toBeVisible();
  const download = page.waitForEvent('download');
  await history.getByRole('button', { name: 'Save costs as CSV' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toMatch(
    /^date,case,what,part number,km,cost\r\n\d{4}-/,
  );

  const report = page.waitForEvent('download');
  await history.getByRole('button', { name: 'Report for the next owner (PDF)' }).click();
  const written = await pdfText(readFileSync(await (await report).path()));
  expect(written).toContain('Report: Tarrow Finch 1.4');
  expect(written).toMatch(/Shake in the wet; codes P0300, P0302; still open\./);
  expect(written).not.toMatch(/HV 41 KLN|ZZ9TR1F46CH000302/);
  await history.getByRole('button', { name: 'Put “Shake in the wet” away' }).click();
  await page.getByRole('button', { name: 'Put away: sold, scrapped or not used' }).click();
  await expect(page.getByText('Put away. Its record stays in the logbook.')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Tarrow Finch 1.4' })).toBeHidden();
  await page.reload();
  await page.getByRole('button', { name: 'Show 2 put away' }).click();
  await expect(page.getByRole('heading', { name: 'Tarrow Finch 1.4' })).toBeVisible();
  await expect(page.getByText('Shake in the wet')).toBeVisible();
});
