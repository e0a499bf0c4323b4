import { useAppSelector } from '../store/store.ts';
import { isWatching } from '../store/watch-slice.ts';

/** The adapter's state in a few words, for the case that it is connected to. */
export function AdapterChip({ caseId }: { caseId: string }) {
  const link = useAppSelector((s) => s.link);
  const isRecording = useAppSelector(isWatching);
  if (link.caseId !== caseId || link.status.at === 'idle') return null;
  const { status } = link;
  // What was measured before the engine was started is no longer true while it is being watched.
  const volts =
    'volts' in status && status.volts !== null && !isRecording ? `${status.volts.toFixed(1)} V` : null;
  const words = {
    connecting: 'connecting',
    failed: 'not connected',
    talking: isRecording ? 'recording' : volts ? null : 'connected',
    reading: 'reading',
    searching: 'searching',
    clearing: 'clearing',
    lost: 'cut',
  }[status.at];
  return (
    <span className="inline-flex shrink-0 items-center gap-2 rounded-full border border-line bg-sheet-2 px-3 py-1 text-[14px]">
      <span className="hidden lg:inline">{link.adapter}</span>
      {words ? <span>{words}</span> : null}
      {volts ? <span className="font-mono">{volts}</span> : null}
    </span>
  );
}
