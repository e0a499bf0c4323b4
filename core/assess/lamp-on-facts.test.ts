import type { Scan } from '@pincer/core/obd';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

const lit = (codes: string[], counters: Record<string, number>): Scan => makeScan(codes, counters);
const look = (scan: Scan, ...more: Parameters<typeof makeCase>) =>
  assess(makeCase({ kind: 'lamp', lamp: 'engine', mode: 'steady' }, scanEntry(scan), ...more), CAR, NOW);
const said = (scan: Scan) => look(scan).facts.find((f) => f.id === 'lamp-on-for')?.title;

test.each<[string, Record<string, number>, string | undefined]>([
  ['distance and time', { '21': 312, '4D': 540 }, 'Engine light on for 312 km, 9 hours of running'],
  ['distance alone', { '21': 12 }, 'Engine light on for 12 km'],
  ['a counter at its top', { '21': 65_535 }, 'Engine light on for at least 65,535 km'],
  ['nothing driven with it', { '21': 0 }, undefined],
  ['not told', {}, undefined],
])('%s', (_, counters, title) => {
  expect(said(lit(['P0171'], counters))?.replaceAll('\u202f', ' ')).toBe(title);
});

test('what ends by itself is less likely once the light has been on for long; what stays is not', () => {
  const [fresh, old] = [lit(['P0300'], { '21': 20 }), lit(['P0300'], { '21': 900 })];
  const refuelled = [fresh, old].map((scan) => look(scan, saw('before:refuelled')).causes);
  const of = (id: string) => refuelled.map((c) => c.find((x) => x.id === id)?.probability ?? 0);
  expect(of('bad-fuel')[1]).toBeLessThan(of('bad-fuel')[0] ?? 0);
  expect(of('plugs-overdue')[1]).toBeGreaterThan(of('plugs-overdue')[0] ?? 1);
});

test('the weeks that it may wait are over one day, and it is said', () => {
  const reasons = (km: number) => look(lit(['P0420'], { '21': km })).allowance.reasons.map((r) => r.id);
  expect(reasons(2_000)).toContain('long-lit');
  expect(reasons(200)).not.toContain('long-lit');
});

test('without a code it is no evidence of anything', () => {
  expect(look(lit([], { '21': 900 })).causes).toEqual([]);
});

test('kilometres with the light on since the clear, though it is out: it was lit again', () => {
  const clear = { kind: 'clear', afterScan: 'ent_2', outcome: 'agreed' } as const;
  const after = (counters: Record<string, number>) =>
    look(lit(['P0171'], { '21': 400, '31': 900 }), clear, scanEntry(makeScan([], counters))).counters;
  expect(after({ '21': 14, '31': 120 })).toMatchObject([{ id: 'lit-again' }]);
  expect(after({ '21': 0, '31': 120 })).toEqual([]);
});
