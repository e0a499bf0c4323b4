import { foldCase, type Entry } from '@pincer/core/case';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

type WithoutStamp<T> = T extends Entry ? Omit<T, 'id' | 'at'> : never;
type Fact = WithoutStamp<Entry>;

const look = (...facts: Fact[]) => assess(makeCase(...facts), CAR, NOW);
const lamp = (mode: 'steady' | 'out'): Fact => ({ kind: 'lamp', lamp: 'engine', mode });
const read = (...codes: string[]): Fact => scanEntry(makeScan(codes));
const withoutLamp = (fact: Fact): Fact =>
  fact.kind === 'scan'
    ? { ...fact, scan: { ...fact.scan, mils: [{ unit: '7E8', on: false, count: 0 }] } }
    : fact;
const fromFile = (fact: Fact): Fact => (fact.kind === 'scan' ? { ...fact, via: 'file' } : fact);
const unready = scanEntry(makeScan([], {}, { ran: ['misfire', 'fuel', 'components'] }));

/** What was logged, and what kind of quiet it is; null where something fails or nobody knows. */
const SITUATIONS: readonly (readonly [name: string, facts: readonly Fact[], kind: string | null])[] = [
  ['nothing was read', [], null],
  ['the owner says that the lamp is out, and nobody read', [lamp('out')], null],
  ['a sound car, read as a routine', [read()], 'sound'],
  ['read before buying, most self-checks open', [unready], 'memory-cleared'],
  [
    'cleared 20 km ago by the car’s own count, one self-check open',
    [
      scanEntry(
        makeScan(
          [],
          { '31': 20 },
          { ran: ['misfire', 'fuel', 'components', 'catalyst', 'oxygen-sensor', 'oxygen-heater', 'egr'] },
        ),
      ),
    ],
    'memory-cleared',
  ],
  ['a lamp that went out, nothing stored', [lamp('steady'), lamp('out'), read()], 'passed'],
  ['a code that is history now', [lamp('out'), withoutLamp(read('P0562:history'))], 'passed'],
  ['a code seen once and not at the next reading', [read('P0562'), lamp('out'), read()], 'passed'],
  [
    'repaired, and not there any more',
    [read('P0113'), { kind: 'repair', cause: 'iat-unplugged' }, read()],
    'aging-out',
  ],
  ['a permanent code alone', [withoutLamp(read('P0420:permanent'))], 'permanent-waits'],
  ['a saved file without codes, which may be years old', [fromFile(read())], null],
  ['a confirmed code', [read('P0302')], null],
  ['a pending code, lamp out', [withoutLamp(read('P0302:pending'))], null],
  ['the lamp is lit after a reading without codes', [read(), lamp('steady')], null],
  ['it shakes', [read(), saw('sign:shakes')], null],
  ['only confirmed codes were read', [{ ...scanEntry(makeScan([]), false) }], null],
  [
    'a clear of this case is watched',
    [read('P0302'), { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' }, read()],
    null,
  ],
];

describe('nothing fails now', () => {
  test.each(SITUATIONS)('%s', (_, facts, kind) => {
    const a = look(...facts);
    expect(a.quiet?.kind ?? null).toBe(kind);
    if (!a.quiet) {
      expect(a.options.map((o) => o.id)).not.toContain('leave');
      return;
    }
    expect(a.quiet.chance).toBeGreaterThan(0.3);
    // What can be there and that it is over still sum to no more than one, but for two faults at once.
    expect(a.quiet.chance + a.none).toBeLessThanOrEqual(1 + 1e-9);
    expect(a.recommended).toBe('leave');
    expect(['no-limit', 'some-weeks']).toContain(a.allowance.level);
  });

  test('a sound car has nothing to do, and nobody is sent for help', () => {
    const a = look(read());
    expect(a.options[0]).toMatchObject({ id: 'leave', title: 'Nothing to do', blocked: [] });
    expect(a.quiet?.chance).toBeGreaterThan(0.9);
  });

  test('what was stored once says less than what fails now, and still counts against silence', () => {
    const permanent = look(withoutLamp(read('P0420:permanent')));
    const confirmed = look(read('P0420'));
    const worn = (a: ReturnType<typeof look>) =>
      a.causes.find((c) => c.id === 'catalyst-worn')?.probability ?? 0;
    expect(worn(permanent)).toBeLessThan(worn(confirmed));
    expect(permanent.quiet?.advice).toContain('Catalyst');
  });

  test('a lamp seen again, or a sign, takes it back at once', () => {
    const facts = [read('P0562'), lamp('out'), read()];
    expect(look(...facts).recommended).toBe('leave');
    expect(look(...facts, lamp('steady')).recommended).not.toBe('leave');
    expect(look(...facts, saw('sign:stalls')).quiet).toBeNull();
  });

  test('leaving it can be recorded, and is the decision', () => {
    const state = foldCase(makeCase(read(), { kind: 'decision', option: 'leave' }));
    expect(state.decision?.option).toBe('leave');
  });
});
