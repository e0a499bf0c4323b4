import { currencySign } from '../../ui/format.ts';
import { useState } from 'react';
import type { ProcedureView } from '@pincer/core/assess';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { numberOf } from '../../ui/number-of.ts';
import { BUTTON, NUMBER_FIELD, SHEET } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';

/** How many repairs are asked about: those that the decision hangs on. */
const ASKED = 4;

/** Prices of the owner's own, before the decision: the usual ones are a guess, and say so. */
export function OwnPrices() {
  const { record, state, assessment } = useCase();
  const tell = useTell();
  const [isOpen, setOpen] = useState(false);
  const asked = assessment.procedures.slice(0, ASKED);
  if (asked.length === 0) return null;
  const { size } = state.standing.prices;
  return (
    <details className={SHEET} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="flex min-h-12 flex-wrap items-center gap-x-3 px-4 py-2">
        <span className="text-lg font-bold">Prices of your own</span>
        <span className="text-[15px] text-ink-2">
          {size > 0 ? `${size} told` : 'none told: the costs above rest on usual prices, which are a guess'}
        </span>
      </summary>
      {isOpen ? (
        <div className="space-y-3 px-4 pb-4">
          <p className="text-[15px] text-ink-2">
            {tell(
              'What the part costs where you buy it, and what a {workshop} asks for all of it. Leave out what you do not know.',
            )}
          </p>
          <ul className="divide-y divide-line">
            {asked.map((p) => (
              <PriceRow key={p.cause} caseId={record.id} procedure={p} />
            ))}
          </ul>
        </div>
      ) : null}
    </details>
  );
}

function PriceRow({ caseId, procedure }: { caseId: string; procedure: ProcedureView }) {
  const { state } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const purse = useAppSelector((s) => s.settings.owner);
  const [cause = procedure.cause] = procedure.cause.split(':');
  const known = state.standing.prices.get(cause);
  const [parts, setParts] = useState(known?.parts === undefined ? '' : String(known.parts));
  const [shop, setShop] = useState(known?.shop === undefined ? '' : String(known.shop));
  const [a, b] = [numberOf(parts), numberOf(shop)];
  const isBad = [parts, shop].some((t) => t.trim() !== '' && (numberOf(t) ?? -1) < 0);
  const use = async () => {
    await dispatch(
      recordSaying(
        caseId,
        {
          kind: 'price',
          cause,
          ...(a === null ? {} : { parts: a }),
          ...(b === null ? {} : { shop: b }),
        },
        'Recorded. The costs are reckoned anew.',
      ),
    );
  };
  const field = (label: string, text: string, onChange: (text: string) => void, guess: string) => (
    <label className="flex items-center gap-2">
      <span className="text-[15px]">{label}</span>
      <input
        className={NUMBER_FIELD}
        inputMode="decimal"
        placeholder={guess}
        aria-invalid={isBad}
        value={text}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
      <span className="min-w-48 flex-1 font-semibold">{procedure.title}</span>
      <span role="group" aria-label={procedure.title} className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {procedure.isLicensed
          ? null
          : field(`Parts, ${currencySign(purse)}`, parts, setParts, `about ${Math.round(procedure.parts)}`)}
        {field(tell(`{Workshop}, ${currencySign(purse)}`), shop, setShop, '')}
        <button
          type="button"
          className={BUTTON.plain}
          disabled={isBad || (a === null && b === null)}
          onClick={() => void use()}
        >
          Use
        </button>
      </span>
    </li>
  );
}
