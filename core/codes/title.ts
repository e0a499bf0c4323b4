import { COMPONENTS } from './components.ts';
import type { CodeEntry, Place } from './entry.ts';
import { FAILURES } from './failures.ts';
import type { Component } from './part.ts';
import { PHRASES } from './words/phrases.ts';
import { SUBJECTS, UNITS } from './words/subjects.ts';
import { WHOLE_TITLES } from './words/whole-titles.ts';

/** SAE J2012 letters ignition coils from A on; which cylinder a letter serves depends on the engine. */
const COIL_LETTERS = 'ABCDEFGHIJKL';

/** Temperature sensors of a bank are numbered by themselves: “sensor 2, bank 1”, not “bank 1 sensor 2”. */
const NUMBERED: ReadonlySet<string> = new Set([
  'exhaust-temperature-sensor',
  'catalyst-temperature-sensor',
  'intake-temperature-sensor',
]);

const UNIT_TITLES: Partial<Record<CodeEntry['failure'], string>> = {
  lost: 'Lost communication with',
  'invalid-data': 'Invalid data received from',
  software: 'Software incompatible with',
};

const isLetter = (label: string): boolean => /^[A-Z0-9]$/.test(label);
/** A capital to begin with, also inside a tagged word. */
const capital = (text: string): string => text.replace(/^\{?./, (start) => start.toUpperCase());

/** Key of the tables of words: `component`, or `component/label`, all single letters and figures alike. */
export function wordKey({ component, place }: CodeEntry): string {
  if (place.label === undefined) return component;
  return `${component}/${isLetter(place.label) ? 'letter' : place.label}`;
}

/** What is wrong, as the title says it. */
export const phraseOf = ({ component, failure }: CodeEntry): string =>
  PHRASES[`${component}:${failure}`] ?? FAILURES[failure].phrase;

function filled(words: string, place: Place): string {
  const values: Readonly<Record<string, string | number | undefined>> = {
    letter: place.label,
    bank: place.bank,
    sensor: place.sensor,
    cylinder: place.cylinder,
    coil: COIL_LETTERS[(place.cylinder ?? 0) - 1],
  };
  return words.replace(/\{(\w+)\} ?/g, (tag, name: string) => {
    if (!(name in values)) return tag;
    const value = values[name];
    return value === undefined ? '' : `${value}${tag.endsWith(' ') ? ' ' : ''}`;
  });
}

/** The part with its letter, as the title says it, without its place. */
export function subjectOf(entry: CodeEntry): string {
  const { component, place } = entry;
  const label = place.label ?? '';
  if (component === 'unit') return UNITS[label] ?? label;
  const named = SUBJECTS[wordKey(entry)];
  if (named !== undefined) return filled(named, place);
  const { name }: Component = COMPONENTS[component];
  if (label === '') return name;
  return isLetter(label) ? `${name} ${label}` : `${name}, ${label}`;
}

function placed(entry: CodeEntry): string {
  const { component, place } = entry;
  const subject = subjectOf(entry);
  const { bank, sensor, cylinder } = place;
  if (bank !== undefined && sensor !== undefined)
    return NUMBERED.has(component)
      ? `${subject} ${sensor}, bank ${bank}`
      : `${subject}, bank ${bank} sensor ${sensor}`;
  if (bank !== undefined) return `${subject}, bank ${bank}`;
  if (sensor !== undefined) return `${subject} ${sensor}`;
  // A coil is told by its letter, and a knocking or switched-off cylinder stands in the subject.
  const isSaid = component === 'coil' || subject.includes('ylinder');
  return cylinder === undefined || isSaid ? subject : `${subject}, cylinder ${cylinder}`;
}

/**
 * One line in the standard's terms (SAE J2012): the part with its letter, a comma and its place, a colon and what is
 * wrong; under 60 characters.
 */
export function titleOf(entry: CodeEntry): string {
  const whole = WHOLE_TITLES[entry.code] ?? WHOLE_TITLES[`${wordKey(entry)}:${entry.failure}`];
  if (whole !== undefined) return filled(whole, entry.place);
  const unit = entry.component === 'unit' ? UNIT_TITLES[entry.failure] : undefined;
  if (unit !== undefined) return `${unit} ${subjectOf(entry)}`;
  return capital(`${placed(entry)}: ${phraseOf(entry)}`);
}
