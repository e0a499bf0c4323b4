/** How long after the page has come, ms: the first screen stands by then, also on an old phone. */
const LATER_MS = 1500;

/**
 * Does something once the first screen stands, so that what it fetches or works out keeps nobody waiting.
 * @returns how to leave it.
 */
export function later(run: () => void, ms = LATER_MS): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const begin = () => {
    timer = setTimeout(run, ms);
  };
  if (document.readyState === 'complete') begin();
  else window.addEventListener('load', begin, { once: true });
  return () => {
    window.removeEventListener('load', begin);
    clearTimeout(timer);
  };
}
