import { toast } from 'sonner';
import { decodeFile, record } from '../../store/logbook-actions.ts';
import { useAppDispatch } from '../../store/store.ts';
import { BUTTON } from '../../ui/classes.ts';
import { FileButton } from '../../ui/file-button.tsx';

/** A session of an hour has one or two megabytes, bytes. */
const MAX_BYTES = 32 * 1024 * 1024;

/** A scan from a saved adapter session or a CAN log, decoded in the worker. */
export function FileReading({ caseId }: { caseId: string }) {
  const dispatch = useAppDispatch();
  const open = async (file: File) => {
    if (file.size > MAX_BYTES) {
      toast(
        'This file is larger than 32 MB, the most that is read as one reading. Bring it in at Watch as a recording, or split it.',
      );
      return;
    }
    const scan = await dispatch(decodeFile(await file.text()));
    if (typeof scan === 'string') {
      toast(scan);
      return;
    }
    const problem = scan.errors.find((e) => e.kind === 'nothing-found');
    if (problem) {
      toast(problem.message);
      return;
    }
    // A file holds what somebody asked for, which may not be all; so it never opens the way to a clear.
    const { isSaved } = await dispatch(
      record(caseId, { kind: 'scan', via: 'file', adapter: file.name, isComplete: false, scan }),
    );
    if (!isSaved) return;
    const odd = scan.errors.length;
    toast(
      `${scan.codes.length} codes and ${scan.values.length} readings added from the file.${odd > 0 ? ` ${odd} ${odd === 1 ? 'thing' : 'things'} could not be understood; see below.` : ''}`,
    );
  };
  return (
    <FileButton
      label="Saved adapter session or CAN log"
      accept=".txt,.log,text/plain"
      className={BUTTON.quiet}
      onFile={(file) => void open(file)}
    >
      Open a saved session or CAN log
    </FileButton>
  );
}
