import { assess } from '@pincer/core/assess';
import { DEFAULT_OWNER, type Owner } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { OptionId } from './index.ts';
import { CAR, NOW, makeCase, makeScan, scanEntry, saw } from '../test/make-case.ts';

type Entries = Parameters<typeof makeCase>;
const decide = (entries: Entries, vehicle: Vehicle = CAR, owner: Owner = DEFAULT_OWNER) =>
  assess(makeCase(...entries), vehicle, NOW, owner);
const gates = (a: ReturnType<typeof decide>, id: OptionId) =>
  a.options.find((o) => o.id === id)?.blocked.map((b) => b.id);
const option = (a: ReturnType<typeof decide>, id: OptionId) => a.options.find((o) => o.id === id);

const IAT: Entries = [
  { kind: 'lamp', lamp: 'engine', mode: 'steady' },
  scanEntry(makeScan(['P0113'], { '0C': 0, '0D': 0, '0F': -40 })),
  saw('before:worked-on'),
];
const CAP: Entries = [
  { kind: 'lamp', lamp: 'engine', mode: 'steady' },
  scanEntry(makeScan(['P0455'])),
  saw('before:refuelled'),
];

describe('three choices', () => {
  test('always the same three, with figures that can be', () => {
    for (const entries of [[], IAT, CAP] as Entries[]) {
      const a = decide(entries);
      expect(a.options.map((o) => o.id)).toEqual(['repair', 'clear', 'help']);
      for (const o of a.options) {
        expect(o.cost).toBeGreaterThan(0);
        expect(o.success).toBeGreaterThanOrEqual(0);
        expect(o.success).toBeLessThanOrEqual(1);
        expect(o.reasons.length).toBeGreaterThan(0);
      }
      expect(gates(a, a.recommended)).toEqual([]);
    }
  });

  test('a cheap and likely cause is repaired by one’s own hands', () => {
    const a = decide(IAT);
    expect(a.causes[0]?.id).toBe('iat-unplugged');
    expect(a.recommended).toBe('repair');
    expect(option(a, 'repair')?.cost).toBeLessThan(option(a, 'help')?.cost ?? 0);
  });

  test('what more likely than not passes by itself may be cleared and watched', () => {
    const a = decide(CAP);
    expect(a.causes[0]?.id).toBe('fuel-cap');
    expect(option(a, 'clear')?.success).toBeGreaterThan(0.5);
    expect(a.recommended).toBe('clear');
  });

  test('the school moves the default, never a gate', () => {
    const reset: Owner = { ...DEFAULT_OWNER, school: 'reset-first' };
    expect(decide(IAT, CAR, reset).recommended).toBe('clear');
    expect(
      decide([...IAT, { kind: 'lamp', lamp: 'engine', mode: 'flashing' }] as Entries, CAR, reset).recommended,
    ).not.toBe('clear');
  });

  test('danger, and no stored reading, close the clear', () => {
    expect(
      gates(decide([...IAT, { kind: 'lamp', lamp: 'oil', mode: 'steady' }] as Entries), 'clear'),
    ).toContain('danger');
    expect(gates(decide([{ kind: 'lamp', lamp: 'engine', mode: 'steady' }]), 'clear')).toContain(
      'no-reading',
    );
    const partial = scanEntry(
      { ...makeScan(['P0113']), missing: [{ part: 'pending codes', why: 'cut' }] },
      false,
    );
    expect(gates(decide([partial]), 'clear')).toContain('no-reading');
  });

  test('an inspection in a week closes the clear, one in a year does not', () => {
    expect(gates(decide(IAT, { ...CAR, inspectionDue: '2026-11-10' }), 'clear')).toEqual(['inspection']);
    expect(gates(decide(IAT, { ...CAR, inspectionDue: '2027-11-10' }), 'clear')).toEqual([]);
    expect(gates(decide(IAT, { ...CAR, inspectionDue: '2026-10-10' }), 'clear')).toEqual([]);
  });

  test('warranty closes one’s own repair', () => {
    const a = decide(IAT, { ...CAR, warrantyEnds: '2027-01-01' });
    expect(gates(a, 'repair')).toEqual(['warranty']);
    expect(a.recommended).not.toBe('repair');
  });

  test('a permanent code alone closes the clear, which would only put it off; beside a confirmed one it does not', () => {
    const read = (...codes: string[]) => gates(decide([scanEntry(makeScan(codes))]), 'clear');
    expect(read('P0420:permanent')).toContain('permanent');
    expect(read('P0420:permanent', 'P0420')).not.toContain('permanent');
  });

  test('licensed work closes one’s own repair', () => {
    const a = decide([
      scanEntry(makeScan(['P0016'])),
      saw('sign:weak'),
      { kind: 'check', check: 'chain-noise', outcome: 'rattles' },
    ]);
    expect(a.causes[0]).toMatchObject({ id: 'timing-stretched', isLicensed: true });
    expect(gates(a, 'repair')).toEqual(['licensed']);
    expect(a.recommended).toBe('help');
  });

  test('dearer own time makes a repair dearer; the break-even says where it tips', () => {
    const cheap = decide(IAT, CAR, { ...DEFAULT_OWNER, ownHourly: 0 });
    const dear = decide(IAT, CAR, { ...DEFAULT_OWNER, ownHourly: 80 });
    expect(option(cheap, 'repair')?.cost).toBeLessThan(option(dear, 'repair')?.cost ?? 0);
    for (const a of [cheap, dear, decide(CAP)]) {
      const [own, help, clear] = a.breakEvens;
      expect(own).toMatch(/^Repair it yourself: .*At your rates it asks about €\d/);
      expect(help).toMatch(/^Get help: /);
      expect(clear).toMatch(/^Clear it and watch: .*It is \d+ % now/);
    }
  });
});
