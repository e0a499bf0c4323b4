import { readFile } from 'node:fs/promises';
import { expect, ownWindow as test, type Page } from './window.ts';
import { AMERICAN } from '@pincer/core/words';
import { pdfText } from './pdf-text.ts';
import { example, station, walkTo } from './helpers.ts';

test.use({ locale: 'en-US' });

/** British words, without those that are also the name of a part: a coil's boot. */
const BRITISH = new RegExp(
  `\\b(${Object.keys(AMERICAN)
    .filter((word) => word !== 'boot')
    .join('|')})s?\\b`,
  'i',
);
const METRIC = /\d[\s\u202f]?(km\/h|km|°C|kPa|bar)\b/;

/** Everything that stands on the page, also what is folded away, read out for those who cannot see it, or typed over. */
async function words(page: Page): Promise<string> {
  return page.evaluate(async () => {
    // What is folded away may be drawn when it is opened, and hold more of the same.
    for (let rounds = 0; rounds < 10 && document.querySelector('details:not([open])'); rounds++) {
      for (const d of document.querySelectorAll('details')) d.open = true;
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    }
    const labels = [...document.querySelectorAll('[aria-label],[title],[placeholder]')].flatMap((e) =>
      ['aria-label', 'title', 'placeholder'].map((a) => e.getAttribute(a) ?? ''),
    );
    return [document.body.innerText, ...labels].join('\n');
  });
}

/** Lines of the page with British words, metric units, or a tag that nobody told. */
async function notAmerican(page: Page): Promise<string[]> {
  const lines = (await words(page)).split('\n');
  return lines.filter((line) => BRITISH.test(line) || METRIC.test(line) || /\{[^}]*\}/.test(line));
}

async function expectAmerican(page: Page, where: string): Promise<void> {
  expect({ where, wrong: await notAmerican(page) }).toEqual({ where, wrong: [] });
}

test('an owner with miles, °F, psi and American words sees no other on the way of the demo case', async ({
  page,
}) => {
  await example(page);
  await expectAmerican(page, 'garage');
  await walkTo(page, '/case/case_wet/light');
  await expect(page.getByText('Transmission').first()).toBeVisible();
  for (const name of [
    'Warning light',
    'Connect',
    'Read',
    'Meaning',
    'Narrow down',
    'Decide',
    'Fix',
    'Prove it',
  ]) {
    const before = await page.title();
    await station(page, name);
    // The station before stands until the next one has come.
    if (name !== 'Warning light') await expect(page).not.toHaveTitle(before);
    await page.waitForLoadState('networkidle');
    await expectAmerican(page, name);
  }
  await walkTo(page, '/case/case_wet/watch');
  await expect(page.getByRole('heading', { name: 'Guided' })).toBeVisible();
  await expectAmerican(page, 'Watch');
  await walkTo(page, '/case/case_wet/handover');
  await expect(page.getByRole('heading', { name: 'Handover sheet' })).toBeVisible();
  await expectAmerican(page, 'handover');
  const sheet = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as PDF' }).click();
  const written = await pdfText(await readFile(await (await sheet).path()));
  expect(written).toContain('P0302');
  expect(written).not.toMatch(/\b(workshop|petrol|tyre|bonnet)\b/i);
  await walkTo(page, '/case/case_wet/narrow');
  await page.getByRole('button', { name: 'Start this check' }).click();
  await page.getByRole('button', { name: 'I have read these; show me how' }).click();
  await expectAmerican(page, 'a check');
  await walkTo(page, '/words');
  await expect(page.getByRole('heading', { name: 'Warning lights', exact: true })).toBeVisible();
  await expectAmerican(page, 'words');
  await walkTo(page, '/codes/P0128');
  await expect(page.getByText('The control unit detected')).toBeVisible();
  await expectAmerican(page, 'a code');
  await walkTo(page, '/settings');
  await expect(page.getByText('tire pressure gauge')).toBeVisible();
  await expect(page.getByText('Shop labor, per hour')).toBeVisible();
});

test('either English finds it; units are set one by one, and stay', async ({ page }) => {
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'British: bonnet, petrol, tyre' }).click();
  await page.getByText('Set units one by one').click();
  await page.getByRole('radio', { name: 'km, km/h' }).click();
  await page.getByRole('radio', { name: '°C', exact: true }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto('/codes/P2269');
  await page
    .getByRole('searchbox')
    .or(page.getByRole('combobox'))
    .or(page.getByRole('textbox'))
    .first()
    .fill('tire pressure');
  await expect(page.getByRole('link', { name: /Tyre pressure/ }).first()).toBeVisible();
  await walkTo(page, '/words');
  await expect(page.getByText('reaches 71 °C')).toBeVisible();
});

test('nor on any screen of the other cases and vehicles, with everything opened, recordings too', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await example(page);
  const ids = ['case_dray', 'case_pippin', 'case_lean', 'case_kestrine'];
  const pages = ['read', 'meaning', 'narrow', 'decide', 'fix', 'prove', 'watch', 'handover'];
  const wrong: Record<string, string[]> = {};
  for (const path of [
    ...['veh_finch', 'veh_dray', 'veh_kestrine'].map((v) => `/vehicle/${v}`),
    ...ids.flatMap((id) => pages.map((p) => `/case/${id}/${p}`)),
    '/practice',
  ]) {
    await walkTo(page, path);
    await expect(page.locator('#work :is(h1, h2)').first()).toBeVisible();
    await expect(page.getByText(/^(Opening|Working out|Reading the log)/)).toHaveCount(0);
    const found = await notAmerican(page);
    if (found.length > 0) wrong[path] = found;
  }
  expect(wrong).toEqual({});
});
