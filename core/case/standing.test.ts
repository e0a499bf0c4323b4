import { emptyScan, type PartState, type Scan, type ScanPart } from '@pincer/core/obd';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { foldCase, partStanding, scanOf, valueNow, type Entry, type Standing } from './index.ts';

type Entries = Parameters<typeof makeCase>;
const standing = (...entries: Entries): Standing => foldCase(makeCase(...entries)).standing;
const codes = (s: Standing) =>
  s.codes.map((c) => `${c.code.unit} ${c.code.code} ${c.code.state}${c.clearedBy ? ' cleared' : ''}`).sort();
const status = (s: Standing, part: ScanPart, unit = '7E8') => partStanding(s, unit, part).status;

/** A scan of one unit in which only some parts were asked for, with what became of each. */
const part = (
  unit: string,
  states: Partial<Record<ScanPart, PartState>>,
  content: Partial<Scan> = {},
): Scan => ({
  ...emptyScan(),
  ...content,
  parts: Object.entries(states).map(([p, state]) => ({ unit, part: p as ScanPart, state })),
});
const typed = (scan: Scan): Entries[number] => ({ kind: 'scan', via: 'hand', isComplete: false, scan });
const fromFile = (scan: Scan): Entries[number] => ({ kind: 'scan', via: 'file', isComplete: false, scan });
const confirmed = (unit: string, ...list: string[]) =>
  list.map((code) => ({ code, state: 'confirmed' as const, unit }));
const CLEAR = { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' } as const;

describe('each part of each unit keeps its last word', () => {
  test('read again it is replaced; of a unit that was not asked, or a part that was not read, nothing changes', () => {
    const first = scanEntry(makeScan(['P0302', 'P0171:pending']));
    expect(codes(standing(first))).toEqual(['7E8 P0171 pending', '7E8 P0302 confirmed']);
    const again = part('7E8', { confirmed: 'empty' });
    expect(codes(standing(first, scanEntry(again)))).toEqual(['7E8 P0171 pending']);
    const other = part('7E9', { confirmed: 'empty', pending: 'empty' });
    expect(codes(standing(first, scanEntry(other)))).toEqual(['7E8 P0171 pending', '7E8 P0302 confirmed']);
    const failed = part('7E8', { confirmed: 'not-read', pending: 'not-read' });
    const after = standing(first, scanEntry(failed));
    expect(codes(after)).toEqual(['7E8 P0171 pending', '7E8 P0302 confirmed']);
    expect(partStanding(after, '7E8', 'confirmed')).toMatchObject({
      status: 'known',
      missed: { entry: 'ent_2' },
    });
  });

  test('a unit that says it has no such thing takes nothing back that it had told', () => {
    const after = standing(
      scanEntry(makeScan(['P0302'])),
      scanEntry(part('7E8', { confirmed: 'unsupported' })),
    );
    expect(codes(after)).toEqual(['7E8 P0302 confirmed']);
    expect(status(standing(scanEntry(part('7E8', { permanent: 'unsupported' }))), 'permanent')).toBe(
      'unsupported',
    );
  });

  test('who said it, when and how is kept with each', () => {
    const s = standing(
      scanEntry(makeScan(['P0302'], { '05': 88 })),
      typed(part('unknown', {}, { vin: 'X' })),
    );
    expect(s.codes[0]?.word).toEqual({ entry: 'ent_1', at: '2026-11-03T06:00:00.000Z', how: 'adapter' });
    expect(s.vin).toMatchObject({ value: 'X', word: { how: 'told', entry: 'ent_2' } });
    expect(valueNow(s, '05')).toBe(88);
  });

  test('values are kept one by one: a reading that was not asked this time keeps its last', () => {
    const s = standing(
      scanEntry(makeScan([], { '05': 20, '0C': 740 })),
      scanEntry(makeScan([], { '05': 88 }), false),
    );
    expect([valueNow(s, '05'), valueNow(s, '0C')]).toEqual([88, 740]);
  });
});

describe('what was typed and what comes from a file replaces only what it holds', () => {
  test('a text with nothing but a vehicle number takes no code away', () => {
    const s = standing(
      scanEntry(makeScan(['P0217'])),
      typed(part('unknown', {}, { vin: 'ZZ9TR1F46CH000302' })),
    );
    expect(codes(s)).toEqual(['7E8 P0217 confirmed']);
  });

  test('a typed code stands beside what is known; the same code of a unit is one', () => {
    const told = typed(part('unknown', {}, { codes: confirmed('unknown', 'P0302', 'C0031') }));
    expect(codes(standing(scanEntry(makeScan(['P0302'])), told))).toEqual([
      '7E8 P0302 confirmed',
      'unknown C0031 confirmed',
    ]);
  });

  test('a full scan overtakes typed powertrain codes, and leaves those of units that it does not reach', () => {
    const told = typed(part('unknown', {}, { codes: confirmed('unknown', 'P0302', 'C0031') }));
    expect(codes(standing(told, scanEntry(makeScan(['P0420']))))).toEqual([
      '7E8 P0420 confirmed',
      'unknown C0031 confirmed',
    ]);
    const partly = scanEntry({
      ...part('7E8', { confirmed: 'empty' }),
      parts: [
        { unit: '7E8', part: 'confirmed', state: 'empty' },
        { unit: '7E9', part: 'confirmed', state: 'not-read' },
      ],
    });
    expect(codes(standing(told, partly))).toContain('unknown P0302 confirmed');
  });

  test('that the reader shows none, told part by part, is a word on that part', () => {
    const told = typed(part('unknown', {}, { codes: confirmed('unknown', 'P0302') }));
    const s = standing(told, typed(part('unknown', { confirmed: 'empty' })));
    expect(codes(s)).toEqual([]);
    expect(status(s, 'confirmed', 'unknown')).toBe('empty');
  });

  test('nobody knows when a file was recorded: it adds, and makes nothing milder', () => {
    const seen = scanEntry(makeScan(['P0302'], {}, { ran: [] }));
    const file = fromFile(
      part(
        '7E8',
        { confirmed: 'empty', readiness: 'known', mil: 'known' },
        {
          mils: [{ unit: '7E8', on: false, count: 0 }],
          monitors: [
            { unit: '7E8', span: 'since-clear', monitor: 'misfire', name: 'Misfire', complete: true },
          ],
        },
      ),
    );
    const s = standing(seen, file);
    expect(codes(s)).toEqual(['7E8 P0302 confirmed']);
    expect(s.mils.map((m) => m.mil.on)).toEqual([true]);
    expect(s.monitors.every((m) => !m.monitor.complete)).toBe(true);
    const more = fromFile(part('7E9', { confirmed: 'known' }, { codes: confirmed('7E9', 'P0753') }));
    expect(codes(standing(seen, more))).toEqual(['7E8 P0302 confirmed', '7E9 P0753 confirmed']);
    // A part that the adapter tried and missed stays missed: the file may be older than the try.
    const missed = scanEntry(part('7E8', { confirmed: 'not-read' }));
    const empty = fromFile(part('7E8', { confirmed: 'empty' }));
    expect(partStanding(standing(missed, empty), '7E8', 'confirmed').missed?.entry).toBe('ent_1');
    // Where nothing else is known, "no codes" in a file is what is known.
    expect(status(standing(fromFile(part('7E8', { confirmed: 'empty' }))), 'confirmed')).toBe('empty');
  });
});

describe('cleared since', () => {
  const before = scanEntry(
    makeScan(['P0302', 'P0171:permanent'], { '05': 88 }, { frame: { code: 'P0302', values: {} } }),
  );

  test('codes, stored conditions, self-checks and lamp are cleared; permanent codes, identity and readings stay', () => {
    const s = standing(before, CLEAR);
    expect(codes(s)).toEqual(['7E8 P0171 permanent', '7E8 P0302 confirmed cleared']);
    for (const p of ['confirmed', 'freeze-frames', 'readiness', 'mil'] as const)
      expect(status(s, p)).toBe('cleared');
    expect(status(s, 'permanent')).toBe('known');
    expect(valueNow(s, '05')).toBe(88);
    expect(scanOf(s).codes.map((c) => c.code)).toEqual(['P0171']);
  });

  test('refused or without an answer, nothing is cleared; the second is told as unknown until it is read again', () => {
    expect(codes(standing(before, { ...CLEAR, outcome: 'refused' }))).toContain('7E8 P0302 confirmed');
    const unknown = standing(before, { kind: 'clear-asked', afterScan: 'ent_1' });
    expect(codes(unknown)).toContain('7E8 P0302 confirmed');
    expect(unknown.unknownClear).toMatchObject({ entry: 'ent_2' });
    expect(standing(before, { ...CLEAR, outcome: 'unknown' }).unknownClear).not.toBeNull();
    const asked = { kind: 'clear-asked', afterScan: 'ent_1' } as const;
    expect(standing(before, asked, { ...CLEAR, asked: 'ent_2' }).unknownClear).toBeNull();
    expect(standing(before, asked, scanEntry(makeScan([]))).unknownClear).toBeNull();
    expect(standing(before, asked, scanEntry(part('7E8', { values: 'known' }))).unknownClear).not.toBeNull();
  });

  test('only the units that agreed, or the one that was cleared by itself', () => {
    const two = scanEntry({
      ...makeScan([]),
      codes: [...confirmed('7E8', 'P0302'), ...confirmed('7E9', 'P0753')],
    });
    expect(codes(standing(two, { ...CLEAR, agreedBy: ['7E8'] }))).toEqual([
      '7E8 P0302 confirmed cleared',
      '7E9 P0753 confirmed',
    ]);
    const alone = { ...CLEAR, unit: { answer: '7E9', name: 'Transmission' } };
    expect(codes(standing(two, alone))).toEqual(['7E8 P0302 confirmed', '7E9 P0753 confirmed cleared']);
    const mapped = scanEntry({
      ...makeScan(['P0302']),
      units: [{ unit: '6A8', name: 'Brakes', hasAnswered: true }],
      codes: [...confirmed('7E8', 'P0302'), ...confirmed('6A8', 'C0031')],
    });
    expect(codes(standing(mapped, CLEAR))).toEqual(['6A8 C0031 confirmed', '7E8 P0302 confirmed cleared']);
  });

  test('what came back and what is new, and a file of which nobody knows the day is neither', () => {
    const s = standing(before, CLEAR, scanEntry(makeScan(['P0302:pending', 'P0420'])));
    expect(s.clears[0]).toMatchObject({ readSince: 'ent_3' });
    expect(s.clears[0]?.returned.map((r) => r.code.code)).toEqual(['P0302']);
    expect(s.clears[0]?.added.map((r) => r.code.code)).toEqual(['P0420']);
    const file = standing(before, CLEAR, fromFile(makeScan(['P0302', 'P0420'])));
    expect(file.clears[0]).toMatchObject({ readSince: null, returned: [], added: [] });
    expect(codes(file)).toContain('7E8 P0302 confirmed cleared');
  });

  test('the battery off: self-checks are gone, codes may have stayed', () => {
    const s = standing(before, { kind: 'battery-off' });
    expect([status(s, 'readiness'), status(s, 'confirmed')]).toEqual(['cleared', 'known']);
    expect(s.boundaries.map((b) => b.kind)).toEqual(['battery-off']);
  });

  test('the engine lamp as the owner saw it counts until its command is read again', () => {
    const lamp = { kind: 'lamp', lamp: 'engine', mode: 'flashing' } as const;
    const oil = { kind: 'lamp', lamp: 'oil', mode: 'steady' } as const;
    const cleared = standing(before, lamp, oil, CLEAR);
    expect(cleared.lamps.get('engine')).toMatchObject({ mode: 'flashing', clearedBy: 'ent_4' });
    expect(cleared.lamps.get('oil')).toMatchObject({ mode: 'steady', clearedBy: null });
    expect(standing(before, lamp, CLEAR, scanEntry(makeScan([]))).lamps.get('engine')?.mode).toBe('out');
    expect(standing(before, lamp, CLEAR, scanEntry(makeScan(['P0302']))).lamps.get('engine')?.mode).toBe(
      'flashing',
    );
  });
});

describe('order', () => {
  const at = (id: string, minute: number, entry: object): Entry =>
    ({ id, at: new Date(Date.UTC(2026, 10, 3, 6, minute)).toISOString(), ...entry }) as Entry;
  const fold = (...entries: Entry[]) => foldCase({ entries });

  test('by moment and id, never by the place in the list', () => {
    const out = at('ent_a', 1, { kind: 'lamp', lamp: 'oil', mode: 'out' });
    const lit = at('ent_b', 2, { kind: 'lamp', lamp: 'oil', mode: 'steady' });
    expect(fold(lit, out).standing.lamps.get('oil')?.mode).toBe('steady');
    expect(fold(out, lit).standing.lamps.get('oil')?.mode).toBe('steady');
  });

  test('an entry never stands before one that it refers to, even where a clock was set back', () => {
    const scan = at('ent_s', 30, scanEntry(makeScan(['P0302'])));
    const clear = at('ent_c', 5, { kind: 'clear', afterScan: 'ent_s', outcome: 'agreed' });
    const strike = at('ent_x', 1, { kind: 'retracted', entry: 'ent_c', reason: 'no' });
    expect(fold(clear, scan).entries.map((e) => e.id)).toEqual(['ent_s', 'ent_c']);
    expect(codes(fold(clear, scan).standing)).toEqual(['7E8 P0302 confirmed cleared']);
    expect(codes(fold(strike, clear, scan).standing)).toEqual(['7E8 P0302 confirmed']);
  });

  test('references in a circle end', () => {
    const a = at('ent_a', 1, { kind: 'retracted', entry: 'ent_b', reason: 'x' });
    const b = at('ent_b', 2, { kind: 'retracted', entry: 'ent_a', reason: 'y' });
    expect(fold(a, b).entries).toEqual([]);
  });
});
