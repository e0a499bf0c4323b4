import { expect, test } from '@playwright/test';
import { tryAll } from '../faults/campaign.ts';
import { KILLS } from '../faults/kills.ts';

test('killed on the way to a clear: one permit sends one clear, and what was asked is stored', async () => {
  test.setTimeout(120_000);
  expect((await tryAll(KILLS, KILLS.short)).failed).toEqual([]);
});
