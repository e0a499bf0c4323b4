import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const begun: Step[] = [
  { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
  saw('sign:shakes'),
  scanEntry(makeScan(['P0302'])),
];
const moves: Step = { kind: 'check', check: 'swap-coils:2', outcome: 'moves' };
const look = (...more: Step[]) => assess(makeCase(...begun, ...more), CAR, NOW);
const chanceOf = (a: ReturnType<typeof look>, id: string) =>
  a.causes.find((c) => c.id === id)?.probability ?? 0;

describe('a coil that was exchanged and took the misfire along', () => {
  test.each<[string, Step[]]>([
    ['nothing read since', [moves]],
    ['the other cylinder read since', [moves, scanEntry(makeScan(['P0303']))]],
    ['the other cylinder read first', [scanEntry(makeScan(['P0303'])), moves]],
    ['both stored', [moves, scanEntry(makeScan(['P0302', 'P0303']))]],
    [
      'cleared before the drive',
      [{ kind: 'clear', afterScan: 'ent_2', outcome: 'agreed' }, scanEntry(makeScan(['P0303'])), moves],
    ],
  ])('is looked for, and replaced, where it sits now (%s)', (_, more) => {
    const after = look(...more);
    expect(chanceOf(after, 'coil-boot:3') + chanceOf(after, 'coil:3')).toBeGreaterThan(0.9);
    expect(chanceOf(after, 'coil-boot:2') + chanceOf(after, 'coil:2')).toBeLessThan(0.05);
    expect(chanceOf(after, 'plug:3')).toBeLessThan(0.05);
    expect(after.procedures[0]?.cause).toMatch(/^coil(-boot)?:3$/);
    expect(after.leftOver).toEqual([]);
    expect(after.checks[0]?.id).toBe('boot-look:3');
    expect(after.checks.map((c) => c.id)).not.toContain('swap-coils:3');
    expect(after.facts.find((f) => f.id === 'check:swap-coils:2')?.detail).toContain(
      'the coil from cylinder 2 sits on cylinder 3 now',
    );
  });

  test('what was seen on it before goes along: it is not looked at twice', () => {
    const sound: Step = { kind: 'check', check: 'boot-look:2', outcome: 'sound' };
    const after = look(sound, moves);
    expect(chanceOf(after, 'coil:3')).toBeGreaterThan(chanceOf(look(moves), 'coil:3'));
    expect(after.checks.map((c) => c.id)).not.toContain('boot-look:3');
    // What was seen afterwards is of the coil that sits there then.
    expect(chanceOf(look(moves, sound), 'coil:3')).toBeCloseTo(chanceOf(look(moves), 'coil:3'), 2);
  });

  test('emptied and read again, the car tells where it fails now', () => {
    const again = look(
      moves,
      { kind: 'clear', afterScan: 'ent_2', outcome: 'agreed' },
      scanEntry(makeScan(['P0302'])),
    );
    expect(again.groups.flatMap((g) => (g.cause.endsWith(':3') ? g.codes : []))).toEqual([]);
  });

  test('a swap that changed nothing, or was struck out, moves nothing', () => {
    expect(
      chanceOf(look({ kind: 'check', check: 'swap-coils:2', outcome: 'stays' }), 'plug:2'),
    ).toBeGreaterThan(0.5);
    const record = makeCase(...begun, moves);
    const last = record.entries.at(-1)?.id ?? '';
    const struck = {
      id: 'ent_99',
      at: '2026-11-03T11:00:00.000Z',
      kind: 'retracted',
      entry: last,
      reason: 'no',
    } as const;
    const after = assess({ ...record, entries: [...record.entries, struck] }, CAR, NOW);
    expect(after.causes[0]?.id).toBe(look().causes[0]?.id);
  });

  test('of spark plugs likewise', () => {
    const after = look({ kind: 'check', check: 'swap-plugs:2', outcome: 'moves' });
    expect(after.causes[0]?.id).toBe('plug:3');
    expect(after.groups.map((g) => g.codes)).toEqual([['P0302']]);
  });
});
