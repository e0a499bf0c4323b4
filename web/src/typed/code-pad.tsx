import { Delete, X } from 'lucide-react';
import { useEffect, useEffectEvent } from 'react';
import {
  READER_CHECKS,
  READER_VALUES,
  READER_WORDS,
  WHOLE_LISTS,
  readerNumber,
  stateOfWord,
  type FoundCode,
  type FoundMonitor,
  type FoundValue,
  type PastedFindings,
  type WholeList,
} from '@pincer/core/case';
import { CODE_STATE_MEANS } from '@pincer/core/assess';
import type { CodeState } from '@pincer/core/obd';
import { explainCode } from '@pincer/core/codes';
import { useAppDispatch } from '../store/store.ts';
import { useDraft } from '../store/use-draft.ts';
import { keepDraft } from '../store/logbook-actions.ts';
import { BUTTON, FIELD, cx } from '../ui/classes.ts';
import { isField } from '../ui/shortcuts.ts';
import { numberOf } from '../ui/number-of.ts';
import { PadConditions, type TypedConditions } from './pad-conditions.tsx';
import { useTell } from '../store/use-tell.ts';

const LETTERS = ['P', 'C', 'B', 'U'] as const;
const DIGITS = Array.from('0123456789ABCDEF');

interface Typed {
  text: string;
  word: string;
  codes: { code: string; word: string }[];
  conditions: TypedConditions;
  /** Parts of which the reader shows no more; missing in what an older page has kept. */
  whole?: WholeList[];
}
const EMPTY: Typed = { text: '', word: 'stored', codes: [], conditions: { values: {}, checks: {} } };
const isTyped = (v: unknown): v is Typed =>
  typeof v === 'object' && v !== null && 'text' in v && 'word' in v && 'codes' in v && 'conditions' in v;

/** What was typed of stored conditions, in our units; rows that hold no number are left out. */
function valuesOf(typed: TypedConditions): FoundValue[] {
  return READER_VALUES.flatMap((v) => {
    const at = typed.values[v.pid];
    const shown = at ? numberOf(at.text) : null;
    if (!at || shown === null) return [];
    const text = `${v.abbreviation} ${at.text.trim()} ${at.unit}`;
    return [
      { pid: v.pid, name: v.name, unit: v.unit, value: readerNumber(v.pid, shown, at.unit), line: 1, text },
    ];
  });
}

function checksOf(typed: TypedConditions): FoundMonitor[] {
  return READER_CHECKS.flatMap(({ monitor, abbreviation }) => {
    const said = typed.checks[monitor];
    if (!said || said === 'na') return [];
    return [{ monitor, complete: said === 'ok', line: 1, text: `${abbreviation} ${said.toUpperCase()}` }];
  });
}

const NONE_WORDS: Readonly<Record<WholeList, { none: string; more: string }>> = {
  confirmed: { none: 'No stored codes', more: 'No other stored codes' },
  pending: { none: 'No pending codes', more: 'No other pending codes' },
  permanent: { none: 'No permanent codes', more: 'No other permanent codes' },
  'freeze-frames': { none: 'No stored conditions', more: 'No more stored conditions' },
};

/** What the reader does not show, part by part: only then is it known that there is none. */
function WholeLists({
  typed,
  hasConditions,
  whole,
  onChange,
}: {
  typed: readonly CodeState[];
  hasConditions: boolean;
  whole: readonly WholeList[];
  onChange: (whole: WholeList[]) => void;
}) {
  return (
    <fieldset className="border-t border-line pt-2">
      <legend className="sr-only">What the reader does not show</legend>
      <p>
        <b>What does it not show?</b>{' '}
        <span className="text-ink-2">Tick only what you looked for on its screen.</span>
      </p>
      <div className="grid gap-x-6 sm:grid-cols-2">
        {WHOLE_LISTS.map((part) => {
          const isTyped = part === 'freeze-frames' ? hasConditions : typed.includes(part);
          return (
            <label key={part} className="inline-flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={whole.includes(part)}
                onChange={(e) =>
                  onChange(e.target.checked ? [...whole, part] : whole.filter((w) => w !== part))
                }
              />
              {NONE_WORDS[part][isTyped ? 'more' : 'none']}
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}

/** A pad for codes, one touch a digit; digits that cannot be are closed. The meaning shows while typing. */
export function CodePad({
  caseId,
  onAdd,
}: {
  caseId: string;
  onAdd: (findings: PastedFindings, whole: readonly WholeList[]) => Promise<void>;
}) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const key = `pad:${caseId}`;
  const [typed, setTyped] = useDraft(key, EMPTY, isTyped);
  const { text } = typed;
  const state = stateOfWord(typed.word) ?? 'confirmed';
  const isWhole = text.length === 5;
  const press = (c: string) => setTyped({ ...typed, text: text + c });
  const isOpen = (c: string) => !isWhole && text.length > 0 && (text.length > 1 || /[0-3]/.test(c));
  const put = () => {
    const rest = typed.codes.filter((c) => c.code !== text || c.word !== typed.word);
    setTyped({ ...typed, text: '', codes: [...rest, { code: text, word: typed.word }] });
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (isField(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
    const key = event.key.toUpperCase();
    if (!/^[A-Z0-9]$/.test(key) && event.key !== 'Backspace') return;
    // Whatever is typed here is meant for the code, also where it cannot be one: no page changes under the hand.
    event.stopPropagation();
    event.preventDefault();
    if (event.key === 'Backspace') setTyped({ ...typed, text: text.slice(0, -1) });
    else if (text === '' ? LETTERS.some((c) => c === key) : DIGITS.includes(key) && isOpen(key)) press(key);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    // Before anything else on the page hears of it.
    addEventListener('keydown', listen, { capture: true });
    return () => removeEventListener('keydown', listen, { capture: true });
  }, []);
  const finish = async () => {
    const codes = typed.codes.map((c): FoundCode => ({
      code: c.code,
      word: c.word,
      state: stateOfWord(c.word),
      line: 1,
      text: c.code,
    }));
    await onAdd({ codes, vin: null, values, monitors }, whole);
    dispatch(keepDraft(key, null));
  };
  const values = valuesOf(typed.conditions);
  const monitors = checksOf(typed.conditions);
  const whole = typed.whole ?? [];
  const others = values.length + monitors.length + whole.length;
  const explained = isWhole ? explainCode(text) : null;
  return (
    <div className="space-y-3">
      <div className="flex items-center gap-3">
        <output
          aria-label="Code so far"
          className="flex-1 rounded-md border-2 border-ink px-3 py-1.5 font-mono text-[28px] tracking-widest"
        >
          {text.padEnd(5, '·')}
        </output>
        <button
          type="button"
          className={BUTTON.plain}
          aria-label="Delete the last character"
          disabled={text === ''}
          onClick={() => setTyped({ ...typed, text: text.slice(0, -1) })}
        >
          <Delete size={22} aria-hidden="true" />
        </button>
      </div>
      <p className="min-h-12" role="status">
        {explained ? (
          <>
            <b>{tell(explained.title)}.</b> {typed.word}: {CODE_STATE_MEANS[state]}.
          </>
        ) : text === '' ? (
          'Start with the letter.'
        ) : (
          `${5 - text.length} more.`
        )}
      </p>
      <div role="group" aria-label="Letter" className="grid grid-cols-4 gap-2">
        {LETTERS.map((c) => (
          <button
            key={c}
            type="button"
            className={cx(BUTTON.plain, 'font-mono text-xl')}
            disabled={text !== ''}
            onClick={() => press(c)}
          >
            {c}
          </button>
        ))}
      </div>
      <div role="group" aria-label="Digits" className="grid grid-cols-4 gap-2 sm:grid-cols-8">
        {DIGITS.map((c) => (
          <button
            key={c}
            type="button"
            className={cx(BUTTON.plain, 'font-mono text-xl')}
            disabled={!isOpen(c)}
            onClick={() => press(c)}
          >
            {c}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <label className="block flex-1">
          <span className="font-semibold">Status shown by the reader</span>
          <select
            className={FIELD}
            value={typed.word}
            onChange={(e) => setTyped({ ...typed, word: e.target.value })}
          >
            {Object.values(READER_WORDS)
              .flat()
              .map((w) => (
                <option key={w} value={w}>
                  {w}
                </option>
              ))}
          </select>
        </label>
        <button type="button" className={BUTTON.own} disabled={!isWhole} onClick={put}>
          + This code
        </button>
      </div>
      {typed.codes.length > 0 ? (
        <ul className="divide-y divide-line border-y border-line">
          {typed.codes.map((c) => (
            <li key={`${c.code}${c.word}`} className="flex items-center gap-3 py-1">
              <span className="font-mono text-[18px]">{c.code}</span>
              <span className="flex-1">{tell(explainCode(c.code).title)}</span>
              <span className="text-ink-2">{stateOfWord(c.word)}</span>
              <button
                type="button"
                className="grid size-11 place-items-center"
                aria-label={`Leave ${c.code} out`}
                onClick={() => setTyped({ ...typed, codes: typed.codes.filter((x) => x !== c) })}
              >
                <X size={18} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      ) : null}
      <PadConditions typed={typed.conditions} onChange={(conditions) => setTyped({ ...typed, conditions })} />
      <WholeLists
        typed={typed.codes.flatMap((c) => stateOfWord(c.word) ?? [])}
        hasConditions={values.length > 0}
        whole={whole}
        onChange={(next) => setTyped({ ...typed, whole: next })}
      />
      <button
        type="button"
        className={BUTTON.solid}
        disabled={typed.codes.length + others === 0}
        onClick={() => void finish()}
      >
        {typed.codes.length === 0 && others > 0
          ? 'Add this to the log'
          : `Add ${typed.codes.length === 1 ? 'this code' : `these ${typed.codes.length || ''} codes`}${others > 0 ? ' and the rest' : ''} to the log`}
      </button>
    </div>
  );
}
