import { READINGS, type ReadingKey } from './readings.ts';
import type { EngineFacts, EngineState } from './window.ts';

/** A state that the owner is led to, and what has to be recorded in it. */
export interface GuidedStep {
  id: GuidedStepId;
  title: string;
  /** What to do, in a sentence. */
  how: string;
  caution: string | null;
  /** Seconds of the state that are enough. */
  seconds: number;
  /** Readings that the judgement of this state needs. */
  needs: readonly ReadingKey[];
}
export type GuidedStepId = 'key-on' | 'idle-until-warm' | 'hold-2500' | 'rev-and-release' | 'steady-cruise';

export const GUIDED_STEPS: readonly GuidedStep[] = [
  {
    id: 'key-on',
    title: 'Key on, engine off',
    how: 'Ignition on, do not start. {Feet off the pedals}.',
    caution: null,
    seconds: 5,
    needs: [
      'engineSpeed',
      'manifold',
      'airPressure',
      'volts',
      'coolant',
      'intake',
      'outside',
      'pedalD',
      'pedalE',
      'boost',
      'filterDrop',
      'glowLamp',
    ],
  },
  {
    id: 'idle-until-warm',
    title: 'Idle until warm',
    how: 'Start it and let it idle, everything switched off, until the coolant has passed {80 °C} and stays.',
    caution: 'Outside, or with the exhaust led out: exhaust kills indoors.',
    seconds: 15,
    needs: [
      'engineSpeed',
      'speed',
      'coolant',
      'runTime',
      'shortTrim',
      'longTrim',
      'manifold',
      'airFlow',
      'volts',
      'load',
    ],
  },
  {
    id: 'hold-2500',
    title: 'Hold {2,500 rpm}',
    how: '{Parking brake on}, out of gear: hold {the accelerator} so that it stays near {2,500 rpm}.',
    caution: 'Keep everyone away from belts and fan, and from in front of the {car}.',
    seconds: 12,
    needs: [
      'engineSpeed',
      'frontOxygen',
      'frontOxygen2',
      'rearOxygen',
      'rearOxygen2',
      'shortTrim',
      'longTrim',
      'manifold',
      'airFlow',
      'volts',
      'coolant',
      'filterDrop',
      'soot',
    ],
  },
  {
    id: 'rev-and-release',
    title: 'Rev and release',
    how: 'Out of gear, {parking brake on}: {press the accelerator} quickly to about {3,000 rpm} and let go at once, three times.',
    caution: 'Only with a warm engine, and never into the red.',
    seconds: 0,
    needs: ['engineSpeed', 'throttle', 'throttleCommand', 'manifold', 'airFlow', 'pedalD', 'pedalE'],
  },
  {
    id: 'steady-cruise',
    title: 'Steady cruise',
    how: 'On an open road at a steady {60–90 km/h}. {A passenger watches this, not the driver}.',
    caution: 'Never read or type while driving; {a passenger does it}.',
    seconds: 30,
    needs: [
      'engineSpeed',
      'speed',
      'load',
      'shortTrim',
      'longTrim',
      'frontOxygen',
      'rearOxygen',
      'boost',
      'boostTarget',
      'coolant',
      'filterDrop',
      'soot',
    ],
  },
];

/** What is going on now, from the newest values. */
export interface GuidedInput {
  /** Seconds from the start of the recording. */
  at: number;
  state: EngineState;
  engineSpeed: number | null;
  coolant: number | null;
  speed: number | null;
}

export interface GuidedState {
  step: GuidedStepId;
  /** Seconds of the state that have been recorded in a row, or revs that were counted. */
  have: number;
  want: number;
  isReached: boolean;
  isDone: boolean;
  /** What to do now, or that it is enough. */
  says: string;
}

/** A cold diesel heats before its start: the whole of it is worth having, s, below this coolant temperature, °C. */
const HEATS = { seconds: 25, below: 15 } as const;
const REVS = 3;
const REV_UP = 2_600;
const REV_DOWN = 1_400;
const WARM = 80;

/** Sees from the readings when a state is reached, counts what it needs, and says when there is enough. */
export class GuidedWatch {
  private heldSince: number | null = null;
  private revs = 0;
  private isUp = false;
  private isDone = false;
  private readonly step: GuidedStep;

  constructor(
    id: GuidedStepId,
    private readonly engine: EngineFacts,
  ) {
    const found = GUIDED_STEPS.find((s) => s.id === id);
    if (!found) throw new Error(`There is no guided step ${id}.`);
    this.step = found;
  }

  /** Takes the newest values. Once enough is recorded it stays so. */
  push(input: GuidedInput): GuidedState {
    return this.step.id === 'rev-and-release' ? this.rev(input) : this.hold(input);
  }

  private hold(input: GuidedInput): GuidedState {
    const why = this.notYet(input);
    if (why !== null) this.heldSince = null;
    else this.heldSince ??= input.at;
    const have = this.heldSince === null ? 0 : input.at - this.heldSince;
    const seconds = this.wanted(input);
    if (have >= seconds) this.isDone = true;
    const left = Math.ceil(seconds - have);
    return {
      step: this.step.id,
      have: Math.min(have, seconds),
      want: seconds,
      isReached: why === null,
      isDone: this.isDone,
      says: this.isDone ? 'That is enough.' : (why ?? `Hold it there, ${left} s more.`),
    };
  }

  /** Seconds of the state that are enough. */
  private wanted({ coolant }: GuidedInput): number {
    const heats =
      this.step.id === 'key-on' && this.engine.isDiesel && coolant !== null && coolant < HEATS.below;
    return heats ? HEATS.seconds : this.step.seconds;
  }

  private rev({ engineSpeed }: GuidedInput): GuidedState {
    const scale = this.engine.isMotorcycle ? 2 : 1;
    if (engineSpeed !== null && !this.isUp && engineSpeed > REV_UP * scale) this.isUp = true;
    if (engineSpeed !== null && this.isUp && engineSpeed < REV_DOWN * scale) {
      this.isUp = false;
      this.revs++;
    }
    if (this.revs >= REVS) this.isDone = true;
    return {
      step: this.step.id,
      have: Math.min(this.revs, REVS),
      want: REVS,
      isReached: this.revs > 0,
      isDone: this.isDone,
      says: this.isDone
        ? 'That is enough.'
        : this.isUp
          ? 'Now let go.'
          : `Press and let go, ${REVS - this.revs} more.`,
    };
  }

  /** What is still missing for the state, or null when it is reached. */
  private notYet({ state, engineSpeed, coolant, speed }: GuidedInput): string | null {
    if (engineSpeed === null) return 'The {car} does not report engine speed.';
    switch (this.step.id) {
      case 'key-on':
        return state === 'key-on' ? null : 'Switch the engine off, ignition on.';
      case 'idle-until-warm':
        if (engineSpeed < 450) return 'Start the engine.';
        if (speed !== null && speed > 3) return 'Stand still for this.';
        if (state !== 'idle-warm' && state !== 'idle-cold') return 'Let it idle.';
        if (coolant !== null && coolant > -38 && coolant < WARM)
          return `Getting warm: {${Math.round(coolant)} °C} of {${WARM} °C}.`;
        return null;
      case 'hold-2500': {
        const [low, high] = this.engine.isMotorcycle ? [4_300, 5_700] : [2_200, 2_800];
        if (speed !== null && speed > 3) return 'Stand still for this.';
        if (engineSpeed < low)
          return `A little more: ${Math.round(engineSpeed).toLocaleString('en-GB')} rpm.`;
        return engineSpeed > high
          ? `A little less: ${Math.round(engineSpeed).toLocaleString('en-GB')} rpm.`
          : null;
      }
      case 'steady-cruise':
        if (speed === null) return 'The {car} does not tell its speed.';
        if (speed < 55) return `Faster, where it is safe and allowed: {${Math.round(speed)} km/h}.`;
        return speed > 110 ? 'Slower is enough.' : null;
      case 'rev-and-release':
        return null;
    }
  }
}

/** The readings that a step needs and this car can tell. */
export function offeredFor(step: GuidedStep, offered: ReadonlySet<number>): ReadingKey[] {
  return step.needs.filter((key) =>
    (READINGS[key].from as readonly (readonly [string, string?])[]).some(([pid]) =>
      offered.has(Number.parseInt(pid, 16)),
    ),
  );
}
