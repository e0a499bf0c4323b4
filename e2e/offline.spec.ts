import { expect, ownWindow as test } from './window.ts';
import { connect, example, openCase, readAll, station } from './helpers.ts';

test.use({ serviceWorkers: 'allow' });

test('no signal: after the first visit it starts, assesses and reads without a network', async ({
  page,
  context,
}) => {
  await example(page);
  // The service worker has everything once it controls the page.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await context.setOffline(true);
  await page.reload();
  const row = page.getByRole('link', { name: /Wet-morning shake/ });
  // What is urgent comes first once it is worked out: until then a row may still move.
  await expect(row).toContainText('Next check');
  await row.click();
  await expect(page.getByRole('region', { name: 'What it can be' })).toContainText(
    'Coil boot of cylinder 2 cracked',
  );
  await page.goto('/codes/P0420');
  await expect(page.getByRole('heading', { name: /Catalyst, bank 1/ })).toBeVisible();
  // The search works without a network too, and forgives a slip.
  await page.goto('/codes');
  await page.getByRole('textbox').fill('partikulate');
  await expect(page.getByRole('list', { name: 'Found' })).toContainText('P2002');
  await openCase(page, 'Another Finch');
  await connect(page, 'Coil of cylinder 1 failed');
  await readAll(page);
  await station(page, 'Narrow down');
  await expect(page.getByRole('region', { name: 'What it can be' })).toContainText('cylinder 1');
});
