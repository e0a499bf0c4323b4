import type { CaseFile } from '@pincer/core/case';
import type { Fault } from '@pincer/simulator';
import { readScene, caseFile, entryId, EXPORTED, talking, readByAdapter } from './scene.ts';

export async function leanTwice(): Promise<CaseFile> {
  const leak: Fault = { kind: 'intake-leak', share: 0.2 };
  const scene = { faults: [leak], outside: 14, isWarm: true } as const;
  const [one, two, three] = [
    await readScene({ ...scene, seed: 31 }),
    await readScene({ ...scene, seed: 37 }),
    await readScene({ ...scene, seed: 41 }),
  ];
  const gone = await readScene({ faults: [], seed: 43, outside: 15, isWarm: true });
  const on = (time: string) => `2026-${time}:00.000Z`;
  const id = 'lean';
  return caseFile(
    id,
    'Lean, back twice',
    on('04-11T16:05'),
    [
      { kind: 'lamp', at: on('04-11T16:06'), lamp: 'engine', mode: 'steady' },
      { kind: 'observation', at: on('04-11T16:06'), observation: 'sign:rough-idle', answer: 'yes' },
      talking(on('04-11T16:28'), 12.6),
      readByAdapter(on('04-11T16:30'), one),
      { kind: 'decision', at: on('04-11T16:40'), option: 'clear' },
      {
        kind: 'clear',
        at: on('04-11T16:42'),
        afterScan: entryId(id, 3),
        outcome: 'agreed',
        message: 'Agreed: 7E8, 7E9',
      },
      {
        kind: 'drive',
        at: on('04-12T08:30'),
        metConditions: 'yes',
        cameBack: 'yes',
        note: 'Lamp back on the second morning.',
      },
      readByAdapter(on('04-13T17:00'), two),
      { kind: 'check', at: on('04-13T17:20'), check: 'maf-clean', outcome: 'same' },
      {
        kind: 'repair',
        at: on('04-13T17:45'),
        cause: 'maf-dirty',
        cost: 9,
        note: 'Cleaned it; the trims stayed.',
      },
      {
        kind: 'clear',
        at: on('04-13T17:50'),
        afterScan: entryId(id, 7),
        outcome: 'agreed',
        message: 'Agreed: 7E8, 7E9',
      },
      readByAdapter(on('04-16T17:10'), three),
      { kind: 'check', at: on('04-18T09:10'), check: 'trims-compare', outcome: 'idle' },
      { kind: 'check', at: on('04-18T09:30'), check: 'leak-spray', outcome: 'hose' },
      {
        kind: 'check',
        at: on('04-18T09:40'),
        check: 'hose-follow',
        outcome: 'off',
        note: 'Split at the back of the manifold, where nobody looks.',
      },
      { kind: 'decision', at: on('04-18T09:45'), option: 'repair', cause: 'vacuum-hose-off' },
      { kind: 'repair', at: on('04-18T10:20'), cause: 'vacuum-hose-off', cost: 6, note: 'New hose, 40 cm.' },
      {
        kind: 'clear',
        at: on('04-18T10:25'),
        afterScan: entryId(id, 11),
        outcome: 'agreed',
        message: 'Agreed: 7E8, 7E9',
      },
      { kind: 'drive', at: on('04-19T08:20'), metConditions: 'yes', cameBack: 'no' },
      { kind: 'drive', at: on('04-21T08:15'), metConditions: 'yes', cameBack: 'no' },
      { kind: 'drive', at: on('04-24T08:15'), metConditions: 'yes', cameBack: 'no' },
      readByAdapter(on('04-25T10:00'), gone),
      { kind: 'lamp', at: on('04-25T10:02'), lamp: 'engine', mode: 'out' },
      { kind: 'closed', at: on('04-25T10:05'), outcome: 'fixed', note: 'The hose, not the sensor.' },
    ],
    EXPORTED,
  );
}
