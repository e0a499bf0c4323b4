import { speedDensity } from './speed-density.ts';
import { meanOf, type Window } from './window.ts';

/** Kilograms of air for one kilogram of fuel burnt without rest (petrol 14.7, diesel 14.5), and grams of a litre of it. */
const FUEL = {
  petrol: { air: 14.7, gramsPerLitre: 745 },
  diesel: { air: 14.5, gramsPerLitre: 835 },
} as const;

/** Fuel burnt, litres an hour, by the air that goes in. @param lambda air over what the fuel needs; 1 for petrol in closed loop. */
export function fuelFlow(gramsPerSecond: number, fuel: keyof typeof FUEL, lambda: number): number {
  const { air, gramsPerLitre } = FUEL[fuel];
  return ((gramsPerSecond / (air * lambda)) * 3600) / gramsPerLitre;
}

/** Air drawn in against what the displacement holds at the manifold's pressure and temperature; 1 is all of it. */
export function filling(
  gramsPerSecond: number,
  displacementLitres: number,
  rpm: number,
  manifoldKpa: number,
  intakeCelsius: number,
): number {
  return gramsPerSecond / speedDensity(1, displacementLitres, rpm, manifoldKpa, intakeCelsius);
}

/** A tyre sinks in a little under its load: what it rolls against the circle of its size. */
const ROLLS = 0.97;

/**
 * What a tyre rolls at one turn, metres, by the size on its wall: `205/55 R16`, or `120/70-17` on a motorcycle.
 * @returns null where the text is no such size.
 */
export function tyreRolls(size: string): number | null {
  const found = /(\d{2,3})\s*\/\s*(\d{2,3})\s*(?:ZR|R|B|-)?\s*(\d{2})/i.exec(size);
  if (!found) return null;
  const [width, height, rim] = found.slice(1).map(Number);
  const diameter = (rim ?? 0) * 25.4 + (2 * (width ?? 0) * (height ?? 0)) / 100;
  return (Math.PI * diameter * ROLLS) / 1000;
}

/** Turns of the engine for one turn of the wheel. */
export function overallRatio(rpm: number, kmh: number, rollsMetres: number): number {
  return rpm / 60 / (kmh / 3.6 / rollsMetres);
}

/** Usual overall ratios of cars, gear by gear, where one gear ends and the next begins. They differ from maker to maker. */
const GEAR_ENDS: readonly (readonly [above: number, gear: string])[] = [
  [10.5, 'first gear'],
  [6.6, 'second gear'],
  [4.6, 'third gear'],
  [3.5, 'fourth gear'],
  [2.7, 'fifth gear'],
  [1.8, 'sixth gear or higher'],
];

/** The gear that an overall ratio is usual for; null beyond all of them, as with a slipping clutch or in neutral. */
export function usualGear(ratio: number): string | null {
  if (ratio > 20) return null;
  return GEAR_ENDS.find(([above]) => ratio > above)?.[1] ?? null;
}

/** A figure worked out from readings of one moment. */
export interface WorkedFigure {
  id: 'fuel-flow' | 'fuel-per-distance' | 'filling' | 'overall-ratio';
  title: string;
  value: number;
  unit: string;
  /** How it was worked out, with its numbers; tagged for the owner's units. */
  arithmetic: string;
  /** What it helps to see. */
  helps: string;
}

/** Engine size and tyre; what is missing leaves its figures out. */
export interface WorkedFrom {
  fuel: string;
  displacementLitres?: number | undefined;
  tyre?: string | undefined;
  kind: string;
}

const two = (n: number): string => n.toFixed(n < 10 ? 2 : 1);
/** Below this speed, km/h, clutch and rounding spoil the ratio. */
const ROLLING = 10;

/** What can be worked out from one look at the readings. A diesel's fuel only with its own lambda: its air says nothing of it. */
export function workedFigures(look: Window, vehicle: WorkedFrom): WorkedFigure[] {
  const figures: WorkedFigure[] = [];
  const of = (key: Parameters<typeof meanOf>[1]): number | null => meanOf(look, key);
  const [air, rpm, speed] = [of('airFlow'), of('engineSpeed'), of('speed')];
  const told = of('frontLambda');
  const lambda = told ?? (vehicle.fuel === 'diesel' ? null : 1);
  const fuel =
    vehicle.fuel === 'diesel'
      ? 'diesel'
      : vehicle.fuel === 'petrol' || vehicle.fuel === 'hybrid'
        ? 'petrol'
        : null;
  if (air !== null && air > 0 && fuel !== null && lambda !== null && lambda > 0) {
    const perHour = fuelFlow(air, fuel, lambda);
    figures.push({
      id: 'fuel-flow',
      title: 'Fuel burnt',
      value: perHour,
      unit: 'L/h',
      arithmetic: `${two(air)} g/s of air, ${FUEL[fuel].air} parts for one of fuel at lambda ${two(lambda)}${told === null ? ' (closed loop taken for granted)' : ''}: {${two(perHour)} L} an hour.`,
      helps:
        'Warm and idling a small engine burns {0.5 L} to {1 L} an hour. Far more: rich, or a load that it should not have.',
    });
    if (speed !== null && speed > ROLLING)
      figures.push({
        id: 'fuel-per-distance',
        title: 'Fuel on the road, at this moment',
        value: (perHour / speed) * 100,
        unit: 'L/100 km',
        arithmetic: `{${two(perHour)} L} an hour at {${Math.round(speed)} km/h}: {${two((perHour / speed) * 100)} L/100 km}.`,
        helps: 'Hold it against what you fill in, over a steady drive.',
      });
  }
  const [manifold, intake] = [of('manifold'), of('intake')];
  const litres = vehicle.displacementLitres;
  if (
    air !== null &&
    rpm !== null &&
    rpm > 0 &&
    manifold !== null &&
    manifold > 0 &&
    intake !== null &&
    litres !== undefined
  ) {
    const ve = filling(air, litres, rpm, manifold, intake);
    figures.push({
      id: 'filling',
      title: 'Filling of the cylinders',
      value: ve * 100,
      unit: '%',
      arithmetic: `${two(air)} g/s measured, against what ${two(litres)} {litres} hold at ${Math.round(rpm)} rpm, {${Math.round(manifold)} kPa} and {${Math.round(intake)} °C}: ${Math.round(ve * 100)} %.`,
      helps:
        'A sound engine fills to 70 to 95 %. Less: the air flow sensor reads low, air gets in after it, or the exhaust is blocked.',
    });
  }
  const rolls = vehicle.tyre === undefined ? null : tyreRolls(vehicle.tyre);
  if (rolls !== null && rpm !== null && rpm > 0 && speed !== null && speed > ROLLING) {
    const ratio = overallRatio(rpm, speed, rolls);
    const gear = vehicle.kind === 'motorcycle' ? null : usualGear(ratio);
    figures.push({
      id: 'overall-ratio',
      title: 'Engine turns for one turn of the wheel',
      value: ratio,
      unit: '',
      arithmetic: `${Math.round(rpm)} rpm at {${Math.round(speed)} km/h}, and a tyre that rolls {${two(rolls)} m} at a turn: ${two(ratio)} to 1${gear === null ? '' : `, usual for ${gear}`}.`,
      helps:
        'In one gear it stays the same at any speed. If it grows while you accelerate, the clutch or the transmission slips.',
    });
  }
  return figures;
}
