import { assess, type Assessment } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../core/test/make-case.ts';
import { SITUATIONS, caseOf, vehicleOf } from '../core/test/situations.ts';

type Facts = Parameters<typeof makeCase>;
interface Shown {
  what: string;
  seen: string;
  record: CaseRecord;
  vehicle: Vehicle;
}

const lamp = (
  id: 'engine' | 'oil' | 'brakes' | 'temperature' | 'charging',
  mode: 'steady' | 'flashing' | 'out',
) => ({ kind: 'lamp', lamp: id, mode }) as const;
const reading = (...codes: string[]) => scanEntry(makeScan(codes));

/** Situations in which what matters is how far it may still be driven, and those in which nothing fails any more. */
const OTHERS: readonly (readonly [what: string, seen: string, facts: Facts])[] = [
  ['engine lamp flashes', 'engine lamp flashing', [lamp('engine', 'flashing')]],
  ['oil lamp', 'oil lamp', [lamp('oil', 'steady')]],
  ['brake lamp', 'brake lamp', [lamp('brakes', 'steady')]],
  ['temperature lamp', 'temperature lamp', [lamp('temperature', 'steady')]],
  ['charging lamp', 'charging lamp', [lamp('charging', 'steady')]],
  ['brake pedal hard', 'engine lamp, sign:hard-pedal', [lamp('engine', 'steady'), saw('sign:hard-pedal')]],
  ['brake pedal soft', 'sign:long-pedal', [saw('sign:long-pedal')]],
  ['steers heavily', 'sign:heavy-steering', [saw('sign:heavy-steering')]],
  ['smells of fuel', 'engine lamp, sign:fuel-smell', [lamp('engine', 'steady'), saw('sign:fuel-smell')]],
  [
    'stalls, only when it stands',
    'sign:stalls, not while it rolls',
    [saw('sign:stalls'), saw('sign:stalls-rolling', 'no')],
  ],
  ['stalls while it rolls', 'sign:stalls-rolling', [saw('sign:stalls-rolling')]],
  [
    'a whiff of fuel, nothing wet',
    'sign:fuel-smell, not sign:fuel-wet',
    [saw('sign:fuel-smell'), saw('sign:fuel-wet', 'no')],
  ],
  ['fuel to be seen', 'sign:fuel-wet', [saw('sign:fuel-wet')]],
  [
    'white smoke, smells sweet',
    'sign:white-smoke sign:sweet-smell',
    [saw('sign:white-smoke'), saw('sign:sweet-smell')],
  ],
  ['a sound car, read as a routine', 'full reading, no code', [reading()]],
  [
    'read before buying, self-checks open',
    'full reading, no code',
    [scanEntry(makeScan([], {}, { ran: ['misfire', 'fuel', 'components'] }))],
  ],
  [
    'the lamp went out, nothing stored',
    'engine lamp, then out',
    [lamp('engine', 'steady'), lamp('engine', 'out'), reading()],
  ],
  [
    'a code once, not at the next reading',
    'P0562, then none',
    [reading('P0562'), lamp('engine', 'out'), reading()],
  ],
];

function all(): Shown[] {
  return [
    ...SITUATIONS.map((s) => ({
      what: s[0],
      seen: [s[1], s[2]].filter((t) => t !== '').join(' '),
      record: caseOf(s),
      vehicle: vehicleOf(s),
    })),
    ...OTHERS.map(([what, seen, facts]) => ({ what, seen, record: makeCase(...facts), vehicle: CAR })),
  ];
}

const kindOf = ({ kind, fuel, gearbox }: Vehicle): string =>
  [fuel, kind, gearbox === 'automatic' ? 'automatic' : ''].filter((t) => t !== '').join(' ');

/** Chances to the nearest five in a hundred: what a change of a figure moves is seen, and no more. */
const about = (p: number): string => (p < 0.025 ? 'few %' : `${Math.round(p * 20) * 5} %`);

function row({ what, seen, vehicle }: Shown, a: Assessment): string {
  const road = [a.allowance.title, a.allowance.reasons[0]?.text].filter((t) => t !== undefined).join(': ');
  const first = a.causes.slice(0, 3).map((c) => `${c.title} ${about(c.probability)}`);
  const causes = a.quiet ? [`${a.quiet.title} ${about(a.quiet.chance)}`, ...first] : first;
  const check = a.firstStep.kind === 'check' ? a.firstStep : undefined;
  const choice = a.options.find((o) => o.id === a.recommended);
  const cells = [
    what,
    kindOf(vehicle),
    seen,
    road,
    causes.join('; '),
    check?.title ?? 'none',
    choice?.title ?? '',
  ];
  return `| ${cells.map((c) => c.replaceAll('|', '/')).join(' | ')} |`;
}

/** The review table of `docs/judgement.md`: what is said in each situation, to be read by a mechanic. */
export function judgementMarkdown(): string {
  const rows = all().map((s) => row(s, assess(s.record, s.vehicle, NOW)));
  return [
    '# What it says',
    '',
    `${rows.length} situations, each with how far it may still be driven and why, the first three causes, the next check and`,
    'the choice. Written by `npm run judgement`; a test holds it, so that a change of a rule or of a figure is seen here.',
    'Chances are to the nearest five in a hundred.',
    '',
    '| situation | vehicle | seen | how far, and why | first causes | next check | choice |',
    '|---|---|---|---|---|---|---|',
    ...rows,
    '',
  ].join('\n');
}
