import { DEFAULT_OWNER, foldCase, type CaseRecord, type Owner } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { assess, handover, handoverText } from './index.ts';

const NAMED: Vehicle = { ...CAR, plate: 'HB 1234', vin: 'TFN00000000000001', displacementLitres: 1.4 };
const WET: CaseRecord = makeCase(
  { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
  saw('sign:shakes'),
  saw('sign:wet'),
  scanEntry(makeScan(['P0302'], { '0C': 740, '0D': 0, '05': 21 })),
  { kind: 'check', check: 'plug-look:2', outcome: 'wide' },
);
const sheetOf = (record: CaseRecord, owner: Owner = DEFAULT_OWNER, isNamed = false) =>
  handover(foldCase(record), NAMED, owner, assess(record, NAMED, NOW, owner), isNamed);
const part = (title: string, record = WET) =>
  sheetOf(record)
    .parts.find((p) => p.title === title)
    ?.lines.join('\n');

describe('the handover sheet', () => {
  test('holds what a workshop asks for', () => {
    expect(part('Warning lights')).toBe('Engine light flashes.');
    expect(part('Codes')).toMatch(/^P0302 Misfire: cylinder 2 \(confirmed/);
    expect(part('Noticed')).toMatch(/^Shakes\.\nOnly in the wet\.$/m);
    expect(part('Likely causes')).toMatch(/cylinder 2.*: \d+ %/);
    expect(part('Likely causes')).toMatch(/None of these: /);
    expect(part('Not touched')).toContain('No codes have been cleared.');
    expect(part('Not touched')).toContain('Nothing has been repaired or replaced.');
    expect(part('Questions')).toMatch(/What will you measure to tell “.*” from “.*”/);
  });

  test('tells plate and VIN only when its owner chooses so', () => {
    expect(JSON.stringify(sheetOf(WET))).not.toMatch(/HB 1234|TFN0000/);
    const named = JSON.stringify(sheetOf(WET, DEFAULT_OWNER, true));
    expect(named).toContain('Number plate: HB 1234.');
    expect(named).toContain('VIN: TFN00000000000001.');
  });

  test('says what was cleared, repaired and not read', () => {
    const cleared = makeCase(
      scanEntry(makeScan(['P0302'])),
      { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' },
      { kind: 'repair', cause: 'coil-boot:2', note: 'boot was split' },
    );
    expect(part('Not touched', cleared)).toMatch(/Codes were cleared once/);
    expect(part('Not touched', cleared)).toMatch(/Not read: .*confirmed codes/);
    expect(part('Repaired so far', cleared)).toMatch(/boot was split/);
  });

  test('is in the owner’s units and English, and as text for a message', () => {
    const american: Owner = { ...DEFAULT_OWNER, units: 'imperial', words: 'american' };
    const text = handoverText(sheetOf(WET, american, true));
    expect(text).toContain('License plate: HB 1234.');
    expect(text).toMatch(/gasoline/);
    expect(text).not.toMatch(/[{}]|km\b|petrol/);
    expect(handoverText(sheetOf(WET)).split('\n')[0]).toBe(`Handover: ${CAR.name}`);
  });

  test('names a repair by its title, also where its cause is no longer among the likely ones', () => {
    const done = makeCase(
      scanEntry(makeScan(['P0302'])),
      { kind: 'repair', cause: 'thermostat-open', note: 'new one' },
      { kind: 'repair', cause: 'coil:2' },
    );
    expect(part('Repaired so far', done)).toMatch(/thermostat.*: new one\.\n.*coil.* 2\.$/i);
    expect(part('Repaired so far', done)).not.toContain('coil:2');
  });

  test('has a line to search with: year, name, engine, codes', () => {
    expect(sheetOf(WET).search).toMatch(new RegExp(`^${CAR.year ?? ''} ?${CAR.name} 1\\.4 L .*P0302`));
  });

  test('a case in which nothing is known yet has a sheet too', () => {
    const empty = sheetOf(makeCase());
    expect(empty.parts.map((p) => p.title)).toEqual(['Vehicle', 'Not touched', 'Questions']);
  });
});
