/** Resistance of copper rises by this share for each kelvin above 20 °C (IEC 60028). */
const COPPER_PER_KELVIN = 0.00393;

/** Resistance of a copper winding, ohms, at a temperature from its value at 20 °C. */
export function windingOhms(ohmsAt20: number, celsius: number): number {
  return ohmsAt20 * (1 + COPPER_PER_KELVIN * (celsius - 20));
}

/** Power of a heater, watts, and its current, amperes. */
export function heater(volts: number, ohms: number): { watts: number; amperes: number } {
  return { watts: (volts * volts) / ohms, amperes: volts / ohms };
}

/** Resistance of a cable with its joints, milliohms, from the voltage lost in it at a current. */
export function jointMilliohms(lostVolts: number, amperes: number): number {
  return (lostVolts / amperes) * 1000;
}

/** Rested voltage of a starter battery (flooded lead-acid, about 25 °C) and how full it then is. */
const REST_TABLE: readonly (readonly [volts: number, share: number])[] = [
  [11.89, 0],
  [12.06, 0.25],
  [12.24, 0.5],
  [12.45, 0.75],
  [12.65, 1],
];

/** How full a battery is that has rested for hours, 0 to 1, by its voltage (customary table, linear between points). */
export function chargeAtRest(volts: number): number {
  let [below, from] = REST_TABLE[0] ?? [0, 0];
  if (volts <= below) return 0;
  for (const [above, to] of REST_TABLE) {
    if (volts <= above && above > below) return from + ((to - from) * (volts - below)) / (above - below);
    [below, from] = [above, to];
  }
  return 1;
}

/** Charging voltage wanted by a lead-acid battery falls by about this much for each kelvin above 25 °C, six cells. */
const CHARGE_PER_KELVIN = 0.018;

/**
 * Band of a sound charging voltage, volts: 13.5 to 14.8 at 25 °C, higher when cold, lower when hot; no regulator goes
 * beyond 15.2 or under 13.2.
 */
export function chargingBand(celsius: number): readonly [number, number] {
  const shift = -CHARGE_PER_KELVIN * (celsius - 25);
  return [Math.max(13.2, 13.5 + Math.min(shift, 0.3)), Math.min(15.2, 14.8 + shift)];
}

/** Days until a parked drain has taken half of a battery. @param milliamperes what is drawn. */
export function daysToHalf(milliamperes: number, ampereHours: number): number {
  return ampereHours / 2 / (milliamperes / 1000) / 24;
}

/** Resistor of the control unit between its 5 volts and a two-wire sensor, ohms: from and to, as is usual. */
const PULL_UP = [1_000, 3_000] as const;

/** Voltage on the signal wire of a two-wire sensor: the sensor and the control unit's own resistor divide the supply. */
export function dividerVolts(sensorOhms: number, pullUpOhms: number, supplyVolts = 5): number {
  return (supplyVolts * sensorOhms) / (sensorOhms + pullUpOhms);
}

/** The signal voltage that a sensor's resistance gives with the usual resistors, lowest and highest, volts. */
export function signalVolts(sensorOhms: number): readonly [number, number] {
  return [dividerVolts(sensorOhms, PULL_UP[1]), dividerVolts(sensorOhms, PULL_UP[0])];
}

/** Pulses a second of a ring with so many teeth. @param rpm of the ring. */
export function toothHertz(teeth: number, rpm: number): number {
  return (teeth * rpm) / 60;
}

/** Share of the time in which a valve is switched on, by the mean voltage at its switched side: off it has the battery’s. */
export function dutyOf(meanVolts: number, batteryVolts: number): number {
  return Math.min(1, Math.max(0, 1 - meanVolts / batteryVolts));
}
