import { toast } from 'sonner';
import { record, type NewEntry, type Recorded } from '../store/logbook-actions.ts';
import type { AppThunk } from '../store/store.ts';

/** How long it can be taken back by one touch, ms; later, and without a limit, in the log. */
const UNDO_MS = 8_000;

/** The last one that was offered: only the last touch can be taken back by one touch, and there is one place to look. */
let offered: string | number | null = null;

/**
 * Records a fact and says so, with the way to take it back at once: a mistaken touch is no fact. The entry stays in the log,
 * struck out, like any other that is taken back.
 * @param words what is said when storage has it.
 */
export function recordSaying(caseId: string, entry: NewEntry, words: string): AppThunk<Promise<Recorded>> {
  return async (dispatch) => {
    const recorded = await dispatch(record(caseId, entry));
    if (recorded.isSaved) {
      if (offered !== null) toast.dismiss(offered);
      offered = toast(words, {
        duration: UNDO_MS,
        action: {
          label: 'Undo',
          onClick: () => {
            void dispatch(
              record(caseId, { kind: 'retracted', entry: recorded.entry.id, reason: 'Taken back at once.' }),
            ).then(({ isSaved }) => {
              if (isSaved) toast('Taken back. It stays in the log, struck out.');
            });
          },
        },
      });
    }
    return recorded;
  };
}
