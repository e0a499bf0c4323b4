import { useEffect, useState } from 'react';
import { now } from '../clock.ts';

/** How often what depends on the moment is looked at again while a page is open, ms. */
const EVERY_MS = 60_000;

/** The moment, to the minute: a page that is open over midnight tells of the new day. */
export function useNow(): Date {
  const [at, setAt] = useState(now);
  useEffect(() => {
    const tick = setInterval(() => setAt(now()), EVERY_MS);
    return () => clearInterval(tick);
  }, []);
  return at;
}
