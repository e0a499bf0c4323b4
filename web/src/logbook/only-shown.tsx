import { isOnlyShown } from '../store/keep.ts';
import { useAppSelector } from '../store/store.ts';

/** That a case holds what a newer version wrote: it can be read here, and not changed. */
export function OnlyShown({ caseId }: { caseId: string }) {
  const isShown = useAppSelector((s) => isOnlyShown(s.logbook, caseId));
  if (!isShown) return null;
  return (
    <p role="status" className="shrink-0 border-b border-line bg-sheet-2 px-3 py-2 text-[15px] md:px-4">
      <b>This case can only be looked at.</b> It holds entries of a newer Pincer, which this one does not
      understand: what it says here may lack something. Load the newer version to go on.
    </p>
  );
}
