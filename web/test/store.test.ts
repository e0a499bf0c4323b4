import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { foldCase, type CaseRecord, type Entry } from '@pincer/core/case';
import { emptyScan } from '@pincer/core/obd';
import { asciiBytes, asciiOf, type Transport } from '@pincer/core/link';
import { moduleMapSchema, type Vehicle } from '@pincer/core/vehicle';
import localforage from 'localforage';
import { FINCH_MODULES, StandIn, type Fault, type StandInAdapter } from '@pincer/simulator';
import type { MemoryForage } from './memory-forage.ts';
import { CORE_HERE, notes } from './pages.ts';
import { FULL, emptyRecords, getRaw, putRaw, rawKeys, removeRaw, setDisk } from './raw-records.ts';

let car: StandIn;
let adapter: StandInAdapter;

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
import { askToClear, clearStateOf, confirmReady } from '../src/store/clear-actions.ts';
import { connectReal, connectStandIn, pullPlug, scanCar, stopLink } from '../src/store/link-actions.ts';
import { saveAgain } from '../src/store/keep.ts';
import {
  changeSettings,
  keepDraft,
  load,
  openCase,
  putVehicle,
  record,
} from '../src/store/logbook-actions.ts';
import { addImport, checkImport, dropSetAside, exportCase } from '../src/store/transfer-actions.ts';
import type { Ports } from '../src/ports/ports.ts';
import { ALONE, type TabMessage } from '../src/ports/tabs.ts';
import { loadRecording, openRecordings } from '../src/storage/recordings.ts';
import { loadAll, storedEntries } from '../src/storage/records.ts';
import { beginSession } from '../src/store/session.ts';
import { createStore } from '../src/store/create-store.ts';
import { logbookSlice } from '../src/store/logbook-slice.ts';
import { keepCutRecording, pauseWatching, startWatching, stopWatching } from '../src/store/watch-actions.ts';
import { watchService } from '../src/store/watch-service.ts';

/** Other pages of the same browser, and a lock that all of them share. */
const hearers = new Set<(message: TabMessage) => void>();
let isLocked = false;
/** Workers do not exist here: the stand-in and the core run in this process, behind the same ports. */
const ports: Ports = {
  ...CORE_HERE,
  standIn: {
    plugIn: () => {
      adapter = car.plugIn();
      return Promise.resolve({ transport: adapter, state: null });
    },
    unplug: () => {
      adapter.unplug();
      return Promise.resolve();
    },
    setMode: () => Promise.reject(new Error('not used')),
    does: () => Promise.reject(new Error('not used')),
    mendTo: () => Promise.reject(new Error('not used')),
  },
  tabs: {
    ...ALONE,
    tell: () => undefined,
    listen: (hear) => {
      hearers.add(hear);
      return () => hearers.delete(hear);
    },
    alone: async (_, run) => {
      if (isLocked) return null;
      isLocked = true;
      try {
        return await run();
      } finally {
        isLocked = false;
      }
    },
  },
};
const store = createStore(ports);
const endSession = beginSession(store, ports);
afterAll(endSession);

const { dispatch } = store;
const forage = localforage.createInstance({}) as unknown as MemoryForage;
const clock = {
  now: () => performance.now(),
  after: (ms: number, run: () => void) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};

const FINCH: Vehicle = {
  id: 'veh_finch1',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  fuel: 'petrol',
  aspiration: 'natural',
  cylinders: 4,
};
const SETUP = {
  car: 'finch',
  fault: null,
  seed: 7,
  temperament: 'quick',
  isWet: true,
  isKeyOff: false,
} as const;

const seat = (fault: Fault | null) => {
  car = new StandIn({ faults: fault ? [fault] : [], seed: 7, clock, temperament: 'instant' });
};
const tick = () => new Promise((resolve) => setTimeout(resolve, 5));
const entriesOf = (id: string): Entry[] => store.getState().logbook.cases.entities[id]?.entries ?? [];
const clearOf = (id: string) => clearStateOf(store.getState(), id);

async function freshCase(fault: Fault | null): Promise<CaseRecord> {
  seat(fault);
  await dispatch(putVehicle(FINCH));
  return dispatch(openCase(FINCH, 'A light came on'));
}

beforeEach(async () => {
  notes.clear();
  forage.records.clear();
  setDisk(null);
  await emptyRecords();
  store.dispatch(logbookSlice.actions.emptied({}));
});

describe('the logbook', () => {
  test('a fact is in the store at once, and in storage when it resolves', async () => {
    const c = await freshCase(null);
    const pending = dispatch(record(c.id, { kind: 'lamp', lamp: 'engine', mode: 'steady' }));
    expect(entriesOf(c.id)).toHaveLength(1);
    await pending;
    const loaded = await loadAll();
    expect(loaded.cases.find((x) => x.id === c.id)?.entries).toEqual(entriesOf(c.id));
    expect(loaded.vehicles).toEqual([FINCH]);
  });

  test('writes keep their order: the last word is what is stored', async () => {
    const c = await freshCase(null);
    await Promise.all(
      ['steady', 'flashing', 'out'].map((mode) =>
        dispatch(record(c.id, { kind: 'lamp', lamp: 'engine', mode: mode as 'out' })),
      ),
    );
    const stored = (await loadAll()).cases.find((x) => x.id === c.id);
    expect(stored?.entries.map((e) => (e.kind === 'lamp' ? e.mode : ''))).toEqual([
      'steady',
      'flashing',
      'out',
    ]);
  });

  test('a page that goes away before the database has answered loses nothing', async () => {
    const c = await freshCase(null);
    const journal = () => [...notes].filter(([k]) => k.startsWith('pincer:journal')).map(([, v]) => v);
    const pending = dispatch(record(c.id, { kind: 'note', text: 'The last word.' }));
    // The database takes its time; the page could be gone by now.
    expect(Object.keys(store.getState().logbook.saving)).toEqual([entriesOf(c.id)[0]?.id]);
    expect(journal().join()).toContain('The last word.');
    await pending;
    expect(store.getState().logbook.saving).toEqual({});
    expect(journal()).toEqual([]);
    expect((await loadAll()).cases.find((x) => x.id === c.id)?.entries).toEqual(entriesOf(c.id));
  });

  test('what was noted in the last moment is in the case after the next start, once', async () => {
    const c = await freshCase(null);
    const entry = { id: 'ent_last', at: '2026-11-03T06:00:00.000Z', kind: 'note', text: 'The last word.' };
    notes.set('pincer:journal', JSON.stringify([{ caseId: c.id, entry }]));
    await dispatch(load());
    await dispatch(load());
    expect(entriesOf(c.id)).toEqual([entry]);
    expect((await loadAll()).cases.find((x) => x.id === c.id)?.entries).toEqual([entry]);
    expect(notes.has('pincer:journal')).toBe(false);
    notes.set('pincer:journal', 'scribble');
    await dispatch(load());
    expect(store.getState().logbook.status).toBe('ready');
  });

  test('drafts and settings come back after a start', async () => {
    dispatch(keepDraft('fix:1', { done: [1] }));
    await dispatch(changeSettings({ ...store.getState().settings, theme: 'garage' }));
    await dispatch(load());
    expect(store.getState().drafts).toEqual({ 'fix:1': { done: [1] } });
    expect(store.getState().settings.theme).toBe('garage');
    dispatch(keepDraft('fix:1', null));
    await dispatch(load());
    expect(store.getState().drafts).toEqual({});
  });

  test.each([
    ['no version', { record: {} }, /no version/],
    [
      'a damaged case',
      { version: 1, record: { id: 'case_1', vehicle: 'veh_1', title: 'x', openedAt: 'then', entries: [] } },
      /openedAt/,
    ],
    ['not even a record', 'scribble', /no version/],
  ])('%s is told with its reason, left as it is, and the rest loads', async (_, raw, reason) => {
    const c = await freshCase(null);
    await putRaw('case:case_bad', raw);
    const loaded = await loadAll();
    expect(loaded.cases.map((x) => x.id)).toEqual([c.id]);
    expect(loaded.setAside).toEqual([
      { key: 'case:case_bad', caseId: 'case_bad', reason: expect.stringMatching(reason) as string },
    ]);
    expect(await getRaw('case:case_bad')).toEqual(raw);
    await dispatch(dropSetAside('case:case_bad'));
    expect((await loadAll()).setAside).toEqual([]);
  });

  test('an import adds only what is not there, and never overwrites', async () => {
    const text = readFileSync(join(__dirname, '../../docs/examples/wet-morning.case.json'), 'utf8');
    const checked = await dispatch(checkImport(text));
    if (!checked.ok) throw new Error(checked.message);
    if (!('file' in checked)) throw new Error('It is no case.');
    expect(checked.plan.isNew).toBe(true);
    expect(await dispatch(addImport(checked.file))).toEqual({
      caseId: 'case_wet',
      added: checked.file.case.entries.length,
      unsaved: 0,
    });
    await dispatch(record('case_wet', { kind: 'note', text: 'Mine.' }));
    expect(await dispatch(addImport(checked.file))).toMatchObject({ added: 0 });
    expect(entriesOf('case_wet').at(-1)).toMatchObject({ kind: 'note', text: 'Mine.' });
    const out = dispatch(exportCase('case_wet'));
    expect(JSON.parse(out ?? '')).toMatchObject({
      format: 'pincer-case',
      case: { entries: entriesOf('case_wet') },
    });
    expect(await dispatch(checkImport('{}'))).toMatchObject({ ok: false });
    expect(dispatch(exportCase('case_none'))).toBeNull();
  });
});

/** Connects, scans, and confirms: the next thing is the clear. */
async function readyToClear(fault: Fault | null): Promise<{ c: CaseRecord; scan: Entry }> {
  const c = await freshCase(fault);
  expect(await dispatch(connectStandIn(c.id, SETUP))).toBe('talking');
  await dispatch(scanCar(c.id));
  const scan = entriesOf(c.id).find((e) => e.kind === 'scan');
  if (!scan) throw new Error('There is no scan.');
  await dispatch(confirmReady(c.id));
  return { c, scan };
}
const clear = (c: CaseRecord) => dispatch(askToClear(c.id, { kind: 'standard' }));
const inTheCar = () => car.unit.memory.codes('confirmed');
const kinds = (c: CaseRecord) => entriesOf(c.id).map((e) => e.kind);

describe('connecting, reading and clearing', () => {
  test('the whole way: talk, read, store, read back, look again, note, clear', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 3 });
    expect(await dispatch(connectStandIn(c.id, SETUP))).toBe('talking');
    expect(store.getState().link.status).toMatchObject({ at: 'talking' });
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'unread' });
    await dispatch(scanCar(c.id));
    const scan = entriesOf(c.id).find((e) => e.kind === 'scan');
    expect(scan).toMatchObject({ isComplete: true, via: 'adapter' });
    expect(clearOf(c.id)).toMatchObject({ at: 'stored', basis: { scanEntry: scan?.id } });
    await clear(c);
    expect(inTheCar()).not.toEqual([]);
    await dispatch(confirmReady(c.id));
    await clear(c);
    const [asked, done] = entriesOf(c.id).slice(-2);
    expect(asked).toMatchObject({ kind: 'clear-asked', afterScan: scan?.id });
    expect(done).toMatchObject({
      kind: 'clear',
      asked: asked?.id,
      outcome: 'agreed',
      agreedBy: ['7E8', '7E9'],
      afterScan: scan?.id,
    });
    expect(clearOf(c.id)).toMatchObject({ at: 'ready', done: { isStandardDone: true } });
    expect(inTheCar()).toEqual([]);
    expect(store.getState().link.status.at).toBe('talking');
  });

  test('the intent is in storage before anything goes to the car', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 3 });
    const write = adapter.write.bind(adapter);
    let before: string[] | null = null;
    adapter.write = async (bytes) => {
      if (asciiOf(bytes).trim() === '04') before = (await storedEntries(c.id)).map((e) => e.kind);
      return write(bytes);
    };
    await clear(c);
    expect(before).toContain('clear-asked');
    expect(before).not.toContain('clear');
  });

  test('with the engine running the car refuses, and that is recorded too', async () => {
    const { c } = await readyToClear({ kind: 'air-flow-unplugged' });
    car.setMode('idle');
    await clear(c);
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'clear', outcome: 'refused' });
    expect(clearOf(c.id)).toMatchObject({ at: 'ready', why: expect.stringMatching(/engine off/) as string });
    expect(inTheCar()).toEqual(['P0102']);
  });

  test('a disk that does not keep the scan: no clear, whatever is pressed', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 1 });
    await dispatch(connectStandIn(c.id, SETUP));
    setDisk(() => ({ version: 2, record: 'rubbish' }));
    await dispatch(scanCar(c.id));
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'unsafe' });
    await dispatch(confirmReady(c.id));
    await clear(c);
    expect(kinds(c)).not.toContain('clear-asked');
    expect(inTheCar()).toContain('P0301');
  });

  test('a record that was changed in storage is not the one that was read', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 1 });
    await dispatch(connectStandIn(c.id, SETUP));
    setDisk((value) => {
      const stored = structuredClone(value) as { record?: { scan?: { codes: unknown[] } } };
      if (stored.record?.scan) stored.record.scan.codes = [];
      return stored;
    });
    await dispatch(scanCar(c.id));
    setDisk(null);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'unsafe' });
  });

  test('a disk that is full when the intent is to be stored: nothing is sent', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 1 });
    setDisk(FULL);
    await clear(c);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'unsafe' });
    expect(inTheCar()).toContain('P0301');
    expect(Object.keys(store.getState().logbook.unsaved)).toHaveLength(1);
    setDisk(null);
    await dispatch(saveAgain());
    expect(store.getState().logbook.unsaved).toEqual({});
    expect((await loadAll()).cases[0]?.entries.map((e) => e.id)).toEqual(entriesOf(c.id).map((e) => e.id));
  });

  test('the plug pulled: the link is lost in plain words, the part is kept, nothing can be cleared', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 1 });
    await dispatch(connectStandIn(c.id, SETUP));
    const write = adapter.write.bind(adapter);
    let sent = 0;
    adapter.write = (bytes) => {
      if (++sent === 4) adapter.unplug();
      return write(bytes);
    };
    await dispatch(scanCar(c.id));
    expect(store.getState().link.status).toMatchObject({
      at: 'lost',
      words: { sentence: 'The connection to the adapter was cut.' },
    });
    const part = entriesOf(c.id).find((e) => e.kind === 'scan');
    expect(part).toMatchObject({ isComplete: false });
    expect(part?.kind === 'scan' ? part.scan.missing.length : 0).toBeGreaterThan(0);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'incomplete' });
  });

  test('the plug pulled while nothing is asked is seen, and ends what was permitted', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 1 });
    await dispatch(pullPlug());
    await tick();
    expect(store.getState().link.status).toMatchObject({ at: 'lost' });
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'disconnected' });
    await clear(c);
    expect(kinds(c)).not.toContain('clear-asked');
  });

  test('ignition off: not connected, the sentence and the voltage are in the log', async () => {
    const c = await freshCase(null);
    car.setMode('off');
    expect(await dispatch(connectStandIn(c.id, SETUP))).toBe('failed');
    expect(store.getState().link.status).toMatchObject({
      at: 'failed',
      words: { next: expect.stringMatching(/ignition/) as string },
    });
    expect(entriesOf(c.id)).toMatchObject([{ kind: 'connection', outcome: 'failed', volts: 12.5 }]);
  });
});

describe('what would let a clear reach what nobody has written down', () => {
  test('a scan of years ago, or from a file, opens nothing today', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 3 });
    const old: Entry = {
      id: 'ent_old',
      at: '2019-01-01T00:00:00.000Z',
      kind: 'scan',
      via: 'adapter',
      isComplete: true,
      scan: emptyScan(),
    };
    await dispatch(connectStandIn(c.id, SETUP));
    store.dispatch({ type: 'logbook/entryAdded', payload: { caseId: c.id, entry: old } });
    await dispatch(record(c.id, { kind: 'scan', via: 'file', isComplete: true, scan: emptyScan() }));
    await dispatch(confirmReady(c.id));
    await clear(c);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'unread' });
    expect(inTheCar()).toContain('P0303');
  });

  test('the permit of one car does not clear another: connected anew, it is over', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 3 });
    car = new StandIn({ faults: [{ kind: 'air-flow-unplugged' }], seed: 9, clock, temperament: 'instant' });
    await dispatch(connectStandIn(c.id, SETUP));
    await clear(c);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'disconnected' });
    expect(inTheCar()).toEqual(['P0102']);
  });

  test('the same connection on another car, as an adapter that was moved: asked for its number, it is not cleared', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 3 });
    const write = adapter.write.bind(adapter);
    let sent = '';
    adapter.write = (bytes) => {
      sent += asciiOf(bytes);
      // Another number answers from now on.
      if (asciiOf(bytes).trim() !== '0902') return write(bytes);
      adapter.incoming.push(
        asciiBytes(
          '7E8 10 14 49 02 01 5A 5A 39\r7E8 21 41 41 31 41 30 30 30\r7E8 22 30 30 30 30 30 30 31\r\r>',
        ),
      );
      return Promise.resolve();
    };
    await clear(c);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'other-car' });
    expect(sent.split('\r')).not.toContain('04');
    expect(inTheCar()).toContain('P0303');
  });

  test('a newer scan that was stopped, a typed one, an entry struck out: each ends it', async () => {
    for (const spoil of [
      (c: CaseRecord) =>
        dispatch(record(c.id, { kind: 'scan', via: 'hand', isComplete: false, scan: emptyScan() })),
      (c: CaseRecord, scan: Entry) =>
        dispatch(record(c.id, { kind: 'retracted', entry: scan.id, reason: 'x' })),
      async (c: CaseRecord) => {
        const reading = dispatch(scanCar(c.id));
        dispatch(stopLink());
        await reading;
      },
    ]) {
      const { c, scan } = await readyToClear({ kind: 'coil', cylinder: 3 });
      await spoil(c, scan);
      await clear(c);
      expect(clearOf(c.id).at).toBe('shut');
      expect(inTheCar()).toContain('P0303');
    }
  });

  test('another page: what it has stored is seen in storage, even where it told nobody; and one clears at a time', async () => {
    const { c, scan } = await readyToClear({ kind: 'coil', cylinder: 3 });
    const other = { ...scan, id: 'ent_other', at: new Date().toISOString() };
    await putRaw(`entry:${c.id}:ent_other`, { version: 2, record: other, caseId: c.id });
    await clear(c);
    expect(clearOf(c.id)).toEqual({ at: 'shut', why: 'overtaken' });
    const second = await readyToClear({ kind: 'coil', cylinder: 3 });
    for (const hear of hearers) hear({ caseId: second.c.id, entry: { ...other, id: 'ent_told' } });
    expect(clearOf(second.c.id)).toEqual({ at: 'shut', why: 'overtaken' });
    expect(entriesOf(second.c.id).map((e) => e.id)).toContain('ent_told');
    const third = await readyToClear({ kind: 'coil', cylinder: 3 });
    isLocked = true;
    await clear(third.c);
    isLocked = false;
    expect(clearOf(third.c.id)).toEqual({ at: 'shut', why: 'overtaken' });
    expect(inTheCar()).toContain('P0303');
  });

  test('no answer to the clear: the outcome is unknown, and the next step is to read', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 3 });
    const write = adapter.write.bind(adapter);
    adapter.write = (bytes) => {
      const sent = write(bytes);
      if (asciiOf(bytes).trim() === '04') adapter.unplug();
      return sent;
    };
    await clear(c);
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'clear', outcome: 'unknown' });
    expect(clearOf(c.id).at).toBe('shut');
    const { standing } = foldCase({ entries: entriesOf(c.id) });
    expect(standing.unknownClear).not.toBeNull();
    expect(standing.codes.map((x) => x.code.code)).toContain('P0303');
  });

  test('pressed twice, one clear is sent', async () => {
    const { c } = await readyToClear({ kind: 'coil', cylinder: 3 });
    const write = adapter.write.bind(adapter);
    let clears = 0;
    adapter.write = (bytes) => {
      if (asciiOf(bytes).trim() === '04') clears++;
      return write(bytes);
    };
    await Promise.all([clear(c), clear(c), clear(c)]);
    await clear(c);
    expect(clears).toBe(1);
  });

  test('stopped in the walk over the control units, the next scan asks all of them again', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 3 });
    await dispatch(putVehicle({ ...FINCH, moduleMap: moduleMapSchema.parse(FINCH_MODULES) }));
    await dispatch(connectStandIn(c.id, SETUP));
    const write = adapter.write.bind(adapter);
    let isStopped = false;
    adapter.write = (bytes) => {
      const sent = write(bytes);
      if (asciiOf(bytes).trim() === 'ATCRA6B8' && !isStopped) {
        isStopped = true;
        dispatch(stopLink());
      }
      return sent;
    };
    await dispatch(scanCar(c.id));
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'scan', isComplete: false });
    await dispatch(scanCar(c.id));
    const last = entriesOf(c.id).at(-1);
    expect(last).toMatchObject({ kind: 'scan', isComplete: true });
    expect(last?.kind === 'scan' ? last.scan.codes.map((x) => x.code) : []).toContain('P0303');
  });
});

describe('one thing at a time', () => {
  test('two presses of Connect while the browser asks: one attempt, and what is opened too late is closed', async () => {
    const c = await freshCase(null);
    const closed: number[] = [];
    const doors: (() => void)[] = [];
    const open = () =>
      new Promise<Transport>((resolve) => {
        const n = doors.length;
        doors.push(() => {
          const plugged = car.plugIn();
          const close = plugged.close.bind(plugged);
          plugged.close = () => {
            closed.push(n);
            return close();
          };
          resolve(plugged);
        });
      });
    const attempt = { caseId: c.id, by: 'serial', adapter: 'USB' } as const;
    const first = dispatch(connectReal(attempt, open));
    expect(await dispatch(connectReal(attempt, open))).toBe('cancelled');
    await tick();
    expect(doors).toHaveLength(1);
    dispatch(stopLink());
    const second = dispatch(connectReal(attempt, open));
    await tick();
    doors.forEach((openIt) => openIt());
    expect(await first).toBe('cancelled');
    expect(await second).toBe('talking');
    expect(closed).toEqual([0]);
    expect(store.getState().link.status.at).toBe('talking');
  });

  test('two presses of Begin: one recording', async () => {
    const c = await freshCase(null);
    car.setMode('idle');
    await dispatch(connectStandIn(c.id, SETUP));
    const start = (title: string) =>
      dispatch(startWatching({ caseId: c.id, title, keys: ['engineSpeed'], offered: new Set([0x0c]) }));
    await Promise.all([start('one'), start('two')]);
    await new Promise((resolve) => setTimeout(resolve, 60));
    await dispatch(scanCar(c.id));
    await dispatch(stopWatching());
    expect(entriesOf(c.id).flatMap((e) => (e.kind === 'recording' ? [e.title] : []))).toEqual(['one']);
    expect(await openRecordings(c.id)).toEqual([]);
    expect(kinds(c)).not.toContain('scan');
  });
});

describe('entries of two pages', () => {
  test('both are kept: neither overwrites the other', async () => {
    const c = await freshCase(null);
    await dispatch(record(c.id, { kind: 'note', text: 'tab one' }));
    const other = { id: 'ent_two', at: new Date().toISOString(), kind: 'note', text: 'tab two' };
    await putRaw(`entry:${c.id}:ent_two`, { version: 2, record: other, caseId: c.id });
    await dispatch(record(c.id, { kind: 'note', text: 'tab one again' }));
    const texts = (await loadAll()).cases[0]?.entries.map((e) => (e.kind === 'note' ? e.text : ''));
    expect(new Set(texts)).toEqual(new Set(['tab one', 'tab two', 'tab one again']));
  });

  test('an older entry brought in from another device does not outrank a newer one', async () => {
    const c = await freshCase(null);
    await dispatch(record(c.id, { kind: 'lamp', lamp: 'oil', mode: 'steady' }));
    const file = JSON.parse(dispatch(exportCase(c.id)) ?? '') as { case: CaseRecord };
    file.case.entries = [
      { id: 'ent_phone', at: '2020-01-01T00:00:00.000Z', kind: 'lamp', lamp: 'oil', mode: 'out' },
    ];
    const checked = await dispatch(checkImport(JSON.stringify(file)));
    if (!checked.ok) throw new Error(checked.message);
    if (!('file' in checked)) throw new Error('It is no case.');
    await dispatch(addImport(checked.file));
    expect(foldCase({ entries: entriesOf(c.id) }).standing.lamps.get('oil')?.mode).toBe('steady');
  });

  test('a clock that is set back puts no entry before one that was there', async () => {
    const c = await freshCase(null);
    jest.useFakeTimers({
      now: new Date('2026-11-03T10:00:00Z'),
      doNotFake: ['queueMicrotask', 'setTimeout', 'setImmediate'],
    });
    const { entry: first } = await dispatch(record(c.id, { kind: 'note', text: 'one' }));
    jest.setSystemTime(new Date('2026-11-03T08:00:00Z'));
    const { entry: second } = await dispatch(record(c.id, { kind: 'note', text: 'two' }));
    jest.useRealTimers();
    expect(second.at > first.at).toBe(true);
    expect(second).toMatchObject({ clockAt: '2026-11-03T08:00:00.000Z' });
    expect(typeof second.offsetMinutes).toBe('number');
  });

  test('a case that version 1 kept whole is taken apart, and nothing of it is lost', async () => {
    const text = readFileSync(join(__dirname, '../../core/case/fixtures/version-1-lean.case.json'), 'utf8');
    const old = JSON.parse(text) as { vehicle: { id: string }; case: CaseRecord };
    await putRaw(`vehicle:${old.vehicle.id}`, { version: 1, record: old.vehicle });
    await putRaw(`case:${old.case.id}`, { version: 1, record: old.case });
    const loaded = await loadAll();
    expect(loaded.setAside).toEqual([]);
    expect(loaded.vehicles[0]).toMatchObject({ distanceKm: expect.any(Number) as number });
    expect(loaded.cases[0]?.entries.map((e) => e.id)).toEqual(old.case.entries.map((e) => e.id));
    expect((await loadAll()).cases).toEqual(loaded.cases);
    // Interrupted after a few entries, the whole record is still there and is taken apart again.
    await putRaw(`case:${old.case.id}`, { version: 1, record: old.case });
    for (const key of (await rawKeys()).filter((k) => k.startsWith('entry:')).slice(5)) await removeRaw(key);
    expect((await loadAll()).cases).toEqual(loaded.cases);
  });
});

describe('control units by themselves', () => {
  test('read by the vehicle’s map, cleared one by one, each recorded with its name', async () => {
    const c = await freshCase({ kind: 'battery-weak' });
    await dispatch(putVehicle({ ...FINCH, moduleMap: moduleMapSchema.parse(FINCH_MODULES) }));
    await dispatch(connectStandIn(c.id, SETUP));
    await dispatch(scanCar(c.id));
    await dispatch(confirmReady(c.id));
    const unit = (name: string) => {
      const found = FINCH_MODULES.modules.find((m) => m.name === name);
      if (!found) throw new Error(`The map has no ${name}.`);
      return dispatch(askToClear(c.id, { kind: 'unit', unit: found }));
    };
    await unit('Body');
    expect(entriesOf(c.id).at(-1)).toMatchObject({
      kind: 'clear',
      outcome: 'agreed',
      unit: { name: 'Body', answer: '6C8' },
    });
    expect(clearOf(c.id)).toMatchObject({ at: 'ready', done: { isStandardDone: false, units: ['6C8'] } });
    // One that is not there refuses nothing that was done, and the standard's clear is still to be had.
    await unit('Climate');
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'clear', outcome: 'refused' });
    expect(clearOf(c.id)).toMatchObject({ at: 'ready', done: { units: ['6C8'] } });
    await clear(c);
    expect(clearOf(c.id)).toMatchObject({ at: 'ready', done: { isStandardDone: true, units: ['6C8'] } });
    const clears = kinds(c).filter((k) => k === 'clear').length;
    await clear(c);
    await unit('Body');
    expect(kinds(c).filter((k) => k === 'clear')).toHaveLength(clears);
  });
});

describe('watching readings', () => {
  const keys = ['engineSpeed', 'coolant', 'manifold'] as const;
  const offered = new Set([0x0c, 0x05, 0x0b]);
  const values = () => watchService.recording?.samples['0C']?.times.length ?? 0;
  async function until(holds: () => boolean): Promise<void> {
    for (let i = 0; i < 400 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 5));
    if (!holds()) throw new Error('It never came.');
  }
  async function watching(): Promise<CaseRecord> {
    const c = await freshCase(null);
    car.setMode('idle');
    await dispatch(connectStandIn(c.id, SETUP));
    await dispatch(startWatching({ caseId: c.id, title: 'Idle', keys, offered }));
    await until(() => values() > 3);
    return c;
  }

  test('recorded, marked, paused and stopped: in the log with its states, and whole in storage', async () => {
    const c = await watching();
    expect(store.getState().watch.status).toMatchObject({ at: 'watching', caseId: c.id, title: 'Idle' });
    watchService.mark('horn');
    dispatch(pauseWatching(true));
    expect(store.getState().watch.status.at).toBe('paused');
    await new Promise((resolve) => setTimeout(resolve, 30));
    const paused = values();
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(values()).toBe(paused);
    dispatch(pauseWatching(false));
    await until(() => values() > paused);
    await dispatch(stopWatching());
    expect(store.getState().watch.status).toEqual({ at: 'idle' });
    const entry = entriesOf(c.id).at(-1);
    if (entry?.kind !== 'recording') throw new Error('There is no recording in the log.');
    expect(entry.channels.map((x) => x.id).sort()).toEqual(['05', '0B', '0C']);
    expect(entry.marks.map((m) => m.text)).toEqual(['horn']);
    const stored = await loadRecording(entry.recording);
    expect(Object.values(stored?.samples ?? {}).reduce((n, x) => n + x.times.length, 0)).toBe(entry.samples);
    expect(await openRecordings(c.id)).toEqual([]);
  });

  test('the plug pulled: said in plain words, and what came is in the log', async () => {
    const c = await watching();
    adapter.unplug();
    await until(() => store.getState().watch.status.at === 'ended');
    expect(store.getState().watch.status).toMatchObject({
      caseId: c.id,
      words: { sentence: 'The connection to the adapter was cut.' },
    });
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'recording', title: 'Idle' });
    expect(store.getState().link.status.at).toBe('lost');
  });

  test('cut off by a crash it is found again: gone on with it keeps its time, kept it goes into the log', async () => {
    const c = await watching();
    await watchService.save();
    // The page is gone: nothing is closed.
    const [cut] = await openRecordings(c.id);
    if (!cut) throw new Error('It was not found again.');
    const before = await loadRecording(cut.id);
    await dispatch(stopWatching());
    await dispatch(startWatching({ caseId: c.id, title: cut.title, keys, offered, goOn: cut }));
    const had = before?.samples['0C']?.times.length ?? 0;
    await until(() => values() > had + 2);
    await dispatch(stopWatching());
    const whole = await loadRecording(cut.id);
    const times = whole?.samples['0C']?.times ?? [];
    expect(times.slice(0, had)).toEqual(before?.samples['0C']?.times);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    const entries = entriesOf(c.id).length;
    await dispatch(keepCutRecording({ ...cut, id: 'rec_gone' }));
    expect(entriesOf(c.id)).toHaveLength(entries);
    await dispatch(keepCutRecording(cut));
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'recording', recording: cut.id });
    expect(await openRecordings(c.id)).toEqual([]);
  });
});
