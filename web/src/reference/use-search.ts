import { useEffect, useState } from 'react';
import { coreWorker } from '../workers/core-client.ts';
import type { Hit } from '../workers/search.ts';

const NONE: readonly Hit[] = [];

/** Hits for a text, found in the worker. An answer that comes after the text has changed is not used. */
export function useSearch(text: string, limit: number): readonly Hit[] {
  const [found, setFound] = useState<{ text: string; hits: readonly Hit[] }>({ text: '', hits: NONE });
  const wanted = text.trim();
  useEffect(() => {
    if (wanted.length < 2) return;
    let isCurrent = true;
    void coreWorker()
      .searchReference(wanted, limit)
      .then((hits) => {
        if (isCurrent) setFound({ text: wanted, hits });
      });
    return () => {
      isCurrent = false;
    };
  }, [wanted, limit]);
  return wanted.length < 2 ? NONE : found.hits;
}
