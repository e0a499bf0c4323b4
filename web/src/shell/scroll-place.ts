import { useLayoutEffect, useRef } from 'react';
import { NavigationType, useLocation, useNavigationType } from 'react-router';

/** How far a page is scrolled: the document, and the work of a station, which scrolls by itself. */
type Place = readonly number[];
const TOP: Place = [0, 0];

/** Where each page was left, by its path. */
const places = new Map<string, Place>();

/** A part of a page that is fetched only now is looked for again after so long, ms. */
const AGAIN_MS = [100, 400, 1_500];

const parts = () => [document.scrollingElement, document.getElementById('work')];

/**
 * Another page begins at its top, or at the part of it that the link names; the browser's Back finds a page where it
 * was left.
 */
export function useScrollPlace(): void {
  const { pathname, hash } = useLocation();
  const how = useNavigationType();
  // Asked only when the path changes: a sheet that opens over a page is no other page.
  const came = useRef(how);
  useLayoutEffect(() => {
    came.current = how;
  });
  useLayoutEffect(() => {
    const left = came.current === NavigationType.Pop ? places.get(pathname) : hash === '' ? TOP : undefined;
    if (left)
      parts().forEach((part, i) => {
        if (part) part.scrollTop = left[i] ?? 0;
      });
    let named: Element | null = null;
    const show = () => {
      if (named) return;
      named = document.getElementById(hash.slice(1));
      named?.scrollIntoView();
    };
    const timers = left || hash === '' ? [] : [0, ...AGAIN_MS].map((ms) => setTimeout(show, ms));
    const note = () =>
      places.set(
        pathname,
        parts().map((part) => part?.scrollTop ?? 0),
      );
    if (!places.has(pathname)) places.set(pathname, TOP);
    document.addEventListener('scroll', note, true);
    return () => {
      timers.forEach(clearTimeout);
      document.removeEventListener('scroll', note, true);
    };
  }, [pathname, hash]);
}
