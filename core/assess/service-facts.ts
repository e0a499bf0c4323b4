import type { Standing } from '@pincer/core/case';
import type { Evidence } from '@pincer/core/diagnosis';
import { serviceDue } from '@pincer/core/service';
import type { Vehicle } from '@pincer/core/vehicle';
import type { Fact, Told } from './told.ts';

/** Service that is overdue by the vehicle's own book speaks like the owner's word; what the owner answered wins. */
export function serviceFacts({ observations }: Standing, vehicle: Vehicle, now: Date): Told {
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  const said = new Set<string>();
  for (const { item, status, last } of serviceDue(vehicle, now)) {
    // Without a book nobody knows: what was never recorded is not overdue.
    if (status !== 'overdue' || !item.says || !last || !vehicle.service) continue;
    if (said.has(item.says) || observations.has(item.says)) continue;
    said.add(item.says);
    const id = `service:${item.id}`;
    facts.push({
      id,
      side: 'owner',
      kind: 'observation',
      title: `${item.title}: overdue`,
      detail: `by the vehicle’s service, last done ${last.at}`,
      entry: null,
    });
    evidence.push({ kind: 'observation', fact: id, key: item.says, cylinder: null, isPresent: true });
  }
  return { facts, evidence };
}
