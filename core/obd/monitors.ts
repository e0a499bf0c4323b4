import type { MonitorStatus } from './scan.ts';

/** Names of the self-checks, by id (SAE J1979 PID 01 and 41). */
export const MONITOR_NAMES = {
  misfire: 'Misfire',
  fuel: 'Fuel system',
  components: 'Components',
  catalyst: 'Catalyst',
  'heated-catalyst': 'Heated catalyst',
  evaporative: 'Evaporative system',
  'secondary-air': 'Secondary air',
  'air-conditioning': 'Air-conditioning refrigerant',
  'oxygen-sensor': 'Oxygen sensors',
  'oxygen-heater': 'Oxygen sensor heaters',
  egr: 'Exhaust gas recirculation or valve timing',
  'nmhc-catalyst': 'Hydrocarbon catalyst',
  nox: 'NOx aftertreatment',
  boost: 'Boost pressure',
  'exhaust-sensor': 'Exhaust gas sensor',
  'particulate-filter': 'Particulate filter',
} as const;
export type MonitorId = keyof typeof MONITOR_NAMES;

const CONTINUOUS: readonly MonitorId[] = ['misfire', 'fuel', 'components'];
const SPARK: readonly (MonitorId | null)[] = [
  'catalyst',
  'heated-catalyst',
  'evaporative',
  'secondary-air',
  'air-conditioning',
  'oxygen-sensor',
  'oxygen-heater',
  'egr',
];
const COMPRESSION: readonly (MonitorId | null)[] = [
  'nmhc-catalyst',
  'nox',
  null,
  'boost',
  null,
  'exhaust-sensor',
  'particulate-filter',
  'egr',
];

export interface MonitorBytes {
  lampOn: boolean;
  storedCodes: number;
  ignition: 'spark' | 'compression';
  /** Supported self-checks only. */
  monitors: { monitor: MonitorId; complete: boolean }[];
}

/** Decodes the four data bytes A-D of service 01 PID 01 or 41 (SAE J1979, table for PID 01). */
export function decodeMonitorBytes(bytes: readonly number[]): MonitorBytes | null {
  const [a, b, c, d] = bytes;
  if (a === undefined || b === undefined || c === undefined || d === undefined) return null;
  const isCompression = (b & 0x08) !== 0;
  const monitors: MonitorBytes['monitors'] = [];
  CONTINUOUS.forEach((monitor, bit) => {
    if (b & (1 << bit)) monitors.push({ monitor, complete: (b & (0x10 << bit)) === 0 });
  });
  (isCompression ? COMPRESSION : SPARK).forEach((monitor, bit) => {
    if (monitor && c & (1 << bit)) monitors.push({ monitor, complete: (d & (1 << bit)) === 0 });
  });
  return {
    lampOn: (a & 0x80) !== 0,
    storedCodes: a & 0x7f,
    ignition: isCompression ? 'compression' : 'spark',
    monitors,
  };
}

/** The inverse of {@link decodeMonitorBytes}. */
export function encodeMonitorBytes(status: MonitorBytes): number[] {
  let b = status.ignition === 'compression' ? 0x08 : 0;
  let c = 0;
  let d = 0;
  const table = status.ignition === 'compression' ? COMPRESSION : SPARK;
  for (const { monitor, complete } of status.monitors) {
    const steady = CONTINUOUS.indexOf(monitor);
    const perTrip = table.indexOf(monitor);
    if (steady >= 0) b |= (1 << steady) | (complete ? 0 : 0x10 << steady);
    else if (perTrip >= 0) {
      c |= 1 << perTrip;
      if (!complete) d |= 1 << perTrip;
    }
  }
  return [(status.lampOn ? 0x80 : 0) | (status.storedCodes & 0x7f), b, c, d];
}

/** Monitor bytes as rows of a reading. */
export function monitorRows(
  status: MonitorBytes,
  unit: string,
  span: MonitorStatus['span'],
): MonitorStatus[] {
  return status.monitors.map(({ monitor, complete }) => ({
    unit,
    span,
    monitor,
    name: MONITOR_NAMES[monitor],
    complete,
  }));
}
