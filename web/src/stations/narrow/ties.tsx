import { useEffect, useState, type RefObject } from 'react';
import type { CauseView, Fact } from '@pincer/core/assess';

interface Tie {
  id: string;
  side: Fact['side'];
  path: string;
  width: number;
}

/** Lines from the facts that speak for the held cause to its bar; the thicker, the more they say. */
export function Ties({
  frame,
  selected,
  facts,
}: {
  frame: RefObject<HTMLDivElement | null>;
  selected: CauseView;
  facts: readonly Fact[];
}) {
  const [ties, setTies] = useState<Tie[]>([]);
  useEffect(() => {
    const root = frame.current;
    if (!root) return;
    const draw = () => {
      const base = root.getBoundingClientRect();
      const held = root.querySelector(`[data-cause="${CSS.escape(selected.id)}"]`)?.getBoundingClientRect();
      if (!held) {
        setTies([]);
        return;
      }
      const next: Tie[] = [];
      for (const f of facts) {
        const ratio = selected.weights[f.id];
        if (ratio === undefined || ratio <= 1) continue;
        const box = root.querySelector(`[data-fact="${CSS.escape(f.id)}"]`)?.getBoundingClientRect();
        if (!box) continue;
        const isCar = f.side === 'car';
        const x1 = (isCar ? box.right : box.left) - base.left;
        const y1 = box.top + box.height / 2 - base.top;
        const x2 = (isCar ? held.left : held.right) - base.left;
        const y2 = held.top + held.height / 2 - base.top;
        const bend = (x1 + x2) / 2;
        next.push({
          id: f.id,
          side: f.side,
          path: `M${x1} ${y1}C${bend} ${y1} ${bend} ${y2} ${x2} ${y2}`,
          width: Math.min(6, 1.5 + Math.log2(ratio)),
        });
      }
      setTies(next);
    };
    draw();
    const observer = new ResizeObserver(draw);
    observer.observe(root);
    // The jaws scroll by themselves; the lines follow.
    root.addEventListener('scroll', draw, { capture: true, passive: true });
    return () => {
      observer.disconnect();
      root.removeEventListener('scroll', draw, { capture: true });
    };
  }, [frame, selected, facts]);
  return (
    <svg aria-hidden="true" className="pointer-events-none absolute inset-0 z-0 size-full">
      {ties.map((t) => (
        <path
          key={t.id}
          d={t.path}
          fill="none"
          stroke={t.side === 'car' ? 'var(--car)' : 'var(--own)'}
          strokeWidth={t.width}
          strokeLinecap="round"
        />
      ))}
    </svg>
  );
}
