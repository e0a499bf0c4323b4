import { useAppSelector } from '../store/store.ts';

/** Whether everything of a case is on the disk, in a word: saving, saved, not saved. */
export function useSaveState(caseId: string): 'saving' | 'saved' | 'not saved' {
  return useAppSelector(({ logbook: { saving, unsaved, cases } }) => {
    if (Object.values(unsaved).some((u) => u.caseId === caseId)) return 'not saved';
    const ids = Object.keys(saving);
    const isSaving =
      ids.length > 0 &&
      (caseId in saving ||
        // What is being saved is what came last: of a log of thousands the first ones are seldom looked at.
        cases.entities[caseId]?.entries.findLast((e) => e.id in saving) !== undefined);
    return isSaving ? 'saving' : 'saved';
  });
}
