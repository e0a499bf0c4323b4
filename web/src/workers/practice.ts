import type { CaseRecord, Owner } from '@pincer/core/case';
import { atCylinder, instancesFor } from '@pincer/core/diagnosis';
import { answerOf, openTask, plannedPath, scoreOf, walkedPath } from '@pincer/core/practice';
import type { Vehicle } from '@pincer/core/vehicle';
import { tellAll, type Wording } from '@pincer/core/words';
import { readPracticeCar } from '@pincer/simulator';
import type { PracticePort, PracticeQuestion, PracticeResult } from '../ports/practice.ts';

/** Entries that the driver has told before the learner began: everything up to the first deed. */
const TOLD: ReadonlySet<string> = new Set(['lamp', 'observation', 'note']);

/** The practice bay’s own work, fetched by the core’s worker when it is first wanted. */
export const practice: PracticePort = {
  answer({ task, vehicle, check, wrong, again, at }: PracticeQuestion) {
    return Promise.resolve(answerOf(task, check, wrong, instancesFor(vehicle, new Date(at)), again));
  },

  async result(record: CaseRecord, vehicle: Vehicle, owner: Owner, at: string): Promise<PracticeResult> {
    const task = openTask(record.practice ?? '');
    if (!task) throw new Error('The task of this case cannot be read');
    const now = new Date(at);
    const walk = { task, vehicle, owner, now };
    const deed = record.entries.findIndex((e) => !TOLD.has(e.kind));
    const start = { ...record, entries: record.entries.slice(0, deed < 0 ? undefined : deed) };
    const setup = {
      car: task.car,
      faults: task.parts.map((p) => p.fault),
      comesAndGoes: task.kind === 'comes-and-goes',
      seed: task.seed,
    };
    const planned = await plannedPath(start, walk, (wrong) =>
      readPracticeCar(
        setup,
        wrong.map((p) => p.fault),
      ),
    );
    const walked = walkedPath(record, walk);
    const instances = instancesFor(vehicle, now);
    const what = task.parts.map(({ cause }) => {
      const found = instances.find((i) => i.id === cause);
      return found ? atCylinder(found.title, found.cylinder) : cause;
    });
    const wording: Wording = { units: owner.units, words: owner.words, vehicle: vehicle.kind };
    return tellAll({ what, walked, planned, score: scoreOf(walked, planned) }, wording);
  },
};
