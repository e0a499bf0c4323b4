import { cx } from './classes.ts';

/** A state in plain words with the one next thing to do: empty, failed, not judged, done. */
export function Notice({
  title,
  children,
  action,
  tone = 'plain',
}: {
  title: string;
  children?: React.ReactNode;
  action?: React.ReactNode;
  tone?: 'plain' | 'strong';
}) {
  return (
    <div
      className={cx(
        'rounded-lg border bg-sheet p-4',
        tone === 'strong' ? 'border-2 border-ink' : 'border-line',
      )}
    >
      <p className="text-[17px] font-bold">{title}</p>
      {children ? <div className="mt-1 text-ink-2">{children}</div> : null}
      {action ? <div className="mt-3">{action}</div> : null}
    </div>
  );
}
