import {
  chargingBand,
  chargeAtRest,
  daysToHalf,
  dutyOf,
  heater,
  jointMilliohms,
  signalVolts,
  toothHertz,
  windingOhms,
} from './electrical.ts';
import { inUnit, shown } from './figures.ts';
import type { Expected, ManualFigures, Quantity, Taking } from './measurement.ts';
import { airPressureAt, crankingPressure } from './pressure.ts';
import { steinhartHartCelsius, steinhartHartOf, thermistorOf, thermistorOhms } from './thermistor.ts';

/** The band that a value should lie in, in the base unit, and how it was reckoned. */
export interface Band {
  /** -Infinity and Infinity where there is no limit on that side. */
  from: number;
  to: number;
  /** Ratios matter more than differences: resistances. */
  isRatio: boolean;
  arithmetic: string;
}

/** What is still missing before a value can be judged. */
export interface Missing {
  missing: string;
}

/** Ampere-hours of a common starter battery. */
const COMMON_BATTERY = 60;
/** Minutes after which every control unit of a parked car should be asleep, and what may flow then, mA. */
const ASLEEP = 60;
const ASLEEP_MILLIAMPERES = 50;
/** A common ring: sixty teeth of which two are missing. What a warm starter turns an engine at, and how far that varies. */
const RING_TEETH = 58;
const CRANKING_RPM = 240;
const CRANKING_SPREAD = 0.4;
/** Makers differ by about this much from a manual’s table at the same temperature. */
const TABLE_SPREAD = 0.15;

function fromTable(table: NonNullable<ManualFigures['table']>, celsius: number): Band | null {
  const [a, b, c] = table;
  if (!a || !b) return null;
  const name = (p: { celsius: number; ohms: number }) =>
    `${shown(p.ohms, 'resistance')} at {${p.celsius} °C}`;
  if (c) {
    const curve = steinhartHartOf([a, b, c]);
    // The curve gives the temperature at a resistance; halving finds the resistance at a temperature.
    let [low, high] = [1, 10_000_000];
    while (high / low > 1.0001) {
      const middle = Math.sqrt(low * high);
      if (steinhartHartCelsius(middle, curve) > celsius) low = middle;
      else high = middle;
    }
    return about(low, `The curve through ${name(a)}, ${name(b)} and ${name(c)}`, celsius);
  }
  const { r25, beta } = thermistorOf(a, b);
  return about(
    thermistorOhms(celsius, r25, beta),
    `The curve through ${name(a)} and ${name(b)} (B = ${Math.round(beta)} K)`,
    celsius,
  );
}

function about(ohms: number, curve: string, celsius: number): Band {
  return {
    from: ohms * (1 - TABLE_SPREAD),
    to: ohms * (1 + TABLE_SPREAD),
    isRatio: true,
    arithmetic: `${curve} gives ${shown(ohms, 'resistance')} at {${celsius} °C}.`,
  };
}

/** The band for a value, or what is missing to say it. */
export function bandOf(expected: Expected, quantity: Quantity, taking: Taking): Band | Missing {
  const { conditions, manual } = taking;
  const { celsius, metres, battery, minutes, ratio } = conditions;
  const isRatio = quantity === 'resistance';
  if (manual?.table && celsius !== undefined) {
    const band = fromTable(manual.table, celsius);
    if (band) return band;
  }
  if (manual && (manual.from !== undefined || manual.to !== undefined))
    return {
      from: manual.from ?? -Infinity,
      to: manual.to ?? Infinity,
      isRatio,
      arithmetic: 'These are the figures of your manual.',
    };
  const band = (from: number, to: number, arithmetic: string): Band => ({ from, to, isRatio, arithmetic });
  switch (expected.kind) {
    case 'band': {
      if (quantity === 'pressure' && ratio !== undefined) {
        const air = airPressureAt(metres ?? 0);
        const [low, high] = crankingPressure(ratio, air);
        return band(
          low,
          high,
          `${shown(air / 100, 'pressure')} of air, compressed ${ratio} to 1, gives ${shown(low, 'pressure')} to ${shown(high, 'pressure')}.`,
        );
      }
      if (!expected.isWinding || celsius === undefined) return band(expected.from, expected.to, '');
      const [from, to] = [windingOhms(expected.from, celsius), windingOhms(expected.to, celsius)];
      return band(
        from,
        to,
        `Copper has 0.39 % more for each {1 K}: ${shown(expected.from, quantity)} to ${shown(expected.to, quantity)} at {20 °C} becomes ${shown(from, quantity)} to ${shown(to, quantity)} at {${celsius} °C}.`,
      );
    }
    case 'about':
      return band(expected.value - expected.within, expected.value + expected.within, '');
    case 'at-most':
      return band(-Infinity, expected.most, '');
    case 'at-least':
      return band(expected.least, Infinity, '');
    case 'thermistor': {
      if (celsius === undefined) return { missing: 'Type how warm the part is: the value depends on it.' };
      const at = thermistorOhms(celsius, 1, expected.beta) / thermistorOhms(20, 1, expected.beta);
      return band(
        expected.from * at,
        expected.to * at,
        `${shown(expected.from, quantity)} to ${shown(expected.to, quantity)} at {20 °C} becomes ${shown(expected.from * at, quantity)} to ${shown(expected.to * at, quantity)} at {${celsius} °C} (B = ${inUnit(expected.beta)} K).`,
      );
    }
    case 'charging': {
      const at = celsius ?? 25;
      const [from, to] = chargingBand(at);
      return band(
        from,
        to,
        `A cold battery wants more, a hot one less: 13.5 to 14.8 V at {25 °C}, so ${shown(from, quantity)} to ${shown(to, quantity)} at {${at} °C}.`,
      );
    }
    case 'rested':
      return band(
        12.4,
        12.9,
        '12.65 V at rest is a full battery, 12.4 V about 70 %, under 12.0 V as good as empty.',
      );
    case 'battery-less':
      if (battery === undefined)
        return { missing: 'Measure the battery too: the supply is held against it.' };
      return band(
        battery - expected.within,
        Infinity,
        `${shown(battery, quantity)} at the battery, of which ${shown(expected.within, quantity)} may be lost on the way.`,
      );
    case 'air-pressure': {
      if (metres === undefined)
        return { missing: 'Type how high above the sea you are: air gets thinner with it.' };
      const at = airPressureAt(metres);
      return band(
        at - expected.within,
        at + expected.within,
        `The air of the standard atmosphere at {${metres} m} has {${at.toFixed(1)} kPa}; the weather moves it by up to {3 kPa}.`,
      );
    }
    case 'parked-drain':
      if (minutes === undefined)
        return { missing: 'Type how long it has been locked: control units stay awake at first.' };
      if (minutes < ASLEEP)
        return {
          missing: `Wait until it has been locked for an hour: up to then control units may still be awake.`,
        };
      return band(-Infinity, ASLEEP_MILLIAMPERES, '');
    case 'cranking-teeth': {
      const [teeth, rpm] = [conditions.teeth ?? RING_TEETH, conditions.rpm ?? CRANKING_RPM];
      const hertz = toothHertz(teeth, rpm);
      return band(
        hertz * (1 - CRANKING_SPREAD),
        hertz * (1 + CRANKING_SPREAD),
        `${teeth} teeth at ${rpm} rpm pass ${teeth} × ${rpm} / 60 = ${Math.round(hertz)} times a second; a starter turns up to ${Math.round(CRANKING_SPREAD * 100)} % slower or faster.`,
      );
    }
    case 'duty':
      if (battery === undefined)
        return { missing: 'Measure the battery too: the share of the time is worked out against it.' };
      return band(
        battery * (1 - expected.to),
        battery * (1 - expected.from),
        `Switched off it has the battery’s ${shown(battery, quantity)}, switched on nothing: between is the share of the time.`,
      );
    case 'manual':
      return { missing: 'Type the figures of your manual: this value differs from maker to maker.' };
  }
}

/** What a value amounts to, in a sentence; empty where there is nothing to add. */
export function worked(
  value: number,
  expected: Expected,
  quantity: Quantity,
  taking: Taking,
  isHeater: boolean,
): string {
  const { amperes, battery } = taking.conditions;
  if (expected.kind === 'duty' && battery !== undefined)
    return `${shown(value, quantity)} of ${shown(battery, quantity)} on average is switched on ${Math.round(dutyOf(value, battery) * 100)} % of the time.`;
  if (expected.kind === 'thermistor' && value > 0) {
    const [low, high] = signalVolts(value);
    return `Plugged in again, the signal wire should then carry about ${low.toFixed(1)} to ${high.toFixed(1)} V: the sensor shares 5 V with a resistor of 1 to 3 kΩ in the control unit.`;
  }
  if (expected.kind === 'rested')
    return `${shown(value, quantity)} after hours of rest is about ${Math.round(chargeAtRest(value) * 20) * 5} % charged.`;
  if (expected.kind === 'parked-drain' && value > 0)
    return `${shown(value, quantity)} takes half of a common battery (${COMMON_BATTERY} Ah) in about ${Math.max(1, Math.round(daysToHalf(value, COMMON_BATTERY)))} days.`;
  if (expected.kind === 'at-most' && quantity === 'voltage' && amperes !== undefined && value > 0)
    return `${shown(value, quantity)} at ${amperes} A is ${jointMilliohms(value, amperes).toFixed(1)} thousandths of an ohm.`;
  if (isHeater && value > 0) {
    const { watts, amperes: current } = heater(12, value);
    return `At 12 V that is ${current.toFixed(1)} A and ${Math.round(watts)} W.`;
  }
  return '';
}
