import type { CautionId } from '../cautions.ts';

/** Units of what is looked up and written down. */
export type LookedUpUnit = 'Nm' | 'mm' | 'bar' | 'L' | 'V' | 'Ω';

/** A step of a repair, as a command. */
export interface ProcedureStep {
  text: string;
  /** The mistake that people make at it. */
  slip?: string;
  /** A wait that it asks for, with a timer. */
  wait?: { minutes: number; what: string };
  /** A figure to look up in the workshop manual, and to write down. */
  value?: { what: string; unit: LookedUpUnit };
}

/** A repair that an owner may do, from what to have ready to what comes afterwards. */
export interface Procedure {
  /** Cautions of its own, beside those of the repair: mostly that it ends with a running engine. */
  cautions: readonly CautionId[];
  /** What to buy, and by what it is ordered. */
  parts: readonly { what: string; orderBy: string }[];
  /** Seals, gaskets, clips that must be new. */
  renew: readonly string[];
  /** Tools with their usual sizes. */
  tools: readonly string[];
  consumables: readonly string[];
  steps: readonly ProcedureStep[];
  /** What to look at before covers go back. */
  beforeCovers: readonly string[];
  /** What to do when a part will not come out. */
  stuck?: string;
  /** Priming, bleeding, relearning, topping up once more. */
  afterwards: readonly string[];
}

/** A step with the slip that people make at it. */
export const step = (text: string, slip?: string): ProcedureStep =>
  slip === undefined ? { text } : { text, slip };
/** A step that waits. */
export const wait = (text: string, minutes: number, what: string, slip?: string): ProcedureStep => ({
  ...step(text, slip),
  wait: { minutes, what },
});
/** A step with a figure to look up. */
export const lookUp = (text: string, what: string, unit: LookedUpUnit, slip?: string): ProcedureStep => ({
  ...step(text, slip),
  value: { what, unit },
});

/** A procedure; what is left out is empty. */
export const procedure = (p: Pick<Procedure, 'steps'> & Partial<Procedure>): Procedure => ({
  cautions: [],
  parts: [],
  renew: [],
  tools: [],
  consumables: [],
  beforeCovers: [],
  afterwards: [],
  ...p,
});

export const BY_NUMBER = 'the number printed on the old part, or the VIN';
export const BY_ENGINE = 'engine code, year and VIN';
export const BY_SIZE = 'inside diameter, length, and what flows in it';

/** Looks that belong to nearly every repair under the bonnet. */
export const CONNECTORS = 'Push every connector on until it clicks, then tug at it once.';
export const COUNTED = 'Count tools, screws and clips: nothing stays in the {engine bay}.';
export const HOSES = 'Every hose is back on its own nozzle, its clip behind the bead.';
export const OLD_SEAL = 'Look into the bore with a {torch}: the old seal must not be in it.';
export const CLEAR_OF_HEAT = 'Nothing rubs, and no wire lies on the exhaust or near a belt.';
export const DRY = 'Wipe everything dry, run the engine outdoors, and look for drips.';

/** Cooling down, which most work begins with. */
export const cool = (minutes = 60): ProcedureStep =>
  wait(
    'Let the engine cool until you can rest your hand on it.',
    minutes,
    'Cooling down',
    'Threads in a hot cylinder head strip, and skin burns.',
  );
export const IGNITION_OFF = step('Switch the ignition off, and take the key away from the vehicle.');
export const EARTH_OFF = step(
  'Take the battery’s negative cable off, and tie it aside.',
  'A clamp that swings back gives power again while your hands are inside.',
);
