import type { LinkFaultCode } from './faults.ts';

/** How the adapter is reached. */
export const LINK_KINDS = ['serial', 'bluetooth', 'network', 'stand-in'] as const;
export type LinkKind = (typeof LINK_KINDS)[number];

/** Why nothing talks. */
export interface FailureCause {
  id: string;
  title: string;
  /** Share of failed first connections, from practice: a plug not home and an ignition off lead by far. */
  prior: number;
  /** What mends it. */
  mend: string;
  /** Left out for other kinds of connection. */
  kinds?: readonly LinkKind[];
}

export const FAILURE_CAUSES = [
  {
    id: 'ignition-off',
    title: 'The ignition is off, or not far enough on',
    prior: 0.24,
    mend: 'Ignition fully on: the dash lights come on as just before starting. Button start: press the button without the brake pedal, holding it if necessary.',
  },
  {
    id: 'plug-not-home',
    title: 'The adapter is not pushed fully in',
    prior: 0.13,
    mend: 'Long row to long row, straight and firm until it stops. Never force it the wrong way round.',
  },
  {
    id: 'no-power',
    title: 'The socket has no power: its fuse or wire',
    prior: 0.09,
    mend: 'Replace the socket’s fuse with one of the same rating (amps); it is often shared with the 12 V power outlet. If it blows again, stop: there is a short.',
  },
  {
    id: 'wrong-device',
    title: 'Another device was chosen, or the pairing is stale',
    prior: 0.1,
    mend: 'Forget the adapter in the phone’s or laptop’s settings, pair it again, and choose it by the name on its label.',
    kinds: ['serial', 'bluetooth', 'network'],
  },
  {
    id: 'in-use',
    title: 'Another program or page is using the adapter, or it has frozen',
    prior: 0.07,
    mend: 'Close other programs and pages that read vehicles. Unplug the adapter, count to ten, plug it in again.',
  },
  {
    id: 'out-of-range',
    title: 'The wireless signal is weak or disturbed',
    prior: 0.05,
    mend: 'Move within arm’s reach of the socket and switch other wireless gadgets off.',
    kinds: ['bluetooth', 'network'],
  },
  {
    id: 'wrong-speed',
    title: 'The serial speed does not match the adapter',
    prior: 0.05,
    mend: 'Choose another speed beside the button and connect again; try all three.',
    kinds: ['serial'],
  },
  {
    id: 'wrong-address',
    title: 'The laptop is not on the adapter’s network, or the address is wrong',
    prior: 0.12,
    mend: 'Join the adapter’s own wireless network, then enter the address and port from its instructions.',
    kinds: ['network'],
  },
  {
    id: 'needs-running',
    title: 'This {car} only answers with the engine running',
    prior: 0.04,
    mend: 'Outdoors only: start the engine, then connect.',
  },
  {
    id: 'asleep',
    title: 'The {car}’s gateway has gone to sleep or locked itself',
    prior: 0.04,
    mend: 'Ignition off, lock the {car}, wait a minute, unlock, ignition on, connect.',
  },
  {
    id: 'protocol',
    title: 'The adapter’s search misses this {car}’s protocol',
    prior: 0.05,
    mend: 'Try each protocol by itself; older {cars} need a slow start-up, up to ten seconds.',
  },
  {
    id: 'adapter-poor',
    title: 'The adapter cannot do all that it claims',
    prior: 0.05,
    mend: 'Cheap copies leave protocols out. Borrow another, or buy one that lists this {car}’s protocol.',
  },
  {
    id: 'adapter-dead',
    title: 'The adapter is broken',
    prior: 0.03,
    mend: 'Try it on another vehicle, or another adapter on this one.',
  },
  {
    id: 'pins',
    title: 'The socket’s pins are worn, bent or dirty',
    prior: 0.04,
    mend: 'Clean with contact spray, ignition off. A pushed-back pin needs someone with the right tool; do not bend pins with metal tools.',
  },
  {
    id: 'data-line',
    title: 'Something else on the data line disturbs it',
    prior: 0.03,
    mend: 'Unplug trackers, alarm boxes and splitters from the socket; a radio or unit fitted later may be on the same wires.',
  },
  {
    id: 'battery-low',
    title: 'The battery is too low',
    prior: 0.03,
    mend: 'Charge it, then connect with the charger on.',
  },
  {
    id: 'too-new',
    title: 'This {car} is too new for the tool',
    prior: 0.03,
    mend: 'The newest {cars} answer only the newest form of the standard. Read it here with a plain adapter on CAN, which Pincer asks both ways; a hand-held reader needs an update that names ISO 14229 (SAE J1979-2).',
  },
  {
    id: 'no-standard',
    title: 'This vehicle does not speak the standard',
    prior: 0.04,
    mend: 'A make-specific tool may read it; otherwise blink codes and a meter. Type in by hand what another reader shows.',
  },
] as const satisfies readonly FailureCause[];
export type FailureCauseId = (typeof FAILURE_CAUSES)[number]['id'];

export interface FailureAnswer {
  id: string;
  title: string;
}

/** One thing to look at or to try, and what each answer says. */
export interface FailureStep {
  id: string;
  title: string;
  how: string;
  minutes: number;
  /** A step that is tried by connecting again; its answers are always `talks` and `still-not`. */
  isTry?: boolean;
  /** Connect with each protocol by itself. */
  isEachProtocol?: boolean;
  kinds?: readonly LinkKind[];
  answers: readonly FailureAnswer[];
  /** P(answer) for the causes that are not named. */
  otherwise: readonly number[];
  given: Readonly<Partial<Record<FailureCauseId, readonly number[]>>>;
}

const TRY: readonly FailureAnswer[] = [
  { id: 'talks', title: 'It connects' },
  { id: 'still-not', title: 'Still nothing' },
];
const tries = (given: FailureStep['given']) => ({
  isTry: true,
  answers: TRY,
  otherwise: [0.02, 0.98],
  given,
});

export const FAILURE_STEPS: readonly FailureStep[] = [
  {
    id: 'adapter-lamp',
    title: 'Is the adapter’s light on?',
    how: 'Plugged in, ignition on or off: the socket alone powers it.',
    minutes: 0.3,
    kinds: ['serial', 'bluetooth', 'network'],
    answers: [
      { id: 'lit', title: 'Lit' },
      { id: 'dark', title: 'Dark' },
      { id: 'none', title: 'It has none' },
    ],
    otherwise: [0.9, 0.04, 0.06],
    given: {
      'no-power': [0.03, 0.91, 0.06],
      'plug-not-home': [0.22, 0.72, 0.06],
      'adapter-dead': [0.34, 0.6, 0.06],
    },
  },
  {
    id: 'dash-lit',
    title: 'Are the dash lights on, as just before a start?',
    how: 'Several lights at once and the gauges awake; the radio alone is not enough.',
    minutes: 0.2,
    answers: [
      { id: 'lit', title: 'Yes' },
      { id: 'dark', title: 'No' },
    ],
    otherwise: [0.96, 0.04],
    given: { 'ignition-off': [0.2, 0.8], 'battery-low': [0.6, 0.4] },
  },
  {
    id: 'key-on',
    title: 'Turn the ignition fully on',
    how: 'Key: one position past the radio, just before start. Button: press it without the brake pedal, some need five seconds. Wait until the dash lights settle, then connect.',
    minutes: 0.5,
    ...tries({ 'ignition-off': [0.94, 0.06], 'needs-running': [0.02, 0.98] }),
  },
  {
    id: 'plug-home',
    title: 'Pull the adapter out and push it fully in',
    how: 'Long row to long row, straight, until it stops; hold it while you connect.',
    minutes: 0.5,
    ...tries({ 'plug-not-home': [0.9, 0.1], pins: [0.3, 0.7], 'in-use': [0.3, 0.7] }),
  },
  {
    id: 'again',
    title: 'Unplug it, close other programs, count to ten, plug it in',
    how: 'Pages and programs that read vehicles keep the adapter to themselves, even in the background.',
    minutes: 1,
    ...tries({ 'in-use': [0.88, 0.12], 'plug-not-home': [0.6, 0.4], asleep: [0.15, 0.85] }),
  },
  {
    id: 'pair-again',
    title: 'Forget the pairing and pair it again',
    how: 'In the settings of the phone or laptop. The PIN is on the label, often 1234 or 0000. Then choose it by its name.',
    minutes: 2,
    kinds: ['serial', 'bluetooth'],
    ...tries({ 'wrong-device': [0.85, 0.15], 'in-use': [0.3, 0.7] }),
  },
  {
    id: 'join-network',
    title: 'Join the adapter’s network and check its address',
    how: 'It makes a wireless network of its own. Join it, then connect with address and port from the leaflet.',
    minutes: 2,
    kinds: ['network'],
    ...tries({ 'wrong-address': [0.85, 0.15], 'wrong-device': [0.6, 0.4] }),
  },
  {
    id: 'near',
    title: 'Come within arm’s reach',
    how: 'Other wireless gadgets off, phone or laptop in the driver’s seat.',
    minutes: 0.5,
    kinds: ['bluetooth', 'network'],
    ...tries({ 'out-of-range': [0.8, 0.2] }),
  },
  {
    id: 'other-speed',
    title: 'Try another serial speed',
    how: 'Choose it beside the button, connect; all three in turn.',
    minutes: 1,
    kinds: ['serial'],
    ...tries({ 'wrong-speed': [0.9, 0.1] }),
  },
  {
    id: 'outlet',
    title: 'Does the power outlet in the {car} work?',
    how: 'A phone charger with a light will do. On most {cars} it shares its fuse with the socket.',
    minutes: 1,
    answers: [
      { id: 'works', title: 'It works' },
      { id: 'dead', title: 'It is dead' },
      { id: 'none', title: 'There is none' },
    ],
    otherwise: [0.87, 0.04, 0.09],
    given: { 'no-power': [0.29, 0.62, 0.09] },
  },
  {
    id: 'fuse',
    title: 'Look at the socket’s fuse',
    how: 'Ignition off. The {handbook}’s fuse page names it: diagnosis, socket or power outlet. Hold it up to the light: is the wire inside intact?',
    minutes: 8,
    answers: [
      { id: 'whole', title: 'Whole' },
      { id: 'blown', title: 'Blown' },
      { id: 'not-found', title: 'Not found' },
    ],
    otherwise: [0.86, 0.02, 0.12],
    given: { 'no-power': [0.13, 0.75, 0.12] },
  },
  {
    id: 'lock-unlock',
    title: 'Lock the {car} for a minute, then try again',
    how: 'Ignition off, out, lock it, wait a minute, unlock, ignition on, connect.',
    minutes: 2,
    ...tries({ asleep: [0.85, 0.15], 'in-use': [0.15, 0.85] }),
  },
  {
    id: 'engine-running',
    title: 'Start the engine, then connect',
    how: 'Outside or with the exhaust led out, in park or neutral, brake on.',
    minutes: 1,
    ...tries({ 'needs-running': [0.95, 0.05], 'ignition-off': [0.9, 0.1] }),
  },
  {
    id: 'each-protocol',
    title: 'Try each protocol by itself',
    how: 'Takes up to a minute and a half; nothing is changed in the {car}.',
    minutes: 1.5,
    isEachProtocol: true,
    ...tries({ protocol: [0.85, 0.15], 'adapter-poor': [0.25, 0.75] }),
  },
  {
    id: 'pins-look',
    title: 'Look into the socket with a {torch}',
    how: 'Ignition off, adapter out: is a pin bent, pushed back, corroded or dirty?',
    minutes: 2,
    answers: [
      { id: 'clean', title: 'Straight and clean' },
      { id: 'bad', title: 'One is not' },
      { id: 'missing', title: 'Only 4, 5 and 16 are there' },
    ],
    otherwise: [0.94, 0.04, 0.02],
    given: { pins: [0.27, 0.71, 0.02], 'no-standard': [0.5, 0.04, 0.46] },
  },
  {
    id: 'unplug-others',
    title: 'Unplug trackers, alarm boxes and splitters',
    how: 'Whatever else sits on the socket or its wires, out; then connect.',
    minutes: 3,
    ...tries({ 'data-line': [0.75, 0.25] }),
  },
  {
    id: 'charger',
    title: 'Connect a charger to the battery',
    how: 'For half an hour, then connect with it on.',
    minutes: 35,
    ...tries({ 'battery-low': [0.9, 0.1] }),
  },
  {
    id: 'other-car',
    title: 'Does the adapter connect to another vehicle?',
    how: 'Any {petrol} car of the last fifteen years will do.',
    minutes: 10,
    kinds: ['serial', 'bluetooth', 'network'],
    answers: [
      { id: 'yes', title: 'Yes' },
      { id: 'no', title: 'No' },
      { id: 'not-tried', title: 'No other vehicle here' },
    ],
    otherwise: [0.78, 0.02, 0.2],
    given: {
      'adapter-dead': [0.03, 0.77, 0.2],
      'adapter-poor': [0.4, 0.4, 0.2],
      'wrong-device': [0.1, 0.7, 0.2],
      'wrong-speed': [0.05, 0.75, 0.2],
      'in-use': [0.3, 0.5, 0.2],
      'too-new': [0.79, 0.01, 0.2],
    },
  },
];

/** What failed, as a link fault or before a byte was sent. */
export type FailureSign = LinkFaultCode | 'not-opened';

/** A stored word for what failed, as a sign; words of another version count as any fault. */
export function failureSign(text: string | undefined): FailureSign {
  return text !== undefined && Object.hasOwn(CLASS, text) ? (text as FailureSign) : 'adapter-error';
}

/** Faults that look alike from here. */
const CLASS: Readonly<Partial<Record<FailureSign, SignClass>>> = {
  'not-opened': 'not-opened',
  silent: 'silent',
  cut: 'silent',
  garbled: 'garbled',
  'data-error': 'garbled',
  'unable-to-connect': 'no-car',
  'no-data': 'no-car',
  stopped: 'no-car',
  'bus-init': 'slow-start',
  'can-error': 'bus',
  'bus-error': 'bus',
  'bus-busy': 'bus',
  feedback: 'bus',
  'low-voltage-reset': 'low-volts',
  'power-alert': 'low-volts',
};
const SIGN_CLASSES = [
  'not-opened',
  'silent',
  'garbled',
  'no-car',
  'slow-start',
  'bus',
  'low-volts',
  'other',
] as const;
type SignClass = (typeof SIGN_CLASSES)[number];

/** P(sign | cause), in the order of the classes; each row sums to 1. */
const SIGNS: Readonly<Record<FailureCauseId, readonly number[]>> = {
  'ignition-off': [0.01, 0.02, 0.01, 0.8, 0.1, 0.03, 0.01, 0.02],
  'plug-not-home': [0.2, 0.45, 0.05, 0.15, 0.05, 0.07, 0.01, 0.02],
  'no-power': [0.4, 0.56, 0.01, 0.01, 0.005, 0.005, 0.005, 0.005],
  'wrong-device': [0.5, 0.42, 0.05, 0.01, 0.005, 0.005, 0.005, 0.005],
  'in-use': [0.6, 0.3, 0.06, 0.01, 0.01, 0.005, 0.005, 0.01],
  'out-of-range': [0.35, 0.45, 0.15, 0.01, 0.01, 0.01, 0.01, 0.01],
  'wrong-speed': [0.02, 0.45, 0.5, 0.005, 0.005, 0.005, 0.005, 0.01],
  'wrong-address': [0.85, 0.12, 0.01, 0.004, 0.004, 0.004, 0.004, 0.004],
  'needs-running': [0.01, 0.01, 0.01, 0.6, 0.33, 0.02, 0.01, 0.01],
  asleep: [0.01, 0.02, 0.01, 0.75, 0.08, 0.1, 0.01, 0.02],
  protocol: [0.01, 0.02, 0.01, 0.62, 0.26, 0.05, 0.01, 0.02],
  'adapter-poor': [0.03, 0.08, 0.12, 0.5, 0.12, 0.1, 0.02, 0.03],
  'adapter-dead': [0.35, 0.5, 0.05, 0.03, 0.02, 0.02, 0.01, 0.02],
  pins: [0.03, 0.1, 0.08, 0.35, 0.12, 0.28, 0.02, 0.02],
  'data-line': [0.01, 0.03, 0.08, 0.2, 0.08, 0.56, 0.02, 0.02],
  'battery-low': [0.02, 0.08, 0.05, 0.2, 0.05, 0.04, 0.54, 0.02],
  'too-new': [0.01, 0.02, 0.01, 0.62, 0.28, 0.03, 0.01, 0.02],
  'no-standard': [0.01, 0.02, 0.01, 0.75, 0.15, 0.03, 0.01, 0.02],
};

/** P(what failed | cause). */
export function signChance(sign: FailureSign, cause: FailureCauseId): number {
  const index = SIGN_CLASSES.indexOf(CLASS[sign] ?? 'other');
  return SIGNS[cause][index] ?? 0.01;
}

/** Causes that a measured supply voltage rules out, or nearly: the adapter has power and answers. */
export const WITHOUT_VOLTS: ReadonlySet<FailureCauseId> = new Set([
  'no-power',
  'wrong-device',
  'wrong-address',
  'in-use',
  'wrong-speed',
  'adapter-dead',
]);
