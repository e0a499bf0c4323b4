import { expect, ownWindow as test } from './window.ts';
import { tryAll } from '../faults/campaign.ts';
import { ENTRY_KILLS } from '../faults/entry-kills.ts';
import { FULL_DISK } from '../faults/full-disk.ts';
import { KILLS } from '../faults/kills.ts';
import { PAGES_AND_DEVICES, STORAGE } from '../faults/pages.ts';

test('killed on the way to a clear: one permit sends one clear, and what was asked is stored', async () => {
  test.setTimeout(400_000);
  expect((await tryAll(KILLS, KILLS.short)).failed).toEqual([]);
});

test('killed while entering and reading: what was shown as saved is there', async () => {
  test.setTimeout(400_000);
  expect((await tryAll(ENTRY_KILLS, ENTRY_KILLS.short)).failed).toEqual([]);
});

for (const campaign of [FULL_DISK, PAGES_AND_DEVICES, STORAGE])
  test(`${campaign.title}: nothing is lost`, async () => {
    test.setTimeout(400_000);
    expect((await tryAll(campaign, campaign.short)).failed).toEqual([]);
  });
