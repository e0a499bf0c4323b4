import type { Units } from '../ui/own-units.ts';
import { useAppSelector } from './store.ts';

/** The owner's units. */
export function useUnits(): Units {
  return useAppSelector((s) => s.settings.owner.units);
}
