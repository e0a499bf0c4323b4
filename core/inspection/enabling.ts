import type { MonitorId } from '@pincer/core/obd';
import type { RoadKind, UsualTrip } from '@pincer/core/vehicle';

/** What a self-check usually wants before it runs. Makers differ; the workshop manual wins. */
export interface Enabling {
  /** Hours parked before the start; 0 where a warm start will do. */
  soakHours: number;
  /** Steady driving that it wants, on which roads; none where idling will do. */
  steadyMinutes: number;
  roads: readonly RoadKind[];
  /** Coasting down without the pedal, in between. */
  coasts: boolean;
  /** Fuel level between these, per cent. */
  tank: readonly [number, number] | null;
  /** Good trips until it is told as complete. */
  trips: number;
  /** Self-checks whose failing codes keep it from running. */
  blockedBy: readonly MonitorId[];
}

const ANY: readonly RoadKind[] = ['town', 'country', 'motorway'];
const OPEN: readonly RoadKind[] = ['country', 'motorway'];

const wants = (part: Partial<Enabling>): Enabling => ({
  soakHours: 0,
  steadyMinutes: 0,
  roads: ANY,
  coasts: false,
  tank: null,
  trips: 1,
  blockedBy: [],
  ...part,
});

/** Usual enabling conditions, from makers’ published drive cycles; the least that most of them ask for. */
export const ENABLING: Readonly<Record<MonitorId, Enabling>> = {
  misfire: wants({ steadyMinutes: 5 }),
  fuel: wants({ steadyMinutes: 5, blockedBy: ['oxygen-sensor'] }),
  components: wants({ steadyMinutes: 5 }),
  catalyst: wants({
    steadyMinutes: 8,
    roads: OPEN,
    blockedBy: ['misfire', 'fuel', 'oxygen-sensor', 'oxygen-heater'],
  }),
  'heated-catalyst': wants({ soakHours: 6, steadyMinutes: 8, roads: OPEN, blockedBy: ['misfire', 'fuel'] }),
  evaporative: wants({ soakHours: 8, steadyMinutes: 10, tank: [15, 85], blockedBy: ['components'] }),
  'secondary-air': wants({ soakHours: 6, steadyMinutes: 5 }),
  'air-conditioning': wants({ steadyMinutes: 10 }),
  'oxygen-sensor': wants({
    steadyMinutes: 6,
    roads: OPEN,
    coasts: true,
    blockedBy: ['misfire', 'oxygen-heater'],
  }),
  'oxygen-heater': wants({ soakHours: 4, steadyMinutes: 5 }),
  egr: wants({ steadyMinutes: 6, roads: OPEN, coasts: true, blockedBy: ['misfire'] }),
  'nmhc-catalyst': wants({ steadyMinutes: 15, roads: OPEN, blockedBy: ['misfire', 'exhaust-sensor'] }),
  nox: wants({ steadyMinutes: 20, roads: OPEN, trips: 2, blockedBy: ['exhaust-sensor'] }),
  boost: wants({ steadyMinutes: 5, roads: OPEN }),
  'exhaust-sensor': wants({ steadyMinutes: 10, roads: OPEN, coasts: true }),
  'particulate-filter': wants({
    steadyMinutes: 20,
    roads: OPEN,
    trips: 2,
    blockedBy: ['exhaust-sensor', 'boost'],
  }),
};

/** Minutes until an engine is warm. */
export const WARM_UP_MINUTES = 8;

/** Whether a usual trip lets a self-check run. @param soaked hours parked before it. */
export function tripServes(
  trip: UsualTrip,
  { soakHours, steadyMinutes, roads }: Enabling,
  soaked: number,
): boolean {
  return soaked >= soakHours && roads.includes(trip.road) && trip.minutes - WARM_UP_MINUTES >= steadyMinutes;
}
