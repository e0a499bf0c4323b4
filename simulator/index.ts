export { StandInAdapter, TEMPERAMENTS, type Temperament, type TemperamentId } from './adapter.ts';
export { Engine, type Mode, type Sensed } from './engine.ts';
export { FaultMemory, MonitorMemory } from './fault-memory.ts';
export { faultTitle, type Fault, type FaultKind } from './faults.ts';
export { INSTANT_CLOCK } from './instant-clock.ts';
export { seededRandom } from './random.ts';
export { FINCH, FINCH_MODULES, StandIn, type StandInOptions } from './stand-in.ts';
