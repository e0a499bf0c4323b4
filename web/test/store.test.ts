import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CaseRecord, Entry } from '@pincer/core/case';
import type { Transport } from '@pincer/core/link';
import { moduleMapSchema, type Vehicle } from '@pincer/core/vehicle';
import localforage from 'localforage';
import { FINCH_MODULES, StandIn, type Fault, type StandInAdapter } from '@pincer/simulator';
import type { MemoryForage } from './memory-forage.ts';

let car: StandIn;
let adapter: StandInAdapter;

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
// Workers do not exist here: the stand-in and the core run in this process, behind the same calls.
jest.mock('../src/workers/stand-in-client.ts', () => ({
  plugIntoStandIn: (): Promise<{ transport: Transport; state: unknown }> => {
    adapter = car.plugIn();
    return Promise.resolve({ transport: adapter, state: null });
  },
  standInWorker: () => ({ unplug: () => Promise.resolve(adapter.unplug()) }),
}));
jest.mock('../src/workers/core-client.ts', () => ({
  coreWorker: () => ({
    readCaseFile: (text: string) =>
      import('@pincer/core/case').then(({ readCaseFile }) => readCaseFile(text)),
  }),
}));

import { clearStateOf, connectStandIn, guard, pullPlug, scanCar } from '../src/store/link-actions.ts';
import {
  addImport,
  changeSettings,
  checkImport,
  dropSetAside,
  exportCase,
  keepDraft,
  load,
  openCase,
  putVehicle,
  record,
} from '../src/store/logbook-actions.ts';
import { loadRecording, openRecordings } from '../src/store/recordings.ts';
import { loadAll } from '../src/store/storage.ts';
import { store } from '../src/store/store.ts';
import { keepCutRecording, pauseWatching, startWatching, stopWatching } from '../src/store/watch-actions.ts';
import { watchService } from '../src/store/watch-service.ts';

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
const entriesOf = (id: string): Entry[] => store.getState().logbook.cases[id]?.entries ?? [];
const clearOf = (id: string) => clearStateOf(store.getState(), id);

async function freshCase(fault: Fault | null): Promise<CaseRecord> {
  seat(fault);
  await dispatch(putVehicle(FINCH));
  return dispatch(openCase(FINCH, 'A light came on'));
}

/** The browser's synchronous store. */
const notes = new Map<string, string>();
Object.defineProperty(globalThis, 'localStorage', {
  value: {
    get length() {
      return notes.size;
    },
    key: (i: number) => [...notes.keys()][i] ?? null,
    getItem: (k: string) => notes.get(k) ?? null,
    setItem: (k: string, v: string) => notes.set(k, v),
    removeItem: (k: string) => notes.delete(k),
  },
});

beforeEach(() => {
  notes.clear();
  forage.records.clear();
  forage.forgets = null;
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
    const set = forage.setItem.bind(forage);
    let release: () => void = () => undefined;
    // The database takes its time; the page could be gone by now.
    forage.setItem = (key, value) => new Promise((resolve) => (release = () => resolve(set(key, value))));
    const pending = dispatch(record(c.id, { kind: 'note', text: 'The last word.' }));
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(forage.records.get(`case:${c.id}`)).toMatchObject({ record: { entries: [] } });
    expect(notes.get('pincer:journal')).toContain('The last word.');
    forage.setItem = set;
    release();
    await pending;
    expect(notes.has('pincer:journal')).toBe(false);
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
    ['a newer version', { version: 99, record: {} }, /newer Pincer/],
    [
      'a damaged case',
      { version: 1, record: { id: 'case_1', vehicle: 'veh_1', title: 'x', openedAt: 'then', entries: [] } },
      /openedAt/,
    ],
    ['not even a record', 'scribble', /no version/],
  ])('%s is set aside with its reason and its raw content, and the rest loads', async (_, raw, reason) => {
    const c = await freshCase(null);
    forage.records.set('case:case_bad', raw);
    const loaded = await loadAll();
    expect(loaded.cases.map((x) => x.id)).toEqual([c.id]);
    expect(loaded.setAside[0]?.reason).toMatch(reason);
    expect(forage.records.get('set-aside:case:case_bad')).toEqual(raw);
    expect(forage.records.has('case:case_bad')).toBe(false);
    // It is still there at the next start, until the owner forgets it.
    expect((await loadAll()).setAside).toHaveLength(1);
    await dispatch(dropSetAside('set-aside:case:case_bad'));
    expect((await loadAll()).setAside).toEqual([]);
  });

  test('an import adds only what is not there, and never overwrites', async () => {
    const text = readFileSync(join(__dirname, '../../docs/examples/wet-morning.case.json'), 'utf8');
    const checked = await dispatch(checkImport(text));
    if (!checked.ok) throw new Error(checked.message);
    expect(checked.isNew).toBe(true);
    expect(await dispatch(addImport(checked.file))).toBe(checked.file.case.entries.length);
    await dispatch(record('case_wet', { kind: 'note', text: 'Mine.' }));
    expect(await dispatch(addImport(checked.file))).toBe(0);
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

describe('connecting, reading and clearing', () => {
  test('the whole way: talk, read, store, read back, clear', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 3 });
    expect(await dispatch(connectStandIn(c.id, SETUP))).toBe('talking');
    expect(store.getState().link.status).toMatchObject({ at: 'talking' });
    expect(clearOf(c.id)).toEqual({ at: 'unread' });
    await dispatch(scanCar(c.id));
    const reading = entriesOf(c.id).find((e) => e.kind === 'scan');
    expect(reading).toMatchObject({ isComplete: true, via: 'adapter' });
    expect(clearOf(c.id)).toEqual({
      at: 'stored',
      permit: { scanEntryId: reading?.id, confirmedStored: true },
    });
    await dispatch(guard(c.id, { type: 'ask-clear' }));
    expect(entriesOf(c.id).some((e) => e.kind === 'clear')).toBe(false);
    await dispatch(guard(c.id, { type: 'owner-ready' }));
    await dispatch(guard(c.id, { type: 'ask-clear' }));
    expect(entriesOf(c.id).at(-1)).toMatchObject({
      kind: 'clear',
      outcome: 'agreed',
      afterScan: reading?.id,
    });
    expect(clearOf(c.id).at).toBe('cleared');
    expect(car.unit.memory.codes('confirmed')).toEqual([]);
  });

  test('with the engine running the car refuses, and that is recorded too', async () => {
    const c = await freshCase({ kind: 'air-flow-unplugged' });
    car.setMode('idle');
    await dispatch(connectStandIn(c.id, SETUP));
    await dispatch(scanCar(c.id));
    await dispatch(guard(c.id, { type: 'owner-ready' }));
    await dispatch(guard(c.id, { type: 'ask-clear' }));
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'clear', outcome: 'refused' });
    expect(clearOf(c.id).at).toBe('failed');
    expect(car.unit.memory.codes('confirmed')).toEqual(['P0102']);
  });

  test('a disk that does not keep the reading: no clear, whatever is pressed', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 1 });
    await dispatch(connectStandIn(c.id, SETUP));
    forage.forgets = /^case:/;
    await dispatch(scanCar(c.id));
    expect(clearOf(c.id).at).toBe('unsafe');
    for (const type of ['owner-ready', 'ask-clear', 'owner-ready', 'ask-clear'] as const)
      await dispatch(guard(c.id, { type }));
    expect(entriesOf(c.id).some((e) => e.kind === 'clear')).toBe(false);
    expect(car.unit.memory.codes('confirmed')).toContain('P0301');
  });

  test('a record that was changed in storage is not the one that was read', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 1 });
    await dispatch(connectStandIn(c.id, SETUP));
    const get = forage.getItem.bind(forage);
    forage.getItem = async (key) => {
      const value = (await get(key)) as {
        record?: { entries?: { kind: string; reading?: { codes: unknown[] } }[] };
      } | null;
      for (const e of value?.record?.entries ?? []) if (e.reading) e.reading.codes = [];
      return value;
    };
    await dispatch(scanCar(c.id));
    forage.getItem = get;
    expect(clearOf(c.id).at).toBe('unsafe');
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
    expect(clearOf(c.id)).toEqual({ at: 'unread' });
  });

  test('clearing without a connection says where to connect, and records nothing', async () => {
    const c = await freshCase({ kind: 'coil', cylinder: 1 });
    await dispatch(connectStandIn(c.id, SETUP));
    await dispatch(scanCar(c.id));
    await dispatch(pullPlug());
    await dispatch(guard(c.id, { type: 'owner-ready' }));
    await dispatch(guard(c.id, { type: 'ask-clear' }));
    expect(clearOf(c.id)).toMatchObject({ at: 'failed', why: expect.stringMatching(/Plug in/) as string });
    expect(entriesOf(c.id).some((e) => e.kind === 'clear')).toBe(false);
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

describe('control units by themselves', () => {
  test('read by the vehicle’s map, cleared one by one, each recorded with its name', async () => {
    const c = await freshCase({ kind: 'battery-weak' });
    await dispatch(putVehicle({ ...FINCH, moduleMap: moduleMapSchema.parse(FINCH_MODULES) }));
    await dispatch(connectStandIn(c.id, SETUP));
    await dispatch(scanCar(c.id));
    await dispatch(guard(c.id, { type: 'owner-ready' }));
    const unit = (name: string) => {
      const found = FINCH_MODULES.modules.find((m) => m.name === name);
      if (!found) throw new Error(`The map has no ${name}.`);
      return { type: 'ask-clear-unit', unit: found } as const;
    };
    await dispatch(guard(c.id, unit('Body')));
    expect(entriesOf(c.id).at(-1)).toMatchObject({
      kind: 'clear',
      outcome: 'agreed',
      unit: { name: 'Body', answer: '6C8' },
    });
    expect(clearOf(c.id)).toMatchObject({ at: 'cleared', isStandardDone: false, units: ['6C8'] });
    // One that is not there refuses nothing that was done, and the standard's clear is still to be had.
    await dispatch(guard(c.id, unit('Climate')));
    expect(entriesOf(c.id).at(-1)).toMatchObject({ kind: 'clear', outcome: 'refused' });
    expect(clearOf(c.id)).toMatchObject({ at: 'cleared', units: ['6C8'] });
    await dispatch(guard(c.id, { type: 'ask-clear' }));
    expect(clearOf(c.id)).toMatchObject({ at: 'cleared', isStandardDone: true });
    const clears = entriesOf(c.id).filter((e) => e.kind === 'clear').length;
    await dispatch(guard(c.id, { type: 'ask-clear' }));
    await dispatch(guard(c.id, unit('Body')));
    expect(entriesOf(c.id).filter((e) => e.kind === 'clear')).toHaveLength(clears);
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
