import type { CaseFile } from '@pincer/core/case';
import type { Fault } from '@pincer/simulator';
import { readScene, caseFile, EXPORTED, talking, readByAdapter } from './scene.ts';

export async function wetMornings(): Promise<CaseFile> {
  const boot: Fault = { kind: 'coil-boot', cylinder: 2 };
  const first = await readScene({ faults: [boot], seed: 7, outside: 9, isWarm: false });
  const warm = await readScene({ faults: [boot], seed: 11, outside: 9, isWarm: true });
  const again = await readScene({ faults: [boot], seed: 23, outside: 7, isWarm: false, tripsBefore: 3 });
  const on = (time: string) => `2026-11-${time}:00.000Z`;
  return caseFile(
    'wet',
    'Wet-morning shake',
    on('03T06:40'),
    [
      { kind: 'lamp', at: on('03T06:41'), lamp: 'engine', mode: 'flashing' },
      { kind: 'lamp', at: on('03T06:41'), lamp: 'oil', mode: 'out' },
      { kind: 'lamp', at: on('03T06:41'), lamp: 'temperature', mode: 'out' },
      { kind: 'observation', at: on('03T06:42'), observation: 'sign:shakes', answer: 'yes' },
      { kind: 'observation', at: on('03T06:42'), observation: 'sign:warm', answer: 'no' },
      { kind: 'observation', at: on('03T06:43'), observation: 'before:refuelled', answer: 'no' },
      talking(on('03T17:20'), 12.5),
      readByAdapter(on('03T17:22'), first),
      readByAdapter(on('03T17:41'), warm),
      { kind: 'check', at: on('03T17:44'), check: 'tailpipe-smell', outcome: 'none' },
      { kind: 'decision', at: on('03T17:50'), option: 'help' },
      {
        kind: 'note',
        at: on('03T17:52'),
        text: 'Quay Street garage asks €75 to read it and has time on Thursday week. Leaving it in the yard meanwhile.',
      },
      { kind: 'observation', at: on('09T06:35'), observation: 'sign:wet', answer: 'yes' },
      readByAdapter(on('09T06:50'), again),
    ],
    EXPORTED,
  );
}
