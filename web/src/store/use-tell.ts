import { useCallback, useMemo } from 'react';
import { tell, type Wording } from '@pincer/core/words';
import { useAppSelector } from './store.ts';

/** The owner's units and English. */
export function useWording(): Wording {
  const { units, words } = useAppSelector((s) => s.settings.owner);
  return useMemo(() => ({ units, words }), [units, words]);
}

/** Says a text of the core's tables in the owner's units and English. */
export function useTell(): (text: string) => string {
  const wording = useWording();
  return useCallback((text) => tell(text, wording), [wording]);
}
