import { useEffect, useState } from 'react';
import { now } from '../clock.ts';
import { moment } from './format.ts';

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

/** How a moment is written now: what was today is not today for ever, and a page stays open overnight. */
export function useMoment(): (iso: string) => string {
  const at = useNow();
  return (iso) => moment(iso, at);
}
