import type { OwnProof, ProofView } from '@pincer/core/proof';
import { counted, percent } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { useTell } from '../../store/use-tell.ts';

/** What was seen since, and how sure that makes it. */
export function Outcome({ proof }: { proof: ProofView }) {
  return (
    <>
      <EngineOutcome proof={proof} />
      {proof.units.length > 0 ? (
        <ul className="space-y-1">
          {proof.units.map((u) => (
            <li key={u.unit}>
              <b>{u.name}:</b>{' '}
              {u.returned === null ? (
                'cleared, not read since.'
              ) : u.returned.length === 0 ? (
                'nothing came back.'
              ) : (
                <>
                  came back: <span className="font-mono">{u.returned.join(', ')}</span>.
                </>
              )}
            </li>
          ))}
        </ul>
      ) : null}
    </>
  );
}

const UNREAD_WORDS: Readonly<Partial<Record<ProofView['unread'][number], string>>> = {
  confirmed: 'confirmed codes',
  pending: 'pending codes',
  readiness: 'self-checks',
};

const OWN_WORDS: Readonly<Record<OwnProof, string>> = {
  'self-check-passed': 'the self-check of this very code has run and passed.',
  'permanent-erased': 'the permanent code is gone, which only a passed self-check brings about.',
  'lamp-went-out': 'the light went out by itself, which takes three good drives in a row.',
  'code-erased': 'the code is gone from the memory, and nobody has cleared it.',
};

function EngineOutcome({ proof }: { proof: ProofView }) {
  const tell = useTell();
  if (proof.status === 'not-cleared')
    return (
      <p className="text-ink-2">
        {proof.units.length > 0
          ? 'What the engine’s unit has stored was not cleared.'
          : 'Nothing was cleared in this case yet.'}
      </p>
    );
  if (proof.status === 'unknown-outcome')
    return (
      <Notice title="Nobody knows whether it was cleared." tone="strong">
        The clear went out and no answer came. Connect and read everything: that shows what is stored now.
      </Notice>
    );
  if (proof.status === 'read-again')
    return (
      <p className="text-ink-2">
        {proof.way === 'battery-off'
          ? 'The battery was disconnected, and nothing was read since: the codes may be gone or kept.'
          : proof.way === 'told'
            ? 'By your word it was cleared, and it was not read since.'
            : 'Cleared, and not read since.'}
      </p>
    );
  return (
    <>
      {proof.returned.length > 0 ? (
        <Notice title={`Returned: ${proof.returned.join(', ')}.`} tone="strong">
          The fault is still there. Nothing is lost: the reading from before is in the log.
        </Notice>
      ) : (
        <p className="text-[17px]">
          <b>It has not returned.</b>{' '}
          {proof.gone === null
            ? 'It is too early to say how sure that is.'
            : `${percent(proof.gone)} sure that it is gone.`}
        </p>
      )}
      {proof.ownProof.map((own) => (
        <p key={own}>
          <b>{tell('The {car}’s own proof:')}</b> {OWN_WORDS[own]}
        </p>
      ))}
      {proof.isTold && proof.gone !== null && proof.returned.length === 0 ? (
        <p className="text-ink-2">Told, not seen by an adapter: the figure is a little lower for it.</p>
      ) : null}
      {proof.added.length > 0 ? (
        <p>
          New since then: <span className="font-mono">{proof.added.join(', ')}</span>.
        </p>
      ) : null}
      {proof.permanent.length > 0 ? (
        <p className="text-ink-2">
          {tell('Permanent codes (only the {car} itself can erase them):')}{' '}
          <span className="font-mono">{proof.permanent.join(', ')}</span>.
        </p>
      ) : null}
      {proof.unread.length > 0 ? (
        <p>
          <b>Not read since:</b> {proof.unread.map((p) => UNREAD_WORDS[p] ?? p).join(', ')}. Nothing is proven
          without them.
        </p>
      ) : null}
      {proof.waitingFor.map((check) => (
        <p key={check.name}>
          <b>Waits for the self-check “{check.name}”.</b> It runs {check.runs}.
        </p>
      ))}
      {proof.notReady.length > 0 ? (
        <p className="text-ink-2">
          Not run since, and not needed here: {proof.notReady.map((m) => m.name.toLowerCase()).join(', ')}. An
          inspection may ask for them.
        </p>
      ) : null}
      {proof.unseenTrips > 0 ? (
        <p className="text-ink-2">
          {counted(proof.unseenTrips, 'drive')} of which you do not know whether it came back: read again, and{' '}
          {proof.unseenTrips === 1 ? 'it counts' : 'they count'}.
        </p>
      ) : null}
    </>
  );
}
