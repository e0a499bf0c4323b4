import type { Owner } from '@pincer/core/case';
import { useAppSelector } from './store.ts';

/** The owner's units. */
export function useUnits(): Owner['units'] {
  return useAppSelector((s) => s.settings.owner.units);
}
