import { useEffect, useRef, type RefObject } from 'react';

/** Where somebody came to last: a station that is only drawn anew, or under an open sheet, takes no focus away. */
let lastPath: string | null = null;

/**
 * The heading of a station, which takes the focus when somebody comes to it from another page of the program: what is read
 * out begins there, and Tab goes on from there. A page that the browser has just opened is left alone.
 */
export function useArrivalFocus(): RefObject<HTMLHeadingElement | null> {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    // The router numbers the pages of a visit, beginning with 0.
    const state: unknown = window.history.state;
    const isLater = typeof state === 'object' && state !== null && 'idx' in state && Number(state.idx) > 0;
    const isAnother = window.location.pathname !== lastPath;
    lastPath = window.location.pathname;
    // Drawn anew, the heading that had the focus may be gone: then nothing has it.
    const isNowhere = document.activeElement === null || document.activeElement === document.body;
    if (isLater && (isAnother || isNowhere)) heading.current?.focus({ preventScroll: true });
  }, []);
  return heading;
}
