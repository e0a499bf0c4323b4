import type { CaseFile } from '@pincer/core/case';
import { KESTRINE } from '@pincer/simulator';
import { kestrine } from './vehicles.ts';
import { readScene, caseFile, EXPORTED, talking, readByAdapter } from './scene.ts';

/** The motorcycle: several control units complain at once, and the cause is one. */
export async function manyAtOnce(): Promise<CaseFile> {
  const on = (time: string) => `2026-${time}:00.000Z`;
  const reading = await readScene({
    car: KESTRINE,
    units: kestrine.moduleMap,
    faults: [{ kind: 'regulator' }],
    seed: 29,
    outside: 16,
    isWarm: true,
  });
  return caseFile(
    'kestrine',
    'Everything lights at once',
    on('10-04T15:20'),
    [
      { kind: 'lamp', at: on('10-04T15:21'), lamp: 'engine', mode: 'steady' },
      { kind: 'lamp', at: on('10-04T15:21'), lamp: 'stability', mode: 'steady' },
      { kind: 'lamp', at: on('10-04T15:21'), lamp: 'charging', mode: 'now-and-then' },
      { kind: 'observation', at: on('10-04T15:22'), observation: 'gauge:lights-dim', answer: 'yes' },
      { kind: 'observation', at: on('10-04T15:22'), observation: 'sign:warm', answer: 'yes' },
      { kind: 'observation', at: on('10-04T15:23'), observation: 'before:modified', answer: 'no' },
      talking(on('10-04T15:40'), 12.4),
      readByAdapter(on('10-04T15:43'), reading),
    ],
    EXPORTED,
    kestrine,
  );
}
