/**
 * How much faster the engine turns under load than the same gear says: the overall ratio, engine speed over road speed,
 * against that of a steady drive. The tyre and the gear cancel out.
 * @param light engine speed, rpm, and road speed in any unit, at light throttle.
 * @param hard the same in the same gear while accelerating hard.
 * @returns slip as a share; 0.03 is 3 %
 */
export function clutchSlip(
  light: { rpm: number; speed: number },
  hard: { rpm: number; speed: number },
): number {
  return hard.rpm / hard.speed / (light.rpm / light.speed) - 1;
}
