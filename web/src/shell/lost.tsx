import type { FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';
import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';

/** There is no such page. */
export function Lost() {
  return (
    <main className="mx-auto max-w-xl p-6">
      <Notice
        title="There is nothing at this address."
        action={
          <Link to="/" className={BUTTON.solid}>
            To the garage
          </Link>
        }
      >
        What you recorded is safe.
      </Notice>
    </main>
  );
}

/** What stands in place of everything when the frame around the pages breaks. Nothing recorded is touched by it. */
export function Broken({ error }: FallbackProps) {
  return (
    <main className="mx-auto max-w-xl p-6">
      <Notice
        title="This page broke."
        action={
          <a href="/" className={BUTTON.solid}>
            To the garage
          </a>
        }
      >
        {error instanceof Error ? <p>{error.message}</p> : null}
        <p>What you recorded is safe.</p>
      </Notice>
    </main>
  );
}
