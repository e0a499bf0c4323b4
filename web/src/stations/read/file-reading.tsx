import { toast } from 'sonner';
import { record } from '../../store/logbook-actions.ts';
import { useAppDispatch } from '../../store/store.ts';
import { BUTTON } from '../../ui/classes.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { coreWorker } from '../../workers/core-client.ts';

/** A reading from a saved adapter session or a CAN log, decoded in the worker. */
export function FileReading({ caseId }: { caseId: string }) {
  const dispatch = useAppDispatch();
  const open = async (file: File) => {
    const reading = await coreWorker().decodeFileText(await file.text());
    const problem = reading.errors.find((e) => e.kind === 'nothing-found');
    if (problem) {
      toast(problem.message);
      return;
    }
    // A file holds what somebody asked for, which may not be all; so it never opens the way to a clear.
    await dispatch(
      record(caseId, { kind: 'reading', via: 'file', adapter: file.name, isComplete: false, reading }),
    );
    toast(`${reading.codes.length} codes and ${reading.values.length} readings added from the file.`);
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
