import { COMPONENTS } from './components.ts';
import type { CodeEntry } from './entry.ts';
import { FAILURES } from './failures.ts';
import type { Area, Component } from './part.ts';
import { namedPart } from './named-part.ts';
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
  return sawTemplate(entry).replaceAll('{part}', namedPart(entry).words);
}

function sawTemplate(entry: CodeEntry): string {
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

/** What a fault of behaviour does not say, or what to look at first, where an area has an answer of its own. */
const FIRST: Partial<Record<Area, string>> = {
  ignition: 'It does not say whether spark, fuel or compression is missing.',
  mixture: 'It does not say whether there is too much or too little air, or fuel.',
  evap: 'Begin with the fuel cap, then look at hoses and valves.',
  cooling: 'Check the coolant level first, with the engine cold.',
  oil: 'Check the oil level first.',
  transmission: 'Check fluid level, connector and battery voltage before you suspect the transmission.',
  charging: 'Check belt, terminals and ground straps first.',
  egr: 'Look for soot in valve and passage before you replace anything.',
};

/** What to make of it, with the part's own name, so that no page says what every other page says. */
function advice(entry: CodeEntry): string {
  const { component, failure } = entry;
  const { area }: Component = COMPONENTS[component];
  const { words, isThing } = namedPart(entry);
  if (area === 'restraints')
    return 'Leave it to a qualified {workshop}: never unplug or measure a yellow connector.';
  if (area === 'hybrid')
    return 'Do not touch anything orange: people qualified for high voltage must check it.';
  if (component === 'unit')
    return failure === 'lost'
      ? `Check its fuse, supply and ground, and the battery, before you suspect ${words}.`
      : '';
  if (component === 'data-bus') return 'Check the wiring of the bus and the connectors on it.';
  if (failure === 'swapped') return 'Look whether their connectors were swapped before you replace anything.';
  const { kind } = FAILURES[failure];
  if (kind === 'electrical') {
    return isThing
      ? `Check its connector and wiring before you replace ${words}.`
      : `Check the wiring and connectors of ${words} before you replace any part.`;
  }
  if (kind === 'computer')
    return 'Check supply and grounds first: the control unit itself is the least likely cause.';
  if (kind === 'signal')
    return partKind(entry) === 'driven'
      ? `Check that ${words} can move and has its supply before you replace it.`
      : `Either ${words} is wrong, or what it measures really is: compare with other readings before you buy anything.`;
  if (component === 'catalyst')
    return 'Rule out exhaust leaks, misfire and the sensors before you replace the catalyst.';
  return FIRST[area] ?? `It names what went wrong with ${words}, not the part that caused it.`;
}

/** Where the counting differs between manufacturers, so that nobody opens the wrong cylinder or side. */
function counting(entry: CodeEntry): string {
  // What a coil's letter means stands with what a coil does.
  if (entry.component === 'coil') return '';
  if (entry.place.cylinder !== undefined)
    return `Which one is cylinder ${entry.place.cylinder} differs between manufacturers: check the {handbook} first.`;
  if (entry.place.bank === undefined) return '';
  return entry.place.bank === 1
    ? 'Bank 1 is the side with cylinder 1; an in-line engine has only bank 1.'
    : 'Bank 2 is the side without cylinder 1.';
}

/** What the part does, in one sentence. */
export function doesOf(entry: CodeEntry): string {
  const { does }: Component = COMPONENTS[entry.component];
  return entry.component === 'unit'
    ? `Other control units work with what ${namedPart(entry).words} sends.`
    : does;
}

/** One short paragraph: what the part does, what the control unit detected, and what that does not say yet. */
export function meaningOf(entry: CodeEntry): string {
  return [doesOf(entry), `The control unit detected ${sawOf(entry)}.`, advice(entry), counting(entry)]
    .filter((sentence) => sentence !== '')
    .join(' ');
}
