import { AIR_PROCEDURES } from './air.ts';
import { COOLING_AND_ENGINE_PROCEDURES } from './cooling-and-engine.ts';
import { ELECTRICAL_AND_CHASSIS_PROCEDURES } from './electrical-and-chassis.ts';
import { FUEL_AND_EXHAUST_PROCEDURES } from './fuel-and-exhaust.ts';
import { IGNITION_PROCEDURES } from './ignition.ts';
import type { CautionId } from '../cautions.ts';
import type { Cause } from '../types.ts';
import { procedure, step, type Procedure } from './procedure.ts';

/** Procedures by the cause that they repair. */
export const PROCEDURES: Readonly<Record<string, Procedure>> = {
  ...IGNITION_PROCEDURES,
  ...AIR_PROCEDURES,
  ...FUEL_AND_EXHAUST_PROCEDURES,
  ...COOLING_AND_ENGINE_PROCEDURES,
  ...ELECTRICAL_AND_CHASSIS_PROCEDURES,
};

/** How a cause is repaired: its procedure, or its few steps where it has none. */
export function procedureOf({ id, repair }: Cause): Procedure {
  return PROCEDURES[id] ?? procedure({ steps: repair.steps.map((text) => step(text)) });
}

/** What must be read before the work: the repair’s cautions and those of its procedure. */
export function cautionsOf(cause: Cause): readonly CautionId[] {
  return [...new Set([...cause.repair.cautions, ...procedureOf(cause).cautions])];
}

/** What to ask a workshop for, where the work is not for the drive at home, by what makes it so. */
const ASK_FOR: Readonly<Partial<Record<CautionId, readonly string[]>>> = {
  brakes: [
    'Ask for the pedal, the hoses and the lines to be looked at under pressure, and for the fluid’s water content.',
    'Ask for a run on the brake tester afterwards, with its printed result.',
  ],
  steering: [
    'Ask for the play in every joint to be shown to you, and for the wheel alignment to be measured afterwards.',
  ],
  airbag: [
    'Ask for the airbag control unit to be read before and after, with both printouts.',
    'Ask that nothing is cleared before the cause is found.',
  ],
  'high-voltage': [
    'Ask for somebody certified for high voltage, and for the insulation resistance in numbers.',
    'Ask for the voltages of all cell blocks in writing.',
  ],
  refrigerant: [
    'Ask for a leak test with nitrogen or tracer before it is filled, and for the amount filled.',
  ],
  'rail-pressure': ['Ask for the leak-back of every injector in numbers, before any of them is replaced.'],
};

const ASK_ALWAYS = [
  'Ask what will be measured first, and what that costs.',
  'Ask for the replaced parts, and for the readings after the repair.',
] as const;

/** What to ask a workshop for; of a repair that an owner may do, nothing. */
export function askFor({ repair }: Cause): readonly string[] {
  if (!repair.isLicensed) return [];
  return [...repair.cautions.flatMap((c) => ASK_FOR[c] ?? []), ...ASK_ALWAYS];
}

export type { LookedUpUnit, Procedure, ProcedureStep } from './procedure.ts';
