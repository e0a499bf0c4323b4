import { useId } from 'react';
import { FIELD } from './classes.ts';

/** A field with its label above it, and what is wrong with it below. */
export function LabelledField({
  label,
  text,
  problem,
  isNumber = false,
  onChange,
}: {
  label: string;
  text: string;
  /** What is wrong with it, in a sentence; null where nothing is. */
  problem?: string | null;
  isNumber?: boolean;
  onChange: (text: string) => void;
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        className={FIELD}
        {...(isNumber ? { inputMode: 'decimal' as const } : {})}
        value={text}
        aria-invalid={Boolean(problem)}
        onChange={(e) => onChange(e.target.value)}
      />
      {problem ? <p className="text-[14px]">{problem}</p> : null}
    </div>
  );
}
