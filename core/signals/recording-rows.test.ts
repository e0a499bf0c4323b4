import fc from 'fast-check';
import { RecordingRows, addSamples, emptyRecording, recordingRows, type Sample } from './index.ts';

const AT = '2026-11-03T08:00:00.000Z';
const RPM = { id: '0C', name: 'Engine speed', unit: 'rpm' };
const VOLTS = { id: '42', name: 'Control unit voltage', unit: 'V' };

function read(rows: readonly (readonly string[])[], hasDecimalComma = false) {
  const reader = new RecordingRows(hasDecimalComma, AT);
  const isReadable = rows.every((r) => reader.push(r));
  const { recording, report } = reader;
  return { recording, report, isReadable };
}

describe('recordings as rows', () => {
  test('out and in again it is the same recording, whatever was sampled when', () => {
    const sample = fc.record({
      at: fc.integer({ min: 0, max: 100_000 }).map((n) => n / 1000),
      channel: fc.constantFrom(RPM, VOLTS),
      value: fc.integer({ min: -1e6, max: 1e6 }).map((n) => n / 1000),
    });
    fc.assert(
      fc.property(
        fc.array(sample, { minLength: 1, maxLength: 60 }),
        fc.boolean(),
        (list: Sample[], hasComma) => {
          const recording = emptyRecording(AT);
          addSamples(recording, [{ at: 0, channel: RPM, value: 1 }]);
          addSamples(
            recording,
            [...list].sort((a, b) => a.at - b.at),
          );
          const rows = [...recordingRows(recording)].map((r, i) =>
            hasComma && i > 0 ? r.map((c) => c.replace('.', ',')) : r,
          );
          const back = read(rows, hasComma);
          expect(back.recording).toEqual(recording);
          expect(back.report).toMatchObject({ badRows: 0, badCells: 0, duplicateTimes: 0, backwards: 0 });
        },
      ),
    );
  });

  test('other programs’ columns: names and units from the header, milliseconds, missing values', () => {
    const { recording, report } = read([
      ['Time (ms)', 'RPM [1/min]', 'Volts'],
      ['1000', '740', '14.1'],
      ['1100', '', '14.2'],
      ['1200', '750', ''],
    ]);
    expect(recording.channels).toEqual([
      { id: 'RPM', name: 'RPM', unit: '1/min' },
      { id: 'Volts', name: 'Volts', unit: '' },
    ]);
    expect(recording.samples['RPM']).toEqual({ times: [0, expect.closeTo(0.2, 9)], values: [740, 750] });
    expect(report).toMatchObject({ rows: 3, badCells: 0 });
  });

  test('what is not understood is counted and shown, never dropped in silence', () => {
    const { report, recording } = read([
      ['time [s]', 'Engine speed [rpm] {0C}'],
      ['0', '740'],
      ['0', '741'],
      ['x', '742'],
      ['0.2', 'NaN'],
      ['0.1', '743'],
      ['0.3', '744'],
    ]);
    expect(report).toMatchObject({ rows: 6, badRows: 2, badCells: 1, duplicateTimes: 1, backwards: 1 });
    expect(report.problems.map((p) => p.line)).toEqual([4, 5, 6]);
    expect(recording.samples['0C']?.values).toEqual([740, 744]);
  });

  test('without a time column nothing is read; an empty file neither', () => {
    expect(read([['a', 'b']]).isReadable).toBe(false);
    expect(read([]).recording.channels).toEqual([]);
  });

  test('columns called like the insides of the language, and numbers beyond any reading', () => {
    const { report, recording } = read([
      ['\uFEFFtime [s]', 'constructor', '__proto__', "'=SUM(A1)"],
      ['0', '1', '2', '3'],
      ['1', '1e308', '-1e308', '4'],
      ['1e300', '1', '2', '3'],
    ]);
    expect(recording.channels.map((c) => c.name)).toEqual(['constructor', '__proto__', '=SUM(A1)']);
    expect(recording.samples['constructor']?.values).toEqual([1]);
    expect(recording.samples['__proto__']?.values).toEqual([2]);
    expect(report).toMatchObject({ badCells: 2, badRows: 1 });
  });
});
