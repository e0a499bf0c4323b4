import type { Scan } from '@pincer/core/obd';

/** A number of service 01 as a scan has it, in the unit of the standard; null where it was not told. */
export function valueIn({ values }: Scan, pid: string): number | null {
  const found = values.find((v) => v.service === '01' && v.pid === pid && typeof v.value === 'number');
  return typeof found?.value === 'number' ? found.value : null;
}
