import { expect, test, type Page } from './window.ts';
import { openCase, station } from './helpers.ts';

const road = (page: Page) => page.getByRole('region', { name: 'How far you may still drive' });
const lamp = (page: Page, name: string, mode: string) =>
  page.getByRole('radiogroup', { name, exact: true }).getByRole('radio', { name: mode }).click();

test('a first visit reads what the page is for before any of its scripts has come; a later one does not', async ({
  page,
}) => {
  await page.route('**/assets/*.js', (route) => route.abort());
  await page.goto('/');
  const about = page.getByText('Start with the warning light');
  await expect(about).toBeVisible();
  const words = (await about.innerText()).replace(/\s+/g, ' ');
  await page.unroute('**/assets/*.js');
  await page.reload();
  await expect(page.getByText('No vehicles yet.')).toBeVisible();
  expect((await page.getByText('Start with the warning light').innerText()).replace(/\s+/g, ' ')).toBe(words);
  await openCase(page);
  await page.route('**/assets/*.js', (route) => route.abort());
  await page.goto('/');
  await expect(page.getByText('Opening the logbook…')).toBeVisible();
  await expect(about).toBeHidden();
});

test('a red lamp before any reading: stop, what to do in the next minute, whom to call, and what to look at first', async ({
  page,
}) => {
  await openCase(page);
  await lamp(page, 'Coolant temperature', 'Steady');
  await expect(road(page)).toContainText('Stop here');
  await page.getByRole('button', { name: 'What to do now' }).click();
  const minute = page.getByRole('region', { name: 'In the next minute' });
  await expect(minute).toBeInViewport();
  await expect(minute).toContainText('leave the cap closed');
  await expect(minute).toContainText('Call:');

  // The cheap look comes first, with its caution, and its result moves the causes.
  const first = page.getByRole('region', { name: 'Free checks worth doing first' });
  await expect(first).toContainText('Read the coolant level, cold');
  await first.getByText('How to do it, and record the result').first().click();
  await expect(first).toContainText('Only ever open the cap on a cold engine');
  await first.getByRole('button', { name: 'Below the mark' }).click();
  await expect(first).toBeHidden();
  await station(page, 'Narrow down');
  const causes = page.getByRole('region', { name: 'What it can be' });
  await expect(causes.getByRole('button').first()).toContainText('Coolant low');

  // Out again: the road is longer at once, without a reload.
  await station(page, 'Warning light');
  await lamp(page, 'Coolant temperature', 'Out');
  await expect(road(page)).not.toContainText('Stop here');
  // What was found at the check still holds: without its coolant it may not go far.
  await expect(road(page)).toContainText('Safe place only');
  await expect(minute).toContainText('The coolant is below the mark.');
});

test('a flashing engine lamp: not on, and the reason is the catalyst; a message asks for its colour', async ({
  page,
}) => {
  await openCase(page);
  await lamp(page, 'Engine light (check engine)', 'Flashing');
  await expect(road(page)).toContainText('Safe place only');
  await expect(road(page)).toContainText('overheating the catalyst');
  await expect(page.getByRole('region', { name: 'In the next minute' })).toContainText('not home');
  await lamp(page, 'Engine light (check engine)', 'Steady');
  await expect(road(page)).toContainText('Short trips');

  await lamp(page, 'A message, or another light', 'Steady');
  await expect(road(page)).not.toContainText('Stop here');
  await page
    .getByRole('radiogroup', { name: 'Colour of: A message, or another light' })
    .getByRole('radio', { name: 'Red' })
    .click();
  await expect(road(page)).toContainText('Stop here');
  await page.getByRole('radio', { name: 'It does not' }).click();
  await expect(page.getByText('hides every fault', { exact: false })).toBeVisible();
});

test('a failed connection, solved by the key position; the path is in the log', async ({ page }) => {
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('combobox', { name: 'What is wrong with it' }).selectOption({ label: 'Nothing' });
  await page.getByLabel('Ignition left off').check();
  await page.getByRole('button', { name: 'Connect', exact: true }).click();
  const why = page.getByRole('region', { name: 'Why can’t it connect?' });
  await expect(why).toContainText('no control unit in the vehicle answered');
  await expect(why).toContainText('V, so its fuse is whole');
  await expect(why.getByRole('listitem').first()).toContainText('The ignition is off');
  await expect(why).toContainText('Turn the ignition fully on');

  // Not done yet: it still does not talk, and the ignition is less likely than it was.
  await why.getByRole('button', { name: 'Done, connect again' }).click();
  await expect(why).not.toContainText('Turn the ignition fully on', { timeout: 20_000 });
  // Whatever is asked next is answered until it would be the engine's turn; here the key is turned at last.
  await page.getByRole('radio', { name: 'On', exact: true }).click();
  for (let i = 0; i < 12 && !(await page.getByText('Connected.', { exact: true }).isVisible()); i++) {
    const again = why.getByRole('button', { name: 'Done, connect again' });
    if (await again.isVisible()) {
      await again.click();
      await expect(page.getByText('Connected.', { exact: true })).toBeVisible({ timeout: 20_000 });
    } else await why.getByRole('button').first().click();
  }
  await expect(why).toBeHidden();
  await page
    .getByRole('link', { name: /^Log/ })
    .or(page.getByRole('button', { name: /^Log/ }))
    .first()
    .click();
  const log = page.getByRole('dialog');
  await expect(log).toContainText('Turn the ignition fully on: still nothing.');
  await expect(log).toContainText('it connects.');
});

test('an adapter whose search misses the protocol: each is tried by itself', async ({ page }) => {
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('combobox', { name: 'Adapter' }).selectOption({ label: 'Misses the protocol' });
  await page.getByRole('button', { name: 'Connect', exact: true }).click();
  const why = page.getByRole('region', { name: 'Why can’t it connect?' });
  await expect(why).toBeVisible({ timeout: 20_000 });
  for (let i = 0; i < 12; i++) {
    if (await why.getByText('Try each protocol by itself').isVisible()) break;
    const title = await why.locator('p.font-bold').innerText();
    const skip = why.getByRole('button', { name: 'I can’t, or already did' });
    if (await skip.isVisible()) await skip.click();
    else await why.getByRole('button').first().click();
    await expect(why.locator('p.font-bold')).not.toHaveText(title);
  }
  await why.getByRole('button', { name: 'Done, connect again' }).click();
  await expect(page.getByText('Connected.', { exact: true })).toBeVisible({ timeout: 30_000 });
});
