import { expect, test, type Page } from './window.ts';
import { readFileSync } from 'node:fs';
import { pdfText } from './pdf-text.ts';
import { example, openCase, openStrikeOut, station, walkTo } from './helpers.ts';

/** Every screen that an owner comes to. */
const SCREENS = [
  '/',
  '/practice',
  '/settings',
  '/codes/P0302',
  '/words',
  '/vehicle/veh_finch',
  ...['light', 'plug-in', 'read', 'meaning', 'narrow', 'decide', 'fix', 'prove', 'watch', 'handover'].map(
    (s) => `/case/case_wet/${s}`,
  ),
];
/** A small phone, or 400 %; a phone; a laptop at 200 %; a phone on its side; a laptop. */
const SIZES = [
  [320, 256],
  [390, 844],
  [640, 400],
  [844, 390],
  [1280, 800],
] as const;

/** By how much anything reaches out of the page sideways, px; what scrolls by itself (a table, the rail) may. */
const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const work = document.getElementById('work');
    return Math.max(
      document.documentElement.scrollWidth - innerWidth,
      work === null ? 0 : work.scrollWidth - work.clientWidth,
    );
  });

test('at every size, from a laptop to a small phone, nothing scrolls sideways, the work has room, and the next step is in sight', async ({
  page,
}) => {
  await example(page);
  for (const path of SCREENS) {
    await walkTo(page, path);
    await expect(page.locator('#work :is(h1, h2)').first()).toBeVisible();
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      const at = `${path} at ${width} x ${height}`;
      // Fonts may come a moment later, and with them the widths.
      await expect.poll(() => sideways(page), { message: at }).toBeLessThanOrEqual(0);
      if (!path.startsWith('/case/') || path.endsWith('handover')) continue;
      // Between the frame and the next step at the foot something of the work itself is seen.
      const room = await page.evaluate(() => {
        const work = document.getElementById('work')?.getBoundingClientRect();
        const foot = document.querySelector('#work > .sticky')?.getBoundingClientRect();
        return work ? Math.min(innerHeight, foot?.top ?? innerHeight) - work.top : 0;
      });
      expect([at, Math.round(room), room > height * 0.28]).toEqual([at, Math.round(room), true]);
    }
  }
});

test('every screen bears wider text, on a phone and on a laptop: nothing reaches out, no button or heading cuts its words', async ({
  page,
}) => {
  await example(page);
  // As WCAG 1.4.12 has it.
  await page.addStyleTag({
    content: `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }
      p { margin-bottom: 2em !important; }`,
  });
  for (const path of SCREENS) {
    await walkTo(page, path);
    await expect(page.locator('#work :is(h1, h2)').first()).toBeVisible();
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
    ] as const) {
      await page.setViewportSize({ width, height });
      const at = `${path} at ${width} x ${height}`;
      await expect.poll(() => sideways(page), { message: at }).toBeLessThanOrEqual(0);
      const cut = await page.evaluate(() =>
        [...document.querySelectorAll('#work :is(button, a, h1, h2, h3, h4, label), header :is(button, a)')]
          // What only readers hear has no size; what may scroll or be read elsewhere in full says so.
          .filter((e) => !e.matches('.sr-only') && e.checkVisibility())
          .filter((e) => getComputedStyle(e).overflow !== 'visible')
          .filter((e) => e.scrollWidth > e.clientWidth + 1 || e.scrollHeight > e.clientHeight + 1)
          .map((e) => e.textContent),
      );
      expect([at, ...cut]).toEqual([at]);
    }
  }
});

test('on a low screen the bar and the rail give way while scrolling down, the road stays, and Tab brings them back', async ({
  page,
}) => {
  await page.setViewportSize({ width: 640, height: 400 });
  await example(page, '/case/case_wet/light');
  const rail = page.getByRole('navigation', { name: 'Stations' });
  await expect(page.getByRole('heading', { name: 'Warning lights' })).toBeVisible();
  await expect(rail).toBeVisible();
  await page.locator('#work').evaluate((e) => e.scrollTo(0, 400));
  await expect(rail).toBeHidden();
  await expect(page.getByRole('region', { name: 'How far you may still drive' })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(rail).toBeVisible();
});

test('what to do in the next minute shows its first step whole, however low the screen; a message covers no next step', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: /^Oil pressure/ })
    .getByRole('radio', { name: 'Steady' })
    .click();
  // It slides in, from below the foot.
  const message = page.getByRole('listitem').filter({ hasText: 'Oil pressure: steady.' });
  await expect(async () => {
    const said = await message.boundingBox();
    const below = await page.locator('#work > .sticky').boundingBox();
    expect((said?.y ?? 1e9) + (said?.height ?? 0)).toBeLessThanOrEqual(below?.y ?? 0);
  }).toPass({ timeout: 20_000 });
  const minute = page.getByRole('region', { name: 'In the next minute' });
  for (const [width, height] of [
    [640, 400],
    [844, 390],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    await page.locator('#work').evaluate((e) => e.scrollTo(0, 0));
    const step = await minute.getByRole('listitem').first().boundingBox();
    const foot = await page.locator('#work > .sticky').boundingBox();
    expect((step?.y ?? 1e9) + (step?.height ?? 0)).toBeLessThanOrEqual(foot?.y ?? height);
  }
});

test('the road at each level, by day, in the dark and in forced colours: its button and its words stay in the frame', async ({
  page,
}) => {
  await example(page);
  const road = page.getByRole('region', { name: 'How far you may still drive' });
  const levels = [
    ['case_lean', 'Closed'],
    ['case_pippin', 'Some weeks'],
    ['case_dray', 'Short trips'],
    ['case_wet', 'Safe place only'],
    ['case_dray', 'Stop here'],
  ] as const;
  for (const [id, title] of levels) {
    await page.setViewportSize({ width: 1280, height: 800 });
    // By way of the garage: the same station of two cases has the same title.
    await walkTo(page, '/');
    await walkTo(page, `/case/${id}/light`);
    if (title === 'Stop here')
      await page
        .getByRole('radiogroup', { name: /^Oil pressure/ })
        .getByRole('radio', { name: 'Steady' })
        .click();
    await expect(road.getByText(title, { exact: true })).toBeVisible();
    for (const width of [320, 390, 1280])
      for (const look of [
        { colorScheme: 'light', forcedColors: 'none' },
        { colorScheme: 'dark', forcedColors: 'none' },
        { colorScheme: 'light', forcedColors: 'active' },
      ] as const) {
        await page.setViewportSize({ width, height: 800 });
        await page.emulateMedia(look);
        const button = road.getByRole('button');
        const out = await button.evaluate((e) => {
          const [inner, frame] = [e, e.closest('section')].map((each) => each?.getBoundingClientRect());
          return { right: (inner?.right ?? 1e9) - (frame?.right ?? 0), height: inner?.height ?? 0 };
        });
        expect(out.right).toBeLessThanOrEqual(0.5);
        expect(out.height).toBeGreaterThanOrEqual(44);
        await expect(road.getByText(title, { exact: true })).toBeInViewport();
      }
  }
});

test('another station begins at its top; the browser’s Back finds one where it was left, and a sheet leaves it there', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await example(page, '/case/case_wet/plug-in');
  const left = () => page.locator('#work').evaluate((e) => Math.round(e.scrollTop));
  const scrollTo = async (top: number) => {
    await page.locator('#work').evaluate((e, to) => e.scrollTo(0, to), top);
    await expect.poll(left).toBe(top);
  };
  await expect(page.getByRole('heading', { name: 'Connect', level: 2 })).toBeVisible();
  await scrollTo(500);
  await station(page, 'Read');
  await expect(page.getByRole('heading', { name: 'Read everything first' })).toBeInViewport();
  expect(await left()).toBe(0);
  await scrollTo(300);
  await page.keyboard.press('l');
  const log = page.getByRole('dialog', { name: /^Log, / });
  await expect(log).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(log).toBeHidden();
  expect(await left()).toBe(300);
  // Closed, the log is no step on the way back.
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'Connect', level: 2 })).toBeAttached();
  await expect.poll(left).toBe(500);
});

test('a link to a part of a page leads there; another page begins at its top', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await page.getByRole('link', { name: 'Bring back a saved logbook' }).click();
  await expect(page.getByRole('heading', { name: 'On this device' })).toBeInViewport({ ratio: 1 });
  const left = () => page.evaluate(() => scrollY);
  expect(await left()).toBeGreaterThan(0);
  await page.getByRole('link', { name: 'Pincer, to the garage' }).click();
  await expect.poll(left).toBe(0);
});

test('on a phone the stations have their names one touch away', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await example(page, '/case/case_wet/light');
  await page.getByRole('button', { name: 'Stations by name' }).click();
  await page
    .getByRole('dialog', { name: 'Stations' })
    .getByRole('link', { name: /Narrow down/ })
    .click();
  await expect(page.getByRole('heading', { name: 'What it can be' })).toBeVisible();
});

test('a mistaken touch is taken back at once, and stays in the log, struck out', async ({ page }) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: /^Engine light/ })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await page.getByText('How to do it, and record the result').first().click();
  await page.locator('details[open] button').first().click();
  await page
    .getByRole('listitem')
    .filter({ hasText: /^Recorded: / })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(page.getByText('Taken back. It stays in the log, struck out.')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('Struck out: Taken back at once.', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');

  // One light too many would keep the car from being driven at all; and what one touch decided, one touch takes back.
  const road = page.getByRole('region', { name: 'How far you may still drive' });
  await expect(road).toContainText('Short trips');
  await page
    .getByRole('radiogroup', { name: /^Oil pressure/ })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await expect(road).toContainText('Stop here');
  const said = page.getByRole('listitem').filter({ hasText: 'Oil pressure: steady.' });
  await said.getByRole('button', { name: 'Undo' }).click();
  await expect(road).toContainText('Short trips');
  await expect(
    page.getByRole('radiogroup', { name: /^Oil pressure/ }).getByRole('radio', { checked: true }),
  ).toHaveCount(0);
  await station(page, 'Decide');
  await page.getByRole('button', { name: /^Choose: get help/i }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: /^Decided: get/ })
    .getByRole('button', { name: 'Undo' })
    .click();
  await station(page, 'Decide');
  await expect(page.getByText(/^You chose “/)).toBeHidden();
});

test('what changes is said once and politely: a verdict, what was recorded; nothing is said of what was there', async ({
  page,
}) => {
  await openCase(page);
  const road = page.getByRole('status').filter({ hasText: 'How far you may still drive:' });
  await expect(road).toHaveCount(0);
  // Every text that a live region comes to hold, as a reader for the blind would be given it.
  await page.evaluate(() => {
    const heard: string[] = [];
    Object.assign(globalThis, { heard });
    const live = '[role="status"], [aria-live="polite"], [aria-live="assertive"], [role="alert"]';
    new MutationObserver((changes) => {
      for (const region of new Set(
        changes.map((c) => (c.target instanceof Element ? c.target : c.target.parentElement)?.closest(live)),
      ))
        if (region?.textContent && heard.at(-1) !== region.textContent) heard.push(region.textContent);
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  await page
    .getByRole('radiogroup', { name: /^Charging/ })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await expect(road).toHaveText(/^How far you may still drive: Safe place only\. .*battery/);
  await expect(page.getByText('Charging: steady.')).toBeVisible();
  const heard = await page.evaluate(() => (globalThis as unknown as { heard: string[] }).heard);
  expect(heard.filter((t) => t.startsWith('How far you may still drive:'))).toHaveLength(1);
  expect(heard.filter((t) => t.includes('Charging: steady.'))).toHaveLength(1);
  // Another station says its heading by the focus; the verdict has not changed and is not said again.
  await station(page, 'Decide');
  await expect(page.getByRole('heading', { name: 'Decide', level: 2 })).toBeFocused();
  const later = await page.evaluate(() => (globalThis as unknown as { heard: string[] }).heard);
  expect(later.filter((t) => t.startsWith('How far you may still drive:'))).toHaveLength(1);
});

test('the log by kind; each row’s menu says which entry it is of; Escape goes back to where one came from', async ({
  page,
}) => {
  await example(page, '/case/case_wet/light');
  await expect(page.getByRole('heading', { name: 'Warning lights' })).toBeVisible();
  const opener = page.getByRole('link', { name: /^Log, / });
  await opener.focus();
  await page.keyboard.press('Enter');
  const log = page.getByRole('dialog', { name: /^Log, / });
  await log.getByRole('combobox', { name: 'Show' }).selectOption({ label: 'Readings and recordings' });
  await expect(log.getByText(/^Full reading/).first()).toBeVisible();
  await expect(log.getByText(/^Only in the wet/)).toHaveCount(0);
  await log.getByRole('combobox', { name: 'Show' }).selectOption({ label: 'Everything' });
  const names = await log
    .getByRole('button', { name: /^More: / })
    .evaluateAll((all) => all.map((b) => b.getAttribute('aria-label')));
  expect(names.length).toBeGreaterThan(5);
  // Two entries may say the same; that is rare, and a menu without a name of its own never is.
  expect(new Set(names).size).toBeGreaterThan(names.length * 0.8);
  const row = log.getByRole('listitem').filter({ hasText: 'Only in the wet: yes.' });
  await openStrikeOut(row);
  await expect(row.getByPlaceholder('Reason')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(log).toHaveCount(0);
  await expect(opener).toBeFocused();
});

test('by keyboard alone, from the garage to a decision; the focus follows to each station', async ({
  page,
}) => {
  await example(page);
  const link = page.getByRole('link', { name: /Wet-morning shake/ }).first();
  for (let i = 0; i < 60 && !(await link.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible();
  for (const key of ['3', '4', '5', '6']) {
    await page.keyboard.press(key);
    await expect(page.locator('#work h2').first()).toBeFocused();
    await expect(page).toHaveTitle(/^.+ · Tarrow Finch 1\.4 · Pincer$/);
  }
  // On from the heading: the first thing that can be done is reached by Tab, and done by Enter.
  const repair = page.getByRole('button', { name: /repair it yourself/i }).first();
  for (let i = 0; i < 80 && !(await repair.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(repair).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/fix$/);
});

test('nothing depends on colour or motion: forced colours and reduced motion keep every mark and word', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  await example(page, '/case/case_wet/narrow');
  await expect(page.getByRole('heading', { name: 'What it can be' })).toBeVisible();
  const road = page.getByRole('region', { name: 'How far you may still drive' });
  await expect(road.getByRole('button')).toBeVisible();
  // A bar without its colour still has its figure beside it.
  await expect(page.getByRole('region', { name: 'What it can be' }).getByText(/%/).first()).toBeVisible();
  const moving = await page.evaluate(
    () =>
      document
        .getAnimations()
        .filter((a) => a.playState === 'running' && Number(a.effect?.getComputedTiming().duration ?? 0) > 1)
        .length,
  );
  expect(moving).toBe(0);
  await station(page, 'Decide');
  await expect(page.locator('#work h2').first()).toBeVisible();
});

test('a case prints as a document: road, codes, causes and the whole log; on paper nothing is clipped', async ({
  page,
}) => {
  await example(page, '/case/case_wet/light?log');
  // Where the browser opens no page for it, the same document is saved: so it can be read back here.
  await page.evaluate(() => {
    window.open = () => null;
  });
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print the case' }).click();
  const text = await pdfText(readFileSync(await (await saved).path()));
  for (const part of [
    'How far it may still be driven: Safe place only',
    'P0302',
    'Coil boot of cylinder 2 cracked',
    'Only in the wet: yes.',
  ])
    expect(text).toContain(part);
  // On paper nothing is clipped either: what scrolls on the screen is as high as what it holds.
  await page.keyboard.press('Escape');
  await page.emulateMedia({ media: 'print' });
  const clipped = await page.locator('#work').evaluate((e) => e.scrollHeight - e.clientHeight);
  expect(clipped).toBeLessThanOrEqual(1);
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden();
});

test('after each sheet the focus is back on what opened it, and never begins on Close', async ({ page }) => {
  test.slow();
  await example(page);
  const opened: readonly (readonly [path: string, opener: RegExp])[] = [
    ['/', /^A light came on$/],
    ['/', /^Import a case file$/],
    ['/case/case_wet/light', /^The engine light is flashing/],
    ['/case/case_wet/read', /^No adapter\? Type or paste/],
    ['/case/case_wet/narrow', /Add something you saw or did$/],
    ['/case/case_wet/narrow', /^Start this check$/],
    ['/case/case_wet/light', /^Log, /],
  ];
  for (const [path, name] of opened) {
    await walkTo(page, path);
    const opener = page.getByRole('link', { name }).or(page.getByRole('button', { name })).first();
    await opener.focus();
    await page.keyboard.press('Enter');
    const sheet = page.getByRole('dialog');
    await expect(sheet).toBeVisible();
    await expect(sheet.getByRole('button', { name: 'Close', exact: true })).not.toBeFocused();
    await page.keyboard.press('Escape');
    await expect(sheet).toBeHidden();
    await expect(opener, String(name)).toBeFocused();
  }
});
