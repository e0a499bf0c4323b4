import fc from 'fast-check';
import { DEFAULT_OWNER, type CaseRecord, type Entry } from '@pincer/core/case';
import { instancesFor } from '@pincer/core/diagnosis';
import { CHECKS } from '@pincer/core/knowledge';
import {
  PRACTICE_TASKS,
  PRACTICE_VEHICLES,
  answerOf,
  openTask,
  plannedPath,
  readTaskFile,
  scoreOf,
  sealTask,
  stillWrong,
  taskFile,
  walkedPath,
  type PracticeTask,
} from '@pincer/core/practice';
import { practiceFaults, readPracticeCar } from './index.ts';

const NOW = new Date('2026-11-03T12:00:00Z');
const OPENED = '2026-11-03T06:00:00.000Z';

const walkOf = (task: PracticeTask) => ({
  task,
  vehicle: { ...PRACTICE_VEHICLES[task.car], id: 'veh_practice' },
  owner: DEFAULT_OWNER,
  now: NOW,
});

/** A case with what the driver tells, and what is added to it. */
function caseOf(task: PracticeTask, ...more: Record<string, unknown>[]): CaseRecord {
  const entries = [
    ...task.lamps.map((l) => ({ kind: 'lamp', ...l })),
    ...task.signs.map((s) => ({ kind: 'observation', observation: s, answer: 'yes' })),
    ...more,
  ].map((e, i) => ({
    ...e,
    id: `ent_${i}`,
    at: new Date(Date.parse(OPENED) + i * 60_000).toISOString(),
  })) as Entry[];
  return { id: 'case_practice', vehicle: 'veh_practice', title: 'Practice', openedAt: OPENED, entries };
}

const readingOf = (task: PracticeTask) => (wrong: PracticeTask['parts']) =>
  readPracticeCar(
    {
      car: task.car,
      faults: task.parts.map((p) => p.fault),
      comesAndGoes: task.kind === 'comes-and-goes',
      seed: task.seed,
    },
    wrong.map((p) => p.fault),
  );

const taskNamed = (id: string): PracticeTask => {
  const found = PRACTICE_TASKS.find((t) => t.id === id);
  if (!found) throw new Error(`no task ${id}`);
  return found;
};

test('forty faults and more over three vehicles: single, two at once, coming and going, and none', () => {
  expect(new Set(PRACTICE_TASKS.map((t) => t.id)).size).toBe(PRACTICE_TASKS.length);
  const withFault = PRACTICE_TASKS.filter((t) => t.parts.length > 0);
  expect(withFault.length).toBeGreaterThanOrEqual(40);
  expect(new Set(PRACTICE_TASKS.map((t) => t.car)).size).toBe(3);
  expect(new Set(PRACTICE_TASKS.map((t) => t.kind)).size).toBe(4);
  for (const task of PRACTICE_TASKS) {
    const ids = new Set(instancesFor(walkOf(task).vehicle, NOW).map((i) => i.id));
    for (const { cause } of task.parts)
      expect([task.id, cause, ids.has(cause)]).toEqual([task.id, cause, true]);
    expect(practiceFaults(task.parts.map((p) => p.fault))).toHaveLength(task.parts.length);
  }
});

test.each(PRACTICE_TASKS.map((t) => [t.id, t] as const))(
  '%s can be solved from what is seen',
  async (_, task) => {
    const path = await plannedPath(caseOf(task), walkOf(task), readingOf(task));
    expect(path.isSolved).toBe(true);
    const asked = path.steps.at(-1);
    // Where a workshop ends it, what is wrong has been found: it leads, and is the more likely than not.
    if (asked?.title === 'Get help') expect(asked.truth).toBeGreaterThan(0.5);
    // Whoever follows it does not replace parts without end.
    expect(path.steps.filter((s) => s.isNeedless).length).toBeLessThanOrEqual(4);
  },
);

describe('what the practice car answers', () => {
  const task = taskNamed('finch-one-coil-3');
  const instances = instancesFor(walkOf(task).vehicle, NOW);

  test('an outcome of the check, always the same; another once it is repaired, or when it comes and goes', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CHECKS), fc.integer({ min: 1, max: 4 }), (check, place) => {
        const id = check.scope === 'cylinder' ? `${check.id}:${place}` : check.id;
        const answer = answerOf(task, id, ['coil:3'], instances);
        expect(check.outcomes.map((o) => o.id)).toContain(answer);
        expect(answerOf(task, id, ['coil:3'], instances)).toBe(answer);
      }),
    );
    expect(answerOf(task, 'no-such-check', [], instances)).toBeNull();
    const shy = taskNamed('finch-comes-and-goes-coil-boot-2');
    const seen = Array.from({ length: 12 }, (_, n) =>
      answerOf(shy, 'boot-look:2', ['coil-boot:2'], instances, n),
    );
    expect(new Set(seen).size).toBeGreaterThan(1);
  });

  test('its answers follow the library’s chances', () => {
    const check = CHECKS.find((c) => c.given['maf-unplugged'] !== undefined);
    if (!check) throw new Error('no check');
    const row = check.given['maf-unplugged'] ?? [];
    const counts = check.outcomes.map(() => 0);
    const runs = 2000;
    for (let seed = 0; seed < runs; seed++) {
      const answer = answerOf({ ...task, seed }, check.id, ['maf-unplugged'], instances);
      const at = check.outcomes.findIndex((o) => o.id === answer);
      counts[at] = (counts[at] ?? 0) + 1;
    }
    counts.forEach((n, i) => expect(Math.abs(n / runs - (row[i] ?? 0))).toBeLessThan(0.05));
  });

  test('a coil brings its boot along; a boot does not cure a coil', () => {
    const boot = taskNamed('finch-one-coil-boot-2');
    const after = (cause: string, of: PracticeTask) =>
      stillWrong(of, caseOf(of, { kind: 'repair', cause }).entries).length;
    expect([after('coil:2', boot), after('coil:3', boot), after('coil-boot:3', task)]).toEqual([0, 1, 1]);
  });

  test('a coil that was exchanged takes its fault along: the car misfires there, and is cured there', async () => {
    const coil = taskNamed('finch-one-coil-3');
    const swapped: Record<string, unknown> = { kind: 'check', check: 'swap-coils:3', outcome: 'moves' };
    const left = (...told: Record<string, unknown>[]) => stillWrong(coil, caseOf(coil, ...told).entries);
    expect(left(swapped).map((p) => p.cause)).toEqual(['coil:4']);
    expect(left({ ...swapped, outcome: 'stays' }).map((p) => p.cause)).toEqual(['coil:3']);
    expect(left(swapped, { kind: 'repair', cause: 'coil:3' })).toHaveLength(1);
    expect(left(swapped, { kind: 'repair', cause: 'coil:4' })).toHaveLength(0);
    const setup = {
      car: coil.car,
      faults: left(swapped).map((p) => p.fault),
      comesAndGoes: false,
      seed: coil.seed,
    };
    const scan = await readPracticeCar(setup, setup.faults);
    expect(scan.codes.map((c) => c.code)).toContain('P0304');
    expect(scan.codes.map((c) => c.code)).not.toContain('P0303');
  });
});

describe('how it went', () => {
  const task = taskNamed('finch-one-air-flow-unplugged');

  test('the way is told step by step; what cured nothing is counted, and so is what was dangerous', async () => {
    const scan = await readingOf(task)(task.parts);
    const planned = await plannedPath(caseOf(task), walkOf(task), readingOf(task));
    const read = { kind: 'scan', via: 'adapter', isComplete: true, scan };
    const wasteful = walkedPath(
      caseOf(
        task,
        { kind: 'lamp', lamp: 'oil', mode: 'steady' },
        read,
        { kind: 'repair', cause: 'oxygen-front' },
        { kind: 'drive', metConditions: 'yes', cameBack: 'yes' },
        { kind: 'repair', cause: 'maf-unplugged' },
      ),
      walkOf(task),
    );
    expect(wasteful.isSolved).toBe(true);
    expect(wasteful.steps.map((s) => s.isNeedless)).toEqual([false, true, false, false]);
    expect(wasteful.needless).toBeGreaterThan(0);
    expect(wasteful.dangers).toEqual([expect.stringMatching(/^Driven although it should stand/)]);
    const straight = walkedPath(caseOf(task, read, { kind: 'repair', cause: 'maf-unplugged' }), walkOf(task));
    expect(straight).toMatchObject({ isSolved: true, needless: 0, dangers: [] });
    expect(straight.steps.at(-1)?.result).toBe('That was it.');
    const [good, bad, none] = [straight, wasteful, walkedPath(caseOf(task, read), walkOf(task))].map(
      (path) => scoreOf(path, planned).points,
    );
    expect(good).toBe(100);
    expect(bad).toBeLessThan(60);
    expect(none).toBeLessThan(20);
  });

  test('where nothing fails, repairing nothing is right', () => {
    const sound = taskNamed('finch-none-sound');
    expect(walkedPath(caseOf(sound), walkOf(sound)).isSolved).toBe(true);
    const repaired = walkedPath(caseOf(sound, { kind: 'repair', cause: 'coil:1' }), walkOf(sound));
    expect([repaired.isSolved, repaired.steps[0]?.isNeedless]).toEqual([false, true]);
  });
});

test('a task goes to somebody else as a file that does not show its answer; a changed one is refused', () => {
  fc.assert(
    fc.property(fc.constantFrom(...PRACTICE_TASKS), (task) => {
      expect(openTask(sealTask(task))).toEqual(task);
      const file = taskFile(task);
      for (const { cause } of task.parts) expect(file).not.toContain(cause);
      expect(readTaskFile(file)).toEqual({ ok: true, task });
      expect(readTaskFile(file.replace('"sealed": "', '"sealed": "x')).ok).toBe(false);
    }),
  );
  expect(readTaskFile('{').ok).toBe(false);
  expect(openTask('nothing')).toBeNull();
});
