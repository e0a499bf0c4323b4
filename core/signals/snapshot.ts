import { currentNumber, type FrozenFrame, type Reading } from '@pincer/core/obd';

/** What the engine was doing when the values were taken. */
export type EngineState = 'key-on' | 'idle-cold' | 'idle-warm' | 'raised' | 'driving' | 'unknown';

/** The readings that the rules use, in their units; null where the car did not give them. */
export interface Snapshot {
  state: EngineState;
  /** rpm */
  engineSpeed: number | null;
  /** km/h */
  speed: number | null;
  /** °C */
  coolant: number | null;
  intake: number | null;
  outside: number | null;
  /** kPa absolute */
  manifold: number | null;
  airPressure: number | null;
  /** g/s */
  airFlow: number | null;
  /** % */
  load: number | null;
  shortTrim: number | null;
  longTrim: number | null;
  /** V */
  volts: number | null;
  /** s */
  runTime: number | null;
  /** Litres, from the vehicle. */
  displacement: number | null;
}

/** Coolant from which an engine counts as warm, °C. */
const WARM = 70;
/** Up to this speed a standing engine counts as idling, rpm. */
const IDLE_MAX = 1200;

function stateOf(rpm: number | null, speed: number | null, coolant: number | null): EngineState {
  if (rpm === null) return 'unknown';
  if (rpm < 300) return 'key-on';
  if (speed !== null && speed > 3) return 'driving';
  if (rpm > IDLE_MAX) return 'raised';
  if (coolant === null) return 'unknown';
  return coolant >= WARM ? 'idle-warm' : 'idle-cold';
}

function snapshot(of: (pid: string, part?: string) => number | null, displacement: number | null): Snapshot {
  const engineSpeed = of('0C');
  const speed = of('0D');
  const coolant = of('05') ?? of('67', 'sensor 1');
  return {
    state: stateOf(engineSpeed, speed, coolant),
    engineSpeed,
    speed,
    coolant,
    intake: of('0F') ?? of('68', 'bank 1 sensor 1'),
    outside: of('46'),
    manifold: of('0B') ?? of('87', 'sensor A'),
    airPressure: of('33'),
    airFlow: of('10') ?? of('66', 'sensor A'),
    load: of('04'),
    shortTrim: of('06'),
    longTrim: of('07'),
    volts: of('42'),
    runTime: of('1F'),
    displacement,
  };
}

/** The live values of a reading. */
export function snapshotOf(reading: Reading, displacement: number | null): Snapshot {
  const live = snapshot((pid, part) => currentNumber(reading, pid, part), displacement);
  return { ...live, volts: live.volts ?? reading.adapterVolts ?? null };
}

/** The values that were stored with a code. */
export function snapshotOfFrame(frame: FrozenFrame, displacement: number | null): Snapshot {
  return snapshot((pid, part) => {
    const hit = frame.values.find((v) => v.pid === pid && (part === undefined || v.part === part));
    return typeof hit?.value === 'number' ? hit.value : null;
  }, displacement);
}
