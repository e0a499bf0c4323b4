import { expect, test } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';

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

test('a check that could not be done gives way to another; the list can be held to what is at hand; Decide names the same first step', async ({
  page,
}) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await page.getByRole('button', { name: 'Hisses or whistles: not answered' }).click();
  await station(page, 'Narrow down');
  const next = page.getByRole('region', { name: 'The next thing' });
  const named = () => next.getByRole('heading').innerText();
  const first = await named();
  await next.getByRole('button', { name: 'Start this check' }).click();
  await page.getByRole('button', { name: 'I could not do this' }).click();
  await expect(next.getByRole('heading')).not.toHaveText(first);
  await expect(page.getByText('Recorded: you could not do this.')).toBeVisible();

  await next.getByRole('button', { name: /^or \d+ others$/ }).click();
  const list = page.getByRole('dialog');
  const title = first.replace(/^Next: /, '');
  await expect(list.getByRole('listitem').last()).toContainText(title);
  await expect(list.getByRole('listitem').last()).toContainText('you could not do this');
  const count = await list.getByRole('listitem').count();
  await list.getByLabel('ten minutes or less').check();
  await list.getByLabel('no tools to buy').check();
  await expect(list.getByRole('status')).toHaveText(new RegExp(`^\\d+ of ${count} checks$`));
  await expect(list.getByText(/\d to buy$/)).toHaveCount(0);
  await list.getByRole('searchbox').fill('xyzzy');
  await expect(list.getByRole('status')).toContainText('Take a filter away to see more.');
  await page.keyboard.press('Escape');

  const second = (await named()).replace(/^Next: /, '');
  await station(page, 'Decide');
  await expect(page.getByText(`One more check first: ${second}`)).toBeVisible();
  await page.getByRole('link', { name: 'Go to this check' }).click();
  await expect(next).toContainText(second);
});

test('a light whose control unit was not asked: the reading without a code says so, and how to ask it', async ({
  page,
}) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: /^Airbag/ })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await connect(page, 'Nothing');
  await readAll(page);
  await station(page, 'Meaning');
  await expect(page.getByText('A light that this reading cannot explain.')).toBeVisible();
  await expect(page.getByText(/find the control units at Connect, or import a module map/)).toBeVisible();
  await expect(page.getByText('Read the car first')).toBeHidden();
});
