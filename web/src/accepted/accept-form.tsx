import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import * as z from 'zod/mini';
import { explainCode } from '@pincer/core/codes';
import { TROUBLE_CODE } from '@pincer/core/obd';
import { acceptCode, type Vehicle } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { Cautions } from '../ui/cautions.tsx';
import { BUTTON, FIELD } from '../ui/classes.ts';
import { LEGAL_CAUTION } from './legal-caution.ts';

const formSchema = z.object({
  code: z
    .string()
    .check(
      z.trim(),
      z.toUpperCase(),
      z.regex(
        TROUBLE_CODE,
        'This is not a code: it needs a letter P, C, B or U, a digit 0 to 3, and three more characters.',
      ),
    ),
  reason: z.string().check(z.trim(), z.minLength(1)),
});

/** Accepts one code with a reason. */
export function AcceptForm({
  vehicle,
  code,
  onDone,
}: {
  vehicle: Vehicle;
  /** Known beforehand, or typed. */
  code?: string;
  onDone: () => void;
}) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const { register, handleSubmit, formState, control } = useForm({
    resolver: zodResolver(formSchema),
    mode: 'onChange',
    defaultValues: { code: code ?? '', reason: '' },
  });
  const typed = useWatch({ control, name: 'code' }).trim().toUpperCase();
  const accept = handleSubmit(async (form) => {
    const next = acceptCode(vehicle, form.code, form.reason, now().toISOString());
    if (await dispatch(putVehicle(next))) toast(`${form.code} stands apart from now on.`);
    onDone();
  });
  return (
    <form className="space-y-3" onSubmit={(e) => void accept(e)}>
      <Cautions texts={[tell(LEGAL_CAUTION)]} />
      {code ? (
        <p>
          <span className="font-mono text-[18px] font-semibold">{code}</span> {tell(explainCode(code).title)}
        </p>
      ) : (
        <label className="block">
          <span className="font-semibold">Code</span>
          <input
            className={`${FIELD} font-mono uppercase`}
            maxLength={5}
            placeholder="P0141"
            aria-invalid={formState.errors.code !== undefined}
            {...register('code')}
          />
          {typed.length === 5 && formState.errors.code ? (
            <span role="alert" className="text-[15px] font-semibold">
              {formState.errors.code.message}
            </span>
          ) : TROUBLE_CODE.test(typed) ? (
            <span className="text-[15px]">{tell(explainCode(typed).title)}</span>
          ) : null}
        </label>
      )}
      <label className="block">
        <span className="font-semibold">Why it is known</span>
        <input
          className={FIELD}
          placeholder="Such as: seat heating taken out, its connector insulated"
          {...register('reason')}
        />
      </label>
      <div className="flex gap-2">
        <button
          type="submit"
          className={BUTTON.solid}
          disabled={!formState.isValid || formState.isSubmitting}
        >
          Accept this code
        </button>
        <button type="button" className={BUTTON.quiet} onClick={onDone}>
          Cancel
        </button>
      </div>
    </form>
  );
}
