import type { Standing } from '@pincer/core/case';
import { NO_SOURCE, type Scan } from '@pincer/core/obd';

/** Engine and gearbox by the ids that ISO 15765-4 gives them; others by the module map, or as they are. */
function nameOf(unit: string, mapped: string | undefined): string {
  if (mapped) return mapped;
  if (unit === '7E8' || unit === '10') return 'Engine';
  if (unit === '7E9' || unit === '18') return 'Transmission';
  return unit === NO_SOURCE ? 'The vehicle' : `Control unit ${unit}`;
}

/** A control unit's name, as a scan's module map has it. */
export function unitName(scan: Scan, unit: string): string {
  return nameOf(unit, scan.units?.find((u) => u.unit === unit)?.name);
}

/** A control unit's name, as the module map that was asked last has it. */
export function unitNameNow({ mapped }: Pick<Standing, 'mapped'>, unit: string): string {
  return nameOf(unit, mapped.get(unit)?.name);
}
