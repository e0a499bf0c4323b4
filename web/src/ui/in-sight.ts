import { useEffect, useRef, useState, type RefObject } from 'react';

/** How far below the screen something counts as in sight already, so that it is there when it comes up. */
const AHEAD = '300px';

/** Whether an element has been on the screen, or nearly. */
export function useInSight<T extends Element>(): [ref: RefObject<T | null>, isSeen: boolean] {
  const ref = useRef<T | null>(null);
  const [isSeen, setSeen] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (!element || isSeen) return;
    const observer = new IntersectionObserver(
      (all) => {
        if (all.some((one) => one.isIntersecting)) setSeen(true);
      },
      { rootMargin: AHEAD },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [isSeen]);
  return [ref, isSeen];
}
