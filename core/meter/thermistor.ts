/** Kelvin of 0 °C, and of the temperature that data sheets of thermistors refer to. */
const KELVIN = 273.15;
const AT_25 = 298.15;

/**
 * Resistance of a thermistor whose resistance falls with temperature (NTC), by the two-point relation
 * R(T) = R25 exp(B (1/T - 1/298.15)), temperatures in kelvin (IEC 60539-1).
 * @param r25 ohms at 25 °C. @param beta kelvin.
 * @returns ohms
 */
export function thermistorOhms(celsius: number, r25: number, beta: number): number {
  return r25 * Math.exp(beta * (1 / (celsius + KELVIN) - 1 / AT_25));
}

/** The inverse of {@link thermistorOhms}, °C. */
export function thermistorCelsius(ohms: number, r25: number, beta: number): number {
  return 1 / (Math.log(ohms / r25) / beta + 1 / AT_25) - KELVIN;
}

/** A point of a manual’s table: ohms at a temperature. */
export interface TablePoint {
  celsius: number;
  ohms: number;
}

/** B and the resistance at 25 °C through two points of a table. */
export function thermistorOf(a: TablePoint, b: TablePoint): { r25: number; beta: number } {
  const beta = Math.log(a.ohms / b.ohms) / (1 / (a.celsius + KELVIN) - 1 / (b.celsius + KELVIN));
  return { beta, r25: a.ohms / thermistorOhms(a.celsius, 1, beta) };
}

/** Coefficients of 1/T = A + B ln R + C (ln R)^3. */
export type SteinhartHart = readonly [a: number, b: number, c: number];

/**
 * Coefficients through three points of a table (Steinhart and Hart, Calibration curves for thermistors, Deep-Sea
 * Research 15, 1968).
 */
export function steinhartHartOf(points: readonly [TablePoint, TablePoint, TablePoint]): SteinhartHart {
  const [l1, l2, l3] = points.map((p) => Math.log(p.ohms)) as [number, number, number];
  const [y1, y2, y3] = points.map((p) => 1 / (p.celsius + KELVIN)) as [number, number, number];
  const g2 = (y2 - y1) / (l2 - l1);
  const g3 = (y3 - y1) / (l3 - l1);
  const c = (g3 - g2) / (l3 - l2) / (l1 + l2 + l3);
  const b = g2 - c * (l1 * l1 + l1 * l2 + l2 * l2);
  return [y1 - (b + l1 * l1 * c) * l1, b, c];
}

/** °C at a resistance, ohms. */
export function steinhartHartCelsius(ohms: number, [a, b, c]: SteinhartHart): number {
  const log = Math.log(ohms);
  return 1 / (a + b * log + c * log ** 3) - KELVIN;
}
