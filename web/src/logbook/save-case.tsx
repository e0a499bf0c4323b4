import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { saveText } from '../ui/save-text.ts';

/** How a case is saved as a file: its name, and what stands in it. */
function useSaving(caseId: string): (isPersonal: boolean) => Promise<void> {
  const dispatch = useAppDispatch();
  const title = useAppSelector((s) => s.logbook.cases.entities[caseId]?.title ?? 'case');
  return async (isPersonal) => {
    // Not in the first screen: files are made and read seldom.
    const { exportCase } = await import('../store/transfer-actions.ts');
    const text = dispatch(exportCase(caseId, isPersonal));
    const name = isPersonal ? title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() : 'without-personal-data';
    if (text !== null) saveText(`${name}.case.json`, text);
  };
}

/** Saves a case as it is on this screen, whether or not storage has it. */
export function SaveCase({ caseId }: { caseId: string }) {
  const save = useSaving(caseId);
  return (
    <button type="button" className={BUTTON.plain} onClick={() => void save(true)}>
      Save as a case file
    </button>
  );
}

/** The same for the next owner, or for somebody who helps: without plate, vehicle number, own words, offers and pictures. */
export function SaveForOthers({ caseId }: { caseId: string }) {
  const save = useSaving(caseId);
  return (
    <button type="button" className={BUTTON.plain} onClick={() => void save(false)}>
      Save without personal data
    </button>
  );
}
