import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import * as z from 'zod/mini';
import type { Entry } from '@pincer/core/case';
import { record as addRecord } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON, FIELD } from '../ui/classes.ts';

const formSchema = z.object({ reason: z.string().check(z.trim(), z.minLength(1)) });

/** Strikes out an entry, with the reason: both stay in the log. */
export function Strike({ entry, caseId, onDone }: { entry: Entry; caseId: string; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const { register, handleSubmit, formState } = useForm({
    resolver: zodResolver(formSchema),
    mode: 'onChange',
    defaultValues: { reason: '' },
  });
  const strike = handleSubmit(async ({ reason }) => {
    const { isSaved } = await dispatch(addRecord(caseId, { kind: 'retracted', entry: entry.id, reason }));
    if (isSaved) toast('Struck out; it stays in the log.');
    onDone();
  });
  return (
    <form className="mt-1 flex flex-wrap gap-2" onSubmit={(e) => void strike(e)}>
      <label className="min-w-40 flex-1">
        <span className="sr-only">Reason</span>
        <input className={FIELD} placeholder="Reason" autoFocus {...register('reason')} />
      </label>
      <button type="submit" className={BUTTON.solid} disabled={!formState.isValid || formState.isSubmitting}>
        Strike out
      </button>
      <button type="button" className={BUTTON.quiet} onClick={onDone}>
        Cancel
      </button>
    </form>
  );
}
