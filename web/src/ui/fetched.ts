import { useEffect, useState } from 'react';

/**
 * A part of the page that is fetched when it is wanted. Unlike a suspended one it is drawn as soon as it has come.
 * @param fetchIt how; one and the same function at each call. @returns null until it is there.
 * @throws what fetching it threw, while the page is drawn: whoever contains it says so.
 */
export function useFetched<T>(fetchIt: () => Promise<T>, isWanted: boolean): T | null {
  const [state, setState] = useState<{ value: T } | { error: Error } | null>(null);
  useEffect(() => {
    if (!isWanted) return;
    const asked = { isGone: false };
    fetchIt().then(
      (value) => {
        if (!asked.isGone) setState({ value });
      },
      (error: unknown) => {
        if (!asked.isGone) setState({ error: error instanceof Error ? error : new Error(String(error)) });
      },
    );
    return () => {
      asked.isGone = true;
    };
  }, [fetchIt, isWanted]);
  if (state && 'error' in state) throw state.error;
  return state ? state.value : null;
}
