import { explainCode, type Explanation } from '@pincer/core/codes';
import type { CodeState } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';

/** What each state of a code means, for the owner. */
export const CODE_STATE_MEANS: Readonly<Record<CodeState, string>> = {
  confirmed: 'confirmed: turns the engine light on',
  pending: 'failed once so far',
  permanent: 'only the vehicle can erase it',
  history: 'not failing now',
};

/** States from the strongest to the weakest. */
const STATE_RANK: Readonly<Record<CodeState, number>> = {
  confirmed: 0,
  permanent: 1,
  pending: 2,
  history: 3,
};

/** Words for a code's state; what "confirmed" means goes without saying where there are many. */
export function codeStateWords(state: CodeState): string {
  return state === 'confirmed' ? state : `${state}, ${CODE_STATE_MEANS[state]}`;
}

/** Compares states, the stronger first. */
export function byState(a: CodeState, b: CodeState): number {
  return STATE_RANK[a] - STATE_RANK[b];
}

/** What a code says, for a vehicle: for its maker's own codes in the words of the owner's list, marked as theirs. */
export function explainFor(code: string, vehicle: Vehicle): Explanation & { isTheirs: boolean } {
  const explanation = explainCode(code);
  const text = explanation.scope === 'maker' ? vehicle.makerCodes?.codes[code] : undefined;
  if (text === undefined) return { ...explanation, isTheirs: false };
  return {
    ...explanation,
    title: text,
    meaning: `So says your list “${vehicle.makerCodes?.name ?? ''}”; nobody here vouches for it. ${explanation.meaning}`,
    isTheirs: true,
  };
}

/** Whether a code keeps the lamp lit: by its status byte where it has one, else by being confirmed with the lamp on. */
export function holdsLamp(statusByte: number | undefined, isConfirmed: boolean, isLampOn: boolean): boolean {
  return statusByte === undefined ? isConfirmed && isLampOn : (statusByte & 0x80) !== 0;
}
