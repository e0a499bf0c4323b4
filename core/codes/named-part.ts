import type { CodeEntry } from './entry.ts';
import { subjectOf } from './title.ts';

/** What can be held in the hand, or at least be replaced. The last such word of a name is what it is. */
const THING =
  /\b(sensors?|valve|solenoid|pump|motor|relay|heater|injectors?|switch|coil|fan|actuator|plugs?|regulator|clutch|unit|module|lights?|servo|alternator|booster|cooler|starter|catalyst|throttle|contactor|fuse|door|lock|horn|antenna|filter|lever|drive|thermostat|rectifier|element|igniter|deployment|airbag|monitor|buckle|pretensioner|mirror|wiper|battery|converter|charger|resistor|thermistor|potentiometer)\b/g;

/** What only names one wire or one side of a part's circuit. */
const OF_CIRCUIT =
  /,? ((control|sense|primary|secondary|primary\/secondary|control unit’s command|unit command)(?=( [A-Z0-9])?$|,)|supply( voltage)?(?=$|,))/g;

/** As in the middle of a sentence: acronyms keep their capitals. */
const inSentence = (name: string): string =>
  /^\{?[A-Z][a-z–-]/.test(name) && !name.startsWith('NOx')
    ? name.replace(/^\{?./, (start) => start.toLowerCase())
    : name;

/** Names of a title that read badly within a sentence. */
const WITHIN: Readonly<Record<string, string>> = {
  'alternator lamp (L) terminal': 'terminal L of the alternator',
  'alternator field (F) terminal': 'terminal F of the alternator',
  'antenna (aerial) unit': 'antenna unit',
};

export interface NamedPart {
  /** With its place, as it goes after "of" or "replace": `the injector of cylinder 1`, `oxygen sensor 2 of bank 1`. */
  words: string;
  /** Whether it is something that can be replaced, and not only a voltage, a signal or a command. */
  isThing: boolean;
}

/** The part that a code speaks of, as it is called within a sentence. */
export function namedPart(entry: CodeEntry): NamedPart {
  const { bank, sensor, cylinder } = entry.place;
  const title = inSentence(subjectOf(entry));
  const odd = Object.keys(WITHIN).find((name) => title.includes(name)) ?? '';
  const subject = title.replace(odd, WITHIN[odd] ?? '').replace(/ \((5 V|MIL|TCC|[A-Z]{2,4})\)$/, '');
  const bare = subject.replace(OF_CIRCUIT, '');
  const [name = bare, where] = bare.split(', ');
  const things = [...name.matchAll(THING)];
  const last = things.at(-1);
  // Nothing but a letter, a figure or brackets may come after the thing itself: “engine speed sensor output” is no sensor.
  const isThing =
    last !== undefined && /^( [A-Z0-9]{1,2}| \([^)]*\))*$/.test(name.slice(last.index + last[0].length));
  const called = isThing ? name : (subject.split(', ')[0] ?? subject);
  const numbered = sensor === undefined ? called : `${called} ${sensor}`;
  const isOneOfSeveral = /( [A-Z]| \d+)$|^terminal /.test(numbered);
  const placed = [
    `${isOneOfSeveral ? '' : 'the '}${numbered}`,
    where === undefined ? '' : `(${where})`,
    bank === undefined ? '' : `of bank ${bank}`,
    cylinder === undefined || /cylinder/i.test(numbered) || entry.component === 'coil'
      ? ''
      : `of cylinder ${cylinder}`,
  ];
  return { words: placed.filter((p) => p !== '').join(' '), isThing };
}
