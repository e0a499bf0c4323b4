import {
  CURRENT_VERSION,
  caseFileSchema,
  findInText,
  readingOfFindings,
  type CaseFile,
  type Entry,
} from '@pincer/core/case';
import { AdapterPort, connect, takeReading } from '@pincer/core/link';
import type { Reading } from '@pincer/core/obd';
import { moduleMapSchema, withCheckDigit, type Vehicle } from '@pincer/core/vehicle';
import {
  DRAY,
  DRAY_MODULES,
  FINCH,
  FINCH_MODULES,
  INSTANT_CLOCK,
  KESTRINE,
  KESTRINE_MODULES,
  StandIn,
  type CarPlan,
  type Fault,
} from '@pincer/simulator';

/**
 * The example logbook: a pottery teacher in a made-up harbour town and her three made-up vehicles. Readings
 * are taken from the stand-in through the real session, so they are what the program would have recorded.
 */

const finch: Vehicle = {
  id: 'veh_finch',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  plate: 'HV 41 KLN',
  vin: FINCH.identity.vin,
  year: 2012,
  market: 'EU',
  fuel: 'petrol',
  displacement: 1.4,
  cylinders: 4,
  aspiration: 'natural',
  gearbox: 'automatic',
  distance: 168_400,
  inspectionDue: '2027-03-31',
  usualTrips: [
    { name: 'to the pottery', road: 'country', minutes: 24, distance: 19, perWeek: 4 },
    { name: 'round the harbour', road: 'town', minutes: 12, distance: 4, perWeek: 6 },
  ],
  moduleMap: moduleMapSchema.parse(FINCH_MODULES),
};
const dray: Vehicle = {
  id: 'veh_dray',
  name: 'Ostler Dray 2.2 D',
  kind: 'van',
  plate: 'HV 87 TON',
  vin: DRAY.identity.vin,
  year: 2016,
  market: 'EU',
  fuel: 'diesel',
  displacement: 2.2,
  cylinders: 4,
  aspiration: 'turbo',
  gearbox: 'manual',
  distance: 241_900,
  inspectionDue: '2027-06-30',
  moduleMap: moduleMapSchema.parse(DRAY_MODULES),
};
const kestrine: Vehicle = {
  id: 'veh_kestrine',
  name: 'Kestrine 650',
  kind: 'motorcycle',
  plate: 'HV 6 GLZ',
  vin: KESTRINE.identity.vin,
  year: 2019,
  market: 'EU',
  fuel: 'petrol',
  displacement: 0.65,
  cylinders: 2,
  aspiration: 'natural',
  gearbox: 'manual',
  distance: 38_200,
  moduleMap: moduleMapSchema.parse(KESTRINE_MODULES),
};
/** Looked at before buying; not hers. */
const PIPPIN: CarPlan = {
  ...FINCH,
  identity: { ...FINCH.identity, vin: withCheckDigit('ZZ9MP1P20FH000951'), calibrationId: 'MP12-E5-0077' },
};
const pippin: Vehicle = {
  id: 'veh_pippin',
  name: 'Marlow Pippin 1.4, for sale',
  kind: 'car',
  vin: PIPPIN.identity.vin,
  year: 2015,
  market: 'EU',
  fuel: 'petrol',
  displacement: 1.4,
  cylinders: 4,
  aspiration: 'natural',
  distance: 127_300,
};

interface Scene {
  car?: CarPlan;
  units?: Vehicle['moduleMap'];
  /** The memory was cleared before the last drive. */
  isCleared?: boolean;
  faults: readonly Fault[];
  seed: number;
  outside: number;
  isWarm: boolean;
  tripsBefore?: number;
}

/** A full reading of the stand-in in a scene. */
async function readScene(scene: Scene): Promise<Reading> {
  const car = new StandIn({ ...scene, clock: INSTANT_CLOCK, temperament: 'instant' });
  if (scene.isCleared) {
    car.unit.answer([0x04]);
    car.drive();
  }
  if (scene.isWarm) car.warmUp();
  const connected = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
  if (!connected.ok) throw new Error(`The stand-in did not connect: ${connected.fault.code}`);
  const { reading, fault } = await takeReading(connected.connection, {
    units: scene.units?.modules ?? FINCH_MODULES.modules,
  });
  if (fault) throw new Error(`The stand-in was not read: ${fault.code}`);
  return reading;
}

type WithoutId<T> = T extends Entry ? Omit<T, 'id'> : never;

function caseFile(
  id: string,
  title: string,
  openedAt: string,
  entries: readonly WithoutId<Entry>[],
  exportedAt: string,
  vehicle: Vehicle = finch,
): CaseFile {
  const file = {
    format: 'pincer-case',
    version: CURRENT_VERSION,
    exportedAt,
    vehicle,
    case: {
      id: `case_${id}`,
      vehicle: vehicle.id,
      title,
      openedAt,
      entries: entries.map((e, i) => ({ ...e, id: entryId(id, i) })),
    },
  };
  return caseFileSchema.parse(file);
}

const entryId = (caseId: string, index: number): string =>
  `ent_${caseId}_${String(index + 1).padStart(2, '0')}`;

const ADAPTER = 'Stand-in, quick';
const PROTOCOL = 'ISO 15765-4, 11-bit CAN, 500 kbit/s';
const EXPORTED = '2026-11-20T18:00:00.000Z';

async function wetMornings(): Promise<CaseFile> {
  const boot: Fault = { kind: 'coil-boot', cylinder: 2 };
  const first = await readScene({ faults: [boot], seed: 7, outside: 9, isWarm: false });
  const warm = await readScene({ faults: [boot], seed: 11, outside: 9, isWarm: true });
  const again = await readScene({ faults: [boot], seed: 23, outside: 7, isWarm: false, tripsBefore: 3 });
  const on = (time: string) => `2026-11-${time}:00.000Z`;
  return caseFile(
    'wet',
    'Wet-morning shake',
    on('03T06:40'),
    [
      { kind: 'lamp', at: on('03T06:41'), lamp: 'engine', mode: 'flashing' },
      { kind: 'lamp', at: on('03T06:41'), lamp: 'oil', mode: 'out' },
      { kind: 'lamp', at: on('03T06:41'), lamp: 'temperature', mode: 'out' },
      { kind: 'observation', at: on('03T06:42'), observation: 'sign:shakes', answer: 'yes' },
      { kind: 'observation', at: on('03T06:42'), observation: 'sign:warm', answer: 'no' },
      { kind: 'observation', at: on('03T06:43'), observation: 'before:refuelled', answer: 'no' },
      {
        kind: 'connection',
        at: on('03T17:20'),
        outcome: 'talking',
        adapter: ADAPTER,
        protocol: PROTOCOL,
        volts: 12.5,
      },
      {
        kind: 'reading',
        at: on('03T17:22'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: first,
      },
      {
        kind: 'reading',
        at: on('03T17:41'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: warm,
      },
      { kind: 'check', at: on('03T17:44'), check: 'tailpipe-smell', outcome: 'none' },
      { kind: 'decision', at: on('03T17:50'), option: 'help' },
      {
        kind: 'note',
        at: on('03T17:52'),
        text: 'Quay Street garage asks €75 to read it and has time on Thursday week. Leaving it in the yard meanwhile.',
      },
      { kind: 'observation', at: on('09T06:35'), observation: 'sign:wet', answer: 'yes' },
      {
        kind: 'reading',
        at: on('09T06:50'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: again,
      },
    ],
    EXPORTED,
  );
}

async function leanTwice(): Promise<CaseFile> {
  const leak: Fault = { kind: 'intake-leak', share: 0.2 };
  const scene = { faults: [leak], outside: 14, isWarm: true } as const;
  const [one, two, three] = [
    await readScene({ ...scene, seed: 31 }),
    await readScene({ ...scene, seed: 37 }),
    await readScene({ ...scene, seed: 41 }),
  ];
  const gone = await readScene({ faults: [], seed: 43, outside: 15, isWarm: true });
  const on = (time: string) => `2026-${time}:00.000Z`;
  const id = 'lean';
  return caseFile(
    id,
    'Lean, back twice',
    on('04-11T16:05'),
    [
      { kind: 'lamp', at: on('04-11T16:06'), lamp: 'engine', mode: 'steady' },
      { kind: 'observation', at: on('04-11T16:06'), observation: 'sign:rough-idle', answer: 'yes' },
      {
        kind: 'connection',
        at: on('04-11T16:28'),
        outcome: 'talking',
        adapter: ADAPTER,
        protocol: PROTOCOL,
        volts: 12.6,
      },
      {
        kind: 'reading',
        at: on('04-11T16:30'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: one,
      },
      { kind: 'decision', at: on('04-11T16:40'), option: 'clear' },
      {
        kind: 'clear',
        at: on('04-11T16:42'),
        afterReading: entryId(id, 3),
        outcome: 'agreed',
        message: 'Agreed: 7E8, 7E9',
      },
      {
        kind: 'drive',
        at: on('04-12T08:30'),
        metConditions: 'yes',
        cameBack: 'yes',
        note: 'Lamp back on the second morning.',
      },
      {
        kind: 'reading',
        at: on('04-13T17:00'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: two,
      },
      { kind: 'check', at: on('04-13T17:20'), check: 'maf-clean', outcome: 'same' },
      {
        kind: 'repair',
        at: on('04-13T17:45'),
        cause: 'maf-dirty',
        cost: 9,
        note: 'Cleaned it; the trims stayed.',
      },
      {
        kind: 'clear',
        at: on('04-13T17:50'),
        afterReading: entryId(id, 7),
        outcome: 'agreed',
        message: 'Agreed: 7E8, 7E9',
      },
      {
        kind: 'reading',
        at: on('04-16T17:10'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: three,
      },
      { kind: 'check', at: on('04-18T09:10'), check: 'trims-compare', outcome: 'idle' },
      { kind: 'check', at: on('04-18T09:30'), check: 'leak-spray', outcome: 'hose' },
      {
        kind: 'check',
        at: on('04-18T09:40'),
        check: 'hose-follow',
        outcome: 'off',
        note: 'Split at the back of the manifold, where nobody looks.',
      },
      { kind: 'decision', at: on('04-18T09:45'), option: 'repair', cause: 'vacuum-hose-off' },
      { kind: 'repair', at: on('04-18T10:20'), cause: 'vacuum-hose-off', cost: 6, note: 'New hose, 40 cm.' },
      {
        kind: 'clear',
        at: on('04-18T10:25'),
        afterReading: entryId(id, 11),
        outcome: 'agreed',
        message: 'Agreed: 7E8, 7E9',
      },
      { kind: 'drive', at: on('04-19T08:20'), metConditions: 'yes', cameBack: 'no' },
      { kind: 'drive', at: on('04-21T08:15'), metConditions: 'yes', cameBack: 'no' },
      { kind: 'drive', at: on('04-24T08:15'), metConditions: 'yes', cameBack: 'no' },
      {
        kind: 'reading',
        at: on('04-25T10:00'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: gone,
      },
      { kind: 'lamp', at: on('04-25T10:02'), lamp: 'engine', mode: 'out' },
      { kind: 'closed', at: on('04-25T10:05'), outcome: 'fixed', note: 'The hose, not the sensor.' },
    ],
    EXPORTED,
  );
}

/** Written down from a borrowed reader's two-line screen, later read: the van, lazy on hills, with a hiss. */
async function borrowedReader(): Promise<CaseFile> {
  const on = (time: string) => `2026-${time}:00.000Z`;
  const reading = readingOfFindings(
    findInText(
      'P0299 stored\nP0101 pending\nECT 86 C  LOAD 91 %\nRPM 2140  VSS 63 km/h\nMAF 41.2 g/s\nMIS OK  FUE OK  CCM OK  EGR OK',
    ),
  );
  const own = await readScene({
    car: DRAY,
    units: dray.moduleMap,
    faults: [{ kind: 'charge-hose' }],
    seed: 17,
    outside: 8,
    isWarm: true,
  });
  return caseFile(
    'dray',
    'Lazy on the hill road',
    on('11-08T18:30'),
    [
      { kind: 'lamp', at: on('11-08T18:31'), lamp: 'engine', mode: 'steady' },
      { kind: 'bulb', at: on('11-08T18:31'), answer: 'lights' },
      { kind: 'observation', at: on('11-08T18:32'), observation: 'sign:weak', answer: 'yes' },
      { kind: 'observation', at: on('11-08T18:32'), observation: 'sign:uphill', answer: 'yes' },
      { kind: 'observation', at: on('11-08T18:33'), observation: 'sign:hiss', answer: 'yes' },
      { kind: 'reading', at: on('11-08T18:40'), via: 'hand', isComplete: false, reading },
      { kind: 'note', at: on('11-08T18:42'), text: 'The neighbour’s reader; it has to go back on Sunday.' },
      {
        kind: 'connection',
        at: on('11-14T09:10'),
        outcome: 'talking',
        adapter: ADAPTER,
        protocol: PROTOCOL,
        volts: 12.5,
      },
      {
        kind: 'reading',
        at: on('11-14T09:14'),
        via: 'adapter',
        adapter: ADAPTER,
        isComplete: true,
        reading: own,
      },
    ],
    EXPORTED,
    dray,
  );
}

/** The motorcycle: several control units complain at once, and the cause is one. */
async function manyAtOnce(): Promise<CaseFile> {
  const on = (time: string) => `2026-${time}:00.000Z`;
  const reading = await readScene({
    car: KESTRINE,
    units: kestrine.moduleMap,
    faults: [{ kind: 'regulator' }],
    seed: 29,
    outside: 16,
    isWarm: true,
  });
  return caseFile(
    'kestrine',
    'Everything lights at once',
    on('10-04T15:20'),
    [
      { kind: 'lamp', at: on('10-04T15:21'), lamp: 'engine', mode: 'steady' },
      { kind: 'lamp', at: on('10-04T15:21'), lamp: 'stability', mode: 'steady' },
      { kind: 'lamp', at: on('10-04T15:21'), lamp: 'charging', mode: 'now-and-then' },
      { kind: 'observation', at: on('10-04T15:22'), observation: 'gauge:lights-dim', answer: 'yes' },
      { kind: 'observation', at: on('10-04T15:22'), observation: 'sign:warm', answer: 'yes' },
      { kind: 'observation', at: on('10-04T15:23'), observation: 'before:modified', answer: 'no' },
      {
        kind: 'connection',
        at: on('10-04T15:40'),
        outcome: 'talking',
        adapter: ADAPTER,
        protocol: PROTOCOL,
        volts: 12.4,
      },
      { kind: 'reading', at: on('10-04T15:43'), via: 'adapter', adapter: ADAPTER, isComplete: true, reading },
    ],
    EXPORTED,
    kestrine,
  );
}

/** A car looked at before buying: no lamp, no confirmed code, and a memory that was cleared 11 km earlier. */
async function beforeBuying(): Promise<CaseFile> {
  const on = (time: string) => `2026-${time}:00.000Z`;
  const reading = await readScene({
    car: PIPPIN,
    faults: [{ kind: 'catalyst-worn' }],
    seed: 53,
    outside: 12,
    isWarm: true,
    isCleared: true,
  });
  return caseFile(
    'pippin',
    'Looked at before buying',
    on('09-19T10:00'),
    [
      { kind: 'lamp', at: on('09-19T10:02'), lamp: 'engine', mode: 'out' },
      { kind: 'bulb', at: on('09-19T10:02'), answer: 'lights' },
      {
        kind: 'connection',
        at: on('09-19T10:10'),
        outcome: 'talking',
        adapter: ADAPTER,
        protocol: PROTOCOL,
        volts: 12.6,
      },
      { kind: 'reading', at: on('09-19T10:13'), via: 'adapter', adapter: ADAPTER, isComplete: true, reading },
      { kind: 'note', at: on('09-19T10:20'), text: 'The seller says it has never had a lamp on.' },
    ],
    EXPORTED,
    pippin,
  );
}

/** The whole example logbook. */
export async function demoLogbook(): Promise<{ vehicles: Vehicle[]; files: CaseFile[] }> {
  return {
    vehicles: [finch, dray, kestrine, pippin],
    files: [
      await wetMornings(),
      await leanTwice(),
      await borrowedReader(),
      await manyAtOnce(),
      await beforeBuying(),
    ],
  };
}
