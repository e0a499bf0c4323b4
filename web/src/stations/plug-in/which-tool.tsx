import { TOOL_NEEDS, toolChoice, type ToolNeed } from '@pincer/core/decision';
import { useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { BUTTON, SHEET, cx } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';
import { WaysToRead } from '../../typed/ways-to-read.tsx';
import { useTell } from '../../store/use-tell.ts';

const NEEDS = Object.keys(TOOL_NEEDS) as ToolNeed[];
const isNeeds = (v: unknown): v is ToolNeed[] =>
  Array.isArray(v) && v.every((n) => typeof n === 'string' && Object.hasOwn(TOOL_NEEDS, n));

/** Lamps that belong to control units which the engine's services do not reach. */
const OTHER_UNITS = ['airbag', 'abs', 'stability', 'steering', 'tyre', 'high-voltage', 'brakes'] as const;

/** Which kind of tool is enough for the question at hand, and when it pays against a workshop's fee. */
export function WhichTool({ onByHand }: { onByHand: () => void }) {
  const tell = useTell();
  const { record, state } = useCase();
  const owner = useAppSelector((s) => s.settings.owner);
  const asksOthers = OTHER_UNITS.some((l) => (state.standing.lamps.get(l)?.mode ?? 'out') !== 'out');
  const [needs, setNeeds] = useDraft<ToolNeed[]>(
    `needs:${record.id}`,
    asksOthers ? ['codes', 'units'] : ['codes'],
    isNeeds,
  );
  const choice = toolChoice(new Set(needs), owner);
  const toggle = (n: ToolNeed) => setNeeds(needs.includes(n) ? needs.filter((x) => x !== n) : [...needs, n]);
  return (
    <section aria-labelledby="no-adapter" className={`${SHEET} p-4`}>
      <h3 id="no-adapter" className="text-lg">
        No adapter here?
      </h3>
      <p className="text-ink-2">Codes from a hand-held reader, a message or an invoice will do too.</p>
      <button type="button" className={`${BUTTON.plain} mt-2`} onClick={onByHand}>
        Type or paste codes
      </button>
      <h4 className="mt-4 font-semibold">Which tool do I need? I want:</h4>
      <div className="mt-1.5 flex flex-wrap gap-2">
        {NEEDS.map((n) => (
          <button
            key={n}
            type="button"
            aria-pressed={needs.includes(n)}
            onClick={() => toggle(n)}
            className={cx(
              'min-h-11 rounded-md border px-3 text-left text-[15px] font-semibold',
              needs.includes(n) ? 'border-own bg-own text-sheet' : 'border-line bg-sheet hover:bg-sheet-2',
            )}
          >
            {TOOL_NEEDS[n]}
          </button>
        ))}
      </div>
      <p className="mt-3" role="status">
        <b>{tell(choice.enough.title)} is enough.</b> {tell(choice.enough.about)} {tell(choice.sentence)}
      </p>
      {choice.lacking.length > 0 ? (
        <ul className="mt-1 text-[15px] text-ink-2">
          {choice.lacking.map(({ kind, lacks }) => (
            <li key={kind.id}>
              {tell(kind.title)}: not enough; cannot do {tell(lacks.join('; '))}.
            </li>
          ))}
        </ul>
      ) : null}
      <details className="mt-3">
        <summary className="min-h-11 py-2 font-semibold">Ways to have it read, and what each costs</summary>
        <WaysToRead needs={needs} />
      </details>
    </section>
  );
}
