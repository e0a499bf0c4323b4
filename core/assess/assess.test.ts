import { addEntry, foldCase, type CaseRecord, type Entry } from '@pincer/core/case';
import { CAR, NOW, makeCase, makeScan, scanEntry, saw } from '../test/make-case.ts';
import { STATIONS, assess, storedConditions } from './index.ts';
import { acceptCode, acceptedNow, withdrawCode } from '@pincer/core/vehicle';

const look = (record: CaseRecord) => assess(record, CAR, NOW);
const FRAME = { code: 'P0302', values: { '05': 22, '04': 66, '0C': 1910, '0D': 41 } };

const WET = makeCase(
  { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
  saw('sign:shakes'),
  saw('sign:wet'),
  scanEntry(makeScan(['P0302', 'P0300:pending'], { '0C': 0, '0D': 0, '0F': 11 }, { frame: FRAME })),
);

describe('a repair that did not help', () => {
  const at = '2026-11-03T09:00:00.000Z';
  const repaired: Entry = { id: 'ent_r', at, kind: 'repair', cause: 'coil-boot:2' };
  const chance = (record: CaseRecord) =>
    look(record).causes.find((c) => c.id === 'coil-boot:2')?.probability ?? 0;

  test('the fault came back on a drive: the repaired cause falls, and the log line says so', () => {
    const before = addEntry(WET, repaired);
    const after = addEntry(before, {
      id: 'ent_d',
      at: '2026-11-03T09:30:00.000Z',
      kind: 'drive',
      metConditions: 'yes',
      cameBack: 'yes',
    });
    expect(chance(before)).toBeCloseTo(chance(WET), 6);
    expect(chance(after)).toBeLessThan(chance(WET) / 2);
    expect(look(after).facts.find((f) => f.id === 'repair:coil-boot:2')).toMatchObject({
      title: 'It came back after this repair',
      entry: 'ent_r',
    });
  });

  test('read again without a clear says nothing: the old code simply still stands there', () => {
    const again = scanEntry(makeScan(['P0302'], { '0C': 0 }));
    expect(
      look(addEntry(addEntry(WET, repaired), { ...again, id: 'ent_again', at })).facts.some((f) =>
        f.id.startsWith('repair:'),
      ),
    ).toBe(false);
  });
});

describe('assess()', () => {
  test('a wet-morning misfire: a cracked boot leads, and one story covers both codes', () => {
    const a = look(WET);
    expect(a.causes[0]).toMatchObject({ id: 'coil-boot:2', accountsFor: ['P0302', 'P0300'] });
    expect(a.causes[0]?.probability).toBeGreaterThan(0.5);
    expect(a.groups).toEqual([
      { cause: 'coil-boot:2', title: 'Coil boot of cylinder 2 cracked', codes: ['P0302', 'P0300'] },
    ]);
    expect(a.leftOver).toEqual([]);
    expect(a.allowance.level).toBe('safe-place');
  });

  test('is pure: the same facts give the same advice, and the case is left as it was', () => {
    const before = JSON.stringify(WET);
    expect(look(WET)).toEqual(look(WET));
    expect(JSON.stringify(WET)).toBe(before);
  });

  test('chances are chances', () => {
    const a = look(WET);
    for (const c of a.causes) {
      expect(c.probability).toBeGreaterThan(0);
      expect(c.probability).toBeLessThanOrEqual(1);
      expect(c.carShare).toBeGreaterThanOrEqual(0);
      expect(c.carShare).toBeLessThanOrEqual(1);
    }
    expect(a.none).toBeGreaterThanOrEqual(0);
    expect(a.causes.map((c) => c.probability)).toEqual(
      [...a.causes.map((c) => c.probability)].sort((x, y) => y - x),
    );
  });

  test('what speaks for and against is shown fact by fact', () => {
    const boot = look(WET).causes[0];
    expect(boot?.weights['code:P0302']).toBeGreaterThan(5);
    expect(boot?.weights['seen:sign:wet']).toBeGreaterThan(2);
    const moved = look(
      addEntry(WET, {
        id: 'ent_9',
        at: '2026-11-03T08:00:00.000Z',
        kind: 'check',
        check: 'swap-coils:2',
        outcome: 'stays',
      }),
    );
    expect(moved.causes.find((c) => c.id === 'coil-boot:2')?.weights['check:swap-coils:2']).toBeLessThan(0.5);
    const chance = (x: ReturnType<typeof look>) =>
      x.causes.find((c) => c.id === 'coil-boot:2')?.probability ?? 0;
    expect(chance(moved)).toBeLessThan(chance(look(WET)) * 0.75);
  });

  test('a check that was done is not proposed again', () => {
    const id = look(WET).checks[0]?.id ?? '';
    const outcome = look(WET).checks[0]?.outcomes[0]?.id ?? '';
    const after = look(
      addEntry(WET, { id: 'ent_9', at: '2026-11-03T08:00:00.000Z', kind: 'check', check: id, outcome }),
    );
    expect(after.checks.some((c) => c.id === id)).toBe(false);
  });

  test('nobody is sent on the road for a check while the car may not be driven', () => {
    const a = look(WET);
    expect([a.allowance.level, a.doChecksWaitForRoad]).toEqual(['safe-place', true]);
    expect(a.checks.length).toBeGreaterThan(3);
    expect(a.checks.filter((c) => /drive/i.test(c.title + c.how))).toEqual([]);
    const steady = look(
      makeCase(
        { kind: 'lamp', lamp: 'engine', mode: 'steady' },
        scanEntry(makeScan(['P0302'], {}, { frame: FRAME })),
      ),
    );
    expect(steady.allowance.level).toBe('short-trips');
    expect(steady.checks.some((c) => c.id === 'swap-coils:2')).toBe(true);
  });

  test('striking a fact takes its weight away', () => {
    const struck = look(
      addEntry(WET, {
        id: 'ent_9',
        at: '2026-11-03T08:00:00.000Z',
        kind: 'retracted',
        entry: 'ent_3',
        reason: 'It was dry.',
      }),
    );
    const chance = (a: ReturnType<typeof look>) =>
      a.causes.find((c) => c.id === 'coil-boot:2')?.probability ?? 0;
    expect(chance(struck)).toBeLessThan(chance(look(WET)));
    expect(struck.facts.some((f) => f.id === 'seen:sign:wet')).toBe(false);
  });

  test('an absent code says something only where its self-check has run', () => {
    const of = (ran: string[]) => look(makeCase(scanEntry(makeScan(['P0171'], {}, { ran }))));
    const chance = (a: ReturnType<typeof look>, id: string) =>
      a.causes.find((c) => c.id === id)?.probability ?? 0;
    // A weak pump would often misfire too; with the misfire check run and silent it is less likely.
    expect(chance(of(['fuel', 'misfire']), 'fuel-pump-weak')).toBeLessThan(
      chance(of(['fuel']), 'fuel-pump-weak'),
    );
    expect(of([]).facts.some((f) => f.id === 'absent')).toBe(false);
  });

  test('two faults at once leave no code over', () => {
    const a = look(makeCase(scanEntry(makeScan(['P0302', 'P0113'], { '0C': 0, '0D': 0, '0F': -40 }))));
    expect(a.groups).toHaveLength(2);
    expect(a.groups.flatMap((g) => g.codes).sort()).toEqual(['P0113', 'P0302']);
    expect(a.leftOver).toEqual([]);
  });

  test('a code that nothing here explains is left over, not explained away', () => {
    const a = look(makeCase(scanEntry(makeScan(['P0171', 'P1345']))));
    expect(a.leftOver).toContain('P1345');
  });

  const storedAt = (...list: Record<string, number>[]) =>
    makeCase(
      ...list.map((values) => scanEntry(makeScan(['P0302'], {}, { frame: { code: 'P0302', values } }))),
    );
  const frameFact = (record: CaseRecord) => look(record).facts.find((f) => f.kind === 'frame');

  test('stored conditions are told as a sentence', () => {
    expect(frameFact(storedAt(FRAME.values))).toMatchObject({
      title: 'Stored: cold, in traffic, high load, 41 km/h, 1,910 rpm',
      detail: 'with P0302',
    });
  });

  test('“always when” only when the data bear it: four cold and loaded ones do, a repeated reading of one does not', () => {
    const at = (coolant: number, load: number, speed: number) => ({
      '05': coolant,
      '04': load,
      '0C': 1900,
      '0D': speed,
    });
    const cold = [at(22, 66, 41), at(18, 71, 75), at(25, 68, 38), at(20, 69, 66)];
    expect(frameFact(storedAt(...cold))?.detail).toMatch(
      /always when the engine is cold and the engine is under load, 4 times/,
    );
    expect(frameFact(storedAt(cold[0] ?? {}, cold[0] ?? {}))?.detail).toBe('with P0302');
    expect(frameFact(storedAt(at(22, 66, 41), at(90, 20, 90), at(88, 30, 20)))?.detail).toBe(
      'with P0302 · stored 3 times',
    );
    const conditions = storedConditions(foldCase(storedAt(...cold)), CAR);
    expect(conditions?.recurring.find((r) => r.id === 'cold')).toMatchObject({
      held: 4,
      of: 4,
      usual: 0.3,
      usualFrom: 'guess',
      word: 'always',
    });
    // 0.3 x 0.3 x 0.3 x 0.3
    expect(conditions?.recurring.find((r) => r.id === 'cold')?.byAccident).toBeCloseTo(0.0081, 6);
    // Who drives only short trips is mostly cold anyway: then four times cold bear nothing.
    const shortTrips = {
      ...CAR,
      usualTrips: [{ name: 'school', road: 'town', minutes: 9, distanceKm: 3, perWeek: 10 } as const],
    };
    expect(
      storedConditions(foldCase(storedAt(...cold)), shortTrips)?.recurring.find((r) => r.id === 'cold'),
    ).toMatchObject({
      usualFrom: 'trips',
      word: 'no more than usual',
    });
  });

  test('history is shown and says nothing', () => {
    const a = look(makeCase(scanEntry(makeScan(['P0302:history']))));
    expect(a.codes).toEqual([]);
    expect(a.facts.find((f) => f.code === 'P0302')?.detail).toMatch(/history/);
  });

  test('an empty case: nothing is held, and nothing is claimed', () => {
    const a = look(makeCase());
    expect([a.causes, a.checks, a.groups, a.codes]).toEqual([[], [], [], []]);
    expect(a.stations.map((s) => [s.id, s.status])).toEqual(STATIONS.map((id) => [id, 'open']));
  });

  test('codes survive a clear as evidence: the fault has not become unknown', () => {
    let record = WET;
    const add = (e: Entry) => {
      record = addEntry(record, e);
    };
    add({
      id: 'ent_8',
      at: '2026-11-03T09:00:00.000Z',
      kind: 'clear',
      afterScan: 'ent_4',
      outcome: 'agreed',
    });
    add({
      id: 'ent_9',
      at: '2026-11-03T09:05:00.000Z',
      ...scanEntry(makeScan([], {}, { ran: [] })),
    });
    const a = look(record);
    expect(a.causes[0]?.id).toBe('coil-boot:2');
    expect(a.proof.status).toBe('watching');
  });
});

describe('the rail', () => {
  const status = (record: CaseRecord, id: string) => look(record).stations.find((s) => s.id === id);

  test('stations fill as facts come in', () => {
    expect(status(WET, 'light')).toMatchObject({
      status: 'filled',
      summary: 'engine light, flashing; 2 signs',
    });
    expect(status(WET, 'read')).toMatchObject({ status: 'filled', summary: '2 codes, 1 stored' });
    expect(status(WET, 'decide')).toMatchObject({ status: 'open', summary: '–' });
  });

  test('a decision goes stale when facts come in after it, not when a note does', () => {
    const at = '2026-11-03T10:00:00.000Z';
    const decided = addEntry(WET, { id: 'ent_8', at, kind: 'decision', option: 'help' });
    expect(status(decided, 'decide')).toMatchObject({ status: 'filled', summary: 'get help' });
    expect(
      status(addEntry(decided, { id: 'ent_9', at, kind: 'note', text: 'Called.' }), 'decide')?.status,
    ).toBe('filled');
    expect(
      status(
        addEntry(decided, { id: 'ent_9', at, kind: 'observation', observation: 'sign:cold', answer: 'yes' }),
        'decide',
      ),
    ).toMatchObject({ status: 'stale', summary: 'older than 1 fact' });
  });
});

describe('lamps, symptoms and events are evidence', () => {
  const top = (...entries: Parameters<typeof makeCase>) => look(makeCase(...entries)).causes[0]?.id;
  const lit = (lamp: 'charging' | 'temperature' | 'oil' | 'brakes' | 'tyre') =>
    ({ kind: 'lamp', lamp, mode: 'steady' }) as const;

  test('before any reading, the lamp and a symptom name the likeliest cause', () => {
    expect(top(lit('charging'))).toBe('alternator');
    expect(top(lit('charging'), saw('sign:squeals'))).toBe('drive-belt');
    expect(top(lit('temperature'), saw('gauge:coolant-low'))).toBe('coolant-low');
    expect(top(lit('oil'), saw('gauge:oil-low'))).toBe('oil-low');
    expect(top(lit('tyre'), saw('before:kerb'))).toBe('tyre-soft');
    expect(top(saw('gauge:cold'))).toBe('thermostat-open');
  });

  test('what was done before moves the chances', () => {
    const chance = (id: string, ...entries: Parameters<typeof makeCase>) =>
      look(makeCase(...entries)).causes.find((c) => c.id === id)?.probability ?? 0;
    const code = scanEntry(makeScan(['P0102']));
    expect(chance('maf-unplugged', code, saw('before:unplugged'))).toBeGreaterThan(
      chance('maf-unplugged', code, saw('before:unplugged', 'no')) * 1.5,
    );
  });

  test('a lamp that was looked at and is out counts against its causes', () => {
    const a = look(
      makeCase(
        { kind: 'lamp', lamp: 'charging', mode: 'out' },
        saw('gauge:lights-dim'),
        saw('sign:no-start'),
      ),
    );
    expect(a.causes[0]?.id).toBe('battery-weak');
    expect(a.causes.find((c) => c.id === 'alternator')?.weights['lamp:charging']).toBeLessThan(0.5);
  });
});

describe('codes that the owner accepts', () => {
  const record = makeCase(
    { kind: 'lamp', lamp: 'engine', mode: 'steady' },
    scanEntry(makeScan(['P0141', 'P0302'])),
  );
  const car = acceptCode(CAR, 'P0141', 'Rear sensor taken out for the track', '2026-10-01T10:00:00.000Z');

  test('stand apart with reason and date, and speak for no cause', () => {
    const a = assess(record, car, NOW);
    expect(a.codes.map((c) => c.code)).toEqual(['P0302']);
    expect(a.accepted).toMatchObject([
      { code: 'P0141', state: 'confirmed', reason: 'Rear sensor taken out for the track' },
    ]);
    expect(a.causes.some((c) => c.id === 'oxygen-heater')).toBe(false);
    expect(look(record).causes.some((c) => c.id === 'oxygen-heater')).toBe(true);
    expect(a.leftOver).toEqual([]);
  });

  test('taken back, they count again; that they were accepted stays on record', () => {
    const back = withdrawCode(car, 'P0141', '2026-10-09T10:00:00.000Z');
    expect(assess(record, back, NOW).codes.map((c) => c.code)).toEqual(['P0141', 'P0302']);
    expect(back.acceptedCodes).toMatchObject([{ code: 'P0141', until: '2026-10-09T10:00:00.000Z' }]);
    expect(acceptedNow(back).size).toBe(0);
  });
});

test('the owner’s list speaks for the maker’s codes, marked as theirs, and for no others', () => {
  const car = {
    ...CAR,
    makerCodes: {
      name: 'club.csv',
      addedAt: '2026-10-01T10:00:00.000Z',
      codes: { P1345: 'Cam and crank do not agree', P0302: 'wrong' },
    },
  };
  const a = assess(makeCase(scanEntry(makeScan(['P1345', 'P0302']))), car, NOW);
  expect(a.codes.find((c) => c.code === 'P1345')).toMatchObject({
    title: 'Cam and crank do not agree',
    isTheirs: true,
    scope: 'maker',
  });
  expect(a.codes.find((c) => c.code === 'P1345')?.meaning).toMatch(/nobody here vouches/);
  expect(a.codes.find((c) => c.code === 'P0302')).toMatchObject({
    title: 'Misfire: cylinder 2',
    isTheirs: false,
  });
});

describe('readings of two states', () => {
  const at = (rpm: number, trim: number) =>
    scanEntry(makeScan([], { '0C': rpm, '0D': 0, '05': 88, '06': 1, '07': trim - 1 }));
  const compared = (...entries: Parameters<typeof makeCase>) =>
    look(makeCase(...entries)).facts.find((f) => f.id === 'rule:trims-compared');

  test('two looks, at idle and at 2,500 rpm, are set against each other, until something is changed between them', () => {
    expect(compared(at(740, 9), at(2500, -2))).toMatchObject({
      isSound: false,
      detail: expect.stringMatching(/^9 % at idle, −2 % above it/) as string,
    });
    expect(compared(at(740, 9), { kind: 'repair', cause: 'vacuum-hose-off' }, at(2500, -2))).toBeUndefined();
    expect(compared(at(740, 9))).toBeUndefined();
  });

  test('alike and much: the rules of either state speak, not the comparison', () => {
    const facts = look(makeCase(at(740, 18), at(2500, 17))).facts.filter((f) => f.kind === 'reading');
    expect(facts.filter((f) => f.isSound === false).map((f) => f.id)).toEqual(
      expect.arrayContaining(['rule:trims-idle', 'rule:trims-load']),
    );
    expect(facts.some((f) => f.id === 'rule:trims-compared')).toBe(false);
  });
});

describe('many codes, how many faults?', () => {
  const unitCodes = (...list: [string, string][]) => {
    const reading = makeScan([]);
    return scanEntry({
      ...reading,
      codes: list.map(([unit, code]) => ({ code, unit, state: 'confirmed' as const })),
    });
  };

  test('one weak battery tells six control units’ codes as one story', () => {
    const a = look(
      makeCase(
        unitCodes(
          ['7E8', 'P0562'],
          ['6A8', 'U3003'],
          ['6B8', 'U3003'],
          ['6C8', 'U0155'],
          ['6D8', 'U3003'],
          ['6E8', 'U0140'],
        ),
        saw('before:long-stand'),
      ),
    );
    expect(a.groups).toHaveLength(1);
    expect(a.groups[0]?.codes.sort()).toEqual(['P0562', 'U0140', 'U0155', 'U3003']);
    expect(['battery-weak', 'alternator']).toContain(a.groups[0]?.cause);
    expect(a.leftOver).toEqual([]);
  });

  test('an air flow sensor off: the stability unit’s complaint is its knock-on', () => {
    const a = look(makeCase(unitCodes(['7E8', 'P0102'], ['6A8', 'U0401'])));
    expect(a.groups).toHaveLength(1);
    expect(a.groups[0]?.cause).toMatch(/^maf-/);
    expect(a.groups[0]?.codes.sort()).toEqual(['P0102', 'U0401']);
  });

  test('a gearbox valve: the engine’s lamp request and the brakes’ complaint are its knock-ons', () => {
    const a = look(makeCase(unitCodes(['7E8', 'P0700'], ['7E9', 'P0753'], ['6A8', 'U0402'])));
    expect(a.groups).toHaveLength(1);
    expect(a.groups[0]?.codes.sort()).toEqual(['P0700', 'P0753', 'U0402']);
    expect(['gear-solenoid', 'gear-valve-wire']).toContain(a.groups[0]?.cause);
    // From the engine's unit alone only the request is seen: some fault of the gearbox, which one is open.
    const alone = look(makeCase(unitCodes(['7E8', 'P0700'])));
    expect(alone.causes.slice(0, 3).every((c) => c.probability < 0.6)).toBe(true);
  });

  test('what the status byte says of the lamp is believed: a confirmed code need not hold it on', () => {
    const reading = makeScan(['P0700'], {});
    const withStatus = (code: string, statusByte: number) =>
      ({ code, unit: '6A8', state: 'confirmed', statusByte }) as const;
    const a = look(
      makeCase(
        scanEntry({
          ...reading,
          mils: [{ unit: '7E8', on: true, count: 1 }],
          codes: [...reading.codes, withStatus('U0402', 0x2b), withStatus('C0031', 0xab)],
        }),
      ),
    );
    const holding = (light: string) =>
      a.facts.filter((f) => f.detail.includes(`keeps ${light} light on`)).map((f) => f.code);
    expect([holding('its warning'), holding('the engine')]).toEqual([['C0031'], ['P0700']]);
  });

  test('brakes and airbag have nothing to do with each other: two stories', () => {
    const a = look(makeCase(unitCodes(['6A8', 'C0031'], ['6B8', 'B0001'])));
    expect(a.groups.map((g) => g.codes)).toEqual(expect.arrayContaining([['C0031'], ['B0001']]));
    expect(a.causes.filter((c) => c.isLicensed).length).toBeGreaterThan(0);
  });
});

test('what changes the odds by less than a sixth is not shown as speaking for or against', () => {
  const record = makeCase(
    scanEntry(makeScan(['P0302', 'P0171'], { '0C': 740, '05': 88, '06': 12, '07': 14, '42': 14 })),
    saw('sign:shakes'),
    saw('sign:warm', 'no'),
    saw('sign:hiss'),
    saw('before:refuelled', 'no'),
  );
  const weights = look(record).causes.flatMap((c) => Object.values(c.weights));
  expect(weights.length).toBeGreaterThan(10);
  expect(weights.filter((w) => w > 6 / 7 && w < 7 / 6)).toEqual([]);
});

describe('a code is never left over beside the very cause that sets it', () => {
  test.each<[string, string[]]>([
    ['air flow sensor dirty, and its range code', ['P0171', 'P0101']],
    ['air leak, and misfire of no one cylinder', ['P0171', 'P0300']],
    ['weak fuel pump, and misfire', ['P0171', 'P0087', 'P0300']],
    ['thermostat, and temperature not reached', ['P0128', 'P0125']],
    ['misfire of one cylinder, and of several', ['P0302', 'P0300']],
  ])('%s', (_, codes) => {
    const a = look(makeCase(scanEntry(makeScan(codes))));
    expect(a.leftOver).toEqual([]);
    expect(a.groups.flatMap((g) => g.codes).sort()).toEqual([...codes].sort());
  });
});
