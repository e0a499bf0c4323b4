import { useEffect, useRef, useState } from 'react';
import type { Trace } from './traces.tsx';

/**
 * The traces to draw, brought up to date one after the other with the page answering in between: a picture takes some
 * tens of milliseconds, a dozen at once would be felt. A newer list takes over where the older one was.
 */
export function useOneByOne(target: readonly Trace[]): Trace[] {
  const [shown, setShown] = useState<readonly Trace[]>([]);
  const next = useRef(0);
  useEffect(() => {
    let isOff = false;
    const update = async () => {
      for (let n = 0; n < target.length; n++) {
        // Before the first one too: what it stands in has just been drawn.
        await new Promise((resolve) => setTimeout(resolve));
        if (isOff) return;
        const trace = target[next.current % target.length];
        next.current++;
        if (trace)
          setShown((before) =>
            target.flatMap((t) => (t.id === trace.id ? [trace] : (before.find((b) => b.id === t.id) ?? []))),
          );
      }
    };
    void update();
    return () => {
      isOff = true;
    };
  }, [target]);
  // What is no longer wanted goes at once.
  return shown.filter((s) => target.some((t) => t.id === s.id));
}
