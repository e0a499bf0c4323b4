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
      for (let n = 0; n < target.length && !isOff; n++) {
        const trace = target[next.current % target.length];
        next.current++;
        if (trace)
          setShown((before) =>
            target.flatMap((t) => (t.id === trace.id ? [trace] : (before.find((b) => b.id === t.id) ?? []))),
          );
        await new Promise((resolve) => setTimeout(resolve));
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
