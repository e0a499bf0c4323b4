import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { saveText } from '../ui/save-text.ts';

/** Saves a case as it is on this screen, whether or not storage has it. */
export function SaveCase({ caseId }: { caseId: string }) {
  const dispatch = useAppDispatch();
  const title = useAppSelector((s) => s.logbook.cases[caseId]?.title ?? 'case');
  const save = async () => {
    // Not in the first screen: files are made and read seldom.
    const { exportCase } = await import('../store/transfer-actions.ts');
    const text = dispatch(exportCase(caseId));
    if (text !== null) saveText(`${title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.case.json`, text);
  };
  return (
    <button type="button" className={BUTTON.plain} onClick={() => void save()}>
      Save as a case file
    </button>
  );
}
