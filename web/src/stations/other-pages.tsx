import { useAppSelector } from '../store/store.ts';

/** That another page of this browser is connected, or records, so that nobody wonders or begins it twice. */
export function OtherPages({ caseId }: { caseId: string }) {
  const others = useAppSelector((s) => s.others);
  const here = others.filter((o) => o.caseId === caseId);
  if (here.length === 0 && !others.some((o) => o.what === 'connected')) return null;
  const isRecording = here.some((o) => o.what === 'recording');
  return (
    <p role="status" className="shrink-0 border-b border-line bg-sheet-2 px-3 py-2 text-[15px] md:px-4">
      {isRecording
        ? 'Another page of Pincer is recording readings for this case. What it records comes here when it ends.'
        : here.length > 0
          ? 'Another page of Pincer is connected to the adapter for this case. Read and clear there.'
          : 'Another page of Pincer is connected to an adapter, for another case. One adapter serves one page.'}
    </p>
  );
}
