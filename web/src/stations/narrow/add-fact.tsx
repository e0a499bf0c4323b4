import { OBSERVATIONS, OWNER_OBSERVATIONS } from '@pincer/core/knowledge';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useTell } from '../../store/use-tell.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { ANSWERS, chosen } from '../../ui/answers.ts';
import { BUTTON, FIELD } from '../../ui/classes.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCase } from '../case-context.ts';

const isText = (v: unknown): v is string => typeof v === 'string';

/** Something that the owner saw or did: an answer, or a note in their own words. */
export function AddFact({ onClose }: { onClose: () => void }) {
  const { record, state } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const [note, setNote, forgetNote] = useDraft(`note:${record.id}`, '', isText);
  return (
    <Dialog
      title="Something you saw or did"
      description="Answers change the likely causes; a note is only kept in the log."
      open
      onOpenChange={onClose}
    >
      <form
        className="space-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (note.trim() === '') return;
          void dispatch(recordSaying(record.id, { kind: 'note', text: note.trim() }, 'Note recorded.')).then(
            ({ isSaved }) => {
              if (isSaved) forgetNote();
            },
          );
        }}
      >
        <label className="block">
          <span className="font-semibold">Note in your own words</span>
          <textarea
            className={`${FIELD} mt-1 py-2`}
            rows={2}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </label>
        <button type="submit" className={BUTTON.plain} disabled={note.trim() === ''}>
          Record the note
        </button>
      </form>
      <ul className="mt-4 divide-y divide-line">
        {OWNER_OBSERVATIONS.map((key) => {
          const kind = OBSERVATIONS[key];
          return (
            <li key={key} className="flex flex-wrap items-center justify-between gap-2 py-1.5">
              <span>{tell('ask' in kind ? kind.ask : kind.title)}</span>
              <Segments
                label={tell(kind.title)}
                options={ANSWERS}
                value={state.standing.observations.get(key)?.answer ?? null}
                tone="own"
                onChange={(answer) =>
                  void dispatch(
                    recordSaying(
                      record.id,
                      { kind: 'observation', observation: key, answer },
                      `${tell(kind.title)}: ${chosen(ANSWERS, answer)}.`,
                    ),
                  )
                }
              />
            </li>
          );
        })}
      </ul>
    </Dialog>
  );
}
