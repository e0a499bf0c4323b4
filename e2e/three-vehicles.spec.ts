import { expect, test, type Page } from './window.ts';
import { connect, example, openStrikeOut, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** The first chance that the middle of Narrow down shows. */
async function leader(page: Page): Promise<string> {
  const first = page.getByRole('region', { name: 'What it can be' }).getByRole('button').first();
  return (await first.innerText()).replace(/\s+/g, ' ');
}

/** Takes the outcome of a check, first or last of the list. */
async function take(page: Page, which: 'first' | 'last'): Promise<void> {
  await page.getByRole('button', { name: 'Start this check' }).click();
  const dialog = page.getByRole('dialog');
  const read = dialog.getByRole('button', { name: 'I have read these; show me how' });
  await expect(dialog.getByRole('heading', { level: 2 })).toBeVisible();
  if (await read.isVisible()) await read.click();
  const outcomes = dialog.getByRole('button', { name: /expected/ });
  await outcomes[which]().click();
  await expect(dialog).toBeHidden();
}

/** Every text of the page, folded ones too, but for the made-up vehicles that can be chosen. */
const saidOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said: string[] = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (texts.nextNode())
      if (!texts.currentNode.parentElement?.closest('option, script'))
        said.push(texts.currentNode.textContent ?? '');
    return said;
  });

/** It is called what it is, by its own word, and by no other and no tag; of a motorcycle nothing is said that only a driver does. */
async function isCalled(page: Page, word: string): Promise<void> {
  const driven = word === 'motorcycle' ? '|accelerator|parking brake|2,500 rpm' : '';
  const other = new RegExp(`\\b(?!${word})(car|van|motorcycle)s?\\b(?! park)|[{}]${driven}`, 'i');
  expect((await saidOn(page)).filter((t) => other.test(t))).toEqual([]);
}

for (const { name, vehicle, word, title, fault, code } of [
  {
    name: 'a petrol hatchback',
    vehicle: 'veh_finch',
    word: 'car',
    title: /Tarrow Finch/,
    fault: 'Coil of cylinder 3 failed',
    code: 'P0303',
  },
  {
    name: 'a diesel van',
    vehicle: 'veh_dray',
    word: 'van',
    title: /Ostler Dray/,
    fault: 'Particulate filter full of soot',
    code: 'P2463',
  },
  {
    name: 'a motorcycle',
    vehicle: 'veh_kestrine',
    word: 'motorcycle',
    title: /Kestrine/,
    fault: 'Regulator/rectifier failing',
    code: 'P0562',
  },
])
  test(`${name}, from the light to a decision, with a wrong turn taken back`, async ({ page }) => {
    await example(page, `/?new=${vehicle}`);
    await page.getByRole('dialog').getByRole('button', { name: title }).click();
    await page
      .getByRole('radiogroup', { name: 'Engine light (check engine)' })
      .getByRole('radio', { name: 'Steady' })
      .click();
    await isCalled(page, word);
    await connect(page, fault);
    await isCalled(page, word);
    await readAll(page);
    await isCalled(page, word);
    await expect(page.getByText(code).first()).toBeVisible();
    await station(page, 'Narrow down');
    const before = await leader(page);

    // The wrong turn: a result that was not so is taken back in the log, and all is as it was.
    await take(page, 'first');
    await expect.poll(() => leader(page)).not.toBe(before);
    await page.getByRole('link', { name: /^Log/ }).click();
    const log = page.getByRole('dialog');
    const row = log
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: /^More: / }) })
      .first();
    await openStrikeOut(row);
    await page.getByLabel('Reason').fill('Wrong plug.');
    await log.getByRole('button', { name: 'Strike out' }).click();
    await expect(page.getByText('Struck out: Wrong plug.', { exact: true })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect.poll(() => leader(page)).toBe(before);

    await isCalled(page, word);
    expect((await saidOn(page)).join(' ')).toContain(`The ${word} says`);
    await take(page, 'last');
    await expect.poll(() => leader(page)).not.toBe(before);
    await station(page, 'Decide');
    await expect(page.getByText(/^(Recommended|One more check first): /)).toBeVisible();
    await expectAccessible(page);
    await page
      .getByRole('button', { name: /^Choose: / })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: 'Decide', level: 2 })).toBeHidden();
    await station(page, 'Decide');
    await expect(page.getByText(/^You chose “/)).toBeVisible();
    for (const other of ['Meaning', 'Fix', 'Prove']) {
      await station(page, other);
      await isCalled(page, word);
    }
  });
