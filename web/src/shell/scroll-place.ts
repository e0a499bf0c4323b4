import { useLayoutEffect, useRef } from 'react';
import { NavigationType, useLocation, useNavigationType } from 'react-router';

/** How far a page is scrolled: the document, and the work of a station, which scrolls by itself. */
type Place = readonly [page: number, work: number];

/** Where each page was left, by its path. */
const places = new Map<string, Place>();

/** What is fetched only now may take so long to stand, ms. */
const WAIT_MS = 3_000;

const parts = () => [document.scrollingElement, document.getElementById('work')];

/** @returns whether the page could be scrolled so far. */
function scrollTo(place: Place): boolean {
  return parts().every((part, i) => {
    const top = place[i] ?? 0;
    if (part) part.scrollTop = top;
    return Math.abs((part?.scrollTop ?? 0) - top) < 2;
  });
}

/** Goes on as the page grows, until it is done, somebody scrolls, or it has taken too long. @returns how to stop it. */
function untilDone(attempt: () => boolean): () => void {
  const observer = new MutationObserver(() => {
    if (attempt()) stop();
  });
  const late = setTimeout(() => stop(), WAIT_MS);
  const inputs = ['wheel', 'pointerdown', 'keydown'] as const;
  const stop = () => {
    observer.disconnect();
    clearTimeout(late);
    for (const input of inputs) removeEventListener(input, stop);
  };
  for (const input of inputs) addEventListener(input, stop, { passive: true });
  observer.observe(document.body, { childList: true, subtree: true });
  if (attempt()) stop();
  return stop;
}

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
    const isBack = came.current === NavigationType.Pop;
    const left: Place | undefined = isBack ? places.get(pathname) : [0, 0];
    if (!places.has(pathname)) places.set(pathname, [0, 0]);
    const attempt = () => {
      if (left && (isBack || hash === '')) return scrollTo(left);
      const named = document.getElementById(hash.slice(1));
      named?.scrollIntoView();
      return named !== null || hash === '';
    };
    const stop = untilDone(attempt);
    const note = () => {
      const [page = 0, work = 0] = parts().map((part) => part?.scrollTop ?? 0);
      places.set(pathname, [page, work]);
    };
    document.addEventListener('scroll', note, { capture: true, passive: true });
    return () => {
      stop();
      document.removeEventListener('scroll', note, { capture: true });
    };
  }, [pathname, hash]);
}
