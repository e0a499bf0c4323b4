import type { ReadingKey } from './readings.ts';
import type { EngineFacts, EngineState } from './window.ts';

/** Low and high of what is usual for a reading in a state; null where there is no usual. Limits as in the rules. */
export function expectedBand(
  key: ReadingKey,
  state: EngineState,
  engine: EngineFacts,
): { low: number; high: number } | null {
  const isRunning = state !== 'key-on' && state !== 'cranking' && state !== 'unknown';
  switch (key) {
    case 'volts':
      return isRunning ? { low: 13.5, high: 14.8 } : { low: 12.4, high: 12.7 };
    case 'coolant':
      return state === 'idle-warm' || state === 'cruise' ? { low: 80, high: 105 } : null;
    case 'shortTrim':
    case 'longTrim':
      return isRunning && !engine.isDiesel ? { low: -10, high: 10 } : null;
    case 'manifold':
      if (engine.isDiesel) return null;
      return state === 'idle-warm'
        ? { low: 25, high: 45 }
        : state === 'raised'
          ? { low: 18, high: 42 }
          : null;
    case 'frontOxygen':
    case 'frontOxygen2':
      return isRunning && !engine.isDiesel ? { low: 0.1, high: 0.9 } : null;
    case 'rearOxygen':
    case 'rearOxygen2':
      return isRunning && !engine.isDiesel ? { low: 0.55, high: 0.8 } : null;
    case 'engineSpeed':
      if (state !== 'idle-warm') return null;
      return engine.isMotorcycle ? { low: 1_000, high: 1_600 } : { low: 600, high: 1_000 };
    case 'load':
      return state === 'idle-warm' ? { low: 10, high: 45 } : null;
    case 'airPressure':
      return { low: 85, high: 106 };
    case 'rail':
      return engine.isDiesel && state === 'idle-warm' ? { low: 20_000, high: 50_000 } : null;
    default:
      return null;
  }
}
