import { toast } from 'sonner';
import type { ProcedureView } from '@pincer/core/assess';
import { BUTTON } from '../../ui/classes.ts';

/** Everything to buy and to have ready, as a text to take along. */
function listText({ title, guide, tools }: ProcedureView): string {
  const missing = tools.filter((t) => t.isMissing).map((t) => t.name);
  const part = (heading: string, lines: readonly string[]): string[] =>
    lines.length === 0 ? [] : ['', heading, ...lines.map((l) => `- ${l}`)];
  return [
    title,
    ...part(
      'To buy',
      guide.parts.map((p) => `${p.what} (order by ${p.orderBy})`),
    ),
    ...part('Must be new', guide.renew),
    ...part('Used up', guide.consumables),
    ...part('Tools', [...guide.tools, ...missing.map((t) => `${t}, which you do not have`)]),
  ].join('\n');
}

/** What to have ready before the work begins. */
export function Ready({ procedure }: { procedure: ProcedureView }) {
  const { parts, renew, tools, consumables } = procedure.guide;
  if (parts.length + renew.length + tools.length + consumables.length === 0) return null;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(listText(procedure));
      toast('Copied. Paste it into a message or a note.');
    } catch {
      toast('The browser did not allow copying. Select the list by hand.');
    }
  };
  return (
    <section aria-label="Have ready" className="rounded-md bg-sheet-2 p-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h4 className="text-lg font-bold">Have ready</h4>
        <button type="button" className={BUTTON.quiet} onClick={() => void copy()}>
          Copy as shopping list
        </button>
      </div>
      <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
        {parts.length > 0 ? (
          <div className="sm:col-span-2">
            <dt className="font-semibold">Parts</dt>
            {parts.map((p) => (
              <dd key={p.what}>
                {p.what}
                <span className="text-ink-2">: order by {p.orderBy}</span>
              </dd>
            ))}
          </div>
        ) : null}
        <Items name="Must be new" items={renew} />
        <Items name="Tools" items={tools} />
        <Items name="Used up" items={consumables} />
      </dl>
    </section>
  );
}

function Items({ name, items }: { name: string; items: readonly string[] }) {
  if (items.length === 0) return null;
  return (
    <div>
      <dt className="font-semibold">{name}</dt>
      <dd>{items.join(', ')}</dd>
    </div>
  );
}
