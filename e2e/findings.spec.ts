import { expect, test } from '@playwright/test';
import { openCase, station } from './helpers.ts';

test('danger found at a check shortens the road at once, says why, and closes the checks that want a drive', async ({
  page,
}) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await page.getByRole('button', { name: 'Hisses or whistles: not answered' }).click();
  const road = page.getByRole('region', { name: 'How far you may still drive' });
  await expect(road).toContainText('Short trips');
  await station(page, 'Narrow down');
  await page.getByRole('button', { name: /^or \d+ others$/ }).click();
  await page.getByRole('button', { name: /Press the brake pedal at idle and listen/ }).click();
  const seen = page.getByRole('button', { name: 'I have read these; show me how' });
  if (await seen.isVisible()) await seen.click();
  await page.getByRole('button', { name: /Hiss or idle changes/ }).click();
  await expect(road).toContainText('Stop here');
  await expect(road).toContainText('The brake booster or its hose leaks');
  await page.getByRole('button', { name: /^or \d+ others$/ }).click();
  await expect(page.getByText('Checks that need a drive are hidden')).toBeVisible();
});
