import { TriangleAlert } from 'lucide-react';

/** Cautions of the work that follows. */
export function Cautions({ texts }: { texts: readonly string[] }) {
  if (texts.length === 0) return null;
  return (
    <ul className="space-y-1.5">
      {texts.map((t) => (
        <li key={t} className="flex gap-2 border-l-4 border-ink bg-sheet-2 px-3 py-2 text-[15px]">
          <TriangleAlert size={20} className="mt-0.5 shrink-0" aria-hidden="true" />
          <span>{t}</span>
        </li>
      ))}
    </ul>
  );
}
