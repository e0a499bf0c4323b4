/** Air pressure of the standard atmosphere, kPa, at a height above the sea, m (ISO 2533, up to 11 km). */
export function airPressureAt(metres: number): number {
  return 101.325 * (1 - 2.25577e-5 * metres) ** 5.25588;
}

/** The inverse of {@link airPressureAt}, m. */
export function heightOf(kPa: number): number {
  return (1 - (kPa / 101.325) ** (1 / 5.25588)) / 2.25577e-5;
}

/**
 * What a compression gauge shows on a sound cylinder with the throttle fully open: p = p0 (r^n - 1), with the polytropic
 * exponent 1.2 (slow cranking, heat lost) to 1.3.
 * @param ratio compression ratio. @param airKpa pressure of the air.
 * @returns bar above the air, lowest and highest
 */
export function crankingPressure(ratio: number, airKpa: number): readonly [number, number] {
  const at = (n: number): number => (airKpa * (ratio ** n - 1)) / 100;
  return [at(1.2), at(1.3)];
}
