import { expect, test } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('a case that is over: nothing fails, it is left and watched, and a lamp takes it back', async ({
  page,
}) => {
  await openCase(page);
  await connect(page, 'Nothing');
  await readAll(page);
  await station(page, 'Narrow down');
  await expect(page.getByRole('heading', { name: 'Nothing to do' })).toBeVisible();
  await expectAccessible(page);
  await station(page, 'Decide');
  await expect(page.getByText('Recommended: nothing to do')).toBeVisible();
  await page.getByRole('button', { name: 'Choose this' }).click();
  // Watching stays open without a clear.
  await expect(page.getByText('Next: leave it, drive, then read again')).toBeVisible();
  await page.getByRole('button', { name: '+ Record this drive' }).click();
  await expect(page.getByText('Drive recorded.')).toBeVisible();
  await station(page, 'Warning light');
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await station(page, 'Decide');
  await expect(page.getByText('Recommended: nothing to do')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Leave it and watch' })).toHaveCount(0);
});
