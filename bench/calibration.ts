import { instancesFor, posteriorOf, strengthOf, type Evidence } from '@pincer/core/diagnosis';
import { OBSERVATIONS, observationKind, type ObservationKey } from '@pincer/core/knowledge';
import { seededRandom } from '@pincer/simulator';
import { CAR, NOW } from '../core/test/make-case.ts';
import type { Row } from './row.ts';

const TRUTHS = 300;
/** Observations that each drawn case was asked for, seen or not. */
const ASKED = 25;
const INSTANCES = instancesFor(CAR, NOW);
/** Those that name no cylinder, so that a draw of one is all of it. */
const KEYS = (Object.keys(OBSERVATIONS) as ObservationKey[]).filter(
  (k) => !k.endsWith('-same') && !k.endsWith('-other') && (k.startsWith('code:') || k.startsWith('sign:')),
);

/** A cause drawn as the library has it, and what it shows; with wrong tables each strength is off by up to half. */
function drawn(random: () => number, off: number): { truth: number; evidence: Evidence[] } {
  const total = INSTANCES.reduce((sum, i) => sum + i.prior, 0);
  let left = random() * total;
  const found = INSTANCES.findIndex((i) => (left -= i.prior) < 0);
  const truth = found < 0 ? 0 : found;
  const cause = INSTANCES[truth];
  const pool = [...KEYS];
  // What its own tables speak of is asked first, as an owner with that fault would tell it; the rest at random.
  const own = pool.filter((k) => (cause?.cause.effects[k] ?? 0) > 0.2);
  const asked = new Set<ObservationKey>();
  while (asked.size < ASKED && pool.length > 0) {
    const from = own.length > 0 ? own : pool;
    const [key] = from.splice(Math.floor(random() * from.length), 1);
    if (key) asked.add(key);
  }
  const evidence = [...asked].flatMap((key): Evidence[] => {
    const strength = cause ? strengthOf(cause, key, null) : 0;
    const wrong = Math.min(0.98, strength * (1 + off * (2 * random() - 1)));
    const chance = 1 - (1 - observationKind(key).leak) * (1 - wrong);
    return [{ kind: 'observation', fact: key, key, cylinder: null, isPresent: random() < chance }];
  });
  return { truth, evidence };
}

/** Expected calibration error of the first cause, and how often it is right. */
function measured(off: number): { error: number; right: number; said: number } {
  const random = seededRandom(20_261);
  const bins = Array.from({ length: 5 }, () => ({ n: 0, said: 0, right: 0 }));
  for (let n = 0; n < TRUTHS; n++) {
    const { truth, evidence } = drawn(random, off);
    const { marginals } = posteriorOf(INSTANCES, evidence);
    const first = marginals.reduce((best, p, i) => (p > (marginals[best] ?? 0) ? i : best), 0);
    const said = marginals[first] ?? 0;
    const bin = bins[Math.min(4, Math.floor(said * 5))];
    if (!bin) continue;
    bin.n++;
    bin.said += said;
    if (first === truth) bin.right++;
  }
  const sum = (of: (b: (typeof bins)[number]) => number) => bins.reduce((s, b) => s + of(b), 0) / TRUTHS;
  return {
    error: sum((b) => Math.abs(b.said - b.right)),
    right: sum((b) => b.right),
    said: sum((b) => b.said),
  };
}

const percent = (p: number): string => `${Math.round(p * 100)} %`;

/** Whether chances keep their word: of causes said to be 70 % likely, seven in ten are it. */
export function calibrationRows(): Row[] {
  return [
    { off: 0, name: 'the library’s own tables' },
    { off: 0.5, name: 'tables that are off by up to half' },
  ].map(({ off, name }) => {
    const { error, right, said } = measured(off);
    return {
      what: `Calibration of the first cause, ${TRUTHS} causes drawn, ${name}`,
      measured: `said ${percent(said)}, right ${percent(right)}; off by ${percent(error)} on average`,
      budget: off === 0 ? 'within 15 %' : 'told, not set',
      ratio: off === 0 ? error / 0.15 : null,
    };
  });
}
