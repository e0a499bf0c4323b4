import type { ComponentType, ReactNode } from 'react';
import { useFetched } from './fetched.ts';

/**
 * A part of the page that is fetched when it is first shown, and is there at once from then on. It is drawn as soon as it has
 * come: a suspended one would be held back until 300 ms after the last sign of waiting. What could not be fetched is asked for
 * again by the next that is shown in its place.
 * @param waiting what stands there meanwhile.
 */
export function fetchedPart<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: ReactNode = null,
): ComponentType<P> {
  let come: ComponentType<P> | null = null;
  const fetchIt = async () => (come = await load());
  return function Part(props: P) {
    const Fetched = useFetched(fetchIt, come === null) ?? come;
    return Fetched ? <Fetched {...props} /> : waiting;
  };
}
