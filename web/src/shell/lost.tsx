import { Link, useRouteError } from 'react-router';
import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';

/** A page that is not there, or one that broke. Nothing recorded is touched by either. */
export function Lost() {
  const error = useRouteError();
  return (
    <main className="mx-auto max-w-xl p-6">
      <Notice
        title={error ? 'This page broke.' : 'There is nothing at this address.'}
        action={
          <Link to="/" className={BUTTON.solid}>
            To the garage
          </Link>
        }
      >
        {error instanceof Error ? <p>{error.message}</p> : null}
        <p>What you recorded is safe.</p>
      </Notice>
    </main>
  );
}
