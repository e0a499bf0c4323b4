import type { CaseState } from '@pincer/core/case';
import { atCylinder, otherCylinder, type Evidence } from '@pincer/core/diagnosis';
import { causeById } from '@pincer/core/knowledge';
import { cameBackAfter } from '@pincer/core/proof';
import { cylindersOf, type Vehicle } from '@pincer/core/vehicle';
import type { Fact, Told } from './told.ts';

/** A repair after which the fault came back speaks against the cause that was repaired. */
export function repairFacts(state: CaseState, vehicle: Vehicle): Told {
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  const told = new Set<string>();
  for (const [at, repair] of state.repairs.entries()) {
    const next = state.repairs[at + 1];
    if (told.has(repair.cause) || !cameBackAfter(state, repair.id, next?.id ?? null)) continue;
    told.add(repair.cause);
    const [id = '', place] = repair.cause.split(':');
    const cause = causeById(id);
    if (!cause) continue;
    const cylinder = place === undefined ? null : Number(place);
    const other = cylinder === null ? undefined : otherCylinder(cylinder, cylindersOf(vehicle));
    const fact = `repair:${repair.cause}`;
    facts.push({
      id: fact,
      side: 'owner',
      kind: 'check',
      title: 'It came back after this repair',
      detail: atCylinder(cause.repair.title, cylinder, other),
      entry: repair.id,
    });
    evidence.push({ kind: 'came-back', fact, cause: repair.cause });
  }
  return { facts, evidence };
}
