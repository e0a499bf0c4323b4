import { readFileSync } from 'node:fs';
import { expect, test } from './window.ts';
import { example } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('the inspection: which rule, why it would fail, the drives to get there, and a calendar file', async ({
  page,
}) => {
  await example(page, '/case/case_pippin/narrow');
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /Prove it/ })
    .click();
  await page.getByText('Inspection', { exact: true }).click();
  await page.getByLabel('Rule').selectOption({ label: 'Socket read, hardly any self-check may be open' });
  await expect(page.getByText(/^Open: .* for a \d{4} model\.$/)).toBeVisible();
  await expect(page.getByText(/^One extra drive:/)).toBeVisible();
  await expect(page.getByText('Check your local rule:')).toBeVisible();
  await expectAccessible(page);
  // Chosen once, it is the vehicle’s: the other stations and the vehicle’s page say the same.
  for (const name of [/Read/, /Decide/]) {
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name }).click();
    await expect(page.locator('summary', { hasText: 'Inspection' })).toContainText('would fail');
  }
});

test('a usual trip makes a plan by day, which can be taken along as a calendar file', async ({ page }) => {
  await example(page, '/vehicle/veh_pippin');
  await page.getByRole('button', { name: 'A trip' }).click();
  await page.getByLabel('Destination').fill('To the mill');
  await page.getByLabel('Road').selectOption('country');
  for (const [label, value] of [
    ['Minutes', '35'],
    ['Length, km', '30'],
    ['Times a week', '5'],
  ] as const)
    await page.getByLabel(label).fill(value);
  // Days are local, as the form's are.
  const due = new Date();
  due.setDate(due.getDate() + 12);
  const [year, month, day] = [due.getFullYear(), due.getMonth() + 1, due.getDate()];
  await page
    .getByLabel('Next inspection')
    .fill([year, ...[month, day].map((n) => String(n).padStart(2, '0'))].join('-'));
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByRole('heading', { name: 'Garage' })).toBeVisible();
  // What presses stands with the case: for how long nothing was recorded, and the date with the verdict of today.
  const line = page.getByRole('link', { name: /Looked at before buying/ });
  await expect(line).toContainText(/Nothing new for \d+ days/);
  await expect(line).toContainText(
    /Inspection in 1[123] days \(.*\): would (fail now|pass as far as can be told)/,
  );
  await line.click();
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /Prove it/ })
    .click();
  await page.getByText('Inspection', { exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Drives that let the open self-checks run' })).toBeVisible();
  await expect(page.getByText(/To the mill: Make it the first drive after a night/).first()).toBeVisible();
  await expect(page.getByText(/Ready on .* at the earliest/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as calendar file' }).click();
  const file = readFileSync(await (await download).path(), 'utf8');
  expect(file).toMatch(/^BEGIN:VCALENDAR/);
  expect(file).toContain('To the mill');
  expect(file).not.toContain('{');
});
