import { FileText } from 'lucide-react';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { findInText, isNothingInText, type PastedFindings } from '@pincer/core/case';
import { explainCode } from '@pincer/core/codes';
import { CODE_STATES, MONITOR_NAMES, type CodeState } from '@pincer/core/obd';
import { keepDraft } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { useDraft } from '../store/use-draft.ts';
import { BUTTON, FIELD } from '../ui/classes.ts';
import { FileButton } from '../ui/file-button.tsx';
import { inOwnUnit, readingName } from '../ui/reading.ts';
import { useTell, useWording } from '../store/use-tell.ts';

interface Pasted {
  text: string;
  /** Findings that the owner left out, by their key. */
  out: string[];
  /** States that the owner chose instead, by the code's key. */
  states: Record<string, CodeState>;
}
const EMPTY: Pasted = { text: '', out: [], states: {} };
const isPasted = (v: unknown): v is Pasted =>
  typeof v === 'object' && v !== null && 'text' in v && 'out' in v && 'states' in v;

/** Longest text that is looked through, characters. */
const MAX = 200_000;

/** Finds codes and more in a pasted text, shows each with its place, and adds what the owner leaves ticked. */
export function PasteText({
  caseId,
  onAdd,
}: {
  caseId: string;
  onAdd: (findings: PastedFindings) => Promise<void>;
}) {
  const tell = useTell();
  const wording = useWording();
  const dispatch = useAppDispatch();
  const key = `paste:${caseId}`;
  const [pasted, setPasted] = useDraft(key, EMPTY, isPasted);
  const found = useMemo(() => findInText(pasted.text), [pasted.text]);
  const isOut = (id: string) => pasted.out.includes(id);
  const toggle = (id: string) =>
    setPasted({ ...pasted, out: isOut(id) ? pasted.out.filter((x) => x !== id) : [...pasted.out, id] });
  const chosen: PastedFindings = {
    codes: found.codes
      .filter((c, i) => !isOut(`c${i}${c.code}`))
      .map((c) => ({ ...c, state: pasted.states[c.code] ?? c.state })),
    vin: found.vin && !isOut('vin') ? found.vin : null,
    values: found.values.filter((v) => !isOut(`v${v.pid}`)),
    monitors: found.monitors.filter((m) => !isOut(`m${m.monitor}`)),
  };
  const row = (
    id: string,
    title: React.ReactNode,
    where: { line: number; text: string },
    extra?: React.ReactNode,
  ) => (
    <li key={id} className="flex flex-wrap items-center gap-x-3 py-1.5">
      <label className="flex min-h-11 min-w-0 flex-1 items-center gap-3">
        <input
          type="checkbox"
          className="size-6 shrink-0 accent-(--own)"
          checked={!isOut(id)}
          onChange={() => toggle(id)}
        />
        <span className="min-w-0">
          {title}
          <span className="block truncate text-[13px] text-ink-2">
            line {where.line}: {where.text}
          </span>
        </span>
      </label>
      {extra}
    </li>
  );
  return (
    <div className="space-y-3">
      <label className="block">
        <span className="font-semibold">The text</span>
        <textarea
          className={`${FIELD} mt-1 py-2 font-mono text-[15px]`}
          rows={5}
          maxLength={MAX}
          value={pasted.text}
          onChange={(e) => setPasted({ ...EMPTY, text: e.target.value })}
        />
      </label>
      <OpenTextFile onText={(text) => setPasted({ ...EMPTY, text })} />
      <div aria-live="polite">
        {pasted.text.trim() !== '' && isNothingInText(found) ? (
          <p>
            <b>Nothing found in it.</b> No code, VIN, stored condition or self-check. A code is one letter and
            four digits, such as P0302.
          </p>
        ) : null}
        {isNothingInText(found) ? null : (
          <>
            <p className="font-semibold">Found the following; untick anything wrong:</p>
            <ul className="divide-y divide-line border-y border-line">
              {found.codes.map((c, i) =>
                row(
                  `c${i}${c.code}`,
                  <>
                    <span className="font-mono text-[18px]">{c.code}</span> {tell(explainCode(c.code).title)}
                  </>,
                  c,
                  <select
                    aria-label={`State of ${c.code}`}
                    className="min-h-11 rounded-md border border-line bg-sheet px-2"
                    value={pasted.states[c.code] ?? c.state ?? 'confirmed'}
                    onChange={(e) => {
                      const state = CODE_STATES.find((s) => s === e.target.value);
                      if (state) setPasted({ ...pasted, states: { ...pasted.states, [c.code]: state } });
                    }}
                  >
                    {CODE_STATES.map((s) => (
                      <option key={s} value={s}>
                        {s}
                        {c.word && c.state === s ? ` (“${c.word}”)` : ''}
                      </option>
                    ))}
                  </select>,
                ),
              )}
              {found.vin
                ? row(
                    'vin',
                    <>
                      VIN <span className="font-mono">{found.vin.text}</span>
                      {found.vin.isCheckDigitRight ? '' : ', check digit does not fit'}
                    </>,
                    found.vin,
                  )
                : null}
              {found.values.map((v) =>
                row(
                  `v${v.pid}`,
                  `${readingName(v.name, wording)}: ${inOwnUnit(v.value, v.unit, wording.units)}`,
                  v,
                ),
              )}
              {found.monitors.map((m) =>
                row(`m${m.monitor}`, `${MONITOR_NAMES[m.monitor]}: ${m.complete ? 'has run' : 'not yet'}`, m),
              )}
            </ul>
          </>
        )}
      </div>
      <button
        type="button"
        className={BUTTON.solid}
        disabled={isNothingInText(chosen)}
        onClick={() => void onAdd(chosen).then(() => dispatch(keepDraft(key, null)))}
      >
        Add to the log
      </button>
    </div>
  );
}

/** Opens a text from a file: a saved report, a message, the text of an invoice. */
function OpenTextFile({ onText }: { onText: (text: string) => void }) {
  const open = async (file: File) => {
    const text = await file.text();
    // Pictures and word-processor files are bytes, not text; nothing could be found in them.
    if (text.includes('\0') || text.includes('\uFFFD\uFFFD')) {
      toast('This file is not plain text. Open it, copy its contents and paste them here.');
      return;
    }
    if (text.length > MAX) toast('Only the first 200,000 characters were taken.');
    onText(text.slice(0, MAX));
  };
  return (
    <FileButton
      label="Text file"
      accept=".txt,.log,.csv,.eml,.md,text/plain"
      className={BUTTON.plain}
      onFile={(file) => void open(file)}
    >
      <FileText size={19} aria-hidden="true" /> Open a text file
    </FileButton>
  );
}
