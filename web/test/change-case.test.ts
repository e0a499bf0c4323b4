import type { Vehicle } from '@pincer/core/vehicle';
import type { MemoryForage } from './memory-forage.ts';
import { FULL, emptyRecords, setDisk } from './raw-records.ts';

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
import { loadAll } from '../src/storage/records.ts';
import { checkStorage } from '../src/store/keep.ts';
import { lessonsOf } from '../src/store/lessons.ts';
import { changeCase, decodeFile, load, openCase, putVehicle, record } from '../src/store/logbook-actions.ts';
import { takeInStored } from '../src/store/take-in.ts';
import { addDemo, addImport, checkImport, exportCase, forgetCase } from '../src/store/transfer-actions.ts';
import { CORE_HERE, aPage, notes, type Page } from './pages.ts';
import { allCases, allVehicles } from '../src/store/logbook-selectors.ts';

/** A busy machine is no reason to fail. */

const CAR: Vehicle = {
  id: 'veh_test',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  fuel: 'petrol',
  aspiration: 'natural',
};
Object.defineProperties(globalThis, {
  addEventListener: { value: () => undefined, configurable: true },
  removeEventListener: { value: () => undefined, configurable: true },
});

const pages: Page[] = [];
const page = async (): Promise<Page> => {
  const one = aPage();
  pages.push(one);
  await one.dispatch(load());
  return one;
};
const caseOf = (p: Page, id: string) => p.store.getState().logbook.cases.entities[id];

/** A page with a vehicle and a case that holds two entries. */
async function begun(): Promise<{ one: Page; id: string }> {
  const one = await page();
  await one.dispatch(putVehicle(CAR));
  const { id } = await one.dispatch(openCase(CAR, 'A light came on'));
  await one.dispatch(record(id, { kind: 'lamp', lamp: 'engine', mode: 'steady' }));
  await one.dispatch(record(id, { kind: 'note', text: 'Only when wet.' }));
  return { one, id };
}

beforeEach(async () => {
  notes.clear();
  setDisk(null);
  await emptyRecords();
});
afterEach(() => {
  for (const p of pages.splice(0)) p.close();
});

describe('a case by another name, or put away', () => {
  test('the name changes here, in storage, and on another page; no entry is touched', async () => {
    const { one, id } = await begun();
    const other = await page();
    const before = caseOf(one, id)?.entries;
    expect(await one.dispatch(changeCase(id, { title: '  Shake in the wet ' }))).toBe(true);
    expect(caseOf(one, id)).toMatchObject({ title: 'Shake in the wet', entries: before });
    expect(caseOf(other, id)).toMatchObject({ title: 'Shake in the wet', entries: before });
    expect((await loadAll()).cases.find((c) => c.id === id)).toMatchObject({
      title: 'Shake in the wet',
      entries: before,
    });
  });

  test('an empty name changes nothing, and an unknown case is not made', async () => {
    const { one, id } = await begun();
    await one.dispatch(changeCase(id, { title: '   ' }));
    expect(caseOf(one, id)?.title).toBe('A light came on');
    expect(await one.dispatch(changeCase('case_none', { title: 'x' }))).toBe(false);
    expect(caseOf(one, 'case_none')).toBeUndefined();
  });

  test('put away it stays whole, keeps its day when renamed, and comes back as it was', async () => {
    const { one, id } = await begun();
    await one.dispatch(changeCase(id, { isPutAway: true }));
    const away = caseOf(one, id)?.putAwayAt;
    expect(away).toBeDefined();
    await one.dispatch(changeCase(id, { title: 'Wet' }));
    expect(caseOf(one, id)).toMatchObject({ title: 'Wet', putAwayAt: away });
    expect(caseOf(one, id)?.entries).toHaveLength(2);
    await one.dispatch(changeCase(id, { isPutAway: false }));
    expect(caseOf(one, id)).not.toHaveProperty('putAwayAt');
    const again = await page();
    expect(caseOf(again, id)).toMatchObject({ title: 'Wet' });
    expect(caseOf(again, id)).not.toHaveProperty('putAwayAt');
  });

  test('a full disk: it says so, the page keeps the new name, and the next try stores it', async () => {
    const { one, id } = await begun();
    setDisk(FULL);
    expect(await one.dispatch(changeCase(id, { title: 'Wet' }))).toBe(false);
    expect(caseOf(one, id)?.title).toBe('Wet');
    expect(Object.keys(one.store.getState().logbook.unsaved)).toHaveLength(1);
    setDisk(null);
    expect(await one.dispatch(changeCase(id, { title: 'Wet' }))).toBe(true);
    expect((await loadAll()).cases.find((c) => c.id === id)?.title).toBe('Wet');
    expect(one.store.getState().logbook.unsaved).toEqual({});
  });

  test('an entry that another page records meanwhile is not lost by the new name', async () => {
    const { one, id } = await begun();
    const other = await page();
    await Promise.all([
      one.dispatch(changeCase(id, { title: 'Wet' })),
      other.dispatch(record(id, { kind: 'note', text: 'From the phone.' })),
    ]);
    for (const p of [one, other, await page()]) {
      expect(caseOf(p, id)?.title).toBe('Wet');
      expect(caseOf(p, id)?.entries).toHaveLength(3);
    }
  });

  test('a file takes along that it is put away, and what newer entries it holds', async () => {
    const { one, id } = await begun();
    await one.dispatch(record(id, { kind: 'clear-told', by: 'workshop' }));
    await one.dispatch(record(id, { kind: 'price', cause: 'coil', parts: 40, shop: 120 }));
    await one.dispatch(record(id, { kind: 'offer', name: 'Corner garage', text: 'Coil 40' }));
    await one.dispatch(changeCase(id, { isPutAway: true }));
    const text = one.dispatch(exportCase(id));
    const whole = caseOf(one, id);
    if (text === null || !whole) throw new Error('no file');
    await emptyRecords();
    notes.clear();
    const fresh = await page();
    const checked = await fresh.dispatch(checkImport(text));
    if (!checked.ok || !('file' in checked)) throw new Error('no case in it');
    await fresh.dispatch(addImport(checked.file));
    expect(caseOf(fresh, id)).toEqual(whole);
  });
});

test.each([
  [
    'Failed to fetch dynamically imported module: /assets/files.js',
    /could not be fetched.*choose the file again/,
  ],
  ['too much recursion', /^A fault in Pincer stopped it: too much recursion\./],
])('where the program cannot read a file (%s), it is said, and nothing was added', async (fault, words) => {
  const gone = () => Promise.reject(new TypeError(fault));
  const one = aPage({ core: { ...CORE_HERE.core, readCaseFile: gone, decodeFileText: gone } });
  pages.push(one);
  await one.dispatch(load());
  const said = expect.stringMatching(words) as string;
  expect(await one.dispatch(checkImport('{}'))).toEqual({ ok: false, message: said });
  expect(await one.dispatch(decodeFile('7E8 03 41 0C 00'))).toEqual(said);
  expect(one.store.getState().logbook.cases.ids).toEqual([]);
});

describe('a change made while the notes of the last time are being written', () => {
  test('is not overtaken by an older note of the same vehicle or case', async () => {
    const first = await page();
    const cars = ['a', 'b', 'c', 'd'].map((n) => ({ ...CAR, id: `veh_${n}`, name: `Car ${n}` }));
    setDisk(FULL);
    for (const car of cars) await first.dispatch(putVehicle(car));
    const last = cars[3] ?? CAR;
    const { id } = await first.dispatch(openCase(last, 'A light came on'));
    await first.dispatch(record(id, { kind: 'note', text: 'Noted before the lights went out.' }));
    // What a failure has set off is over: a page that is gone writes nothing more.
    await first.dispatch(checkStorage());
    first.close();
    setDisk(null);

    const second = aPage();
    pages.push(second);
    const loading = second.dispatch(load());
    while (second.store.getState().logbook.status !== 'ready') await new Promise((go) => setTimeout(go, 1));
    const changes = Promise.all([
      second.dispatch(putVehicle({ ...last, name: 'Renamed at once' })),
      second.dispatch(changeCase(id, { title: 'Renamed too' })),
    ]);
    await Promise.all([loading, changes]);
    const stored = await loadAll();
    for (const { vehicles, cases } of [
      {
        vehicles: allVehicles(second.store.getState().logbook),
        cases: allCases(second.store.getState().logbook),
      },
      stored,
    ]) {
      expect(vehicles.find((v) => v.id === last.id)?.name).toBe('Renamed at once');
      expect(cases.find((c) => c.id === id)).toMatchObject({ title: 'Renamed too' });
      expect(cases.find((c) => c.id === id)?.entries).toHaveLength(1);
      expect(vehicles).toHaveLength(4);
    }
  });
});

test('an older write that ends first is not the end of a newer one of the same vehicle', async () => {
  const { one } = await begun();
  const writes = ['older', 'newer'].map((name) => one.dispatch(putVehicle({ ...CAR, name })));
  expect(one.store.getState().logbook.saving).toEqual({ [CAR.id]: 2 });
  await writes[0];
  // Its note is the newer one's: killed now, that is what comes back.
  const note = [...notes.entries()].find(([key]) => key.includes('journal') && key.endsWith(CAR.id))?.[1];
  if (CAR.id in one.store.getState().logbook.saving) expect(note).toContain('newer');
  await Promise.all(writes);
  expect(one.store.getState().logbook.saving).toEqual({});
  expect([...notes.keys()].some((key) => key.includes('journal') && key.endsWith(CAR.id))).toBe(false);
  expect((await loadAll()).vehicles[0]?.name).toBe('newer');
});

test('what is changed while storage is being read is not taken back by what was read', async () => {
  const { one, id } = await begun();
  for (let n = 0; n < 5; n++) {
    const name = `Car ${n}`;
    const reading = one.dispatch(takeInStored());
    const writing = [
      one.dispatch(putVehicle({ ...CAR, name })),
      one.dispatch(changeCase(id, { title: `Case ${n}` })),
    ];
    await Promise.all([reading, ...writing, one.dispatch(takeInStored())]);
    expect(one.store.getState().logbook.vehicles.entities[CAR.id]?.name).toBe(name);
    expect(caseOf(one, id)?.title).toBe(`Case ${n}`);
    expect(caseOf(one, id)?.entries).toHaveLength(2);
  }
});

test('an example that is finished at a later start leaves a changed vehicle as it is', async () => {
  const one = await page();
  await one.dispatch(putVehicle({ ...CAR, name: 'My own name for it' }));
  const other: Vehicle = { ...CAR, id: 'veh_other', name: 'Ostler Dray 2.2 D' };
  const answer = { ok: true, json: () => Promise.resolve({ vehicles: [CAR, other], files: [] }) };
  const fetched = jest.spyOn(globalThis, 'fetch').mockResolvedValue(answer as Response);
  await one.dispatch(addDemo());
  fetched.mockRestore();
  const { vehicles, marks } = one.store.getState().logbook;
  expect(vehicles.entities[CAR.id]?.name).toBe('My own name for it');
  expect(vehicles.entities['veh_other']?.name).toBe('Ostler Dray 2.2 D');
  expect(marks.example).toBe('done');
});

describe('what closed cases teach', () => {
  test('the list stays the same one until a case is closed or opened again', async () => {
    const { one, id } = await begun();
    const lessons = () => lessonsOf(one.store.getState().logbook);
    const none = lessons();
    expect(none).toEqual([]);
    await one.dispatch(record(id, { kind: 'note', text: 'Still wet.' }));
    expect(lessons()).toBe(none);
    await one.dispatch(
      record(id, { kind: 'closed', outcome: 'fixed', cause: 'coil-boot:2', isProven: true }),
    );
    const learnt = lessons();
    expect(learnt.map((l) => l.cause)).toEqual(['coil-boot']);
    await one.dispatch(record(id, { kind: 'lamp', lamp: 'engine', mode: 'steady' }));
    expect(lessons()).toEqual([]);
  });
});

describe('a case from a wrong touch', () => {
  test('is taken away, here and in storage, and does not come back', async () => {
    const one = await page();
    await one.dispatch(putVehicle(CAR));
    const { id } = await one.dispatch(openCase(CAR, 'A light came on'));
    expect(await one.dispatch(forgetCase(id))).toBeNull();
    expect(caseOf(one, id)).toBeUndefined();
    await one.dispatch(checkStorage());
    expect((await loadAll()).cases).toEqual([]);
    expect(caseOf(await page(), id)).toBeUndefined();
  });

  test('one that holds anything stays, also what another page has just put into it', async () => {
    const { one, id } = await begun();
    expect(await one.dispatch(forgetCase(id))).toMatch(/put it away/);
    const { id: empty } = await one.dispatch(openCase(CAR, 'Another'));
    const second = await page();
    await second.dispatch(record(empty, { kind: 'note', text: 'It squeals.' }));
    expect(await one.dispatch(forgetCase(empty))).toMatch(/put it away/);
    const stored = (await loadAll()).cases.find((c) => c.id === empty);
    expect(stored?.entries).toHaveLength(1);
  });
});
