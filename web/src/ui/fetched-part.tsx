import { Suspense, lazy, useState, type ComponentProps, type ComponentType, type ReactNode } from 'react';

/**
 * A part of the page that is fetched when it is first shown. What could not be fetched is asked for again by the next that is
 * shown in its place: a lazy component by itself would hold its first failure for good, however often one tries again.
 * @param waiting what stands there meanwhile.
 */
export function fetchedPart<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: ReactNode = null,
): ComponentType<P> {
  const ask = () =>
    lazy(async () => {
      try {
        return { default: await load() };
      } catch (error) {
        latest = ask();
        throw error;
      }
    });
  let latest = ask();
  return function Part(props: P) {
    // The wait is inside, so that a failure ends this one and not only what it holds: the next begins with a new question.
    const [Fetched] = useState(() => latest);
    return (
      <Suspense fallback={waiting}>
        <Fetched {...(props as ComponentProps<typeof Fetched>)} />
      </Suspense>
    );
  };
}
