import type { Purse } from '@pincer/core/words';
import { useId, useState } from 'react';
import type { OfferLine, OfferView } from '@pincer/core/assess';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { counted, money, percent } from '../../ui/format.ts';
import { useCase } from '../case-context.ts';

interface Written {
  name: string;
  text: string;
}
const BLANK: Written = { name: '', text: '' };
const isWritten = (v: unknown): v is Written =>
  typeof v === 'object' && v !== null && 'name' in v && 'text' in v;

/** Offers and invoices as text, each line held against the evidence; the one that costs least on average comes first. */
export function Offers() {
  const { record, assessment } = useCase();
  const tell = useTell();
  const owner = useAppSelector((s) => s.settings.owner);
  const [isOpen, setOpen] = useState(false);
  const { offers } = assessment;
  const best = offers[0];
  return (
    <details className={SHEET} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="flex min-h-12 flex-wrap items-center gap-x-3 px-4 py-2">
        <span className="text-lg font-bold">Offers and invoices</span>
        <span className="text-[15px] text-ink-2">
          {best && best.expected !== null
            ? offers.length === 1
              ? `1 offer; on average ${money(best.expected, owner)} until the fault is dealt with`
              : `${counted(offers.length, 'offer')}; ${best.name} costs least on average`
            : tell('paste what a {workshop} wrote, and see what each line pays for')}
        </span>
      </summary>
      {isOpen ? (
        <div className="space-y-4 px-4 pb-4">
          {offers.map((offer) => (
            <Offer key={offer.id} offer={offer} purse={owner} />
          ))}
          <NewOffer caseId={record.id} />
        </div>
      ) : null}
    </details>
  );
}

const SUPPORTED = 0.3;

function Offer({ offer, purse }: { offer: OfferView; purse: Purse }) {
  return (
    <section aria-label={offer.name} className="border-l-4 border-own-line pl-3">
      <h4 className="text-lg font-bold">{offer.name}</h4>
      <p>
        {offer.total === null ? 'No price was found in it. ' : `Asks for ${money(offer.total, purse)}. `}
        <b>{percent(offer.success)}</b> that the cause is among what it repairs
        {offer.expected === null
          ? '.'
          : `; on average ${money(offer.expected, purse)} until the fault is dealt with.`}
      </p>
      <ul className="mt-1 divide-y divide-line">
        {offer.lines.map((line, i) => (
          <Line key={`${line.text}${i}`} line={line} />
        ))}
      </ul>
      {offer.questions.length > 0 ? (
        <>
          <p className="mt-2 font-semibold">Ask</p>
          <ul className="list-disc pl-5">
            {offer.questions.map((q) => (
              <li key={q}>{q}</li>
            ))}
          </ul>
        </>
      ) : null}
    </section>
  );
}

function Line({ line }: { line: OfferLine }) {
  const isWeak = line.kind === 'repair' && (line.support ?? 0) < SUPPORTED;
  return (
    <li className="py-1">
      <span className="font-mono text-[15px]">{line.text}</span>
      {line.says === '' ? null : (
        <span className={isWeak ? 'block font-semibold' : 'block text-[15px] text-ink-2'}>{line.says}</span>
      )}
    </li>
  );
}

function NewOffer({ caseId }: { caseId: string }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const ids = { name: useId(), text: useId() };
  const [written, put, forget] = useDraft(`offer:${caseId}`, BLANK, isWritten);
  // Nothing is typed into the fields until they are empty again: the next offer would be emptied with this one.
  const [isSaving, setSaving] = useState(false);
  const isEmpty = written.text.trim() === '';
  const add = async () => {
    const name = written.name.trim() === '' ? 'An offer' : written.name.trim();
    setSaving(true);
    const { isSaved } = await dispatch(
      recordSaying(caseId, { kind: 'offer', name, text: written.text.trim() }, 'Recorded.'),
    );
    setSaving(false);
    if (isSaved) forget();
  };
  return (
    <fieldset disabled={isSaving} className="space-y-2">
      <div>
        <label htmlFor={ids.name} className="font-semibold">
          Whose offer or invoice
        </label>
        <input
          id={ids.name}
          className={FIELD}
          value={written.name}
          onChange={(e) => put({ ...written, name: e.target.value })}
        />
      </div>
      <div>
        <label htmlFor={ids.text} className="font-semibold">
          Its text, a line for each item
        </label>
        <textarea
          id={ids.text}
          rows={5}
          className={`${FIELD} py-2 font-mono`}
          placeholder={tell('Front oxygen sensor 95.00\n{Labour} 60.00\nTotal 155.00')}
          value={written.text}
          onChange={(e) => put({ ...written, text: e.target.value })}
        />
      </div>
      <button type="button" className={BUTTON.own} disabled={isEmpty} onClick={() => void add()}>
        + Hold it against the evidence
      </button>
    </fieldset>
  );
}
