import { CAR, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { readCaseFile, withoutPersonalData, writeCaseFile } from './index.ts';

const SECRETS = [
  'HV 41 KLN',
  'ZZ9TR1F46CH000302',
  'to the pottery',
  'call Mira',
  'Garage Hollow',
  'loom.jpg',
  'My adapter 7',
  'PN-4711',
  'because Mira said so',
  '192.168.0.10',
  'Mira drives',
  'mira-phone.csv',
  'here it shook',
  'as Mira’s uncle did',
];

test('a case for others names nobody, and says all the rest', () => {
  const vehicle = {
    ...CAR,
    plate: 'HV 41 KLN',
    vin: 'ZZ9TR1F46CH000302',
    usualTrips: [{ name: 'to the pottery', road: 'town' as const, minutes: 10, distanceKm: 5, perWeek: 3 }],
  };
  const scan = makeScan(['P0302'], { '0C': 700 });
  const record = makeCase(
    {
      kind: 'connection',
      outcome: 'failed',
      adapter: 'My adapter 7',
      message: 'No answer from 192.168.0.10',
    },
    scanEntry({
      ...scan,
      vin: 'ZZ9TR1F46CH000302',
      values: [
        ...scan.values,
        {
          service: '09',
          pid: '02',
          name: 'VIN',
          value: 'ZZ9TR1F46CH000302',
          unit: '',
          source: '7E8',
          raw: 0,
        },
      ],
    }),
    saw('sign:shakes'),
    { kind: 'note', text: 'call Mira' },
    { kind: 'offer', name: 'Garage Hollow', text: 'Coil 45' },
    { kind: 'attachment', file: 'att_00ff', name: 'loom.jpg', type: 'image/jpeg', bytes: 9 },
    {
      kind: 'recording',
      recording: 'rec_00ff',
      title: 'Mira drives',
      seconds: 60,
      samples: 0,
      channels: [],
      windows: [],
      marks: [{ at: 3, text: 'here it shook' }],
      file: 'mira-phone.csv',
    },
    { kind: 'check', check: 'boot-look:2', outcome: 'clean', note: 'call Mira' },
    { kind: 'repair', cause: 'other', title: 'as Mira’s uncle did' },
    { kind: 'repair', cause: 'coil:2', cost: 45, note: 'call Mira', partNumber: 'PN-4711' },
    { kind: 'drive', metConditions: 'yes', cameBack: 'no', note: 'call Mira' },
  );
  record.title = 'because Mira said so';
  const left = withoutPersonalData(record, vehicle, { case: 'case_new', vehicle: 'veh_new' });
  const text = writeCaseFile(left.record, left.vehicle, '2026-11-27T00:00:00.000Z');
  for (const secret of SECRETS) expect([secret, text.includes(secret)]).toEqual([secret, false]);
  expect(text).not.toContain(record.id);
  expect(text).not.toContain(CAR.id);
  // It is a whole case file still, with what others need.
  const read = readCaseFile(text);
  if (!read.ok) throw new Error(read.problem.code);
  const kinds = read.file.case.entries.map((e) => e.kind);
  expect(kinds).toEqual([
    'connection',
    'scan',
    'observation',
    'recording',
    'check',
    'repair',
    'repair',
    'drive',
  ]);
  expect(read.file.case.entries.findLast((e) => e.kind === 'repair')).toMatchObject({
    cost: 45,
    cause: 'coil:2',
  });
  expect(read.file.vehicle).toMatchObject({ fuel: CAR.fuel, name: CAR.name });
  expect(read.file.owner).toBeUndefined();
});
