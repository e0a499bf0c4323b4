import type { LinkFault } from './faults.ts';

/** A fault for the owner: what happened, and the next thing to try. */
export interface FaultWords {
  sentence: string;
  next: string;
}

/** The plain sentence and the next step for a link fault. */
export function faultWords(fault: LinkFault): FaultWords {
  switch (fault.code) {
    case 'silent':
      return {
        sentence: `The adapter did not answer within ${Math.round(fault.waitedMs / 1000)} s.`,
        next: 'Check that its light is on. Unplug it, count to five, plug it back in and connect again.',
      };
    case 'cut':
      return {
        sentence: 'The connection to the adapter was cut.',
        next: 'Push the adapter fully in, stay near the vehicle and connect again. What has been read so far is kept.',
      };
    case 'cancelled':
      return {
        sentence: 'You stopped it.',
        next: 'What was read so far is kept. Read again when you are ready.',
      };
    case 'unable-to-connect':
      return {
        sentence: 'The adapter works, but no control unit in the vehicle answered.',
        next: 'Turn the ignition on; the engine need not run. With a start button, press it without the brake pedal.',
      };
    case 'no-data':
      return {
        sentence: 'The vehicle has no data for this request.',
        next: 'That is normal for things this vehicle does not have. If nothing at all answers, check the ignition.',
      };
    case 'can-error':
      return {
        sentence: 'The data line at the socket is disturbed.',
        next: 'Push the adapter fully in and wiggle it gently. If the problem stays, look at the socket for bent or dirty pins.',
      };
    case 'bus-init':
      return {
        sentence: 'The start-up of an older protocol failed (bus init error).',
        next: 'Ignition on, wait ten seconds, try again. Some vehicles need the engine running.',
      };
    case 'bus-error':
      return {
        sentence: 'The adapter saw an invalid voltage level on the data line.',
        next: 'Unplug it, check the pins of adapter and socket, and try again.',
      };
    case 'bus-busy':
      return { sentence: 'The data line was busy for too long.', next: 'Wait ten seconds and try again.' };
    case 'feedback':
      return {
        sentence: 'The adapter could not drive the data line.',
        next: 'Check the socket’s pins for a short or dirt; try the adapter on another vehicle if you can.',
      };
    case 'data-error':
      return {
        sentence: 'An answer arrived damaged and was not used.',
        next: 'Read again. If it repeats, push the adapter fully in and keep it away from ignition leads.',
      };
    case 'buffer-full':
      return {
        sentence: 'The adapter could not pass the answers on fast enough and lost some.',
        next: 'Read again; a USB connection is faster than a wireless one.',
      };
    case 'stopped':
      return {
        sentence: 'The adapter was interrupted while it waited for the vehicle.',
        next: 'Read again.',
      };
    case 'unknown-command':
      return {
        sentence: 'The adapter does not know this command.',
        next: 'Nothing to do: simple adapters leave some out, and the reading goes on without it.',
      };
    case 'low-voltage-reset':
      return {
        sentence: 'The battery voltage dropped and the adapter restarted.',
        next: 'Connect a charger to the battery, then connect again.',
      };
    case 'power-alert':
      return { sentence: 'The adapter is about to go to sleep.', next: 'Connect again.' };
    case 'adapter-error':
      return {
        sentence: `The adapter reports an error of its own${fault.number ? ` (number ${fault.number})` : ''}.`,
        next: 'Unplug it, count to five, and plug it in again.',
      };
    case 'garbled':
      return {
        sentence: `An answer could not be read: “${fault.text.slice(0, 60)}”.`,
        next: 'Read again. If it repeats, try a slower connection or another adapter.',
      };
  }
}
