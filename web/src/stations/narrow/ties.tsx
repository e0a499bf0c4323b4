import { useEffect, useState, type RefObject } from 'react';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { CauseView, Fact } from '@pincer/core/assess';

interface Tie {
  id: string;
  side: Fact['side'];
  path: string;
  width: number;
}

/** Facts that speak for the held cause and are scrolled out of sight in their jaw, by the edge behind which they are. */
interface Beyond {
  side: Fact['side'];
  edge: 'above' | 'below';
  count: number;
  /** The one that comes first from that edge. */
  fact: string;
  /** Where its hint stands within the frame, px. */
  left: number;
  top: number;
  width: number;
}

/** Height of a hint, px: one that can be touched. */
const HINT = 44;

const within = (y: number, { top, bottom }: DOMRect): number => Math.min(Math.max(y, top), bottom);
const elementOf = (root: Element, fact: string): Element | null =>
  root.querySelector(`[data-fact="${CSS.escape(fact)}"]`);

/**
 * Lines from the facts that speak for the held cause to its bar; the thicker, the more they say. No line runs behind an edge:
 * what is scrolled out of sight is counted there, one touch away.
 */
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
  const [beyond, setBeyond] = useState<Beyond[]>([]);
  useEffect(() => {
    const root = frame.current;
    if (!root) return;
    const draw = () => {
      const found = measured(root, selected, facts);
      setTies(found.ties);
      setBeyond(found.beyond);
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
    <>
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
      {beyond.map(({ side, edge, count, fact, left, top, width }) => (
        <button
          key={`${side}${edge}`}
          type="button"
          className="absolute z-20 flex items-center justify-center gap-1.5 border-y border-line bg-sheet px-2 text-[14px] font-semibold"
          style={{ left, top, width, height: HINT }}
          onClick={() => {
            const root = frame.current;
            if (root) elementOf(root, fact)?.scrollIntoView({ block: 'center' });
          }}
        >
          {edge === 'above' ? (
            <ArrowUp size={16} aria-hidden="true" />
          ) : (
            <ArrowDown size={16} aria-hidden="true" />
          )}
          {count === 1 ? `1 more ${edge} supports it` : `${count} more ${edge} support it`}
        </button>
      ))}
    </>
  );
}

/** Where the lines run, and what is out of sight. */
function measured(
  root: HTMLElement,
  selected: CauseView,
  facts: readonly Fact[],
): { ties: Tie[]; beyond: Beyond[] } {
  const base = root.getBoundingClientRect();
  const bar = root.querySelector(`[data-cause="${CSS.escape(selected.id)}"]`);
  const ties: Tie[] = [];
  const beyond = new Map<string, Beyond>();
  if (!bar) return { ties, beyond: [] };
  const held = bar.getBoundingClientRect();
  const middle = bar.closest('.overflow-y-auto')?.getBoundingClientRect() ?? base;
  for (const f of facts) {
    const ratio = selected.weights[f.id];
    if (ratio === undefined || ratio <= 1) continue;
    const line = elementOf(root, f.id);
    const jaw = line?.closest('section')?.getBoundingClientRect();
    const box = line?.getBoundingClientRect();
    // Folded away with what is normal: it has no place.
    if (!box || !jaw || box.height === 0) continue;
    const centre = box.top + box.height / 2;
    const isCar = f.side === 'car';
    if (centre < jaw.top || centre > jaw.bottom) {
      const edge = centre < jaw.top ? 'above' : 'below';
      const known = beyond.get(f.side + edge);
      beyond.set(f.side + edge, {
        side: f.side,
        edge,
        count: (known?.count ?? 0) + 1,
        // Facts are in the order of sight: behind the lower edge the first is the nearest, behind the upper one the last.
        fact: edge === 'below' && known ? known.fact : f.id,
        left: jaw.left - base.left + (isCar ? 6 : 0),
        width: jaw.width - 6,
        top: (edge === 'above' ? jaw.top : jaw.bottom - HINT) - base.top,
      });
      continue;
    }
    const x1 = (isCar ? box.right : box.left) - base.left;
    const y1 = centre - base.top;
    const x2 = (isCar ? held.left : held.right) - base.left;
    const y2 = within(held.top + held.height / 2, middle) - base.top;
    const bend = (x1 + x2) / 2;
    ties.push({
      id: f.id,
      side: f.side,
      path: `M${x1} ${y1}C${bend} ${y1} ${bend} ${y2} ${x2} ${y2}`,
      width: Math.min(6, 1.5 + Math.log2(ratio)),
    });
  }
  return { ties, beyond: [...beyond.values()] };
}
