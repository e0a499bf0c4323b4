import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { RULES } from '@pincer/core/signals';
import { confusionMarkdown, confusionTable } from '../confusion.ts';

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

test('a sound vehicle passes all that it can; each fault trips its rule and few others; the printed table is up to date', async () => {
  const rows = await confusionTable();
  expect(RULES.length).toBeGreaterThanOrEqual(45);
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
  expect(rows.filter((r) => FOUND_BY[r.fault] !== undefined).length).toBeGreaterThanOrEqual(
    Object.keys(FOUND_BY).length,
  );
  expect(readFileSync(join(__dirname, '../../docs/confusion.md'), 'utf8')).toBe(confusionMarkdown(rows));
}, 180_000);
