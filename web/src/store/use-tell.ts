import { createContext, use, useCallback, useMemo } from 'react';
import { tell, type VehicleWord, type Wording } from '@pincer/core/words';
import { useAppSelector } from './store.ts';

/** The kind of vehicle that a page speaks of: what its texts call it. */
export const SpokenOf = createContext<VehicleWord | undefined>(undefined);

/** The owner's units and English, and the word for the vehicle that is spoken of. */
export function useWording(): Wording {
  const { units, words } = useAppSelector((s) => s.settings.owner);
  const vehicle = use(SpokenOf);
  return useMemo(() => ({ units, words, vehicle }), [units, words, vehicle]);
}

/** Says a text of the core's tables in the owner's units and English. */
export function useTell(): (text: string) => string {
  const wording = useWording();
  return useCallback((text) => tell(text, wording), [wording]);
}
