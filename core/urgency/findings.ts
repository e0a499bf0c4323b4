import type { CaseState, Standing } from '@pincer/core/case';
import {
  FINDING_OF_OUTCOME,
  FINDING_OF_SIGN,
  READ_OFF,
  checkById,
  isObservationKey,
  type FindingId,
  type ObservationKey,
} from '@pincer/core/knowledge';
import type { Judgement, RuleId } from '@pincer/core/signals';

/** What a reading finds that an eye or a hand could have found; by its side where both sides mean something. */
const FINDING_OF_RULE: Readonly<Partial<Record<RuleId, FindingId | { high: FindingId; low: FindingId }>>> = {
  charging: { high: 'overcharging', low: 'not-charging' },
  'charging-raised': 'not-charging',
  overcharging: 'overcharging',
  'battery-rest': 'battery-weak',
  'coolant-hot': 'too-hot',
};

/** One word on a finding: it is so, or it is not so. */
interface Word {
  finding: FindingId;
  isSo: boolean;
  at: string;
}

/** The findings that an answer can bring, of every check, by its id. */
const BY_CHECK = new Map<string, [outcome: string, finding: FindingId][]>();
for (const [key, finding] of Object.entries(FINDING_OF_OUTCOME)) {
  const [check = '', outcome = ''] = key.split('/');
  BY_CHECK.set(check, [...(BY_CHECK.get(check) ?? []), [outcome, finding]]);
}

/** What a sign finds. A smell of fuel is less where the owner has looked and says that nothing is wet or strong. */
function findingOfSign(key: ObservationKey, { observations }: Standing): FindingId | undefined {
  const isSlight = key === 'sign:fuel-smell' && observations.get('sign:fuel-wet')?.answer === 'no';
  return isSlight ? 'fuel-whiff' : FINDING_OF_SIGN[key];
}

const withoutCylinder = (id: string): string => id.replace(/:\d+$/, '');

/**
 * What is found to be so, by whatever way: asked at Light, shown by a check, or read. "Don't know" takes nothing back. A finding
 * of a check is over once a cause that the check speaks of was repaired after it.
 */
export function findingsOf(
  { standing, repairs }: Pick<CaseState, 'standing' | 'repairs'>,
  judgements: readonly Judgement[],
): Set<FindingId> {
  const words: Word[] = [];
  for (const [key, { answer, at }] of standing.observations) {
    const finding = isObservationKey(key) ? findingOfSign(key, standing) : undefined;
    if (finding && answer !== 'unknown') words.push({ finding, isSo: answer === 'yes', at });
  }
  for (const [id, { outcome, at }] of standing.checks) {
    const check = checkById(withoutCylinder(id));
    const brings = BY_CHECK.get(withoutCylinder(id)) ?? [];
    const isMended = repairs.some((r) => r.at > at && check && withoutCylinder(r.cause) in check.given);
    for (const [when, finding] of brings) words.push({ finding, isSo: outcome === when && !isMended, at });
  }
  const found = new Set<FindingId>();
  for (const { finding, isSo, at } of words) {
    if (!isSo) continue;
    const isOvertaken =
      READ_OFF.has(finding) && words.some((w) => w.finding === finding && !w.isSo && w.at > at);
    if (!isOvertaken) found.add(finding);
  }
  for (const j of judgements) {
    const brings = FINDING_OF_RULE[j.rule];
    const finding = typeof brings === 'object' ? brings[j.side ?? 'low'] : brings;
    if (finding && (j.verdict === 'odd' || j.verdict === 'impossible')) found.add(finding);
  }
  return found;
}
