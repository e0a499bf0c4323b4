import { seededRandom } from '@pincer/simulator';
import type { MemoryForage } from './memory-forage.ts';
import { emptyRecords, putRaw } from './raw-records.ts';

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
import { glance } from '../src/storage/glance.ts';
import { loadAll, saveCaseHead, saveEntries, saveVehicle } from '../src/storage/records.ts';
import { checkStorage } from '../src/store/keep.ts';
import { load, record } from '../src/store/logbook-actions.ts';
import { sinceExport } from '../src/store/logbook-selectors.ts';
import { logbookSlice } from '../src/store/logbook-slice.ts';
import { aPage, notes, type Page } from './pages.ts';

const CASES = 60;
const ENTRIES = 20;

/** A logbook of over a thousand records, each case's entries stored in an order that is not theirs. */
async function fill(): Promise<void> {
  const random = seededRandom(3);
  for (let v = 0; v < 6; v++)
    await saveVehicle({
      id: `veh_${v}`,
      name: `Tarrow Finch ${v}`,
      kind: 'car',
      fuel: 'petrol',
      aspiration: 'natural',
    });
  for (let c = 0; c < CASES; c++) {
    const id = `case_${c}`;
    await saveCaseHead({
      id,
      vehicle: `veh_${c % 6}`,
      title: `Light ${c}`,
      openedAt: new Date(Date.UTC(2020, 0, 1 + c)).toISOString(),
    });
    const entries = Array.from({ length: ENTRIES }, (_, n) => ({
      kind: 'note' as const,
      id: `ent_${c}_${n}`,
      at: new Date(Date.UTC(2020, 0, 1 + c, 0, n)).toISOString(),
      text: `Note ${n}`,
    }));
    await saveEntries(
      id,
      entries.sort(() => random() - 0.5),
    );
  }
}

let page: Page;
beforeEach(async () => {
  notes.clear();
  await emptyRecords();
  page = aPage();
});
afterEach(() => page.close());

describe('a logbook of many years', () => {
  test('one of a few records is not glanced at: it is read at once', async () => {
    await saveVehicle({ id: 'veh_a', name: 'A', kind: 'car', fuel: 'petrol', aspiration: 'natural' });
    expect(await glance()).toBeNull();
  });

  test('names first, and what cannot be read is left to the whole reading, which tells it', async () => {
    await fill();
    await putRaw('case:case_odd', { version: 3, record: { id: 'case_odd', title: 9 } });
    await putRaw('vehicle:veh_newer', { version: 99, record: { id: 'veh_newer' } });
    const names = await glance();
    expect(names?.vehicles.map((v) => v.name).sort()).toEqual(
      Array.from({ length: 6 }, (_, v) => `Tarrow Finch ${v}`),
    );
    expect(names?.cases).toHaveLength(CASES);
    const all = await loadAll();
    expect(all.cases).toHaveLength(CASES);
    expect(all.setAside.map((s) => s.key)).toEqual(['case:case_odd']);
    expect(all.newer.map((n) => n.key)).toEqual(['vehicle:veh_newer']);
  });

  test('read some at a time, each entry comes once and in the order in which it happened', async () => {
    await fill();
    const { cases, setAside } = await loadAll();
    expect(setAside).toEqual([]);
    for (const one of cases) {
      const of = one.id.slice('case_'.length);
      expect(one.entries.map((e) => e.id)).toEqual(
        Array.from({ length: ENTRIES }, (_, n) => `ent_${of}_${n}`),
      );
    }
  });

  test('until all of it is there only names are shown; then nothing of the glance is left', async () => {
    await fill();
    const seen: { status: string; names: number; cases: number }[] = [];
    const stop = page.store.subscribe(() => {
      const { status, glance: names, cases } = page.store.getState().logbook;
      seen.push({ status, names: names?.cases.length ?? 0, cases: cases.ids.length });
    });
    await page.dispatch(load());
    stop();
    expect(seen.find((s) => s.names > 0)).toEqual({ status: 'loading', names: CASES, cases: 0 });
    expect(page.store.getState().logbook).toMatchObject({ status: 'ready', glance: null });
    expect(page.store.getState().logbook.cases.ids).toHaveLength(CASES);
    // And it is as much alive as a small one.
    const { isSaved } = await page.dispatch(record('case_7', { kind: 'note', text: 'Years later' }));
    expect(isSaved).toBe(true);
    expect((await loadAll()).cases.find((c) => c.id === 'case_7')?.entries).toHaveLength(ENTRIES + 1);
  });

  test('compared with storage nothing is missing on either side, and what cannot be read is nothing new', async () => {
    await fill();
    await putRaw('case:case_odd', { version: 3, record: { id: 'case_odd', title: 9 } });
    await putRaw('vehicle:veh_newer', { version: 99, record: { id: 'veh_newer' } });
    await page.dispatch(load());
    expect(await page.dispatch(checkStorage())).toEqual({ writtenBack: 0, lacking: 0, hasFound: false });
  });

  test('read again, what only this page has stays, and no case is there twice', async () => {
    await fill();
    await page.dispatch(load());
    const { saveBegun, casePut, entryAdded, loaded } = logbookSlice.actions;
    const mine = page.store.getState().logbook.cases.entities['case_7'];
    if (!mine) throw new Error('no case');
    page.dispatch(saveBegun('case_7'));
    page.dispatch(casePut({ ...mine, title: 'Changed just now' }));
    const note = { kind: 'note' as const, id: 'ent_new', at: '2026-01-01T10:00:00.000Z', text: 'Just now' };
    page.dispatch(entryAdded({ caseId: 'case_7', entry: note }));
    page.dispatch(entryAdded({ caseId: 'case_8', entry: { ...note, id: 'ent_other' } }));
    page.dispatch(loaded(await loadAll()));
    const { ids, entities } = page.store.getState().logbook.cases;
    expect(ids).toHaveLength(CASES);
    expect(new Set(ids).size).toBe(CASES);
    expect(entities['case_7']?.title).toBe('Changed just now');
    expect(entities['case_7']?.entries).toHaveLength(ENTRIES + 1);
    expect(entities['case_8']?.title).toBe('Light 8');
    expect(entities['case_8']?.entries.at(-1)?.id).toBe('ent_other');
  });

  test('what was recorded since the last file is counted, the example left out', async () => {
    await fill();
    await page.dispatch(load());
    const { logbook } = page.store.getState();
    const since = (marks: typeof logbook.marks) => sinceExport({ ...logbook, marks });
    expect(since({})).toEqual({ count: CASES * ENTRIES, first: '2020-01-01T00:00:00.000Z' });
    expect(since({ exampleCases: ['case_0'] })).toEqual({
      count: (CASES - 1) * ENTRIES,
      first: '2020-01-02T00:00:00.000Z',
    });
    // The last entry of the fifty-ninth case was in the file.
    expect(since({ exportedAt: '2020-02-28T00:19:00.000Z' })).toEqual({
      count: ENTRIES,
      first: '2020-02-29T00:00:00.000Z',
    });
    expect(since({ exportedAt: '2026-01-01T00:00:00.000Z' })).toEqual({ count: 0, first: null });
  });

  test('how far each case could be driven is there at the next start; of an emptied logbook nothing is, nor of a damaged note', async () => {
    const { shareShown, emptied } = logbookSlice.actions;
    const kept = () => notes.get('pincer:roads') ?? null;
    const until = async (text: string | null) => {
      for (let tries = 0; kept() !== text && tries < 500; tries++)
        await new Promise((done) => setTimeout(done, 20));
      expect(kept()).toBe(text);
    };
    await page.dispatch(load());
    page.dispatch(shareShown({ caseId: 'case_1', share: 30 }));
    page.dispatch(shareShown({ caseId: 'case_2', share: 10 }));
    await until('{"case_1":30,"case_2":10}');
    const next = aPage();
    next.dispatch(shareShown({ caseId: 'case_2', share: 100 }));
    await next.dispatch(load());
    expect(next.store.getState().logbook.shares).toEqual({ case_1: 30, case_2: 100 });
    next.dispatch(emptied({ emptiedAt: '2026-01-01T00:00:00.000Z' }));
    await until(null);
    notes.set('pincer:roads', '{"case_1":"far"}');
    await next.dispatch(load());
    expect(next.store.getState().logbook.shares).toEqual({});
    next.close();
  });
});
