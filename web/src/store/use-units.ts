import type { UnitChoice } from '@pincer/core/words';
import { useAppSelector } from './store.ts';

/** The owner's units. */
export function useUnits(): UnitChoice {
  return useAppSelector((s) => s.settings.owner.units);
}
