import { Camera } from 'lucide-react';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import { attach } from '../store/attachment-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON, cx } from '../ui/classes.ts';
import { smaller } from './smaller.ts';

/** Puts a picture of the device's camera, or a file, into the log. @param about what it shows, where that is known. */
export function AddPicture({ caseId, about, label }: { caseId: string; about?: string; label: string }) {
  const id = useId();
  const dispatch = useAppDispatch();
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (file: File) => {
    setBusy(true);
    try {
      const content = await smaller(file);
      const why = await dispatch(
        attach(caseId, { name: file.name, content, ...(about === undefined ? {} : { about }) }),
      );
      setProblem(why);
      if (why === null) toast('It is in the log.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <div>
      <label
        htmlFor={id}
        className={cx(BUTTON.plain, 'inline-flex cursor-pointer items-center gap-2 focus-within:outline-2')}
      >
        <Camera size={18} aria-hidden="true" />
        {isBusy ? 'Storing…' : label}
        <input
          id={id}
          type="file"
          accept="image/*,application/pdf,text/plain"
          className="sr-only"
          disabled={isBusy}
          onChange={(e) => {
            const [file] = e.target.files ?? [];
            // The same one can be chosen again.
            e.target.value = '';
            if (file) void add(file);
          }}
        />
      </label>
      {problem ? (
        <p role="alert" className="mt-1 text-[15px] font-semibold">
          {problem}
        </p>
      ) : null}
    </div>
  );
}
