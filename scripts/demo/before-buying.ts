import type { CaseFile } from '@pincer/core/case';
import { PIPPIN, pippin } from './vehicles.ts';
import { readScene, caseFile, EXPORTED, talking, readByAdapter } from './scene.ts';

/** A car looked at before buying: no lamp, no confirmed code, and a memory that was cleared 11 km earlier. */
export async function beforeBuying(): Promise<CaseFile> {
  const on = (time: string) => `2026-${time}:00.000Z`;
  const reading = await readScene({
    car: PIPPIN,
    faults: [{ kind: 'catalyst-worn' }],
    seed: 53,
    outside: 12,
    isWarm: true,
    isCleared: true,
  });
  const file = caseFile(
    'pippin',
    'Looked at before buying',
    on('09-19T10:00'),
    [
      { kind: 'lamp', at: on('09-19T10:02'), lamp: 'engine', mode: 'out' },
      { kind: 'bulb', at: on('09-19T10:02'), answer: 'lights' },
      talking(on('09-19T10:10'), 12.6),
      readByAdapter(on('09-19T10:13'), reading),
      { kind: 'note', at: on('09-19T10:20'), text: 'The seller says it has never had a lamp on.' },
    ],
    EXPORTED,
    pippin,
  );
  return { ...file, case: { ...file.case, occasion: 'buying' } };
}
