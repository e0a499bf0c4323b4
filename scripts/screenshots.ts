import { chromium, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { CHROMIUM } from '../playwright.config.ts';

/**
 * One picture of each main view from the example logbook, into docs/screenshots (or the folder given).
 * Wants the server on the address given, started with PINCER_DEMO=1.
 */
const address = process.env['ADDRESS'] ?? 'http://localhost:4173';
const folder = process.argv[2] ?? fileURLToPath(new URL('../docs/screenshots', import.meta.url));
const only = process.argv.slice(3);
mkdirSync(folder, { recursive: true });

const browser = await chromium.launch(CHROMIUM);

type Shot = {
  name: string;
  path: string;
  phone?: boolean;
  dark?: boolean;
  before?: (page: Page) => Promise<void>;
};
const CASE = '/case/case_wet';

/** A task is brought in, solved by its likeliest repair, and shown. */
async function practise(page: Page): Promise<void> {
  await page.getByText('Make a task for somebody else').click();
  await page
    .getByRole('combobox', { name: 'What is wrong' })
    .selectOption({ label: 'Tarrow Finch 1.4, petrol: coil of cylinder 3 failed' });
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  await page.getByLabel('Practice task').setInputFiles(await (await saved).path());
  const stations = page.getByRole('navigation', { name: 'Stations' });
  await stations.getByRole('link', { name: /^2 Connect/ }).click();
  await page.getByRole('button', { name: 'Connect and read' }).click();
  await page.getByText(/Complete\./).waitFor();
  await stations.getByRole('link', { name: /^7 Fix/ }).click();
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByRole('button', { name: 'Record as done' }).click();
  await page.getByRole('button', { name: 'I am done: show what it was' }).click();
  await page.getByRole('heading', { name: 'Your way' }).waitFor();
  await page.getByText('Repair recorded.').waitFor({ state: 'detached' });
}

/** Records the stand-in revved for a while, and opens the recording. */
async function record(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Connect( again)?$/ }).click();
  await page.getByText('Connected.', { exact: true }).waitFor();
  const stations = page.getByRole('navigation', { name: 'Stations' });
  await stations.getByRole('link', { name: 'Read' }).click();
  await page.getByRole('link', { name: 'Watch and record them' }).click();
  await page.getByRole('button', { name: 'Idle until warm', exact: true }).click();
  await page.getByRole('button', { name: 'Begin: Hold 2,500 rpm' }).click();
  await page.waitForTimeout(4_000);
  // The car's controls are folded while it records.
  await page.getByText('Drive the simulated car').click();
  await page.getByRole('radio', { name: '2,500 rpm', exact: true }).click();
  await page.getByText('That is enough.').waitFor({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop and keep it' }).click();
  await page.getByRole('button', { name: /^Open Hold/ }).click();
  await page.getByRole('figure').first().waitFor();
  await page.waitForTimeout(800);
  await page.getByRole('heading', { name: 'Hold 2,500 rpm' }).scrollIntoViewIfNeeded();
}

/** Opens the steps of the first repair. */
async function work(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByRole('region', { name: 'Have ready' }).scrollIntoViewIfNeeded();
}

/** Types what a meter shows at the coils. */
async function measure(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^or \d+ others$/ }).click();
  await page.getByLabel('Search the checks').fill('primary side');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Measure the primary side of coil 2/ })
    .click();
  await page.getByRole('button', { name: 'I have read these; show me how' }).click();
  const bench = page.getByRole('region', { name: 'Type what the meter shows' });
  for (const [n, ohms] of ['0.9', '3.6', '0.8', '0.9'].entries())
    await bench.getByLabel(`Cylinder ${n + 1}`, { exact: true }).fill(ohms);
  await bench.evaluate((section) => section.scrollIntoView({ block: 'start' }));
}

const SHOTS: Shot[] = [
  { name: 'garage', path: '/' },
  { name: 'light', path: `${CASE}/light` },
  { name: 'plug-in', path: `${CASE}/plug-in` },
  { name: 'practice', path: '/practice', before: practise },
  { name: 'vehicle', path: '/vehicle/veh_finch' },
  { name: 'read', path: `${CASE}/read` },
  { name: 'watch', path: `${CASE}/plug-in`, before: record },
  { name: 'meaning', path: `${CASE}/meaning` },
  { name: 'narrow', path: `${CASE}/narrow` },
  { name: 'narrow-dark', path: `${CASE}/narrow`, dark: true },
  { name: 'buying', path: '/case/case_pippin/buying' },
  { name: 'decide', path: `${CASE}/decide` },
  { name: 'meter', path: `${CASE}/narrow`, before: measure },
  { name: 'fix', path: `${CASE}/fix`, before: work },
  { name: 'prove', path: `${CASE}/prove` },
  { name: 'log', path: `${CASE}/narrow?log`, before: (page) => page.getByRole('dialog').waitFor() },
  { name: 'codes', path: '/codes/P0302' },
  { name: 'garage-phone', path: '/', phone: true, dark: true },
  { name: 'light-phone', path: `${CASE}/light`, phone: true },
];

for (const shot of SHOTS.filter((s) => only.length === 0 || only.includes(s.name))) {
  const context = await browser.newContext({
    locale: 'en-IE',
    viewport: shot.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: shot.dark ? 'dark' : 'light',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.goto(address);
  await page.getByText('Wet-morning shake').waitFor();
  await page.getByText('Looked at before buying').waitFor();
  await page.getByText('Bringing in the example logbook').waitFor({ state: 'detached' });
  if (shot.path !== '/') await page.goto(address + shot.path);
  // What is out of sight is worked out when one looks down.
  await page.waitForFunction(() =>
    [...document.querySelectorAll('main p, main[role="status"]')].every(
      (e) =>
        !/Working it out|Opening/.test(e.textContent) || e.getBoundingClientRect().top > window.innerHeight,
    ),
  );
  await shot.before?.(page);
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${folder}/${shot.name}.png` });
  await context.close();
}
await browser.close();
