import { useMoment } from '../../ui/use-now.ts';
import { useCase } from '../case-context.ts';

/** Each return after a clear, with what its moment says, and what living with it costs. */
export function Returns() {
  const moment = useMoment();
  const { list, living } = useCase().assessment.returns;
  if (list.length === 0) return null;
  return (
    <section aria-labelledby="returns">
      <h4 id="returns" className="font-semibold">
        {list.length === 1 ? 'How soon it was back' : `How soon it was back, ${list.length} times`}
      </h4>
      <ol className="mt-1 space-y-1.5">
        {list.map((r) => (
          <li key={r.at}>
            <b>{r.soon}</b> after the clear <span className="text-ink-2">({moment(r.at)})</span>:{' '}
            <span className="font-mono">{r.codes.join(', ')}</span>. {r.says}
          </li>
        ))}
      </ol>
      {living ? <p className="mt-1.5">{living}</p> : null}
    </section>
  );
}
