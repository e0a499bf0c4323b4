import type { CaseState, EntryOf } from '@pincer/core/case';
import type { Evidence } from '@pincer/core/diagnosis';
import type { Fact, Told } from './told.ts';

/** The bulletins of a case, each once, the newest word of each. */
export function bulletinsOf({ entries }: CaseState): EntryOf<'bulletin'>[] {
  const byId = new Map<string, EntryOf<'bulletin'>>();
  for (const e of entries) if (e.kind === 'bulletin') byId.set(e.bulletin.id, e);
  return [...byId.values()];
}

/** What the maker has written about this vehicle, as facts; where it names causes, as evidence too. */
export function bulletinFacts(state: CaseState): Told {
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  for (const { id: entry, bulletin } of bulletinsOf(state)) {
    const id = `bulletin:${bulletin.id}`;
    facts.push({
      id,
      side: 'owner',
      kind: 'observation',
      title: `${bulletin.kind === 'recall' ? 'Recall' : 'Bulletin'}: ${bulletin.title}`,
      detail: bulletin.source,
      entry,
    });
    if (bulletin.causes.length > 0) evidence.push({ kind: 'bulletin', fact: id, causes: bulletin.causes });
  }
  return { facts, evidence };
}
