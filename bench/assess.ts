import { assess } from '@pincer/core/assess';
import { CHECKS } from '@pincer/core/knowledge';
import { CAR, NOW, makeCase, makeScan, scanEntry, saw } from '../core/test/make-case.ts';
import type { Row } from './row.ts';

const CODES = [
  'P0302',
  'P0300',
  'P0171',
  'P0113',
  'P0102',
  'P0420',
  'P0442',
  'P0128',
  'P0335',
  'P0562',
  'P0133',
  'P0507',
];

type Entries = Parameters<typeof makeCase>;

/** A case with 12 codes and 10 checks, and any number of notes and repeated answers after them. */
function bigCase(extra: number) {
  const checks = CHECKS.filter((c) => c.scope === 'engine').slice(0, 10);
  const entries = [
    { kind: 'lamp', lamp: 'engine', mode: 'steady' },
    scanEntry(
      makeScan(CODES, {
        '0C': 740,
        '0D': 0,
        '05': 88,
        '06': 8,
        '07': 12,
        '0B': 36,
        '0F': 20,
        '10': 2.1,
        '42': 14,
      }),
    ),
    ...checks.map((c) => ({ kind: 'check', check: c.id, outcome: c.outcomes[0].id })),
    ...Array.from({ length: extra }, (_, i) =>
      saw(i % 2 === 0 ? 'sign:shakes' : 'sign:wet', i % 3 === 0 ? 'yes' : 'no'),
    ),
  ] as Entries;
  return makeCase(...entries);
}

/** Median of several runs, milliseconds, after warming up. */
function median(run: () => void, times = 15): number {
  for (let i = 0; i < 5; i++) run();
  const list = Array.from({ length: times }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return list[Math.floor(times / 2)] ?? 0;
}

export function assessRows(): Row[] {
  const small = bigCase(0);
  const ms = median(() => assess(small, CAR, NOW));
  const [n, big] = [200, 3200];
  const few = median(() => assess(bigCase(n), CAR, NOW), 7);
  const many = median(() => assess(bigCase(big), CAR, NOW), 7);
  return [
    {
      what: 'assess() with next checks, 12 codes and 10 checks',
      measured: `${ms.toFixed(1)} ms`,
      budget: '50 ms',
      ratio: ms / 50,
    },
    {
      what: `Cost of ${big / n} times the entries`,
      measured: `${(many / few).toFixed(2)} x`,
      budget: `${big / n} x (linear)`,
      ratio: many / few / (big / n),
    },
  ];
}
