import { LAMPS, LAMP_MODE_WORDS, type LampId, type Standing } from '@pincer/core/case';
import { atCylinder, otherCylinder, type Evidence } from '@pincer/core/diagnosis';
import {
  HAS_MOVED,
  MEASUREMENTS,
  SWAPS,
  checkById,
  isObservationKey,
  observationKind,
  type Check,
  type ObservationKey,
} from '@pincer/core/knowledge';
import { judgeMeasurement, takenText, type Taking } from '@pincer/core/meter';
import { cylindersOf, type Vehicle } from '@pincer/core/vehicle';
import type { Fact, Told } from './told.ts';

/** Which observation each lamp is; the engine lamp says something only by flashing, its codes say the rest. */
function lampKey(lamp: LampId): ObservationKey | null {
  const key = lamp === 'engine' ? 'lamp:engine-flashing' : `lamp:${lamp}`;
  return isObservationKey(key) ? key : null;
}

/** A warning light by its name, such as `Oil pressure light`. */
export function lampName(lamp: LampId): string {
  const short = LAMPS[lamp].replace(/ \(.*\)$/, '');
  return /light$/.test(short) ? short : `${short} light`;
}

/** Lamps that the owner reported, lit or out; one that nobody spoke of is unknown. */
export function lampFacts({ lamps }: Standing): Told {
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  for (const [lamp, { mode, entry }] of lamps) {
    const key = lampKey(lamp);
    if (!key || (lamp === 'engine' && mode === 'out')) continue;
    const id = `lamp:${lamp}`;
    const isPresent = lamp === 'engine' ? mode === 'flashing' : mode !== 'out';
    facts.push({
      id,
      side: 'car',
      // A lamp that is out is like a reading that makes sense: it is folded away until it speaks.
      ...(isPresent ? { kind: 'observation' } : { kind: 'reading', isSound: mode === 'out' }),
      title: `${lampName(lamp)} ${LAMP_MODE_WORDS[mode]}`,
      detail: 'as you saw it',
      entry,
    });
    evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent });
  }
  return { facts, evidence };
}

/**
 * Symptoms and events that the owner answered yes or no to.
 * @param counts whether what an entry told belongs to the present episode.
 */
export function observationFacts({ observations }: Standing, counts: (entry: string) => boolean): Told {
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  for (const [key, { answer, entry }] of observations) {
    if (!isObservationKey(key) || answer === 'unknown' || !counts(entry)) continue;
    const kind = observationKind(key);
    const id = `seen:${key}`;
    facts.push({
      id,
      side: 'owner',
      kind: 'observation',
      title:
        answer === 'yes' ? kind.title : `Not: ${kind.title.charAt(0).toLowerCase()}${kind.title.slice(1)}`,
      detail: kind.group === 'before' ? 'before it began' : 'told at Warning light',
      entry,
    });
    evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent: answer === 'yes' });
  }
  return { facts, evidence };
}

/** A check of the log, such as `boot-look:2`, with what fills its texts; null where it is not known here. */
export function checkAt(
  instance: string,
  vehicle: Vehicle,
): { check: Check; cylinder: number | null; fill: (text: string) => string } | null {
  const [id = '', place] = instance.split(':');
  const check = checkById(id);
  if (!check) return null;
  const cylinder = place === undefined ? null : Number(place);
  const other = cylinder === null ? undefined : otherCylinder(cylinder, cylindersOf(vehicle));
  return { check, cylinder, fill: (text) => atCylinder(text, cylinder, other) };
}

/** What typed numbers say of a check; null where this version cannot judge them, and the recorded outcome stands alone. */
export function judgedOf(
  check: Check,
  cylinder: number | null,
  measured: Taking,
  vehicle: Vehicle,
): { weights: number[]; summary: string } | null {
  const measurement = MEASUREMENTS[check.id];
  if (!measurement) return null;
  const ids = check.outcomes.map((o) => o.id);
  const only = cylinder === null ? null : cylinder - 1;
  const judged = judgeMeasurement(measurement, measured, ids, cylindersOf(vehicle), only);
  if ('missing' in judged) return null;
  return {
    weights: ids.map((id) => judged.weights[id] ?? 0),
    summary: takenText(measurement, measured, only),
  };
}

/** Results of hands-on checks. @param counts as for symptoms. */
export function checkFacts({ checks }: Standing, vehicle: Vehicle, counts: (entry: string) => boolean): Told {
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  for (const [instance, { outcome, measured, entry }] of checks) {
    const known = checkAt(instance, vehicle);
    if (!known || !counts(entry)) continue;
    const { check, cylinder, fill } = known;
    const index = check.outcomes.findIndex((o) => o.id === outcome);
    const found = check.outcomes[index];
    if (!found) continue;
    const fact = `check:${instance}`;
    const judged = measured && judgedOf(check, cylinder, measured, vehicle);
    const swap = outcome === HAS_MOVED ? SWAPS[check.id] : undefined;
    facts.push({
      id: fact,
      side: 'owner',
      kind: 'check',
      title: fill(found.title),
      detail: `${fill(check.title)}${judged ? ` (${judged.summary})` : ''}${swap ? ` · ${fill(swap.after)}` : ''}`,
      entry,
    });
    evidence.push({
      kind: 'check',
      fact,
      check,
      cylinder,
      outcome: index,
      ...(judged ? { weights: judged.weights } : {}),
    });
  }
  return { facts, evidence };
}
