import { findInText, scanOfFindings, type CaseFile } from '@pincer/core/case';
import { DRAY } from '@pincer/simulator';
import { dray } from './vehicles.ts';
import { readScene, caseFile, EXPORTED, talking, readByAdapter } from './scene.ts';

/** Written down from a borrowed reader's two-line screen, later read: the van, lazy on hills, with a hiss. */
export async function borrowedReader(): Promise<CaseFile> {
  const on = (time: string) => `2026-${time}:00.000Z`;
  const scan = scanOfFindings(
    findInText(
      'P0299 stored\nP0101 pending\nECT 86 C  LOAD 91 %\nRPM 2140  VSS 63 km/h\nMAF 41.2 g/s\nMIS OK  FUE OK  CCM OK  EGR OK',
    ),
  );
  const own = await readScene({
    car: DRAY,
    units: dray.moduleMap,
    faults: [{ kind: 'charge-hose' }],
    seed: 17,
    outside: 8,
    isWarm: true,
  });
  return caseFile(
    'dray',
    'Lazy on the hill road',
    on('11-08T18:30'),
    [
      { kind: 'lamp', at: on('11-08T18:31'), lamp: 'engine', mode: 'steady' },
      { kind: 'bulb', at: on('11-08T18:31'), answer: 'lights' },
      { kind: 'observation', at: on('11-08T18:32'), observation: 'sign:weak', answer: 'yes' },
      { kind: 'observation', at: on('11-08T18:32'), observation: 'sign:uphill', answer: 'yes' },
      { kind: 'observation', at: on('11-08T18:33'), observation: 'sign:hiss', answer: 'yes' },
      { kind: 'scan', at: on('11-08T18:40'), via: 'hand', isComplete: false, scan },
      { kind: 'note', at: on('11-08T18:42'), text: 'The neighbour’s reader; it has to go back on Sunday.' },
      talking(on('11-14T09:10'), 12.5),
      readByAdapter(on('11-14T09:14'), own),
    ],
    EXPORTED,
    dray,
  );
}
