import { clearedLately, type CaseState, type Standing } from '@pincer/core/case';
import { selfCheckOf } from '@pincer/core/knowledge';
import { codesIn, type ProofBasis } from './fading.ts';

/** What a car proves by itself. */
export type OwnProof = 'self-check-passed' | 'permanent-erased' | 'lamp-went-out' | 'code-erased';

/** Trips whose self-check ran and passed that each stands for, at the least (ISO 15031-5; 13 CCR 1968.2). */
export const PASSES: Readonly<Record<OwnProof, number>> = {
  'self-check-passed': 1,
  'permanent-erased': 3,
  'lamp-went-out': 3,
  'code-erased': 4,
};

/** What the car has said since a proof began that only passed self-checks bring about. */
export function ownProofOf(
  state: CaseState,
  basis: ProofBasis,
  places: ReadonlyMap<string, number>,
): OwnProof[] {
  const { standing } = state;
  const at = places.get(basis.entry) ?? 0;
  const isSince = (entry: string) => (places.get(entry) ?? -1) > at;
  const proofs: OwnProof[] = [];
  if (basis.way !== 'repair' && haveOwnChecksPassed(standing, basis, isSince))
    proofs.push('self-check-passed');
  if (isPermanentErased(state, isSince)) proofs.push('permanent-erased');
  if (basis.way === 'repair' && !isPendingNow(standing, basis)) {
    if (hasLampGoneOut(standing, basis, isSince)) proofs.push('lamp-went-out');
    if (haveCodesFaded(standing, basis)) proofs.push('code-erased');
  }
  return proofs;
}

const isPendingNow = ({ codes }: Standing, { was }: ProofBasis): boolean =>
  codes.some(
    (c) => c.clearedBy === null && c.code.state === 'pending' && was.some(({ code }) => code === c.code.code),
  );

/**
 * Self-checks that run on some drives alone and are complete since the clear, with no code of theirs read since. What runs
 * all the time is told as complete from the first key-on and proves nothing.
 */
function haveOwnChecksPassed(
  standing: Standing,
  { was, returned, readSince }: ProofBasis,
  isSince: (entry: string) => boolean,
): boolean {
  if (readSince === null || returned.length > 0) return false;
  const checks = was.map((c) => selfCheckOf(c.code));
  return (
    checks.length > 0 &&
    checks.every((check) => {
      if (check?.within !== 'some-drives') return false;
      const told = standing.monitors.filter(
        (m) => m.monitor.span === 'since-clear' && check.monitors.includes(m.monitor.monitor),
      );
      return (
        told.length > 0 &&
        told.every(
          (m) =>
            m.clearedBy === null && m.monitor.complete && m.word.how === 'adapter' && isSince(m.word.entry),
        )
      );
    })
  );
}

/** A permanent code that was read before and is not there any more: its self-check has passed (13 CCR 1968.2 (d)(2.2.5)). */
function isPermanentErased({ scans, standing }: CaseState, isSince: (entry: string) => boolean): boolean {
  const was = scans
    .filter((s) => !isSince(s.id))
    .flatMap((s) => s.scan.codes.filter((c) => c.state === 'permanent'));
  if (was.length === 0) return false;
  const isRead = [...standing.parts.values()].some(
    (p) => p.part === 'permanent' && p.word !== null && p.word.how === 'adapter' && isSince(p.word.entry),
  );
  const now = new Set(
    standing.codes
      .filter((c) => c.code.state === 'permanent' && c.clearedBy === null)
      .map((c) => c.code.code),
  );
  return isRead && codesIn(was.map((code) => ({ code }))).every((code) => !now.has(code));
}

/** The lamp was on for a stored code, and the car commands it off without a clear: three good trips running. */
function hasLampGoneOut(
  { mils }: Standing,
  { wasLit }: ProofBasis,
  isSince: (entry: string) => boolean,
): boolean {
  const since = mils.filter((m) => m.clearedBy === null && m.word.how !== 'file' && isSince(m.word.entry));
  return wasLit && since.length > 0 && since.every((m) => !m.mil.on);
}

/** Forty warm-ups have erased what was confirmed, and nobody else has emptied the memory meanwhile. */
function haveCodesFaded(standing: Standing, { was, readSince }: ProofBasis): boolean {
  if (clearedLately(standing)) return false;
  const { codes } = standing;
  const confirmed = was.filter((c) => c.state === 'confirmed');
  return (
    readSince !== null &&
    confirmed.length > 0 &&
    confirmed.every(({ code }) => !codes.some((c) => c.clearedBy === null && c.code.code === code))
  );
}
