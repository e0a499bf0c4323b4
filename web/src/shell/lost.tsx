import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';

/** A page that is not there, or, with its error, the frame around the pages that broke. Nothing recorded is touched. */
export function Lost({ error }: { error?: unknown }) {
  return (
    <main className="mx-auto max-w-xl p-6">
      <Notice
        title={error === undefined ? 'Page not found.' : 'Something went wrong on this page.'}
        action={
          // Loaded anew: what broke stays broken until then.
          <a href="/" className={BUTTON.solid}>
            Go to the garage
          </a>
        }
      >
        {error instanceof Error ? <p>{error.message}</p> : null}
        <p>What you recorded is safe.</p>
      </Notice>
    </main>
  );
}
