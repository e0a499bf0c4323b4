import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { RULES } from '@pincer/core/signals';
import type { CarPlan } from '@pincer/simulator';
import { confusionLine, confusionOf } from '../confusion.ts';

/** Rules that have to find each fault; the others may find at most two more. */
const FOUND_BY: Readonly<Record<string, readonly string[]>> = {
  'coil 1': ['idle-steady'],
  'air-flow-unplugged': ['air-flow-dead'],
  'intake-temperature-unplugged': ['intake-temperature-rail'],
  'intake-leak': ['trims-idle', 'trims-compared'],
  'air-flow-dirty': ['trims-load'],
  'coolant-sensor-open': ['coolant-temperature-rail'],
  'thermostat-open': ['warm-up'],
  'pressure-stuck': ['manifold-key-on', 'manifold-alive'],
  'fuel-starved': ['trims-load', 'trims-compared'],
  'injector-leaks': ['trims-idle'],
  'front-oxygen-lazy': ['front-oxygen-swings', 'front-oxygen-range'],
  'catalyst-worn': ['rear-oxygen-steady'],
  'pedal-track': ['pedal-tracks'],
  'throttle-sticks': ['throttle-follows'],
  'alternator-dead': ['charging'],
  'air-pressure-wrong': ['manifold-key-on', 'air-pressure-height'],
  'battery-weak': ['battery-rest'],
  'charge-hose': ['boost-follows', 'air-flow-fits'],
  'egr-stuck': ['egr-follows'],
  'filter-full': ['filter-pressure'],
  'filter-ash': ['filter-soot'],
  'filter-cracked': ['filter-soot'],
  'rail-weak': ['rail-follows'],
  'glow-plug': ['glow-current'],
  regulator: ['charging', 'charging-steady'],
};

/** Holds one vehicle: a sound one passes all that it can; each fault trips its rule and few others; the printed table says so. */
export async function holdsFor(plan: CarPlan | undefined): Promise<void> {
  if (!plan) throw new Error('no such stand-in');
  expect(RULES.length).toBeGreaterThanOrEqual(45);
  const rows = await confusionOf(plan);
  for (const row of rows) {
    if (row.fault === 'sound') {
      expect(row).toMatchObject({ odd: [] });
      expect(row.judged).toBeGreaterThan(24);
      continue;
    }
    const must = FOUND_BY[row.fault] ?? [];
    expect({ ...row, missed: must.filter((r) => !row.odd.includes(r)) }).toMatchObject({ missed: [] });
    expect({ ...row, more: row.odd.filter((r) => !must.includes(r)).length > 2 }).toMatchObject({
      more: false,
    });
  }
  const printed = readFileSync(join(__dirname, '../../docs/confusion.md'), 'utf8').split('\n');
  expect(printed.filter((line) => line.startsWith(`| ${plan.title} |`))).toEqual(rows.map(confusionLine));
}

/** Faults that have a rule of their own. */
export const FAULTS_WITH_A_RULE: readonly string[] = Object.keys(FOUND_BY);
