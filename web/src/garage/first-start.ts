import { useEffect } from 'react';
import { addDemo } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';

/** On a server that was started for a demonstration, an empty logbook is filled with the example. */
export function useFirstStartDemo(): void {
  const dispatch = useAppDispatch();
  const isEmpty = useAppSelector(
    (s) =>
      s.logbook.status === 'ready' &&
      Object.keys(s.logbook.vehicles).length === 0 &&
      s.logbook.setAside.length === 0,
  );
  useEffect(() => {
    if (!isEmpty) return;
    let isCurrent = true;
    fetch('/api/config')
      .then((r) => (r.ok ? (r.json() as Promise<{ demo?: boolean }>) : {}))
      .then((config) => {
        if (isCurrent && 'demo' in config && config.demo) return dispatch(addDemo());
        return undefined;
      })
      // Without a server there is no demonstration: the page works offline from its own files.
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [dispatch, isEmpty]);
}
