import type { Connection } from '@pincer/core/link';
import {
  CLEAR_START,
  clearStep,
  sendClear,
  type ClearEvent,
  type ClearOutcome,
  type ClearPermit,
  type ClearTarget,
} from '@pincer/core/proof';

/** A permit, got as anybody gets one. */
export function permitFor(connection: Connection, target: ClearTarget): ClearPermit {
  const car = { vin: null, units: ['7E8'], calibrationIds: [] };
  const way: ClearEvent[] = [
    {
      type: 'scan-taken',
      basis: { scanEntry: 'ent_1', connection: connection.port.id, car, takenAt: 0 },
      isComplete: true,
    },
    { type: 'read-back', entry: 'ent_1', isSame: true },
    { type: 'owner-ready', now: 0 },
    { type: 'ask-clear', target, now: 0 },
    { type: 'checked', isSafe: true, now: 0 },
    { type: 'intent-stored', entry: 'ent_2', now: 0 },
  ];
  let at = { state: CLEAR_START, effects: [] } as ReturnType<typeof clearStep>;
  for (const event of way) at = clearStep(at.state, event);
  const [effect] = at.effects;
  if (effect?.type !== 'send-clear') throw new Error('no permit');
  return effect.permit;
}

/** Clears with a permit got in that way. */
export const cleared = (
  connection: Connection,
  target: ClearTarget = { kind: 'standard' },
): Promise<ClearOutcome> => sendClear(connection, permitFor(connection, target));
