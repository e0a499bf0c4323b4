import { type AxeResults, type RunOptions } from 'axe-core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from '@playwright/test';

/** The checks as they run in the page; the short form is read and compiled in half the time. */
const CHECKS = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

type Checked = Window & { axe?: { run: (of: Document, options: RunOptions) => Promise<AxeResults> } };

/**
 * Fails on anything serious that the accessibility checks find.
 * @param rules all of them, or one alone: structure is the same in the dark and on a phone, where colours and the size
 *   of what is touched are not.
 */
export async function expectAccessible(
  page: Page,
  rules: 'all' | 'color-contrast' | 'target-size' = 'all',
): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(CHECKS);
  // Only what is wrong is asked for: what passes is not described, which takes most of the time.
  const options: RunOptions = {
    resultTypes: ['violations'],
    preload: false,
    ...(rules === 'all' ? {} : { runOnly: [rules] }),
  };
  // What is just coming in or going is half transparent, and its colours are nobody's: a toast, a sheet. One may come while
  // the checks look: what they find is looked at again, and what is wrong for good stays so.
  await expect(async () => {
    await page.waitForFunction(() =>
      document
        .getAnimations()
        .every((a) => a.playState !== 'running' || a.effect?.getComputedTiming().endTime === Infinity),
    );
    const violations = await page.evaluate(
      async (asked) => (await (window as Checked).axe?.run(document, asked))?.violations ?? null,
      options,
    );
    const grave = violations?.filter((v) => v.impact === 'serious' || v.impact === 'critical');
    expect(grave?.map((v) => `${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
  }).toPass({ timeout: 8_000 });
}
