export { StandInAdapter, TEMPERAMENTS, type Temperament, type TemperamentId } from './adapter.ts';
export {
  CARS,
  DRAY,
  DRAY_MODULES,
  FINCH,
  FINCH_MODULES,
  KESTRINE,
  KESTRINE_MODULES,
  type CarPlan,
  type Mode,
} from './cars.ts';
export { Engine, type Sensed } from './engine.ts';
export { FaultMemory, MonitorMemory } from './fault-memory.ts';
export { faultTitle, type Fault, type FaultKind } from './faults.ts';
export { INSTANT_CLOCK } from './instant-clock.ts';
export { seededRandom } from './random.ts';
export { StandIn, type StandInOptions } from './stand-in.ts';
export { WARM_RUN, coldRun, recordStandIn, type Stretch } from './record.ts';
export { VirtualClock } from './virtual-clock.ts';
