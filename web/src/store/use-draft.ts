import { useCallback } from 'react';
import { keepDraft } from './logbook-actions.ts';
import { useAppDispatch, useAppSelector } from './store.ts';

/**
 * A value that is typed or ticked but not recorded yet. It survives a reload.
 * @param isValid tells a stored value of the right shape from anything else.
 */
export function useDraft<T>(
  key: string,
  initial: T,
  isValid: (value: unknown) => value is T,
): [T, (value: T) => void, () => void] {
  const dispatch = useAppDispatch();
  const kept = useAppSelector((s) => s.drafts[key]);
  const set = useCallback((value: T) => dispatch(keepDraft(key, value)), [dispatch, key]);
  const forget = useCallback(() => dispatch(keepDraft(key, null)), [dispatch, key]);
  return [isValid(kept) ? kept : initial, set, forget];
}
