/** A way of failing: the words of a title, and what the control unit saw. */
export interface Failure {
  /** Goes after the component in a title. */
  phrase: string;
  /** Completes "The control unit saw ...". */
  saw: string;
  /** Electrical faults sit in the part, its plug, its wires or its supply; others in what the part measures or does. */
  kind: 'electrical' | 'signal' | 'behaviour' | 'computer';
}

const way = (phrase: string, kind: Failure['kind'], saw: string): Failure => ({ phrase, kind, saw });

export const FAILURES = {
  circuit: way('circuit fault', 'electrical', 'a signal or current on its wires that cannot be right'),
  open: way('circuit open', 'electrical', 'no current where it should flow: a plug off, a wire broken or the part open inside'),
  shorted: way('circuit shorted', 'electrical', 'more current than the part can take: a short in the part or its wires'),
  low: way('signal too low', 'electrical', 'a voltage below what the part can give: a short to ground, no supply, or the part itself'),
  high: way('signal too high', 'electrical', 'a voltage above what the part can give: a plug off, a broken wire, a short to supply, or the part itself'),
  'circuit-low': way('circuit low', 'electrical', 'the control wire stay near ground when it should not'),
  'circuit-high': way('circuit high', 'electrical', 'the control wire stay near the supply when it should not'),
  range: way('implausible', 'signal', 'a signal that is possible but does not fit the other sensors'),
  intermittent: way('comes and goes', 'electrical', 'the signal drop out for moments: think of plugs, pins and chafed wires'),
  slow: way('too slow', 'signal', 'the signal follow too slowly'),
  'no-activity': way('does not react', 'signal', 'no change in the signal where there must be one'),
  performance: way('does not do its work', 'behaviour', 'that what was commanded did not happen, or not enough'),
  'stuck-on': way('stuck on', 'behaviour', 'that it stays on when switched off'),
  'stuck-off': way('stuck off', 'behaviour', 'that it stays off when switched on'),
  electrical: way('electrical fault', 'electrical', 'a current in its wires that cannot be right'),
  lean: way('too lean', 'behaviour', 'too much oxygen left in the exhaust for too long: too much air or too little fuel'),
  rich: way('too rich', 'behaviour', 'too little oxygen left in the exhaust for too long: too much fuel or too little air'),
  'trim-fault': way('cannot be held', 'behaviour', 'that its correction of the mixture ran to its limit'),
  misfire: way('misfires', 'behaviour', 'the crankshaft slow down when this cylinder should have pushed'),
  efficiency: way('efficiency too low', 'behaviour', 'the sensor behind the catalyst swing with the one in front: it no longer stores oxygen'),
  'leak-large': way('large leak', 'behaviour', 'that no pressure could be built up in the tank during its leak test'),
  'leak-small': way('small leak', 'behaviour', 'the pressure in the tank fall too fast during its leak test, as through a 1 mm hole'),
  'leak-very-small': way('very small leak', 'behaviour', 'the pressure in the tank fall slowly during its leak test, as through a 0.5 mm hole'),
  'leak-cap': way('leak, cap loose or off', 'behaviour', 'a leak right after refuelling: begin with the fuel cap'),
  'flow-low': way('flow too low', 'behaviour', 'less flow than commanded'),
  'flow-high': way('flow too high', 'behaviour', 'more flow than commanded'),
  'flow-wrong': way('flow wrong', 'behaviour', 'a flow that does not fit the command'),
  'value-low': way('too low', 'behaviour', 'a value below its limit'),
  'value-high': way('too high', 'behaviour', 'a value above its limit'),
  advanced: way('too early', 'behaviour', 'the camshaft turned further ahead than commanded'),
  retarded: way('too late', 'behaviour', 'the camshaft turned further behind than commanded'),
  correlation: way('out of step', 'behaviour', 'signals that do not fit each other'),
  swapped: way('swapped', 'behaviour', 'signals that seem to come from each other’s place'),
  balance: way('out of balance', 'behaviour', 'that this cylinder pushes more or less than the others'),
  'not-warm': way('engine does not get warm', 'behaviour', 'the coolant stay too cool for too long'),
  'below-regulating': way('coolant stays below its temperature', 'behaviour', 'the coolant not reach the thermostat’s temperature in time'),
  system: way('system fault', 'behaviour', 'that the system as a whole does not do what it should'),
  unstable: way('unstable', 'behaviour', 'the voltage jump'),
  memory: way('memory fault', 'computer', 'an error in its own memory test'),
  program: way('programming fault', 'computer', 'that its program or its data are not complete'),
  processor: way('processor fault', 'computer', 'an error in its own processor test'),
  'not-learned': way('not learned', 'computer', 'that a value it must learn has not been learned yet'),
  communication: way('communication fault', 'computer', 'no sensible talk on its data line'),
  'wrong-ratio': way('ratio wrong', 'behaviour', 'speeds in and out that do not fit the gear: something slips'),
  'over-limit': way('over its limit', 'behaviour', 'a value beyond what the engine may bear'),
} as const satisfies Record<string, Failure>;
export type FailureId = keyof typeof FAILURES;
