import localforage from 'localforage';
import type { MemoryForage } from './memory-forage.ts';
import { loadRecording, type RecordingMeta } from '../src/storage/recordings.ts';
import { watchService } from '../src/store/watch-service.ts';

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});

const forage = localforage.createInstance({}) as unknown as MemoryForage;
const RPM = { id: '0C', name: 'Engine speed', unit: 'rpm' };
const PACE = { perSecond: 1, byPid: new Map<number, number>(), requestMs: 30, silent: [] };
const meta = (id: string): RecordingMeta => ({
  id,
  caseId: 'case_1',
  title: 'Chosen readings',
  startedAt: '2026-11-03T08:00:00.000Z',
  channels: [],
  marks: [],
  chunks: 0,
  isOpen: true,
});
const add = (at: number) => watchService.add([{ at, channel: RPM, value: 700 + at }], PACE);

test('marks and writes that meet lose nothing: every sample is read back', async () => {
  await watchService.begin(meta('rec_a'));
  add(1);
  watchService.mark('first');
  add(2);
  watchService.mark('second');
  add(3);
  await Promise.all([watchService.save(), watchService.save()]);
  add(4);
  await watchService.end();
  const stored = await loadRecording('rec_a');
  expect(stored?.samples['0C']).toEqual({ times: [1, 2, 3, 4], values: [701, 702, 703, 704] });
  expect(stored?.marks).toEqual([
    { at: 1, text: 'first' },
    { at: 2, text: 'second' },
  ]);
});

test('a full disk is told, and what it refused is written with what comes next', async () => {
  await watchService.begin(meta('rec_b'));
  add(1);
  const full = jest.spyOn(forage, 'setItem').mockRejectedValue(new Error('QuotaExceededError'));
  await watchService.save();
  expect(watchService.saveFault).toBe('QuotaExceededError');
  full.mockRestore();
  add(2);
  await watchService.save();
  expect(watchService.saveFault).toBeNull();
  await watchService.end();
  expect((await loadRecording('rec_b'))?.samples['0C']?.times).toEqual([1, 2]);
});

test('what was stored as plain lists before is read all the same; a piece that is neither is left out', async () => {
  await forage.setItem('meta:rec_old', { ...meta('rec_old'), channels: [RPM], chunks: 3, isOpen: false });
  await forage.setItem('chunk:rec_old:00000', { '0C': { times: [1, 2], values: [700, 710] } });
  await forage.setItem('chunk:rec_old:00001', { '0C': { times: ['3'], values: [720] } });
  await forage.setItem('chunk:rec_old:00002', {
    '0C': { times: Float64Array.of(2, 4), values: Float64Array.of(1, 730) },
  });
  const stored = await loadRecording('rec_old');
  expect(stored?.samples['0C']).toEqual({ times: [1, 2, 4], values: [700, 710, 730] });
});
