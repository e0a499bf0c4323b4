import { assess } from '@pincer/core/assess';
import { DEFAULT_OWNER, foldCase } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { buyingSheet, buyingView } from './index.ts';

type Entries = Parameters<typeof makeCase>;
const VIN = 'ZZ9TR1F46CH000302';
const FOR_SALE: Vehicle = { ...CAR, vin: VIN, distanceKm: 100_000 };
const look = (entries: Entries, vehicle: Vehicle = FOR_SALE) => {
  const record = { ...makeCase(...entries), occasion: 'buying' as const };
  const assessment = assess(record, vehicle, NOW);
  return { ...buyingView(foldCase(record), vehicle, assessment, DEFAULT_OWNER), assessment };
};
const sound = (values: Record<string, number> = {}) =>
  scanEntry({ ...makeScan([], { '05': 12, '31': 9_000, '30': 200, ...values }), vin: VIN });
const weight = (entries: Entries, id: string, vehicle?: Vehicle) =>
  look(entries, vehicle).findings.find((f) => f.id === id)?.weight;
const BULB = { kind: 'bulb', answer: 'lights' } as const;

describe('before buying', () => {
  test.each([
    [
      'another number than in the papers',
      [scanEntry({ ...makeScan([]), vin: 'ZZ9TR1F46CH000777' })],
      'vin',
      'walk-away',
    ],
    ['the same number', [sound()], 'vin', 'good'],
    ['a light that stays dark at key-on', [{ kind: 'bulb', answer: 'does-not' }], 'bulb', 'walk-away'],
    ['a light that lights', [BULB], 'bulb', 'good'],
    [
      'commanded on and dark',
      [{ kind: 'lamp', lamp: 'engine', mode: 'out' }, scanEntry(makeScan(['P0420']))],
      'dark',
      'walk-away',
    ],
    ['more counted than shown', [sound({ A6: 160_000 })], 'distance', 'walk-away'],
    ['about the same', [sound({ A6: 101_000 })], 'distance', 'good'],
    [
      'cleared lately',
      [scanEntry(makeScan([], { '31': 8, '30': 1 }, { ran: ['misfire'] }))],
      'cleared',
      'ask',
    ],
    ['a permanent code', [scanEntry(makeScan(['P0420:permanent']))], 'permanent', 'ask'],
    ['a code', [scanEntry(makeScan(['P0302']))], 'codes', 'ask'],
    ['a warm engine', [sound({ '05': 84 })], 'warm', 'ask'],
    ['the oil light', [{ kind: 'lamp', lamp: 'oil', mode: 'steady' }], 'danger', 'walk-away'],
  ] as [string, Entries, string, string][])('%s', (_, entries, id, expected) => {
    expect(weight(entries, id)).toBe(expected);
  });

  test('nothing is cleared or repaired at a stranger’s car', () => {
    const { assessment } = look([scanEntry(makeScan(['P0302']))]);
    for (const id of ['clear', 'repair'] as const)
      expect(assessment.options.find((o) => o.id === id)?.blocked.map((b) => b.id)).toContain(
        'strangers-car',
      );
    expect(assessment.recommended).toBe('help');
    // And nothing is taken apart to look.
    expect(assessment.checks.every((c) => c.isFromSeat)).toBe(true);
    expect(
      assess(makeCase(scanEntry(makeScan(['P0302']))), FOR_SALE, NOW).checks.some((c) => !c.isFromSeat),
    ).toBe(true);
  });

  test('what is stored has its price, and what is sound has none', () => {
    const bad = look([scanEntry(makeScan(['P0302'])), saw('sign:shakes')]);
    expect(bad.suspected).toBeGreaterThan(50);
    expect(bad.argument).toContain(`€${Math.round(bad.suspected ?? 0)}`);
    expect(look([sound()]).argument).toBeNull();
  });

  test('nothing found is said only after a drive and a second reading', () => {
    const drive = { kind: 'drive', metConditions: 'unknown', cameBack: 'no' } as const;
    expect(look([]).verdict.title).toBe('Not read yet');
    expect(look([BULB, sound()]).verdict.title).toBe('Nothing found so far');
    const twice = look([BULB, sound(), drive, sound({ '05': 88 })]);
    expect(twice.verdict.title).toBe('Nothing found');
    expect(twice.steps.find((s) => s.id === 'second-reading')?.isDone).toBe(true);
    // A second reading without a drive between says nothing new.
    expect(look([BULB, sound(), sound()]).steps.find((s) => s.id === 'second-reading')?.isDone).toBe(false);
  });

  test('the record of the visit holds every finding, and no empty part', () => {
    const view = look([{ kind: 'bulb', answer: 'does-not' }, sound()]);
    const sheet = buyingSheet(view, FOR_SALE);
    const text = sheet.parts.flatMap((p) => p.lines).join('\n');
    for (const f of view.findings) expect(text).toContain(f.title);
    expect(sheet.parts.every((p) => p.lines.length > 0)).toBe(true);
  });
});
