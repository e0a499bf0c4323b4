import { type AxeResults, type Result, type RunOptions } from 'axe-core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from '@playwright/test';

/** The checks as they run in the page; the short form is read and compiled in half the time. */
const CHECKS = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

type Checked = Window & { axe?: { run: (of: Document, options: RunOptions) => Promise<AxeResults> } };

/** How often the checks look until nothing has begun to move meanwhile. */
const LOOKS = 5;

/**
 * What the checks find while nothing moves: what is just coming in or going is half transparent, and its colours are
 * nobody's (a toast, a sheet). One that came while they looked has them look again at once; it is still there then.
 * @returns null where something moved at each look
 */
async function found({ options, looks }: { options: RunOptions; looks: number }): Promise<Result[] | null> {
  const isMoving = () =>
    document
      .getAnimations()
      .some((a) => a.playState === 'running' && a.effect?.getComputedTiming().endTime !== Infinity);
  const { axe } = window as Checked;
  for (let look = 0; axe && look < looks; look++) {
    while (isMoving()) await new Promise(requestAnimationFrame);
    const begun: Event[] = [];
    const note = (event: Event) => void begun.push(event);
    for (const event of ['transitionrun', 'animationstart']) document.addEventListener(event, note);
    const { violations } = await axe.run(document, options);
    // What began in the last moment is told with the next picture.
    await new Promise(requestAnimationFrame);
    for (const event of ['transitionrun', 'animationstart']) document.removeEventListener(event, note);
    if (begun.length === 0 && !isMoving()) return violations;
  }
  return null;
}

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
  const violations = await page.evaluate(found, { options, looks: LOOKS });
  const grave = violations?.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(grave?.map((v) => `${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}
