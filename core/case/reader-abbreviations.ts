import { KM_PER_MILE } from '@pincer/core/words';
import type { MonitorId } from '@pincer/core/obd';

/** A stored condition as hand-held readers print it. */
export interface ReaderValue {
  /** The commonest abbreviation. */
  abbreviation: string;
  /** Every way in which readers and reports write it. */
  words: RegExp;
  pid: string;
  name: string;
  unit: string;
  /** Other units that readers print, and the conversion to ours. */
  others?: Readonly<Record<string, (n: number) => number>>;
}

const celsius = { '°F': (n: number) => (n - 32) / 1.8 };

/** Stored conditions by abbreviation (SAE J1930 and what readers make of it), with PID, name and unit. */
export const READER_VALUES: readonly ReaderValue[] = [
  {
    abbreviation: 'ECT',
    words: /(?:ECT|coolant(?: temp(?:erature)?)?)/,
    pid: '05',
    name: 'Coolant temperature',
    unit: '°C',
    others: celsius,
  },
  {
    abbreviation: 'IAT',
    words: /(?:IAT|intake(?: air)?(?: temp(?:erature)?)?)/,
    pid: '0F',
    name: 'Intake air temperature',
    unit: '°C',
    others: celsius,
  },
  {
    abbreviation: 'LOAD',
    words: /(?:calc(?:ulated)? ?load|load(?:_pct)?|LOAD)/,
    pid: '04',
    name: 'Calculated engine load',
    unit: '%',
  },
  { abbreviation: 'RPM', words: /(?:engine speed|RPM)/, pid: '0C', name: 'Engine speed', unit: 'rpm' },
  {
    abbreviation: 'VSS',
    words: /(?:VSS|vehicle speed)/,
    pid: '0D',
    name: 'Vehicle speed',
    unit: 'km/h',
    others: { mph: (n) => n * KM_PER_MILE },
  },
  {
    abbreviation: 'STFT1',
    words: /(?:STFT ?1|SHRTFT ?1|short(?:-| )term(?: fuel)? trim)/,
    pid: '06',
    name: 'Short-term fuel trim, bank 1',
    unit: '%',
  },
  {
    abbreviation: 'LTFT1',
    words: /(?:LTFT ?1|LONGFT ?1|long(?:-| )term(?: fuel)? trim)/,
    pid: '07',
    name: 'Long-term fuel trim, bank 1',
    unit: '%',
  },
  {
    abbreviation: 'MAP',
    words: /MAP/,
    pid: '0B',
    name: 'Intake manifold pressure',
    unit: 'kPa',
    others: { inHg: (n) => n * 3.386389 },
  },
  {
    abbreviation: 'MAF',
    words: /MAF/,
    pid: '10',
    name: 'Air flow',
    unit: 'g/s',
    others: { 'lb/min': (n) => n * 7.559873 },
  },
  {
    abbreviation: 'TP',
    words: /(?:TPS?|throttle(?: pos(?:ition)?)?)/,
    pid: '11',
    name: 'Throttle position',
    unit: '%',
  },
  {
    abbreviation: 'SPARKADV',
    words: /(?:SPARK ?ADV|timing(?: advance)?|ign(?:ition)? timing)/,
    pid: '0E',
    name: 'Ignition timing, cylinder 1',
    unit: '°',
  },
];

/** A number that a reader showed, in our unit, to two digits. Units that are not known here are taken as ours. */
export function readerNumber(pid: string, shown: number, unit: string): number {
  const convert = READER_VALUES.find((v) => v.pid === pid)?.others?.[unit];
  return Number((convert ? convert(shown) : shown).toFixed(2));
}

/** A self-check as hand-held readers abbreviate it. */
export interface ReaderCheck {
  abbreviation: string;
  words: RegExp;
  monitor: MonitorId;
}

/** Self-checks by abbreviation; some readers print two or three letters, some the word. */
export const READER_CHECKS: readonly ReaderCheck[] = [
  { abbreviation: 'MIS', words: /MIS(?:FIRE)?/, monitor: 'misfire' },
  { abbreviation: 'FUE', words: /FUE(?:L)?(?: SYSTEM)?/, monitor: 'fuel' },
  { abbreviation: 'CCM', words: /CCM|COMP(?:ONENTS?)?/, monitor: 'components' },
  { abbreviation: 'CAT', words: /CAT(?:ALYST)?/, monitor: 'catalyst' },
  { abbreviation: 'HCAT', words: /HCAT|HEATED CATALYST/, monitor: 'heated-catalyst' },
  { abbreviation: 'EVA', words: /EVAP?|EVAPORATIVE/, monitor: 'evaporative' },
  { abbreviation: 'AIR', words: /AIR|SECONDARY AIR/, monitor: 'secondary-air' },
  { abbreviation: 'O2S', words: /O2S?|OXYGEN SENSORS?/, monitor: 'oxygen-sensor' },
  { abbreviation: 'HTR', words: /HTR|HRT|O2 HEATER/, monitor: 'oxygen-heater' },
  { abbreviation: 'EGR', words: /EGR(?:\/VVT)?/, monitor: 'egr' },
];
