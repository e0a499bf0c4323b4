import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import * as z from 'zod/mini';
import { FIELD } from '../../ui/classes.ts';

/** Where an adapter with a wireless network of its own is reached, as typed. */
export interface NetworkChoice {
  host: string;
  port: string;
}

const MAX_PORT = 65_535;
const formSchema = z.object({
  host: z
    .string()
    .check(
      z.trim(),
      z.regex(/^[\w.:-]+$/, 'Type the adapter’s address, such as 192.168.0.10. Its leaflet names it.'),
    ),
  port: z.string().check(
    z.trim(),
    z.refine(
      (t) => /^\d+$/.test(t) && Number(t) >= 1 && Number(t) <= MAX_PORT,
      `A whole number from 1 to ${MAX_PORT}, such as 35000.`,
    ),
  ),
});

/** Address and port of a network adapter; both are kept as they are typed, so that they stand there the next time. */
export function NetworkForm({
  isBusy,
  hasBridge,
  look,
  choice,
  onChange,
  onConnect,
}: {
  isBusy: boolean;
  hasBridge: boolean;
  /** Classes of the button. */
  look: string;
  choice: NetworkChoice;
  onChange: (typed: Partial<NetworkChoice>) => void;
  onConnect: () => void;
}) {
  const { register, handleSubmit, formState } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { host: choice.host, port: choice.port },
  });
  const error = (name: keyof NetworkChoice) => formState.errors[name]?.message;
  const field = (name: keyof NetworkChoice, label: string, mode: 'url' | 'numeric') => (
    <label className={`block ${name === 'host' ? 'min-w-0 flex-1 sm:max-w-56' : 'w-28'}`}>
      <span className="text-[14px] text-ink-2">{label}</span>
      <input
        className={`${FIELD} font-mono`}
        inputMode={mode}
        disabled={isBusy}
        autoCapitalize="none"
        spellCheck={false}
        aria-invalid={error(name) !== undefined}
        {...register(name, {
          onChange: (e: React.ChangeEvent<HTMLInputElement>) => onChange({ [name]: e.target.value }),
        })}
      />
    </label>
  );
  const problem = error('host') ?? error('port');
  return (
    <form className="mt-1.5" onSubmit={(e) => void handleSubmit(onConnect)(e)}>
      <div className="flex flex-wrap items-end gap-2">
        {field('host', 'Address', 'url')}
        {field('port', 'Port', 'numeric')}
        <button type="submit" className={look} disabled={isBusy || !hasBridge}>
          Network: connect and read
        </button>
      </div>
      {problem ? (
        <p role="alert" className="mt-1 text-[15px] font-semibold">
          {problem}
        </p>
      ) : null}
    </form>
  );
}
