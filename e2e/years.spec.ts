import { expect, test } from './window.ts';
import { longLog, manyCases, putRows } from '../bench/years.ts';
import { example, openStrikeOut } from './helpers.ts';

// What is drawn and worked out stays small, however much there is. How long it takes is measured in the bench.
const elements = 'document.querySelectorAll("*").length';

test('a garage of a thousand cases: names at once, what is in sight is worked out, more by looking down', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText('No vehicles yet.')).toBeVisible();
  await putRows(page, manyCases(1000));
  await page.reload();
  const sheets = page.getByRole('region', { name: /^Tarrow Finch \d+$/ });
  await expect(sheets.first()).toContainText('4 more cases', { timeout: 40_000 });
  await expect(sheets.first().getByText('Short trips').first()).toBeVisible();
  await expect(page.getByText(/^\d+ more vehicles$/)).toHaveCount(1);
  const before = await sheets.count();
  expect(before).toBeLessThan(40);
  expect(Number(await page.evaluate(elements))).toBeLessThan(1500);
  // Far down nothing has been worked out.
  await expect(sheets.nth(before - 1)).toContainText('Working it out…');
  await page.getByText(/^\d+ more vehicles$/).scrollIntoViewIfNeeded();
  await expect.poll(() => sheets.count()).toBeGreaterThan(before);
  await sheets.first().getByRole('button', { name: '4 more cases' }).click();
  await expect(sheets.first().getByRole('link', { name: /^(Wet|Lazy|Lean|Looked|Every)/ })).toHaveCount(10);

  await page.keyboard.press('/');
  await expect(page.getByText('992 more. Type a name to find one of them.')).toBeVisible();
  await page.keyboard.type('finch 99');
  await page
    .getByRole('option', { name: /^Tarrow Finch 99: / })
    .last()
    .click();
  await expect(page.getByRole('heading', { name: 'Tarrow Finch 99' })).toBeVisible();
});

test('a log of 5,000 entries: the newest in sight, the first at its end, a reason typed half way stays', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText('No vehicles yet.')).toBeVisible();
  await putRows(page, longLog(5000));
  await page.goto('/case/case_wet/light?log');
  const log = page.getByRole('dialog', { name: /^Log, [\d,]+ entries/ });
  await expect(log.getByText('Note 4985:')).toBeVisible();
  expect(Number(await page.evaluate(elements))).toBeLessThan(1500);
  const row = log.getByRole('listitem').filter({ hasText: 'Note 4980:' });
  await openStrikeOut(row);
  await row.getByPlaceholder('Reason').fill('Written on');
  // To the first entry: what is not in sight is measured on the way, so that the end moves.
  await expect
    .poll(async () => {
      await log.getByRole('list').evaluate((list) => list.parentElement?.scrollTo(0, 1e9));
      return log.getByText('Engine light (check engine) flash').count();
    })
    .toBeGreaterThan(0);
  await log.getByRole('list').evaluate((list) => list.parentElement?.scrollTo(0, 0));
  await expect(row.getByPlaceholder('Reason')).toHaveValue('Written on');
  await row.getByRole('button', { name: 'Strike out' }).click();
  await expect(row.getByText('Struck out: Written on')).toBeVisible();
  await expect(page.getByRole('dialog', { name: 'Log, 5,001 entries' })).toBeVisible();
});

test('the garage puts what is urgent first as soon as it is worked out, and stands so at the next start', async ({
  page,
}) => {
  await example(page);
  // Two may only go to a safe place, one makes short trips, one is well for some weeks.
  const names = () =>
    page.locator('main section > div h2').evaluateAll((all) => all.map((h) => h.textContent));
  const inOrder = ['Tarrow Finch 1.4', 'Kestrine 650', 'Ostler Dray 2.2 D', 'Marlow Pippin 1.4, for sale'];
  await expect.poll(names, { timeout: 20_000 }).toEqual(inOrder);
  // Kept once all four are worked out: it is written while more come, too.
  const kept = () => page.evaluate(() => localStorage.getItem('pincer:roads') ?? '{}');
  await expect
    .poll(async () => Object.keys(JSON.parse(await kept()) as object).sort())
    .toEqual(['case_dray', 'case_kestrine', 'case_pippin', 'case_wet']);
  // At the next start it stands so from the first moment on, before anything is worked out.
  await page.route('**/core.worker*', () => undefined);
  await page.reload();
  await expect(page.getByText('Working it out…').first()).toBeVisible();
  expect(await names()).toEqual(inOrder);
});
