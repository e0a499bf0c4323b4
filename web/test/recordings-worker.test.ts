import type { RecordingsApi, ImportOutcome } from '../src/workers/recordings.worker.ts';
import type { MemoryForage } from './memory-forage.ts';

jest.mock('localforage', () => {
  const { MemoryForage: Memory } = jest.requireActual<{ MemoryForage: typeof MemoryForage }>(
    './memory-forage.ts',
  );
  const shared = new Memory();
  return { __esModule: true, default: { createInstance: () => shared } };
});
// No worker here: what it would expose to the page is taken as it is. This is the first that it imports, so the
// browser's own things that the CSV parser looks for are put in place here.
jest.mock('comlink', () => {
  class FileReader {
    onload: ((event: unknown) => void) | null = null;
    readAsText(blob: Blob): void {
      void blob.text().then((result) => this.onload?.({ target: { result } }));
    }
  }
  Object.assign(globalThis, { self: globalThis, FileReader });
  return { expose: (api: unknown) => Object.assign(globalThis, { exposed: api }) };
});

import '../src/workers/recordings.worker.ts';

const api = (globalThis as unknown as { exposed: RecordingsApi }).exposed;
const engine = { displacementLitres: 1.4, cylinders: 4, isDiesel: false, isMotorcycle: false, heightM: null };

let count = 0;
async function bringIn(
  text: string,
  name = 'drive.csv',
  onProgress: (share: number) => void = () => undefined,
): Promise<ImportOutcome & { id: string }> {
  const id = `rec_${++count}`;
  const outcome = await api.importFile(
    new File([text], name, { lastModified: Date.UTC(2026, 10, 3) }),
    { id, caseId: 'case_1', title: name, engine },
    onProgress,
  );
  return { ...outcome, id };
}

/** Idle for so many seconds, ten looks a second, with one peak. */
const idle = (seconds: number, peakAt: number): string =>
  [
    'time [s],Engine speed [rpm] {0C},Coolant temperature [°C] {05}',
    ...Array.from({ length: seconds * 10 }, (_, i) => `${i / 10},${i === peakAt ? 3000 : 740 + (i % 7)},88`),
  ].join('\n');

describe('a file becomes a stored recording', () => {
  test('CSV: readings, states and what was wrong with its rows', async () => {
    const text = `${idle(20, 100)}\n20.0,nonsense,88\n19.0,740,88\n`;
    const shares: number[] = [];
    const outcome = await bringIn(text, 'drive.csv', (s) => shares.push(s));
    if (!outcome.ok) throw new Error(outcome.why);
    expect(outcome).toMatchObject({ isStopped: false, seconds: 20, samples: 401 });
    expect(outcome.channels.map((c) => [c.id, c.unit])).toEqual([
      ['0C', 'rpm'],
      ['05', '°C'],
    ]);
    expect(outcome.windows.map((w) => w.state)).toContain('idle-warm');
    expect(outcome.report.bad).toBeGreaterThan(0);
    expect(outcome.report.problems.length).toBeGreaterThan(0);
    expect(shares.at(-1)).toBeCloseTo(1, 1);
  });

  test('it is there again afterwards, and a picture of few columns keeps its one peak', async () => {
    const { id } = await bringIn(idle(60, 333));
    expect(await api.open(id)).toMatchObject({ samples: 1_200, seconds: 59.9 });
    const all = await api.traces(id, ['0C'], 0, 60, 20);
    expect(all['0C']?.values.length).toBeLessThanOrEqual(42);
    expect(Math.max(...(all['0C']?.values ?? []))).toBe(3000);
    expect(all['0C']?.stat).toMatchObject({ max: 3000, count: 600 });
    const zoomed = await api.traces(id, ['0C', 'not there'], 10, 20, 20);
    expect(Object.keys(zoomed)).toEqual(['0C']);
    expect(zoomed['0C']?.stat?.max).toBeLessThan(800);
    // A sample beyond either edge, so that the line leaves the picture.
    expect(zoomed['0C']?.times[0]).toBeLessThan(10);
    expect(zoomed['0C']?.times.at(-1)).toBeGreaterThan(20);
  });

  test('out as CSV and in again, with points and with decimal commas, it is the same', async () => {
    const first = await bringIn(idle(15, 40));
    for (const hasComma of [false, true]) {
      const blob = await api.exportCsv(first.id, hasComma);
      const text = (await blob?.text()) ?? '';
      expect(text.split('\r\n')[1]).toBe(hasComma ? '0;740;88' : '0,740,88');
      const again = await bringIn(text);
      const [a, b] = await Promise.all(
        [first, again].map(({ id }) => api.traces(id, ['0C', '05'], 0, 15, 9999)),
      );
      expect(b).toEqual(a);
    }
  });

  test('a candump log, told by its looks and not by its name', async () => {
    const frames = Array.from(
      { length: 50 },
      (_, i) => `(${(1436509052 + i / 5).toFixed(6)}) can0 7E8#04410C${i === 30 ? '2EE0' : '0B90'}AAAAAA`,
    );
    const outcome = await bringIn(
      [...frames.slice(0, 20), '', 'torn li', ...frames.slice(20)].join('\r\n'),
      'noname.txt',
    );
    if (!outcome.ok) throw new Error(outcome.why);
    expect(outcome).toMatchObject({ samples: 50, report: { bad: 1 } });
    expect((await api.traces(outcome.id, ['0C'], 0, 10, 5))['0C']?.stat?.max).toBe(3000);
  });

  test.each([
    ['no time column', 'speed,load\n1,2\n', /no time column/],
    ['nothing but text', 'time [s],Engine speed [rpm] {0C}\n0,abc\n', /contains no readings/],
    ['an empty file', '', /time column|no reading/],
    ['a log of other traffic', '(1436509052.10) can0 123#0011223344556677\n', /contains no readings/],
  ])('%s: refused with a reason and what would do', async (_, text, why) => {
    const outcome = await bringIn(text);
    if (outcome.ok) throw new Error('It was taken.');
    expect(outcome.why).toMatch(why);
    expect(outcome.next).not.toBe('');
    expect(await api.open(outcome.id)).toBeNull();
  });

  test('stopped, it keeps what had come', async () => {
    const long = idle(15_000, 10);
    const outcome = await bringIn(long, 'long.csv', () => api.stop());
    if (!outcome.ok) throw new Error(outcome.why);
    expect(outcome.isStopped).toBe(true);
    expect(outcome.samples).toBeGreaterThan(0);
    expect(outcome.samples).toBeLessThan(300_000);
    expect(await api.open(outcome.id)).toMatchObject({ samples: outcome.samples });
    // The next one is not stopped by it.
    expect(await bringIn(idle(5, 1))).toMatchObject({ ok: true, isStopped: false });
  });
});

test('a recording that is not in this browser: nothing, and no exception', async () => {
  expect(await api.open('rec_gone')).toBeNull();
  expect(await api.exportCsv('rec_gone', false)).toBeNull();
  expect(await api.traces('rec_gone', ['0C'], 0, 1, 10)).toEqual({});
});

test('what goes out runs nothing in a spreadsheet, and comes back under its own name', async () => {
  const formula = '=HYPERLINK(0)';
  const { id } = await bringIn(`time [s],${formula},-x\n0,1,2\n1,-3,4\n`);
  const text = (await (await api.exportCsv(id, false))?.text()) ?? '';
  const [head = '', , row = ''] = text.split('\r\n');
  expect(head.split(',').slice(1)).toEqual([
    expect.stringMatching(/^"?'=HYPERLINK/) as string,
    expect.stringMatching(/^"?'-x/) as string,
  ]);
  // A number below zero is a number.
  expect(row).toBe('1,-3,4');
  const again = await bringIn(text);
  expect(again.ok ? again.channels.map((c) => c.name) : []).toEqual([formula, '-x']);
});
