import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { emptyScan } from '@pincer/core/obd';
import { CAR, makeCase, makeScan, scanEntry, saw } from '../test/make-case.ts';
import {
  CURRENT_VERSION,
  DEFAULT_OWNER,
  MIGRATIONS,
  addEntry,
  assertMigrations,
  caseFileSchema,
  entrySchema,
  foldCase,
  importProblemWords,
  migrate,
  readCaseFile,
  writeCaseFile,
  type Migration,
} from './index.ts';

const full = makeCase(
  { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
  saw('sign:shakes'),
  { kind: 'connection', outcome: 'talking', adapter: 'Stand-in', protocol: 'CAN', volts: 12.5 },
  scanEntry(makeScan(['P0302'], { '0C': 740 })),
  { kind: 'check', check: 'swap-coils:2', outcome: 'moves' },
  { kind: 'decision', option: 'repair', cause: 'coil-boot:2' },
  { kind: 'repair', cause: 'coil-boot:2', cost: 14 },
  { kind: 'clear', afterScan: 'ent_4', outcome: 'agreed' },
  { kind: 'drive', metConditions: 'yes', cameBack: 'no' },
  { kind: 'note', text: 'Dry now.' },
  { kind: 'retracted', entry: 'ent_10', reason: 'It rained again.' },
  { kind: 'closed', outcome: 'fixed' },
);

describe('the fold', () => {
  test('later entries outrank earlier ones, and nothing that was recorded changes', () => {
    const before = makeCase(saw('sign:shakes'), { kind: 'lamp', lamp: 'engine', mode: 'steady' });
    const after = addEntry(before, {
      id: 'ent_x',
      at: '2026-11-04T00:00:00.000Z',
      kind: 'lamp',
      lamp: 'engine',
      mode: 'out',
    });
    expect(foldCase(before).standing.lamps.get('engine')?.mode).toBe('steady');
    expect(foldCase(after).standing.lamps.get('engine')?.mode).toBe('out');
    expect(before.entries).toHaveLength(2);
  });

  test('a struck entry counts for nothing and stays in the log', () => {
    const record = makeCase(saw('sign:shakes'), saw('sign:wet'), {
      kind: 'retracted',
      entry: 'ent_2',
      reason: 'It was the neighbour’s car.',
    });
    const state = foldCase(record);
    expect([...state.standing.observations.keys()]).toEqual(['sign:shakes']);
    expect(state.retracted.get('ent_2')?.reason).toMatch(/neighbour/);
    expect(record.entries).toHaveLength(3);
  });

  test('striking the newest word brings the one before back', () => {
    const record = makeCase(
      { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
      { kind: 'lamp', lamp: 'engine', mode: 'out' },
      { kind: 'retracted', entry: 'ent_2', reason: 'Wrong lamp.' },
    );
    expect(foldCase(record).standing.lamps.get('engine')?.mode).toBe('flashing');
  });

  test('every kind of entry is folded', () => {
    const state = foldCase(full);
    expect(state).toMatchObject({
      connection: { outcome: 'talking' },
      decision: { option: 'repair' },
      closed: { outcome: 'fixed' },
    });
    expect([
      state.scans.length,
      state.clears.length,
      state.repairs.length,
      state.drives.length,
      state.standing.checks.size,
    ]).toEqual([1, 1, 1, 1, 1]);
    expect(state.entries.some((e) => e.id === 'ent_10')).toBe(false);
  });
});

describe('case files', () => {
  const text = writeCaseFile(full, CAR, '2026-11-04T00:00:00.000Z', DEFAULT_OWNER);

  test('written and read again they are the same', () => {
    const read = readCaseFile(text);
    expect(read).toMatchObject({
      ok: true,
      file: { case: full, vehicle: CAR, owner: DEFAULT_OWNER, version: CURRENT_VERSION },
    });
  });

  test('round trip for any log', () => {
    const words = fc.string({ minLength: 1, maxLength: 30 });
    const entry = fc.oneof(
      words.map((t) => ({ kind: 'note' as const, text: t })),
      fc.constantFrom('yes', 'no', 'unknown').map((a) => saw('sign:wet', a as 'yes')),
      fc
        .double({ min: 0, max: 1e6, noNaN: true })
        .map((cost) => ({ kind: 'repair' as const, cause: 'coil:1', cost: Math.abs(cost) })),
      fc.constant(scanEntry(emptyScan(), false)),
    );
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 8 }), (entries) => {
        const record = makeCase(...entries);
        expect(readCaseFile(writeCaseFile(record, CAR, '2026-01-01T00:00:00.000Z'))).toMatchObject({
          ok: true,
          file: { case: record },
        });
      }),
    );
  });

  const broken = (change: (data: Record<string, never>) => void): string => {
    const data = JSON.parse(text) as Record<string, never>;
    change(data);
    return JSON.stringify(data);
  };
  const set = (path: string, value: unknown) => (data: Record<string, never>) => {
    const keys = path.split('.');
    let at: Record<string, unknown> = data;
    for (const k of keys.slice(0, -1)) at = at[k] as Record<string, unknown>;
    at[keys.at(-1) ?? ''] = value;
  };

  test.each<[string, string, string, RegExp]>([
    ['cut short', text.slice(0, 400), 'not-json', /JSON/],
    ['a list', '[]', 'not-a-case', /not a case file/],
    ['another format', '{"format":"x","version":1}', 'not-a-case', /not a case file/],
    ['from the future', broken(set('version', 99)), 'newer-version', /newer Pincer/],
    ['a wrong lamp', broken(set('case.entries.0.lamp', 'disco')), 'broken', /case\.entries\[0\]\.lamp/],
    ['a wrong time', broken(set('case.entries.1.at', 'yesterday')), 'broken', /case\.entries\[1\]\.at/],
    [
      'a code without state',
      broken(set('case.entries.3.scan.codes.0.state', 'maturing')),
      'broken',
      /scan\.codes\[0\]\.state/,
    ],
    ['no vehicle', broken(set('vehicle', null)), 'broken', /vehicle/],
    [
      'a clear after a reading that is not there',
      broken(set('case.entries.7.afterScan', 'ent_99')),
      'dangling',
      /ent_99/,
    ],
    ['two entries with one id', broken(set('case.entries.1.id', 'ent_1')), 'broken', /same id/],
    ['another vehicle’s case', broken(set('case.vehicle', 'veh_other')), 'dangling', /veh_other/],
  ])('%s is refused, naming the place', (_, input, code, words) => {
    const read = readCaseFile(input);
    expect(read).toMatchObject({ ok: false, problem: { code } });
    expect(read.ok ? '' : importProblemWords(read.problem)).toMatch(words);
  });

  test('no text crashes the reader', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (t) => expect(readCaseFile(t).ok).toBe(false)));
  });

  test('an entry of another kind is not let in', () => {
    expect(
      entrySchema.safeParse({ id: 'ent_1', at: '2026-01-01T00:00:00Z', kind: 'verdict', text: 'It is fine' })
        .success,
    ).toBe(false);
    expect(caseFileSchema.safeParse(JSON.parse(text)).success).toBe(true);
  });
});

describe('migrations', () => {
  const steps: Migration[] = [
    { from: 1, name: 'addTitle', up: (f) => ({ ...f, title: 'untitled' }) },
    { from: 2, name: 'renameTitleToHeading', up: ({ title, ...rest }) => ({ ...rest, heading: title }) },
  ];

  test('the shipped list is without gaps', () => {
    expect(() => assertMigrations(CURRENT_VERSION)).not.toThrow();
    expect(MIGRATIONS).toHaveLength(CURRENT_VERSION - 1);
  });

  test('steps are applied in order, from the file’s version on, to a copy', () => {
    const old = { version: 1, a: 1 };
    expect(migrate(old, 1, steps)).toEqual({ version: 3, a: 1, heading: 'untitled' });
    expect(migrate({ version: 2, title: 'mine' }, 2, steps)).toEqual({ version: 3, heading: 'mine' });
    expect(old).toEqual({ version: 1, a: 1 });
  });

  test('a gap or a missing step fails at the start and names the culprit', () => {
    expect(() =>
      assertMigrations(3, [steps[0] as Migration, { ...(steps[1] as Migration), from: 5 }]),
    ).toThrow(/renameTitleToHeading/);
    expect(() => assertMigrations(4, steps)).toThrow(/needs 3/);
  });
});

describe('a file of version 1 as it was written', () => {
  const old = readFileSync(join(__dirname, 'fixtures/version-1-lean.case.json'), 'utf8');
  const result = readCaseFile(old);
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  const { file } = result;

  test('is read to its last entry, with the quantities, parts and outcomes under their names of today', () => {
    const was = JSON.parse(old) as { vehicle: Record<string, number>; case: { entries: { id: string }[] } };
    expect(file.version).toBe(CURRENT_VERSION);
    expect(file.case.entries.map((e) => e.id)).toEqual(was.case.entries.map((e) => e.id));
    expect(file.vehicle.distanceKm).toBe(was.vehicle['distance']);
    expect(file.vehicle.displacementLitres).toBe(was.vehicle['displacement']);
    const scans = file.case.entries.filter((e) => e.kind === 'scan');
    expect(scans.length).toBeGreaterThan(0);
    for (const { scan, isComplete } of scans) {
      expect(scan.parts.length).toBeGreaterThan(0);
      // What was complete is known or empty in each part that was asked for; nothing turns into "not read".
      if (isComplete)
        expect(scan.parts.filter((p) => p.part === 'confirmed' && p.state === 'not-read')).toEqual([]);
    }
  });

  test('means the same: what was cleared and what came back, and it comes out again as version 2', () => {
    const { standing, closed } = foldCase(file.case);
    const cleared = standing.clears.map((c) => [
      c.erased.some((e) => e.code.code === 'P0171'),
      c.returned.some((r) => r.code.code === 'P0171'),
    ]);
    // Back twice, and gone after the third.
    expect(cleared).toEqual([
      [true, true],
      [true, true],
      [true, false],
    ]);
    expect(closed?.outcome).toBe('fixed');
    const again = readCaseFile(writeCaseFile(file.case, file.vehicle, '2026-11-26T00:00:00.000Z'));
    expect(again).toMatchObject({ ok: true, file: { case: file.case, vehicle: file.vehicle } });
  });

  test('needs its migration: without it today’s schema does not take it', () => {
    expect(
      caseFileSchema.safeParse({ ...(JSON.parse(old) as object), version: CURRENT_VERSION }).success,
    ).toBe(false);
  });
});

describe('files from anywhere', () => {
  const example = () => readFileSync(join(__dirname, '../../docs/examples/wet-morning.case.json'), 'utf8');

  test('a mark of byte order in front is no damage', () => {
    expect(readCaseFile(`\uFEFF${example()}`).ok).toBe(true);
  });

  test('nested deeper than anything: a clear sentence', () => {
    const deep = example().replace('{', `{"x": ${'['.repeat(3_000)}${']'.repeat(3_000)},`);
    const read = readCaseFile(deep);
    expect(read.ok ? '' : importProblemWords(read.problem)).toMatch(/nested too deeply/);
  });

  test('fields that a newer version has added live on, at any depth', () => {
    const text = example().replace('"kind": "lamp"', '"kind": "lamp", "mood": { "of": ["the owner"] }');
    const read = readCaseFile(text);
    if (!read.ok) throw new Error(importProblemWords(read.problem));
    expect(writeCaseFile(read.file.case, read.file.vehicle, read.file.exportedAt)).toContain('"mood"');
  });
});
