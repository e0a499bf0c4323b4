/** Gas constant of dry air, J/(kg K). */
const R_AIR = 287.05;

/**
 * Air that a four-stroke engine must breathe by the speed-density relation:
 * VE x displacement/2 x revolutions a second x p/(R T).
 * @returns g/s
 */
export function speedDensity(
  volumetricEfficiency: number,
  displacementLitres: number,
  rpm: number,
  manifoldKpa: number,
  intakeCelsius: number,
): number {
  const density = (manifoldKpa * 1000) / (R_AIR * (intakeCelsius + 273.15));
  return volumetricEfficiency * (displacementLitres / 2000) * (rpm / 60) * density * 1000;
}
