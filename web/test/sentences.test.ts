import { assess } from '@pincer/core/assess';
import { emptyScan } from '@pincer/core/obd';
import type { CaseRecord, Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { entrySentence, isCarEntry } from '../src/logbook/sentences.ts';
import {
  dateWords,
  day,
  distance,
  duration,
  figure,
  money,
  moment,
  percent,
  weight,
} from '../src/ui/format.ts';

const vehicle: Vehicle = { id: 'veh_1', name: 'Finch', kind: 'car', fuel: 'petrol', aspiration: 'unknown' };
const record: CaseRecord = {
  id: 'case_1',
  vehicle: 'veh_1',
  title: 'x',
  openedAt: '2026-11-03T06:00:00.000Z',
  entries: [],
};
const assessment = assess(record, vehicle, new Date('2026-11-03T06:00:00Z'));
type Bare = Entry extends infer E ? (E extends Entry ? Omit<E, 'id' | 'at'> : never) : never;
const say = (entry: Bare) =>
  entrySentence({ ...entry, id: 'ent_1', at: '2026-11-03T06:00:00.000Z' }, assessment);

const scan = {
  ...emptyScan(),
  codes: [{ code: 'P0302', state: 'confirmed' as const, unit: '7E8' }],
  mils: [{ unit: '7E8', on: true, count: 1 }],
};

const SENTENCES: [string, Bare][] = [
  ['Engine light (check engine) flashes.', { kind: 'lamp', lamp: 'engine', mode: 'flashing' }],
  ['Oil pressure is off.', { kind: 'lamp', lamp: 'oil', mode: 'out' }],
  ['The engine light at key-on: does not light.', { kind: 'bulb', answer: 'does-not' }],
  ['Shakes: yes.', { kind: 'observation', observation: 'sign:shakes', answer: 'yes' }],
  ['Only in the wet: not known.', { kind: 'observation', observation: 'sign:wet', answer: 'unknown' }],
  [
    'Stand-in connected, CAN, 12.5 V.',
    { kind: 'connection', outcome: 'talking', adapter: 'Stand-in', protocol: 'CAN', volts: 12.5 },
  ],
  [
    'Stand-in could not connect. Why.',
    { kind: 'connection', outcome: 'failed', adapter: 'Stand-in', message: 'Why.' },
  ],
  ['Full reading: P0302, light on.', { kind: 'scan', via: 'adapter', isComplete: true, scan }],
  [
    'Part of a reading: codes not read.',
    { kind: 'scan', via: 'adapter', isComplete: false, scan: emptyScan() },
  ],
  ['Written down by hand: P0302, light on.', { kind: 'scan', via: 'hand', isComplete: false, scan }],
  ['Reading from a file: P0302, light on.', { kind: 'scan', via: 'file', isComplete: false, scan }],
  [
    'Swap coils 2 and another, drive 5 minutes, read again: it moves to another.',
    { kind: 'check', check: 'swap-coils:2', outcome: 'moves' },
  ],
  ['Decided: get help.', { kind: 'decision', option: 'help' }],
  [
    'Done: fit a new coil boot on cylinder 2, spent 14. Was burnt.',
    { kind: 'repair', cause: 'coil-boot:2', cost: 14, note: 'Was burnt.' },
  ],
  ['Cleared; confirmed by the {car}.', { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' }],
  [
    'Clear refused. Engine running.',
    { kind: 'clear', afterScan: 'ent_1', outcome: 'refused', message: 'Engine running.' },
  ],
  [
    'Drive under the same conditions: it stayed away.',
    { kind: 'drive', metConditions: 'yes', cameBack: 'no' },
  ],
  [
    'Drive: it came back. On the hill.',
    { kind: 'drive', metConditions: 'unknown', cameBack: 'yes', note: 'On the hill.' },
  ],
  ['Rained all night.', { kind: 'note', text: 'Rained all night.' }],
  ['An entry was struck out: wrong car', { kind: 'retracted', entry: 'ent_1', reason: 'wrong car' }],
  ['Closed: fixed. The hose.', { kind: 'closed', outcome: 'fixed', note: 'The hose.' }],
];

describe('the log in plain sentences', () => {
  test.each(SENTENCES)('%s', (sentence, entry) => {
    expect(say(entry)).toBe(sentence);
  });
  test('readings and connections are the car’s, the rest the owner’s', () => {
    const cars = SENTENCES.filter(([, e]) => isCarEntry({ ...e, id: 'ent_1', at: '' })).map(
      ([, e]) => e.kind,
    );
    expect(new Set(cars)).toEqual(new Set(['scan', 'connection']));
  });
});

describe('figures as people read them', () => {
  const flat = (text: string) => text.replaceAll('\u202f', ' ');
  test.each([
    [0.784, '78 %'],
    [0.0163, '1.6 %'],
    [0.0194, '1.9 %'],
    [0.0196, '2 %'],
    [0.0004, '< 0.1 %'],
    [0.9999, '> 99 %'],
    [1, '> 99 %'],
  ])('a chance of %p is %s, never certainty', (p, text) => {
    expect(flat(percent(p))).toBe(text);
  });
  test('weights for and against', () => {
    expect([15.2, 1.24, 0.2, 0.8].map(weight)).toEqual(['×15', '×1.2', '÷5', '÷1.3']);
  });
  test('time, money, distance, numbers', () => {
    expect([12, 60, 90, 155].map(duration)).toEqual(['12 min', '60 min', '1 h 30', '2 h 35']);
    expect(money(54.6, { currency: 'EUR' })).toBe('€55');
    expect([distance(168_400, 'metric'), distance(168_400, 'mixed')]).toEqual(['168,400 km', '104,639 mi']);
    expect([figure(1726), figure(14.198), figure(0.4512)]).toEqual(['1,726', '14.2', '0.45']);
    expect(day('2026-11-03T12:00:00Z')).toBe('Tue 3 Nov');
    expect(moment('2025-11-03T12:00:00Z', new Date('2026-11-03T12:00:00Z'))).toMatch(/^3 Nov 2025/);
    expect(moment('2026-11-03T12:00:00Z', new Date('2026-11-03T13:00:00Z'))).toMatch(/^today/);
    const at = new Date('2026-11-20T12:00:00Z');
    expect(dateWords('en-US').day('2026-11-03T12:00:00Z', at)).toBe('Tue, Nov 3');
    expect(dateWords('en-US').moment('2025-11-03T12:00:00Z', at)).toMatch(/^Nov 3, 2025/);
    expect(dateWords('fr-FR').day('2026-11-03T12:00:00Z', at)).toBe('Tue 3 Nov');
  });
});
