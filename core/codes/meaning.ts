import { COMPONENTS } from './components.ts';
import type { CodeEntry } from './entry.ts';
import { FAILURES, type Failure } from './failures.ts';
import type { Component } from './part.ts';
import { SAW, SAW_OF_KIND, type PartKind } from './words/saw.ts';

/** Parts that are moved or fed by the control unit: they give no signal that could be implausible. */
const DRIVEN =
  /valve|solenoid|actuator|pump|heater|relay|motor(?! (position|temperature|current|torque))|injector|fan|coil|control(?! unit)|regulator|plug|clutch|servo|mount|lock|starter|wastegate|flap|metering/;

/** What kind of part it is, as far as that decides what its faults look like. */
export function partKind(entry: CodeEntry): PartKind {
  const { name }: Component = COMPONENTS[entry.component];
  if (name.includes('temperature sensor'))
    // Exhaust temperature is measured by parts whose resistance may rise or fall: an unplugged one may read either way.
    return /exhaust|catalyst/.test(name) ? 'sensor' : 'temperature';
  if (/(air flow|pressure|position|level|throttle|pedal).*sensor/.test(name)) return 'powered';
  if (name.includes('sensor')) return 'sensor';
  if (name.includes('switch')) return 'switch';
  if (name.includes('control unit')) return 'unit';
  return DRIVEN.test(name) ? 'driven' : 'other';
}

/** What the control unit detected, told in the mechanism of this part; completes "The control unit detected ...". */
export function sawOf(entry: CodeEntry): string {
  const { code, component, failure } = entry;
  if (component === 'combustion' && entry.place.cylinder === undefined)
    return `the crankshaft slowing down when a cylinder should have fired${entry.place.label === 'several or random' ? ', and not always the same one' : ''}`;
  return (
    SAW[code] ??
    SAW[`${component}:${failure}`] ??
    SAW_OF_KIND[partKind(entry)]?.[failure] ??
    FAILURES[failure].saw
  );
}

/** What to make of it, with the part's own name, so that no page says what every other page says. */
function advice(entry: CodeEntry, kind: Failure['kind']): string {
  const { name }: Component = COMPONENTS[entry.component];
  if (entry.component === 'unit' || entry.component === 'data-bus')
    return kind === 'electrical' ? 'Check the wiring of the bus and the connectors on it.' : '';
  switch (kind) {
    case 'electrical':
      return `Check the connector and wiring of the ${name} before you suspect the part.`;
    case 'signal':
      return `Either the ${name} is wrong, or what it measures really is: compare with other readings before you buy anything.`;
    case 'computer':
      return `Check supply and grounds first: the control unit itself is the least likely cause.`;
    case 'behaviour':
      return `The code names what went wrong with the ${name}, not the part that caused it.`;
  }
}

/** Where the counting differs between manufacturers, so that nobody opens the wrong cylinder or side. */
function counting(entry: CodeEntry): string {
  if (entry.component === 'coil' && entry.place.cylinder !== undefined)
    return 'The letter is the standard’s: which cylinder it serves depends on the engine, see the wiring diagram.';
  if (entry.place.cylinder !== undefined)
    return 'Manufacturers number cylinders differently: check the handbook before you touch one.';
  return entry.place.bank === undefined
    ? ''
    : 'Bank 1 is the side with cylinder 1; an in-line engine has only bank 1.';
}

/** One short paragraph: what the part does, what the control unit detected, and what that does not say yet. */
export function meaningOf(entry: CodeEntry): string {
  const { does }: Component = COMPONENTS[entry.component];
  return [does, `The control unit detected ${sawOf(entry)}.`, advice(entry, FAILURES[entry.failure].kind), counting(entry)]
    .filter((sentence) => sentence !== '')
    .join(' ');
}
