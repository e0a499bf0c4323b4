import { useEffect } from 'react';
import { mark } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { caseCount, vehicleCount } from '../store/logbook-selectors.ts';

/**
 * On a server that was started for a demonstration, a logbook that never held anything is filled with the example; one
 * in which that was interrupted is finished. It never comes back into a logbook that its owner emptied.
 */
export function useFirstStartDemo(): void {
  const dispatch = useAppDispatch();
  const wish = useAppSelector(({ logbook }) => {
    const { status, marks, setAside, newer } = logbook;
    if (status !== 'ready' || marks.example === 'done') return 'none';
    if (marks.example === 'begun') return 'finish';
    const isEmpty = vehicleCount(logbook) + caseCount(logbook) + setAside.length + newer.length === 0;
    return isEmpty ? 'begin' : 'own';
  });
  useEffect(() => {
    if (wish === 'none') return;
    if (wish === 'own') {
      // Whoever has begun a logbook of their own wants no example in it, also after it is emptied.
      void dispatch(mark({ example: 'done' }));
      return;
    }
    let isCurrent = true;
    fetch('/api/config')
      .then((r) => (r.ok ? (r.json() as Promise<{ demo?: boolean }>) : {}))
      .then(async (config) => {
        const isDemo = 'demo' in config && config.demo === true;
        if (!isDemo && wish !== 'finish') return;
        const { addDemo } = await import('../store/transfer-actions.ts');
        if (isCurrent) await dispatch(addDemo());
      })
      // Without a server there is no demonstration: the page works offline from its own files.
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [dispatch, wish]);
}
