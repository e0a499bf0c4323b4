import { expect, test } from './window.ts';
import { example, openCase, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('the plan as a tree, where the choice tips, one or the whole set, and what to do until then', async ({
  page,
}) => {
  await example(page, '/case/case_wet/decide');
  const plan = page.getByRole('region', { name: 'The plan until it is fixed' });
  await expect(plan).toContainText('First check:');
  const check = /First check: (.+?) [$€£]/.exec((await plan.textContent()) ?? '')?.[1] ?? '';
  // The same first step as the panel of the next minute says.
  await expect(page.getByText(`One more check first: ${check}`)).toBeVisible();
  await expect(plan.getByText(/^Then:/).first()).toBeVisible();
  await expect(plan.getByText('Else: Get help').first()).toBeVisible();
  for (const choice of ['Repair it yourself:', 'Get help:'])
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: new RegExp(`^${choice}.*now|^${choice}`) })
        .first(),
    ).toBeVisible();
  const until = page.getByRole('region', { name: 'Until it is fixed', exact: true });
  await expect(until).toContainText('Look again before it leaves the safe place.');

  const set = page.getByRole('region', { name: /^One, or all 4/ });
  const status = set.getByRole('status');
  const before = await status.textContent();
  await set.getByLabel('Years that you will keep the vehicle').fill('0');
  await expect(status).toContainText('One costs less.');
  await expect(status).not.toHaveText(before ?? '');
  await set.getByLabel('Years that you will keep the vehicle').fill('a while');
  await expect(set.getByText('Numbers of 0 or more.')).toBeVisible();
  await set.getByLabel('Years that you will keep the vehicle').fill('4');
  await expectAccessible(page);
});

test('another region: its currency and rates, told as a guess and used in every figure', async ({ page }) => {
  await example(page);
  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByLabel(/^Prices as usual in/).selectOption({ label: 'Sweden' });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.goto('/case/case_wet/decide');
  const plan = page.getByRole('region', { name: 'The plan until it is fixed' });
  await expect(plan).toContainText(/\d.kr/);
  await expect(page.getByRole('main')).not.toContainText(/[$€£]\d/);
});

test('nothing read yet: ways to have it read with what each costs, borrowing among them', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Decide');
  const ways = page.getByRole('region', { name: 'Ways to have it read' });
  await expect(ways.getByRole('listitem').first()).toContainText('Borrow a tool of this kind');
  await expect(ways).toContainText('Go to a shop that reads for nothing');
  await expect(ways).toContainText(/with 40 min of your time/);
});
