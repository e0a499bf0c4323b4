import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { writeCaseFile, type CaseRecord, type Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { seededRandom } from '@pincer/simulator';
import type { MemoryForage } from './memory-forage.ts';
import { FULL, emptyRecords, getRaw, putRaw, rawKeys, removeRaw, setDisk } from './raw-records.ts';

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
import { copiedKeys } from '../src/storage/copied-keys.ts';
import { CopyLog } from '../src/storage/copy-log.ts';
import { copiesOf, copyRecords, forgetCopies } from '../src/storage/second-copy.ts';
import { SmallFile } from './small-file.ts';
import { StorageError, transact } from '../src/storage/database.ts';
import { entryKey, isStored, loadAll, saveEntries } from '../src/storage/records.ts';
import { loadAttachment } from '../src/storage/attachments.ts';
import { logbookSlice } from '../src/store/logbook-slice.ts';
import { attach } from '../src/store/attachment-actions.ts';
import { exportAll, restoreAll } from '../src/store/archive-actions.ts';
import { checkStorage, saveAgain } from '../src/store/keep.ts';
import { changeSettings, load, openCase, putVehicle, record } from '../src/store/logbook-actions.ts';
import {
  addImport,
  checkImport,
  copyOfSetAside,
  dropSetAside,
  emptyLogbook,
  exportCase,
  putBack,
} from '../src/store/transfer-actions.ts';
import { aPage, notes, type Page } from './pages.ts';

/** A busy machine is no reason to fail. */

const CAR: Vehicle = {
  id: 'veh_test',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  fuel: 'petrol',
  aspiration: 'natural',
};
const note = (id: string, text: string, at = '2026-11-03T06:00:00.000Z'): Entry => ({
  id,
  at,
  kind: 'note',
  text,
});
const idsOf = (page: Page, caseId: string) =>
  (page.store.getState().logbook.cases.entities[caseId]?.entries ?? []).map((e) => e.id).sort();
const storedIds = async (caseId: string) =>
  ((await loadAll()).cases.find((c) => c.id === caseId)?.entries ?? []).map((e) => e.id).sort();

const LISTENERS = {
  addEventListener: { value: () => undefined },
  removeEventListener: { value: () => undefined },
};

let page: Page;
beforeEach(async () => {
  notes.clear();
  setDisk(null);
  await emptyRecords();
  page = aPage();
});
afterEach(() => page.close());

async function aCase(): Promise<CaseRecord> {
  await page.dispatch(putVehicle(CAR));
  return page.dispatch(openCase(CAR, 'A light came on'));
}

describe('an entry counts when the database has it', () => {
  test('every write is strict: on the disk before it is said to be saved', async () => {
    const asked = jest.spyOn(IDBDatabase.prototype, 'transaction');
    const c = await aCase();
    await page.dispatch(record(c.id, { kind: 'note', text: 'x' }));
    const writes = asked.mock.calls.filter(([, mode]) => mode === 'readwrite');
    asked.mockRestore();
    expect(writes.length).toBeGreaterThan(2);
    for (const [, , options] of writes) expect(options).toEqual({ durability: 'strict' });
  });

  test('a full disk: failed with its reason and what to do, noted, and written once there is room', async () => {
    const c = await aCase();
    setDisk(FULL);
    const { entry, isSaved } = await page.dispatch(record(c.id, { kind: 'note', text: 'x' }));
    expect(isSaved).toBe(false);
    expect(page.store.getState().logbook.unsaved[entry.id]).toEqual({
      caseId: c.id,
      why: 'There is no room left for this page on this device',
      next: expect.stringMatching(/Make room/) as string,
    });
    expect(idsOf(page, c.id)).toEqual([entry.id]);
    expect([...notes.keys()].join()).toContain(entry.id);
    setDisk(null);
    await page.dispatch(saveAgain());
    expect(page.store.getState().logbook.unsaved).toEqual({});
    expect(await storedIds(c.id)).toEqual([entry.id]);
  });

  test('a new vehicle and a new case that a full disk refused are there after the next start', async () => {
    setDisk(FULL);
    const c = await aCase();
    await page.dispatch(record(c.id, { kind: 'note', text: 'x' }));
    expect(await rawKeys()).toEqual([]);
    page.close();
    setDisk(null);
    page = aPage();
    await page.dispatch(load());
    expect(page.store.getState().logbook.vehicles.entities[CAR.id]).toEqual(CAR);
    expect(await storedIds(c.id)).toEqual(idsOf(page, c.id));
    expect(idsOf(page, c.id)).toHaveLength(1);
    expect([...notes.keys()].filter((k) => k.startsWith('pincer:journal'))).toEqual([]);
  });

  test('what does not fit is refused when it is written, not found when it is read', async () => {
    const c = await aCase();
    const bad = { id: 'ent_bad', at: 'then', kind: 'note', text: 'x' } as Entry;
    await expect(saveEntries(c.id, [note('ent_1', 'x'), bad])).rejects.toThrow(/at: /);
    expect(await storedIds(c.id)).toEqual([]);
  });

  test('one that is there is never overwritten, not by another of the same name', async () => {
    const c = await aCase();
    await saveEntries(c.id, [note('ent_1', 'first')]);
    await saveEntries(c.id, [note('ent_1', 'second'), note('ent_2', 'more')]);
    expect(await isStored(c.id, note('ent_1', 'first'))).toBe(true);
    expect(await isStored(c.id, note('ent_1', 'second'))).toBe(false);
    expect(await storedIds(c.id)).toEqual(['ent_1', 'ent_2']);
  });
});

describe('what cannot be read', () => {
  const RAW = { version: 2, caseId: 'case_x', record: { ...note('ent_odd', 'x'), at: 12 } };

  test('is told alone, left as it is, saved as a file, mended and put back', async () => {
    const c = await aCase();
    await page.dispatch(record(c.id, { kind: 'note', text: 'sound' }));
    const key = entryKey(c.id, 'ent_odd');
    const raw = { ...RAW, caseId: c.id };
    await putRaw(key, raw);
    await page.dispatch(load());
    expect(idsOf(page, c.id)).toHaveLength(1);
    expect(page.store.getState().logbook.setAside).toEqual([
      { key, caseId: c.id, reason: expect.stringMatching(/^at: /) as string },
    ]);
    const copy = await page.dispatch(copyOfSetAside(key));
    const asIs = await page.dispatch(checkImport(copy));
    if (!asIs.ok || !('record' in asIs)) throw new Error('It is no record.');
    expect(await page.dispatch(putBack(asIs.record))).toMatch(/^at: /);
    const mended = await page.dispatch(
      checkImport(copy.replace('"at": 12', '"at": "2026-11-03T07:00:00.000Z"')),
    );
    if (!mended.ok || !('record' in mended)) throw new Error('It is no record.');
    expect(await page.dispatch(putBack(mended.record))).toBeNull();
    expect(idsOf(page, c.id)).toContain('ent_odd');
    // What lay there is kept.
    const kept = (await rawKeys()).find((k) => k.startsWith('set-aside:'));
    expect(await getRaw(kept ?? '')).toEqual(raw);
    // Nothing that can be read is overwritten by it.
    expect(await page.dispatch(putBack(mended.record))).toMatch(/can be read/);
  });

  test('a vehicle that is stored in the place of one that cannot be read leaves that beside it', async () => {
    const odd = { version: 2, record: { id: CAR.id, name: 7 } };
    await putRaw(`vehicle:${CAR.id}`, odd);
    expect(await page.dispatch(putVehicle(CAR))).toBe(true);
    expect((await loadAll()).vehicles).toEqual([CAR]);
    const kept = (await rawKeys()).find((k) => k.startsWith('set-aside:'));
    expect(await getRaw(kept ?? '')).toEqual(odd);
  });

  test('entries of a case that is nowhere are named, not passed over', async () => {
    await putRaw(entryKey('case_gone', 'ent_1'), {
      version: 2,
      caseId: 'case_gone',
      record: note('ent_1', 'x'),
    });
    const { cases, setAside } = await loadAll();
    expect(cases).toEqual([]);
    expect(setAside).toMatchObject([
      { caseId: 'case_gone', reason: expect.stringMatching(/not here/) as string },
    ]);
  });

  test('one bad number in a case that an older version kept whole: only that entry is odd', async () => {
    const old = JSON.parse(
      readFileSync(join(__dirname, '../../core/case/fixtures/version-1-lean.case.json'), 'utf8'),
    ) as { vehicle: { id: string }; case: { id: string; entries: Record<string, unknown>[] } };
    const count = old.case.entries.length;
    const at = old.case.entries.findIndex((e) => e['kind'] === 'note' || e['kind'] === 'lamp');
    old.case.entries[at] = { ...old.case.entries[at], at: 5 };
    await putRaw(`vehicle:${old.vehicle.id}`, { version: 1, record: old.vehicle });
    await putRaw(`case:${old.case.id}`, { version: 1, record: old.case });
    for (let start = 0; start < 2; start++) {
      const loaded = await loadAll();
      expect(loaded.cases[0]?.entries).toHaveLength(count - 1);
      expect(loaded.setAside).toHaveLength(1);
    }
    expect((await rawKeys()).filter((k) => k.startsWith('entry:'))).toHaveLength(count);
  });
});

describe('what a newer version wrote', () => {
  test('fields that nobody here knows live on, in storage and in a file', async () => {
    const c = await aCase();
    const odd = { ...note('ent_new', 'x'), mood: { of: 'the owner' } } as unknown as Entry;
    await putRaw(entryKey(c.id, 'ent_new'), { version: 2, caseId: c.id, record: odd });
    await page.dispatch(load());
    expect(page.store.getState().logbook.cases.entities[c.id]?.entries[0]).toEqual(odd);
    const found = page.store.getState().logbook.cases.entities[c.id];
    const text = writeCaseFile(found ?? c, CAR, '2026-11-03T06:00:00.000Z');
    const read = await page.dispatch(checkImport(text));
    expect(read.ok && 'file' in read ? read.file.case.entries[0] : null).toEqual(odd);
  });

  test.each([
    ['an entry of a newer version', { version: 99, record: { id: 'ent_n', strange: 1 } }],
    [
      'a kind of entry that is not known here',
      { version: 2, record: { ...note('ent_n', 'x'), kind: 'sniffed' } },
    ],
  ])('%s: left as it is, and its case is only shown', async (_, raw) => {
    const c = await aCase();
    const key = entryKey(c.id, 'ent_n');
    await putRaw(key, { ...raw, caseId: c.id });
    await page.dispatch(load());
    expect(page.store.getState().logbook.newer).toMatchObject([{ key, caseId: c.id }]);
    const { entry, isSaved } = await page.dispatch(record(c.id, { kind: 'note', text: 'mine' }));
    expect(isSaved).toBe(false);
    expect(page.store.getState().logbook.unsaved[entry.id]?.why).toMatch(/newer Pincer/);
    expect(await getRaw(key)).toEqual({ ...raw, caseId: c.id });
  });

  test('entries of a newer kind in a case file are kept as they are, shown as such, and go on in the next file', async () => {
    const sniffed = { id: 'ent_n', at: '2026-11-03T06:00:00.000Z', kind: 'sniffed', smell: ['sweet'] };
    const record = { id: 'case_n', vehicle: CAR.id, title: 'x', openedAt: '2026-11-03T06:00:00.000Z' };
    const c: CaseRecord = { ...record, entries: [note('ent_1', 'known')] };
    const read = await page.dispatch(checkImport(writeCaseFile(c, CAR, c.openedAt, undefined, [sniffed])));
    if (!read.ok || !('file' in read)) throw new Error('not read');
    expect(read.newer).toEqual([sniffed]);
    expect(await page.dispatch(addImport(read.file, { newer: read.newer }))).toMatchObject({ unsaved: 0 });
    expect(await storedIds(c.id)).toEqual(['ent_1']);
    expect(await getRaw(entryKey(c.id, 'ent_n'))).toMatchObject({ record: sniffed });
    expect(page.store.getState().logbook.newer).toMatchObject([{ caseId: c.id }]);
    const again = await page.dispatch(checkImport(page.dispatch(exportCase(c.id)) ?? ''));
    expect(again.ok && 'newer' in again ? again.newer : null).toEqual([sniffed]);
  });

  test('newer settings are neither used nor overwritten, and nor are those that have not been read', async () => {
    await putRaw('settings', { version: 99, record: { theme: 'sepia' } });
    await page.dispatch(load());
    const { settings } = page.store.getState();
    expect(await page.dispatch(changeSettings({ ...settings, theme: 'garage' }))).toMatch(/newer/);
    expect(await getRaw('settings')).toEqual({ version: 99, record: { theme: 'sepia' } });
    const unread = aPage();
    expect(await unread.dispatch(changeSettings({ ...settings, theme: 'day' }))).toMatch(/not be opened/);
    unread.close();
    expect(await getRaw('settings')).toEqual({ version: 99, record: { theme: 'sepia' } });
  });
});

describe('storage that is lost or will not open', () => {
  test('what is emptied while something lost is written back stays away', async () => {
    const c = await aCase();
    for (const text of ['one', 'two', 'three']) await page.dispatch(record(c.id, { kind: 'note', text }));
    for (const key of (await rawKeys()).filter((k) => k.startsWith('entry:'))) await removeRaw(key);
    const stop = page.store.subscribe(() => {
      if (Object.keys(page.store.getState().logbook.saving).length === 0) return;
      stop();
      page.dispatch(logbookSlice.actions.emptied({}));
    });
    expect(await page.dispatch(checkStorage())).toMatchObject({ writtenBack: 1, lacking: 0 });
  });

  test('what is missing is written back: after a drop by another page, and after records were lost', async () => {
    const c = await aCase();
    for (const text of ['one', 'two', 'three']) await page.dispatch(record(c.id, { kind: 'note', text }));
    const lost = (await rawKeys()).filter((k) => k.startsWith('entry:')).slice(1);
    for (const key of lost) await removeRaw(key);
    expect(await page.dispatch(checkStorage())).toMatchObject({
      writtenBack: 2,
      lacking: 0,
      hasFound: false,
    });
    await new Promise<void>((resolve, reject) => {
      const drop = indexedDB.deleteDatabase('pincer');
      drop.onsuccess = () => resolve();
      drop.onerror = () => reject(new Error('It was not dropped.'));
    });
    await page.dispatch(checkStorage());
    expect(await storedIds(c.id)).toEqual(idsOf(page, c.id));
    expect((await loadAll()).vehicles).toEqual([CAR]);
  });

  test.each([
    ['none', () => undefined, /keeps no data/],
    [
      'refused',
      () => ({
        open: () => {
          throw new DOMException('no', 'SecurityError');
        },
      }),
      /would not open/,
    ],
  ])(
    '%s: said in plain words with what to do, and nothing else is used in its place',
    async (_, made, words) => {
      const real = globalThis.indexedDB;
      // The connection that is open is dropped first.
      await new Promise((resolve) => (indexedDB.deleteDatabase('pincer').onsuccess = resolve));
      Object.defineProperty(globalThis, 'indexedDB', { value: made(), configurable: true, writable: true });
      await page.dispatch(load());
      const { status, problem } = page.store.getState().logbook;
      Object.defineProperty(globalThis, 'indexedDB', { value: real, configurable: true, writable: true });
      expect(status).toBe('failed');
      expect(problem?.why).toMatch(words);
      expect(problem?.next).toMatch(/\.$/);
      await page.dispatch(load());
      expect(page.store.getState().logbook.status).toBe('ready');
    },
  );

  test('hanging: the wait ends, and it is said', async () => {
    const real = globalThis.indexedDB;
    await new Promise((resolve) => (indexedDB.deleteDatabase('pincer').onsuccess = resolve));
    // A request of which nothing is ever heard.
    const never = { open: () => Object.create(IDBOpenDBRequest.prototype, LISTENERS) as IDBOpenDBRequest };
    Object.defineProperty(globalThis, 'indexedDB', { value: never, configurable: true, writable: true });
    jest.useFakeTimers();
    const loading = page.dispatch(load());
    await jest.advanceTimersByTimeAsync(11_000);
    await loading;
    jest.useRealTimers();
    Object.defineProperty(globalThis, 'indexedDB', { value: real, configurable: true, writable: true });
    expect(page.store.getState().logbook.problem?.why).toMatch(/does not answer/);
  });

  test('a transaction that fails half way leaves nothing behind', async () => {
    await expect(
      transact('readwrite', async (records) => {
        await records.put(1, 'half');
        throw new StorageError('full');
      }),
    ).rejects.toThrow(/no room/);
    expect(await getRaw('half')).toBeUndefined();
  });
});

describe('files', () => {
  const fileOf = (c: CaseRecord, entries: Entry[], vehicle: Vehicle = CAR) =>
    writeCaseFile({ ...c, vehicle: vehicle.id, entries }, vehicle, '2026-11-03T06:00:00.000Z');
  const bringIn = async (text: string, withStrikeOuts = false) => {
    const read = await page.dispatch(checkImport(text));
    if (!read.ok || !('file' in read)) throw new Error('It is no case.');
    return { plan: read.plan, ...(await page.dispatch(addImport(read.file, { withStrikeOuts }))) };
  };

  test('a foreign file strikes nothing out unasked', async () => {
    const c = await aCase();
    const { entry } = await page.dispatch(record(c.id, { kind: 'note', text: 'mine' }));
    const strike: Entry = { id: 'ent_s', at: entry.at, kind: 'retracted', entry: entry.id, reason: 'no' };
    const own: Entry = { id: 'ent_t', at: entry.at, kind: 'retracted', entry: 'ent_f', reason: 'slip' };
    const text = fileOf(c, [entry, note('ent_f', 'theirs'), own, strike]);
    expect(await bringIn(text)).toMatchObject({ plan: { strikeOuts: [strike] }, added: 2 });
    expect(idsOf(page, c.id)).not.toContain('ent_s');
    await bringIn(text, true);
    expect(idsOf(page, c.id)).toContain('ent_s');
  });

  test('a case of another vehicle under the same id becomes a case of its own', async () => {
    const c = await aCase();
    await page.dispatch(record(c.id, { kind: 'note', text: 'mine' }));
    const other: Vehicle = { ...CAR, id: 'veh_other', name: 'Pelham Dray' };
    const added = await bringIn(fileOf(c, [note('ent_f', 'theirs')], other));
    expect(added.plan.isOtherVehicle).toBe(true);
    expect(added.caseId).not.toBe(c.id);
    expect(idsOf(page, c.id)).not.toContain('ent_f');
    expect(page.store.getState().logbook.cases.entities[added.caseId]?.vehicle).toBe('veh_other');
  });

  test('everything as one zip and back: nothing is lost, nothing is there twice, and nothing is overwritten', async () => {
    const c = await aCase();
    for (const text of ['one', 'two']) await page.dispatch(record(c.id, { kind: 'note', text }));
    const before = (await loadAll()).cases;
    const packed = await page.dispatch(exportAll());
    expect(page.store.getState().logbook.marks.exportedAt).toMatch(/Z$/);
    const zip = new File([packed], 'pincer.zip');
    expect(await page.dispatch(restoreAll(zip))).toMatchObject({
      ok: true,
      restored: { cases: 0, entries: 0, vehicles: 0, problems: [] },
    });
    await page.dispatch(emptyLogbook());
    expect(await page.dispatch(restoreAll(zip))).toMatchObject({
      ok: true,
      restored: { cases: 1, entries: 2, vehicles: 1, problems: [] },
    });
    expect((await loadAll()).cases).toEqual(before);
    expect((await loadAll()).vehicles).toEqual([CAR]);
    for (const [bytes, why] of [
      [new Uint8Array([1, 2, 3]), /no zip file/],
      [new Uint8Array(await packed.arrayBuffer()).slice(0, 300), /no zip file/],
    ] as const)
      expect(await page.dispatch(restoreAll(new File([bytes], 'x.zip')))).toEqual({
        ok: false,
        message: expect.stringMatching(why) as string,
      });
  });

  test('a picture is stored before its entry, goes along in the zip, and comes back byte for byte', async () => {
    const c = await aCase();
    const content = new Blob([new Uint8Array([255, 216, 255, 224, 7, 0, 9])], { type: 'image/jpeg' });
    expect(await page.dispatch(attach(c.id, { name: 'loom.JPG', content, about: 'the loom' }))).toBeNull();
    const entry = page.store.getState().logbook.cases.entities[c.id]?.entries.at(-1);
    if (entry?.kind !== 'attachment') throw new Error('There is no entry for it.');
    expect(entry).toMatchObject({ bytes: 7, about: 'the loom', type: 'image/jpeg' });
    const zip = new File([await page.dispatch(exportAll())], 'pincer.zip');
    await page.dispatch(emptyLogbook());
    expect(await loadAttachment(entry.file)).toBeNull();
    expect(await page.dispatch(restoreAll(zip))).toMatchObject({
      restored: { attachments: 1, problems: [] },
    });
    const back = await loadAttachment(entry.file);
    expect([...new Uint8Array((await back?.arrayBuffer()) ?? new ArrayBuffer(0))]).toEqual([
      255, 216, 255, 224, 7, 0, 9,
    ]);
    // Once more: it is there, and nothing is written twice.
    expect(await page.dispatch(restoreAll(zip))).toMatchObject({ restored: { attachments: 0 } });
  });

  test('a picture for which there is no room makes no entry, and says what to do', async () => {
    const c = await aCase();
    const before = idsOf(page, c.id);
    setDisk(FULL);
    const why = await page.dispatch(attach(c.id, { name: 'a.jpg', content: new Blob(['x']) }));
    setDisk(null);
    expect(why).toMatch(/no room left.*Make room/);
    expect(idsOf(page, c.id)).toEqual(before);
    const large = { size: 21_000_000 } as Blob;
    expect(await page.dispatch(attach(c.id, { name: 'a.jpg', content: large }))).toMatch(/larger than 20 MB/);
  });

  test('a logbook that its owner emptied stays empty, and the example does not come back by itself', async () => {
    await aCase();
    const other = aPage();
    await other.dispatch(load());
    expect(other.store.getState().logbook.cases.ids).toHaveLength(1);
    expect(await page.dispatch(emptyLogbook())).toBeNull();
    // A page that was open meanwhile brings nothing back.
    await other.dispatch(checkStorage());
    expect(other.store.getState().logbook.cases.ids).toEqual([]);
    expect((await loadAll()).cases).toEqual([]);
    other.close();
    page.close();
    page = aPage();
    await page.dispatch(load());
    const { vehicles, cases, marks } = page.store.getState().logbook;
    expect([vehicles, cases, marks]).toMatchObject([{}, {}, { example: 'done' }]);
    expect(cases.ids).toEqual([]);
  });
});

test('property: two pages, a device that brings files, and starts in between end with the same entries', async () => {
  const step = fc.record({
    who: fc.constantFrom('one', 'two', 'phone'),
    does: fc.constantFrom('note', 'note', 'note', 'start', 'fail', 'look'),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 14 }), async (steps) => {
      notes.clear();
      setDisk(null);
      await emptyRecords();
      const pages = { one: aPage(), two: aPage() };
      await pages.one.dispatch(putVehicle(CAR));
      const c = await pages.one.dispatch(openCase(CAR, 'x'));
      await pages.two.dispatch(load());
      const written = new Set<string>();
      const running: Promise<unknown>[] = [];
      for (const [n, { who, does }] of steps.entries()) {
        if (who === 'phone') {
          const text = fileOf(c, [note(`ent_phone${n}`, 'from the phone')]);
          const read = await pages.one.dispatch(checkImport(text));
          if (read.ok && 'file' in read) await pages.one.dispatch(addImport(read.file));
          written.add(`ent_phone${n}`);
          continue;
        }
        if (does === 'start') {
          // Killed: what was under way is in storage or noted.
          pages[who].close();
          pages[who] = aPage();
          await pages[who].dispatch(load());
        } else if (does === 'look') running.push(pages[who].dispatch(checkStorage()));
        else {
          if (does === 'fail') setDisk(FULL);
          const pending = pages[who].dispatch(record(c.id, { kind: 'note', text: `${who} ${n}` }));
          const last = pages[who].store.getState().logbook.cases.entities[c.id]?.entries.at(-1);
          if (last) written.add(last.id);
          if (does === 'fail') await pending;
          else running.push(pending);
          setDisk(null);
        }
      }
      await Promise.all(running);
      for (const p of [pages.one, pages.two]) await p.dispatch(saveAgain());
      for (const p of [pages.one, pages.two]) await p.dispatch(checkStorage());
      const wanted = [...written].sort();
      expect(await storedIds(c.id)).toEqual(wanted);
      expect(idsOf(pages.one, c.id)).toEqual(wanted);
      expect(idsOf(pages.two, c.id)).toEqual(wanted);
      pages.one.close();
      pages.two.close();
    }),
    { numRuns: 25 },
  );

  function fileOf(c: CaseRecord, entries: Entry[]): string {
    return writeCaseFile({ ...c, entries }, CAR, '2026-11-03T06:00:00.000Z');
  }
});

describe('the second copy', () => {
  const lose = () => new Promise((resolve) => (indexedDB.deleteDatabase('pincer').onsuccess = resolve));
  const anew = async () => {
    page.close();
    page = aPage();
    await page.dispatch(load());
  };

  test('a database that the browser has lost comes back at the next start, and it is said', async () => {
    const c = await aCase();
    for (const text of ['one', 'two']) await page.dispatch(record(c.id, { kind: 'note', text }));
    const before = idsOf(page, c.id);
    // What the page itself holds is gone too.
    page.close();
    await lose();
    await anew();
    expect(idsOf(page, c.id)).toEqual(before);
    expect(await storedIds(c.id)).toEqual(before);
    expect(page.store.getState().logbook.broughtBack).toBe(before.length + 2);
    await anew();
    expect(page.store.getState().logbook.broughtBack).toBe(0);
  });

  test('nor is it lost when the browser has lost its smaller store too: the file with room set aside has it', async () => {
    const disk = new SmallFile();
    const log = new CopyLog(() => 'one');
    const withFile = () =>
      aPage({
        copyFile: {
          keys: () => Promise.resolve(log.keys(disk)),
          of: (keys) => Promise.resolve(log.of(disk, keys)),
          put: (records) => Promise.resolve(log.put(disk, records)),
          forget: (keys) => {
            log.forget(disk, keys);
            return Promise.resolve();
          },
        },
      });
    page.close();
    page = withFile();
    await page.dispatch(load());
    const c = await aCase();
    await page.dispatch(record(c.id, { kind: 'note', text: 'one' }));
    disk.fill();
    await page.dispatch(record(c.id, { kind: 'note', text: 'two, on a full disk' }));
    const before = idsOf(page, c.id);
    page.close();
    notes.clear();
    await lose();
    page = withFile();
    await page.dispatch(load());
    expect(idsOf(page, c.id)).toEqual(before);
    expect(await storedIds(c.id)).toEqual(before);
    // What its owner empties does not come back from it.
    await page.dispatch(emptyLogbook());
    page.close();
    page = withFile();
    await page.dispatch(load());
    expect(page.store.getState().logbook.cases.ids).toEqual([]);
  });

  test('a file that does not answer at once is asked again', async () => {
    const kept = { key: '', stored: null as unknown };
    const c = await aCase();
    const { entry } = await page.dispatch(record(c.id, { kind: 'note', text: 'one' }));
    kept.key = entryKey(c.id, entry.id);
    kept.stored = { version: 3, record: entry, caseId: c.id };
    // The copy follows the entry.
    while (![...notes.keys()].some((k) => k.includes(`copy:${kept.key}`)))
      await new Promise((resolve) => setTimeout(resolve));
    page.close();
    notes.clear();
    await removeRaw(kept.key);
    const later: (() => void)[] = [];
    const { setTimeout: real } = globalThis;
    const timers = jest.spyOn(globalThis, 'setTimeout').mockImplementation((run: () => void, ms?: number) => {
      if (ms !== 3_000) return real(run, ms);
      later.push(run);
      return real(() => undefined, 0);
    });
    let asked = 0;
    page = aPage({
      copyFile: {
        keys: () => Promise.resolve(asked++ === 0 ? null : [kept.key]),
        of: (keys) => Promise.resolve(keys.length > 0 ? [kept] : []),
        put: () => Promise.resolve(true),
        forget: () => Promise.resolve(),
      },
    });
    await page.dispatch(load());
    timers.mockRestore();
    expect(idsOf(page, c.id)).toEqual([]);
    expect(later).toHaveLength(1);
    later[0]?.();
    for (let n = 0; n < 100 && idsOf(page, c.id).length === 0; n++)
      await new Promise((resolve) => setTimeout(resolve, 5));
    expect(idsOf(page, c.id)).toEqual([entry.id]);
  });

  test('what was recorded before there was a copy is in it from the next start on', async () => {
    const c = await aCase();
    await page.dispatch(record(c.id, { kind: 'note', text: 'old' }));
    forgetCopies(copiedKeys());
    await anew();
    await lose();
    await anew();
    expect(idsOf(page, c.id)).toHaveLength(1);
  });

  test('what its owner emptied or forgot is not brought back, and what is stored is never replaced', async () => {
    const c = await aCase();
    const { entry } = await page.dispatch(record(c.id, { kind: 'note', text: 'as it is' }));
    copyRecords([{ key: entryKey(c.id, entry.id), stored: { version: 2, record: 'otherwise' } }]);
    await anew();
    expect(page.store.getState().logbook.cases.entities[c.id]?.entries).toEqual([entry]);
    await putRaw(entryKey(c.id, 'ent_odd'), { version: 2, caseId: c.id, record: { id: 'ent_odd' } });
    await anew();
    await page.dispatch(dropSetAside(entryKey(c.id, 'ent_odd')));
    await anew();
    expect(page.store.getState().logbook.setAside).toEqual([]);
    await page.dispatch(emptyLogbook());
    await anew();
    expect(page.store.getState().logbook.cases.ids).toEqual([]);
  });

  test('where there is no more room the oldest copies make way, and one that is damaged is passed over', () => {
    // What cannot be made smaller.
    const random = seededRandom(1);
    const noise = Array.from({ length: 300_000 }, () => random().toString(36).charAt(3)).join('');
    for (let n = 0; n < 22; n++) {
      expect(copyRecords([{ key: `entry:c:${n}`, stored: noise }])).toBe(true);
      jest.spyOn(Date, 'now').mockReturnValue(1_800_000_000_000 + n);
    }
    jest.restoreAllMocks();
    const kept = copiedKeys();
    expect(kept.length).toBeLessThan(22);
    expect(kept).toContain('entry:c:21');
    expect(kept).not.toContain('entry:c:1');
    expect([...notes.values()].reduce((sum, t) => sum + t.length, 0)).toBeLessThan(3_600_000);
    const [name, text] = [...notes].at(-1) ?? ['', ''];
    notes.set(name, text.slice(0, 100));
    expect(copiesOf(kept)).toHaveLength(kept.length - 1);
  });
});
