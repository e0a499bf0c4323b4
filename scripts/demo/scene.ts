import { CURRENT_VERSION, caseFileSchema, type CaseFile, type Entry } from '@pincer/core/case';
import { AdapterPort, connect, takeScan } from '@pincer/core/link';
import type { Scan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { FINCH_MODULES, INSTANT_CLOCK, StandIn, type CarPlan, type Fault } from '@pincer/simulator';
import { finch } from './vehicles.ts';

export interface Scene {
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

/** A full scan of the stand-in in a scene. */
export async function readScene(scene: Scene): Promise<Scan> {
  const car = new StandIn({ ...scene, clock: INSTANT_CLOCK, temperament: 'instant' });
  if (scene.isCleared) {
    car.unit.answer([0x04]);
    car.drive();
  }
  if (scene.isWarm) car.warmUp();
  const connected = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
  if (!connected.ok) throw new Error(`The stand-in did not connect: ${connected.fault.code}`);
  const { scan, fault } = await takeScan(connected.connection, {
    units: scene.units?.modules ?? FINCH_MODULES.modules,
  });
  if (fault) throw new Error(`The stand-in was not read: ${fault.code}`);
  return scan;
}

export type WithoutId<T> = T extends Entry ? Omit<T, 'id'> : never;

export function caseFile(
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

export const entryId = (caseId: string, index: number): string =>
  `ent_${caseId}_${String(index + 1).padStart(2, '0')}`;

const ADAPTER = 'Practice adapter, quick';

/** The adapter found the car's protocol; `volts` is what it measured at the connector. */
export const talking = (at: string, volts: number): WithoutId<Entry> => ({
  kind: 'connection',
  at,
  outcome: 'talking',
  adapter: ADAPTER,
  protocol: 'ISO 15765-4, 11-bit CAN, 500 kbit/s',
  volts,
});

/** A complete scan through the adapter. */
export const readByAdapter = (at: string, scan: Scan): WithoutId<Entry> => ({
  kind: 'scan',
  at,
  via: 'adapter',
  adapter: ADAPTER,
  isComplete: true,
  scan,
});

export const EXPORTED = '2026-11-20T18:00:00.000Z';
