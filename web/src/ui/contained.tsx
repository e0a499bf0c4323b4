import { Children, isValidElement, useEffect } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { BUTTON } from './classes.ts';
import { Notice } from './notice.tsx';

/** A part of the page that could not be fetched: a newer version is there, or there is no connection. */
const isMissingPart = (error: unknown): boolean =>
  error instanceof Error && /dynamically imported module|module script|preload/i.test(error.message);

/**
 * Keeps a fault where it is: what it holds is replaced by a sentence and a way on, and everything around it stays.
 * @param name what it is, at the beginning of a sentence. @param resetOn tries again when this changes.
 */
export function Contained({
  name,
  resetOn,
  children,
}: {
  name: string;
  resetOn?: unknown;
  children: React.ReactNode;
}) {
  return (
    <ErrorBoundary resetKeys={[resetOn]} fallbackRender={(props) => <Fault name={name} {...props} />}>
      {children}
    </ErrorBoundary>
  );
}

/** Panels one below the other, each with its faults kept to itself. @param name what one of them is called. */
export function Panels({ name, children }: { name: string; children: React.ReactNode }) {
  return Children.map(children, (panel) =>
    isValidElement(panel) ? <Contained name={name}>{panel}</Contained> : panel,
  );
}

/** What stands in the place of something that broke. */
export function Fault({
  name,
  error,
  resetErrorBoundary,
}: Pick<FallbackProps, 'error' | 'resetErrorBoundary'> & { name: string }) {
  const isMissing = isMissingPart(error);
  useEffect(() => {
    document.getElementById('fault')?.focus();
  }, []);
  return (
    <div id="fault" role="alert" tabIndex={-1} className="p-3">
      <Notice
        title={isMissing ? `${name} could not be fetched.` : `${name} cannot be shown.`}
        tone="strong"
        action={
          <div className="flex flex-wrap gap-2">
            <button type="button" className={BUTTON.solid} onClick={resetErrorBoundary}>
              Try again
            </button>
            <button type="button" className={BUTTON.plain} onClick={() => location.reload()}>
              Load the page again
            </button>
          </div>
        }
      >
        {isMissing
          ? 'A newer version may be there, or the connection is gone. Everything that you recorded is stored.'
          : `A fault in this part of the program stopped it${error instanceof Error ? `: ${error.message}` : ''}. The rest works on, and everything that you recorded is stored.`}
      </Notice>
    </div>
  );
}
