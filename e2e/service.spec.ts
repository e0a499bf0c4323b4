import { expect, test } from './window.ts';
import { LAPTOP, PHONE, example, turnTo } from './helpers.ts';

test.use({ viewport: PHONE });

test('service by distance and date: noted, the handbook’s interval, the next date, a calendar', async ({
  page,
}) => {
  await example(page, '/vehicle/veh_finch');
  const service = page.getByRole('region', { name: 'Service' });
  const oil = service.getByRole('button', { name: /Engine oil and filter/ });
  await expect(oil).toContainText('not known');
  await oil.click();
  await service.getByLabel('Done on').fill('2024-05-02');
  await service.getByLabel('Cost').fill('85');
  await service.getByRole('button', { name: 'It was done' }).click();
  await expect(oil).toContainText('overdue');
  await expect(oil).toContainText('was due');
  // It closes by itself once it is stored.
  await expect(oil).toHaveAttribute('aria-expanded', 'false');
  await oil.click();
  await service.getByLabel('or every, months').fill('60');
  await service.getByLabel(/^Every,/).fill('90000');
  await service.getByRole('button', { name: 'Use this interval' }).click();
  await expect(oil).toContainText('later');
  await expect(oil).toHaveAttribute('aria-expanded', 'false');
  // Emptied, the usual interval is back; what is no number is not taken.
  await oil.click();
  await service.getByLabel('or every, months').fill('soon');
  await expect(service.getByRole('button', { name: 'Use this interval' })).toBeDisabled();
  await service.getByLabel('or every, months').fill('');
  await service.getByLabel(/^Every,/).fill('');
  await service.getByRole('button', { name: 'Use this interval' }).click();
  await expect(oil).toContainText('overdue');
  await turnTo(page, LAPTOP);
  const download = page.waitForEvent('download');
  await service.getByRole('button', { name: 'Save as calendar' }).click();
  expect((await download).suggestedFilename()).toBe('service.ics');
  await page.reload();
  await expect(oil).toContainText('overdue');
});
