import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { KeptFilePort } from '../src/ports/kept-file.ts';
import type { MemoryForage } from './memory-forage.ts';
import { emptyRecords, setDisk } from './raw-records.ts';

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
import { FULL } from './raw-records.ts';
import { restoreAll } from '../src/store/archive-actions.ts';
import { findKeptFile } from '../src/store/find-kept-file.ts';
import { allowKeptFile, chooseKeptFile, writeKeptFile } from '../src/store/kept-file-actions.ts';
import { load, openCase, putVehicle, record } from '../src/store/logbook-actions.ts';
import { emptyLogbook } from '../src/store/transfer-actions.ts';
import { aPage, notes, type Page } from './pages.ts';

const CAR: Vehicle = {
  id: 'veh_test',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  fuel: 'petrol',
  aspiration: 'natural',
};

/** A disk beside the browser: one file, and what the browser remembers of it. */
class Disk implements KeptFilePort {
  content = new Blob([]);
  kept: { entries: number } | null = null;
  mayWrite = true;
  refusal: DOMException | null = null;
  readonly isPossible = () => true;
  readonly choose = () =>
    Promise.resolve({
      name: 'backup.zip',
      content: new File([this.content], 'backup.zip'),
      keep: () => {
        this.kept = { entries: 0 };
        return Promise.resolve();
      },
    });
  readonly current = () =>
    Promise.resolve(this.kept && { name: 'backup.zip', mayWrite: this.mayWrite, ...this.kept });
  readonly allow = () => {
    this.mayWrite = true;
    return Promise.resolve(true);
  };
  readonly write = (content: Blob, entries: number) => {
    if (this.refusal) return Promise.reject(this.refusal);
    this.content = content;
    this.kept = { entries };
    return Promise.resolve();
  };
  readonly forget = () => {
    this.kept = null;
    return Promise.resolve();
  };
}

let disk: Disk;
let page: Page;
beforeEach(async () => {
  notes.clear();
  setDisk(null);
  await emptyRecords();
  disk = new Disk();
  page = aPage({ keptFile: disk });
  await page.dispatch(load());
});
afterEach(() => page.close());

const stateOf = () => page.store.getState().keptFile;
async function aCase(): Promise<CaseRecord> {
  await page.dispatch(putVehicle(CAR));
  return page.dispatch(openCase(CAR, 'A light came on'));
}
const tell = (c: CaseRecord, text: string) => page.dispatch(record(c.id, { kind: 'note', text }));

/** The browser has lost everything, and what it remembers of the file too. @returns the notes that the file brings back. */
async function broughtBack(): Promise<string[]> {
  page.close();
  notes.clear();
  await emptyRecords();
  page = aPage();
  await page.dispatch(load());
  const outcome = await page.dispatch(restoreAll(new File([disk.content], 'backup.zip')));
  if (!outcome.ok) throw new Error(outcome.message);
  return Object.values(page.store.getState().logbook.cases.entities)
    .flatMap((c) => c.entries)
    .flatMap((e) => (e.kind === 'note' ? [e.text] : []));
}

async function until(isSo: () => boolean): Promise<void> {
  for (let tries = 0; !isSo() && tries < 200; tries++) await new Promise((r) => setTimeout(r, 50));
  expect(isSo()).toBe(true);
}

describe('a backup file that is kept up to date', () => {
  test('each change is written into it by itself, and it brings everything back when the browser has lost all', async () => {
    const c = await aCase();
    expect(await page.dispatch(chooseKeptFile())).toEqual({ kept: true, restored: null });
    await tell(c, 'hisses at the hose');
    await until(() => disk.kept?.entries === 1);
    await until(() => stateOf().at === 'current');
    expect(await broughtBack()).toEqual(['hisses at the hose']);
  });

  test('what the database of a full disk refused is in the file all the same', async () => {
    const c = await aCase();
    await page.dispatch(chooseKeptFile());
    setDisk(FULL);
    expect((await tell(c, 'on a full disk')).isSaved).toBe(false);
    await until(() => disk.kept?.entries === 1);
    setDisk(null);
    expect(await broughtBack()).toEqual(['on a full disk']);
  });

  test('an earlier backup that is chosen again is brought in before it is written over', async () => {
    const c = await aCase();
    await tell(c, 'from before');
    await page.dispatch(chooseKeptFile());
    page.close();
    notes.clear();
    await emptyRecords();
    disk.kept = null;
    page = aPage({ keptFile: disk });
    await page.dispatch(load());
    expect(await page.dispatch(chooseKeptFile())).toMatchObject({ kept: true, restored: { entries: 1 } });
    expect(disk.kept).toEqual({ entries: 1 });
    expect(await broughtBack()).toEqual(['from before']);
  });

  test('a file that holds something else is not written over', async () => {
    await aCase();
    disk.content = new Blob(['the tax return']);
    expect(await page.dispatch(chooseKeptFile())).toEqual({
      kept: false,
      why: expect.stringMatching(/something else.*Nothing was changed/) as string,
    });
    expect(await disk.content.text()).toBe('the tax return');
    expect(disk.kept).toBeNull();
  });

  test('a logbook that holds less than the file does not write over it, and says what to do', async () => {
    const c = await aCase();
    await tell(c, 'one');
    await page.dispatch(chooseKeptFile());
    const before = disk.content;
    page.close();
    notes.clear();
    await emptyRecords();
    page = aPage({ keptFile: disk });
    await page.dispatch(load());
    await page.dispatch(writeKeptFile());
    expect(disk.content).toBe(before);
    expect(stateOf()).toMatchObject({
      at: 'failed',
      next: expect.stringMatching(/Restore everything/) as string,
    });
  });

  test('emptying the logbook leaves the file as it is, and it is not written any more', async () => {
    const c = await aCase();
    await tell(c, 'kept');
    await page.dispatch(chooseKeptFile());
    const before = disk.content;
    expect(await page.dispatch(emptyLogbook())).toBeNull();
    await tell(await aCase(), 'a new life');
    await page.dispatch(writeKeptFile());
    expect(disk.content).toBe(before);
    expect(stateOf()).toEqual({ at: 'none' });
  });

  test.each([
    ['QuotaExceededError', /no room left/, /Make room/],
    ['NotFoundError', /not there any more/, /Plug the disk in/],
  ])('%s: what was in it stays, and it is said with a next step', async (name, why, next) => {
    const c = await aCase();
    await page.dispatch(chooseKeptFile());
    const before = disk.content;
    disk.refusal = new DOMException('no', name);
    await tell(c, 'later');
    await page.dispatch(writeKeptFile());
    expect(disk.content).toBe(before);
    expect(stateOf()).toMatchObject({
      at: 'failed',
      why: expect.stringMatching(why) as string,
      next: expect.stringMatching(next) as string,
    });
    disk.refusal = null;
    await page.dispatch(writeKeptFile());
    expect(stateOf().at).toBe('current');
    expect(await broughtBack()).toEqual(['later']);
  });

  test('what the browser remembers of the file cannot be read: it is said to be not written, not to be none', async () => {
    await aCase();
    await page.dispatch(chooseKeptFile());
    jest.spyOn(disk, 'current').mockRejectedValue(new DOMException('no', 'UnknownError'));
    await page.dispatch(writeKeptFile());
    expect(stateOf()).toMatchObject({ at: 'failed', name: 'backup.zip' });
  });

  test('a page that is closed before the file was written leaves it to the next one', async () => {
    const c = await aCase();
    await page.dispatch(chooseKeptFile());
    await page.dispatch(findKeptFile());
    await tell(c, 'in the last second');
    page.close();
    expect(disk.kept).toEqual({ entries: 0 });
    page = aPage({ keptFile: disk });
    await page.dispatch(load());
    await page.dispatch(findKeptFile());
    expect(disk.kept).toEqual({ entries: 1 });
    expect(await broughtBack()).toEqual(['in the last second']);
  });

  test('after a restart the browser is asked again first: until then it waits, and says so', async () => {
    const c = await aCase();
    await page.dispatch(chooseKeptFile());
    disk.mayWrite = false;
    page.close();
    page = aPage({ keptFile: disk });
    await page.dispatch(load());
    await page.dispatch(findKeptFile());
    expect(stateOf()).toEqual({ at: 'waiting', name: 'backup.zip' });
    const before = disk.content;
    await tell(c, 'meanwhile');
    await page.dispatch(writeKeptFile());
    expect(disk.content).toBe(before);
    await page.dispatch(allowKeptFile());
    expect(await broughtBack()).toEqual(['meanwhile']);
  });
});
