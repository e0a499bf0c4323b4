import { DEFAULT_OWNER } from '@pincer/core/case';
import { CAR, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { ownerReport } from './index.ts';

const record = makeCase(
  scanEntry(makeScan(['P0302'])),
  { kind: 'note', text: 'Lent to Robin on Friday.' },
  {
    kind: 'repair',
    cause: 'coil-boot:2',
    by: 'owner',
    cost: 14,
    partNumber: 'KB 41 7',
    distanceKm: 168_500,
    note: 'At Robin’s place.',
  },
  { kind: 'lamp', lamp: 'engine', mode: 'out' },
  { kind: 'closed', outcome: 'fixed', cause: 'coil-boot:2', isProven: false },
);
const named = { ...CAR, plate: 'HV 41 KLN', vin: 'ZZ9TR1F46CH000302' };
const text = (words: 'british' | 'american') =>
  ownerReport(named, [record], { ...DEFAULT_OWNER, words })
    .parts.flatMap((p) => [p.title, ...p.lines])
    .join('\n');

test('faults and repairs, and whether it was proven', () => {
  expect(text('british')).toContain(
    'codes P0302; it was: coil boot of cylinder 2 cracked; closed as fixed on 3 November 2026, not proven then.',
  );
  expect(text('british')).toContain(
    'Fit a new coil boot on cylinder 2, by the owner, part KB 41 7, at 168,500 km, €14.',
  );
});

test('nothing in it speaks of the owner, in either English', () => {
  for (const words of ['british', 'american'] as const) {
    expect(text(words)).not.toMatch(/HV 41 KLN|ZZ9TR1F|Robin/);
    expect(text(words)).not.toContain('{');
  }
});
