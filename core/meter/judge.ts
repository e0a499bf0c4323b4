import { clutchSlip } from './driveline.ts';
import { bandOf, worked, type Band } from './expected.ts';
import { bandText, inUnit, shown } from './figures.ts';
import type { Expected, Measurement, MeterValue, Quantity, Taken, Taking } from './measurement.ts';
import { median, OUTLIER, robustScores } from './odd-one-out.ts';
import { slipIn, type Slip } from './slips.ts';

/** What one number says. */
export interface JudgedValue {
  name: string;
  /** As text with its unit; empty where it was left out. */
  text: string;
  expected: string;
  /** 0 in the middle of the band, ±1 at its edges; beyond, how many half widths off. */
  off: number;
  slip: Slip | null;
}

export interface Judged {
  values: readonly JudgedValue[];
  /** Outcome of the check that it is. */
  outcome: string;
  /** How well each outcome explains what was measured, the best of them 1. By id. */
  weights: Readonly<Record<string, number>>;
  verdict: string;
  arithmetic: readonly string[];
}

/** Not enough was typed; a sentence says what to do. */
export interface Unjudged {
  missing: string;
}

/** No value is beyond doubt: a bad measurement, an odd maker. */
const DOUBT = 0.01;
/** Of an open circuit or a dead short. */
const FAR = 8;

/**
 * Where a value stands against its band: 0 in the middle, ±1 at the edges. Resistances by their ratio, because they
 * spread by it. With one edge only, the distance from nothing to that edge is the scale.
 */
function offOf(value: Taken & (number | 'open'), band: Band): number {
  if (value === 'open') return FAR;
  const { from, to, isRatio } = band;
  const clamp = (z: number): number => Math.max(-FAR, Math.min(FAR, z));
  if (from === -Infinity) return clamp(Math.abs(value) / (Math.abs(to) || 1));
  if (to === Infinity) {
    // At least: the value may be more by nothing in particular; a tenth under it is as far off as a whole band.
    const scale = Math.max(Math.abs(from) * 0.1, 1e-9);
    return clamp(value >= from ? Math.max(0, 1 - (value - from) / scale) * -1 : -1 - (from - value) / scale);
  }
  if (!isRatio || from <= 0) return clamp((value - (from + to) / 2) / ((to - from) / 2 || 1));
  if (value <= 0) return -FAR;
  const centre = Math.sqrt(from * to);
  return clamp(Math.log(value / centre) / (Math.log(to / from) / 2 || 1));
}

/** Density of the values of sound parts: nineteen of twenty lie in the band. */
export const soundDensity = (off: number): number => 0.798 * Math.exp(-2 * off * off);

/**
 * Density of the values of failed parts: seldom in the middle of the band, anywhere outside, ever thinner further out.
 * On both sides together it sums to 1.
 */
export const failedDensity = (off: number): number => {
  const size = Math.abs(off);
  return size <= 1 ? 0.375 * size * size : 0.375 / (size * size);
};

/** What explains the values: the outcomes that the measurement tells apart, the others as likely as the sound one. */
function weigh(measurement: Measurement, outcomes: readonly string[], off: number): Record<string, number> {
  const { within, below, above } = measurement;
  const sound = soundDensity(off);
  const failed = failedDensity(off);
  const raw: Record<string, number> = {};
  for (const id of outcomes) {
    if (id === within) raw[id] = sound;
    else if (id === below && id === above) raw[id] = failed;
    else if (id === below) raw[id] = off < 0 ? failed * 2 : 0;
    else if (id === above) raw[id] = off > 0 ? failed * 2 : 0;
    // Not told by this number: a pressure that falls after switching off may be right at idle.
    else raw[id] = sound;
  }
  const best = Math.max(...Object.values(raw));
  return Object.fromEntries(Object.entries(raw).map(([id, w]) => [id, Math.max(DOUBT, w / best)]));
}

/** A value on the edge itself is within; what the logarithm adds to it does not count. */
const EDGE = 1 + 1e-9;

function outcomeOf({ within, below, above }: Measurement, off: number): string {
  return Math.abs(off) <= EDGE ? within : off < 0 ? below : above;
}

/** How far off in words, after the value. */
function verdictOf(value: number | 'open', band: Band, off: number, quantity: Quantity): string {
  if (value === 'open') return 'No connection: the circuit is open.';
  if (Math.abs(off) <= 0.8) return `Right: ${bandText(band, quantity)} is expected.`;
  if (Math.abs(off) <= EDGE) return `Right, but near the edge of ${bandText(band, quantity)}.`;
  const edge = off < 0 ? band.from : band.to;
  const way = off < 0 ? 'less' : 'more';
  const times = edge > 0 && value > 0 ? (off < 0 ? edge / value : value / edge) : 0;
  const size =
    times >= 2
      ? `${inUnit(times)} times ${way} than`
      : `${shown(Math.abs(value - edge), quantity)} ${way} than`;
  return `${size} ${off < 0 ? 'the least' : 'the most'} that is expected, ${shown(edge, quantity)}.`;
}

/** Copper leads of a meter measured with the part. */
function withoutTips(value: Taken, tips: number | undefined): Taken {
  return typeof value === 'number' && tips !== undefined ? Math.max(0, value - tips) : value;
}

/** The numbers to take, by name; one for each cylinder where it says so. */
export function valuesOf({ values }: Measurement, cylinders: number): readonly MeterValue[] {
  if (!('each' in values)) return values;
  return Array.from({ length: cylinders }, (_, i) => ({
    name: cylinders > 1 ? `Cylinder ${i + 1}` : 'The cylinder',
    expected: values.expected,
  }));
}

/**
 * What typed numbers say about a check.
 * @param outcomes ids of the check’s outcomes.
 * @param only index of the value that the check is about, where it is one of a set (a cylinder); null: all of them.
 */
export function judgeMeasurement(
  measurement: Measurement,
  taking: Taking,
  outcomes: readonly string[],
  cylinders: number,
  only: number | null,
): Judged | Unjudged {
  const wanted = valuesOf(measurement, cylinders);
  if (measurement.isSlip) return judgeSlip(measurement, taking, outcomes, wanted);
  const taken = wanted.map((_, i) => withoutTips(taking.values[i] ?? null, taking.conditions.tips));
  if (taken.every((v) => v === null) || (only !== null && (taken[only] ?? null) === null))
    return {
      missing:
        only === null || taken.every((v) => v === null)
          ? 'Type what the meter shows.'
          : `Type the value of cylinder ${only + 1} too.`,
    };

  const judged: JudgedValue[] = [];
  const arithmetic = new Set<string>();
  let worst = 0;
  let verdict = '';
  let missing: string | null = null;
  const alike = measurement.alike ? alikeOf(measurement.alike, taken, measurement.quantity) : null;
  for (const [i, { name, expected, quantity = measurement.quantity }] of wanted.entries()) {
    const value = taken[i] ?? null;
    if (value === null) {
      judged.push({ name, text: '', expected: '', off: 0, slip: null });
      continue;
    }
    const band = bandOf(expected, quantity, taking);
    const text = value === 'open' ? 'open' : shown(value, quantity);
    if ('missing' in band && !alike) missing ??= band.missing;
    const own = 'missing' in band ? { off: 0, said: '' } : ownOf(value, band, quantity);
    const others = alike?.[i] ?? { off: 0, said: '' };
    const [off, said] =
      Math.abs(others.off) > Math.abs(own.off) ? [others.off, others.said] : [own.off, own.said];
    judged.push({
      name,
      text,
      expected: 'missing' in band ? '' : bandText(band, quantity),
      off,
      slip: 'missing' in band || value === 'open' ? null : slipIn(value, band, quantity),
    });
    if (!('missing' in band) && band.arithmetic !== '') arithmetic.add(band.arithmetic);
    if (value !== 'open') {
      const amounts = worked(value, expected, quantity, taking, measurement.isHeater ?? false);
      if (amounts !== '') arithmetic.add(amounts);
    }
    if (only !== null && i !== only) continue;
    if (verdict === '' || Math.abs(off) > Math.abs(worst)) {
      worst = off;
      verdict = wanted.length > 1 ? `${name}: ${lower(said)}` : said;
    }
  }
  if (missing !== null) return { missing };
  const left =
    only === null && Math.abs(worst) <= EDGE ? wanted.find((_, i) => (taken[i] ?? null) === null) : undefined;
  if (left) return { missing: `Type “${left.name}” too: all of them have to be right.` };
  if (alike && taken.filter((v) => v !== null).length === 2 && Math.abs(worst) > 1)
    arithmetic.add('With two values nobody can tell which of them is the odd one.');
  const own = judged.filter((v) => v.text !== '').map((v) => v.off);
  if (own.length >= 3 && (own.every((off) => off > EDGE) || own.every((off) => off < -EDGE)))
    arithmetic.add(
      'All of them are off in the same way. Parts seldom fail together: look at the meter’s range, at the pins, and at the figure in your manual first.',
    );
  return {
    values: judged,
    outcome: outcomeOf(measurement, worst),
    weights: weigh(measurement, outcomes, worst),
    verdict,
    arithmetic: [...arithmetic],
  };
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

function ownOf(value: number | 'open', band: Band, quantity: Quantity): { off: number; said: string } {
  const off = offOf(value, band);
  return { off, said: verdictOf(value, band, off, quantity) };
}

/** How far each value stands off its set: by the normal difference, or as an outlier of a larger set. */
function alikeOf(
  { within, isShare, against }: NonNullable<Measurement['alike']>,
  taken: readonly Taken[],
  quantity: Quantity,
): { off: number; said: string }[] {
  const numbers = taken.filter((v): v is number => typeof v === 'number');
  if (numbers.length < 2) return taken.map(() => ({ off: 0, said: '' }));
  const middle = median(numbers);
  const highest = Math.max(...numbers);
  const scores = robustScores(numbers, (isShare ? Math.abs(middle) * within : within) / OUTLIER);
  let at = -1;
  return taken.map((value) => {
    if (typeof value !== 'number') return { off: 0, said: '' };
    at++;
    // Of two, each is held against the other.
    const reference =
      against === 'highest' ? highest : numbers.length === 2 ? (numbers[1 - at] ?? middle) : middle;
    const allowed = isShare ? Math.abs(reference) * within : within;
    const distance = (value - reference) / (allowed || 1);
    // In a set of four and more one that stands apart is odd only as far as the others agree with each other.
    const robust = (scores[at] ?? 0) / OUTLIER;
    const off =
      against === 'median' && numbers.length >= 4 && Math.abs(robust) < Math.abs(distance)
        ? robust
        : distance;
    const percent = Math.abs(Math.round(((value - reference) / (reference || 1)) * 100));
    const times = Math.abs(value / (reference || 1));
    const size = isShare ? `${percent} %` : shown(Math.abs(value - reference), quantity);
    const side = value < reference ? 'under' : 'over';
    const whom =
      against === 'highest' ? 'the highest' : numbers.length === 2 ? 'the other' : 'the middle of the set';
    const allowedText = isShare ? `${Math.round(within * 100)} %` : shown(within, quantity);
    return {
      off: Math.max(-FAR, Math.min(FAR, off)),
      said:
        value === reference
          ? 'Like the others.'
          : isShare && times >= 2
            ? `${inUnit(times)} times ${whom} (${shown(reference, quantity)}); up to ${allowedText} off is normal.`
            : `${size} ${side} ${whom} (${shown(reference, quantity)}); up to ${allowedText} is normal.`,
    };
  });
}

/** The share of slip that a measurement on the road cannot tell from none, and the largest that is normal. */
const SLIP = 0.03;

function judgeSlip(
  measurement: Measurement,
  { values }: Taking,
  outcomes: readonly string[],
  wanted: readonly MeterValue[],
): Judged | Unjudged {
  const [rpm, speed, hardRpm, hardSpeed] = values;
  if (
    typeof rpm !== 'number' ||
    typeof speed !== 'number' ||
    typeof hardRpm !== 'number' ||
    typeof hardSpeed !== 'number' ||
    Math.min(rpm, speed, hardRpm, hardSpeed) <= 0
  )
    return {
      missing:
        'Type all four: engine and road speed at light throttle, and again while accelerating hard in the same gear.',
    };
  const slip = clutchSlip({ rpm, speed }, { rpm: hardRpm, speed: hardSpeed });
  const off = Math.max(0, slip) / SLIP;
  const limited = Math.min(FAR, off);
  const percent = (slip * 100).toFixed(1);
  return {
    values: wanted.map(({ name }, i) => ({
      name,
      text: inUnit(Number(values[i])),
      expected: '',
      off: 0,
      slip: null,
    })),
    outcome: outcomeOf(measurement, limited),
    weights: weigh(measurement, outcomes, limited),
    verdict:
      limited <= 1
        ? `The ratio holds: ${percent} % of slip, up to 3 % cannot be told from none.`
        : `${percent} % of slip: the engine turns faster than this gear says.`,
    arithmetic: [
      `${inUnit(rpm)} over ${inUnit(speed)} is ${inUnit(rpm / speed)}; ${inUnit(hardRpm)} over ${inUnit(hardSpeed)} is ${inUnit(hardRpm / hardSpeed)}.`,
      ...(slip < -0.05 ? ['It turns slower than before: was it really the same gear?'] : []),
    ],
  };
}

/** Rules that say what is expected, for a form before anything is typed; null where something is missing. */
export function expectedText(expected: Expected, quantity: Quantity, taking: Taking): string | null {
  const band = bandOf(expected, quantity, taking);
  return 'missing' in band ? null : bandText(band, quantity);
}

/**
 * What was typed, as text: `2.6 kΩ`, or `at idle 3.9 bar, while revving 4 bar`.
 * @param only index of the value that is told; null: all of them.
 */
export function takenText(measurement: Measurement, { values }: Taking, only: number | null): string {
  const named = valuesOf(measurement, values.length);
  return values
    .flatMap((value, i) => {
      if (value === null || (only !== null && i !== only)) return [];
      const text =
        value === 'open' ? 'open' : measurement.isSlip ? inUnit(value) : shown(value, measurement.quantity);
      return named.length > 1 && only === null ? `${lower(named[i]?.name ?? '')} ${text}` : text;
    })
    .join(', ');
}
