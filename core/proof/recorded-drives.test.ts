import { foldCase } from '@pincer/core/case';
import type { EngineState, Stat } from '@pincer/core/signals';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { recordedDrives } from './index.ts';

type Entries = Parameters<typeof makeCase>;
const stat = (value: number): Stat =>
  ({
    first: value,
    last: value,
    mean: value,
    min: value - 2,
    max: value + 2,
    deviation: 1,
    samples: 60,
    swings: 0,
  }) as unknown as Stat;
const drive = (id: string, speed: number, rpm: number, coolant: number, state: EngineState = 'cruise') =>
  ({
    kind: 'recording',
    recording: `rec_${id}`,
    title: 'To the harbour',
    seconds: 720,
    samples: 700,
    channels: [],
    windows: [
      {
        state,
        from: 0,
        seconds: 300,
        stats: { speed: stat(speed), engineSpeed: stat(rpm), coolant: stat(coolant) },
      },
    ],
    marks: [],
  }) as unknown as Entries[number];
const STORED = scanEntry(
  makeScan(['P0302'], {}, { frame: { code: 'P0302', values: { '05': 88, '0C': 2_100, '0D': 72 } } }),
);
const CLEAR = { kind: 'clear-told', by: 'hand-held' } as const;
const found = (...entries: Entries) => recordedDrives(foldCase(makeCase(...entries)));

describe('recorded drives', () => {
  test('one like the stored moment, one in the cold, one without anything to compare', () => {
    expect(found(STORED, CLEAR, drive('a1', 70, 2_000, 90))[0]).toMatchObject({
      recording: 'rec_a1',
      minutes: 12,
      fastest: 72,
      metConditions: 'yes',
    });
    expect(found(STORED, CLEAR, drive('a1', 70, 2_000, 30))[0]?.metConditions).toBe('no');
    expect(found(scanEntry(makeScan(['P0302'])), CLEAR, drive('a1', 70, 2_000, 90))[0]?.metConditions).toBe(
      'unknown',
    );
  });

  test('only what was recorded on the road since, and each once', () => {
    expect(found(STORED, drive('a1', 70, 2_000, 90))).toEqual([]);
    expect(found(STORED, drive('a1', 70, 2_000, 90), CLEAR)).toEqual([]);
    expect(found(STORED, CLEAR, drive('a1', 0, 2_500, 90, 'raised'))).toEqual([]);
    const counted = {
      kind: 'drive',
      metConditions: 'yes',
      cameBack: 'unknown',
      recording: 'rec_a1',
    } as const;
    expect(found(STORED, CLEAR, drive('a1', 70, 2_000, 90), counted)).toEqual([]);
  });
});
