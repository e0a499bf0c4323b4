import { clearedLately, unreadParts, type CaseState, type Standing } from '@pincer/core/case';
import { selfCheckOf } from '@pincer/core/knowledge';

/** Why nothing fails at the moment, as far as was read. */
export type QuietKind = 'sound' | 'passed' | 'aging-out' | 'memory-cleared' | 'permanent-waits';

/** A situation in which nothing fails now. */
export interface Quiet {
  kind: QuietKind;
  /** Prior chance that nothing is wrong any more, before anything particular is known. */
  share: number;
  title: string;
  because: string;
  /** What to do. */
  advice: string;
  /** What would change it. */
  changes: string;
}

/** The same with the chance that nothing is wrong any more, all evidence taken together. */
export interface QuietNow extends Quiet {
  chance: number;
}

/**
 * How often nothing is wrong in such a situation. Judged: a lamp that went out by itself comes back with about one
 * vehicle in five; an emptied memory says little of what is there.
 */
const SHARES: Readonly<Record<QuietKind, number>> = {
  sound: 0.97,
  passed: 0.8,
  'aging-out': 0.85,
  'memory-cleared': 0.6,
  'permanent-waits': 0.8,
};

const CHANGES = 'A warning light, a sign that you notice, or a code at the next reading.';

/** Of what runs only on some drives, the share still open from which the memory counts as emptied lately. */
const MOSTLY_OPEN = 0.5;
const RUNS_ALWAYS: ReadonlySet<string> = new Set(['misfire', 'fuel', 'components']);

/**
 * Whether nothing fails now: it was read, no lamp is lit, no code is confirmed or pending, no reading is odd and the
 * owner notices nothing. What was not read or not looked at is never taken for sound.
 * @param failing codes that count as failing, accepted ones left out. @param hasOdd whether a reading is out of order.
 * @param isWatched whether a clear of this case is being watched: its proof says more than this can.
 * @returns null where something fails, or where nobody knows.
 */
export function quietOf(
  { standing, repairs, scans }: CaseState,
  failing: readonly { code: string; state: string }[],
  hasOdd: boolean,
  isWatched: boolean,
): Quiet | null {
  // A file may be years old: it adds what it holds, and says of nothing that it is not there now.
  const isRead = unreadParts(standing, ['confirmed', 'pending'], (p) => p.word?.how !== 'file').length === 0;
  if (isWatched || hasOdd || !isRead) return null;
  if ([...standing.lamps.values()].some((l) => l.mode !== 'out')) return null;
  if (standing.mils.some((m) => m.clearedBy !== null || m.mil.on)) return null;
  if (failing.some((c) => c.state === 'confirmed' || c.state === 'pending')) return null;
  if ([...standing.observations].some(([key, { answer }]) => key.startsWith('sign:') && answer === 'yes'))
    return null;
  const permanent = failing.find((c) => c.state === 'permanent')?.code;
  const kind: QuietKind =
    permanent !== undefined
      ? 'permanent-waits'
      : isEmptiedLately(standing)
        ? 'memory-cleared'
        : scans.some((s) => s.scan.codes.length > 0)
          ? repairs.length > 0
            ? 'aging-out'
            : 'passed'
          : standing.lamps.size > 0
            ? 'passed'
            : 'sound';
  return { kind, share: SHARES[kind], changes: CHANGES, ...wordsOf(kind, permanent) };
}

/** By the car's own counters, or because most of what runs only on some drives has not run. */
function isEmptiedLately(standing: Standing): boolean {
  if (clearedLately(standing)) return true;
  const told = standing.monitors.filter(
    ({ monitor, clearedBy }) =>
      clearedBy === null && monitor.span === 'since-clear' && !RUNS_ALWAYS.has(monitor.monitor),
  );
  const open = told.filter(({ monitor }) => !monitor.complete);
  return told.length > 1 && open.length / told.length >= MOSTLY_OPEN;
}

function wordsOf(
  kind: QuietKind,
  permanent: string | undefined,
): Pick<Quiet, 'title' | 'because' | 'advice'> {
  switch (kind) {
    case 'sound':
      return {
        title: 'Nothing to do',
        because: 'No warning light is on, no code is stored, and nothing that was read is out of order.',
        advice: 'Keep this reading. A later one is compared with it.',
      };
    case 'passed':
      return {
        title: 'It seems to have passed',
        because: 'No warning light is on and nothing fails now. What was seen before is history.',
        advice:
          'Leave it. Make one drive like the one on which it came, then read again within two weeks. A fault that is still there turns the light on again.',
      };
    case 'aging-out':
      return {
        title: 'Repaired, and nothing fails now',
        because:
          'What was stored is history. The control unit erases it by itself after about forty warm-ups.',
        advice: 'Nothing has to be cleared. Drive as usual and read again in two weeks.',
      };
    case 'memory-cleared':
      return {
        title: 'The codes were cleared lately',
        because:
          'Most self-checks are still open, as after a clear or a disconnected battery. That no code is stored says little yet.',
        advice:
          'Drive until the self-checks have run, then read again. If you are looking at a {car} to buy, ask why it was cleared.',
      };
    case 'permanent-waits': {
      const check = permanent === undefined ? null : selfCheckOf(permanent);
      return {
        title: 'Only a permanent code is left',
        because: `${permanent ?? 'It'} goes by itself when the {car} has seen its self-check pass. No tool erases it.`,
        advice: check
          ? `Drive so that the self-check “${check.name}” can run: ${check.runs}. Then read again.`
          : 'Drive as usual, then read again.',
      };
    }
  }
}
