import fc from 'fast-check';
import {
  FAILURE_CAUSES,
  FAILURE_STEPS,
  LINK_KINDS,
  narrowFailure,
  stepSentence,
  type KnownFailure,
} from './index.ts';
import { signChance, type FailureSign } from './failure-table.ts';

const USB: KnownFailure = {
  kind: 'serial',
  sign: 'unable-to-connect',
  volts: 12.4,
  refused: 0,
  coverage: 'yes',
  answers: [],
};
const first = (known: Partial<KnownFailure>) => narrowFailure({ ...USB, ...known });

describe('the table', () => {
  test('rows are distributions, and every cause has a step that speaks of it', () => {
    expect(FAILURE_STEPS.length).toBeGreaterThan(12);
    for (const step of FAILURE_STEPS) {
      for (const row of [step.otherwise, ...Object.values(step.given)]) {
        expect(row).toHaveLength(step.answers.length);
        expect(row.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      }
    }
    const spoken = new Set(FAILURE_STEPS.flatMap((s) => Object.keys(s.given)));
    expect(FAILURE_CAUSES.map((c) => c.id).filter((id) => !spoken.has(id))).toEqual([]);
    const signs: FailureSign[] = [
      'not-opened',
      'silent',
      'garbled',
      'no-data',
      'bus-init',
      'can-error',
      'power-alert',
      'adapter-error',
    ];
    for (const { id } of FAILURE_CAUSES)
      expect(signs.reduce((sum, s) => sum + signChance(s, id), 0)).toBeCloseTo(1, 9);
  });
});

describe('finding out why nothing talks', () => {
  test('no car answers, the socket has power: the ignition comes first', () => {
    const { causes, next } = first({});
    expect(causes[0]?.id).toBe('ignition-off');
    expect(['dash-lit', 'key-on']).toContain(next?.id);
    expect(causes.findIndex((c) => c.id === 'no-power')).toBeGreaterThan(5);
  });

  test('silence and a dark lamp: power or plug, then the outlet tells them apart', () => {
    const dark = first({ sign: 'silent', volts: null, answers: [{ step: 'adapter-lamp', answer: 'dark' }] });
    expect(
      dark.causes
        .slice(0, 2)
        .map((c) => c.id)
        .sort(),
    ).toEqual(['no-power', 'plug-not-home']);
    const dead = first({
      sign: 'silent',
      volts: null,
      answers: [
        { step: 'adapter-lamp', answer: 'dark' },
        { step: 'plug-home', answer: 'still-not' },
        { step: 'outlet', answer: 'dead' },
      ],
    });
    expect(dead.causes[0]).toMatchObject({ id: 'no-power' });
    expect(dead.causes[0]?.chance).toBeGreaterThan(0.9);
    expect(dead.causes[0]?.mend).toMatch(/fuse/);
  });

  test('what is known speaks: garbage is a speed, low volts a battery, an old car the standard, refusals the adapter', () => {
    expect(first({ sign: 'garbled', volts: null }).causes[0]?.id).toBe('wrong-speed');
    expect(first({ sign: 'low-voltage-reset', volts: 10.9 }).causes[0]?.id).toBe('battery-low');
    const tried = ['key-on', 'plug-home', 'engine-running', 'lock-unlock', 'each-protocol'].map((step) => ({
      step,
      answer: 'still-not',
    }));
    expect(first({ coverage: 'unlikely', answers: tried }).causes[0]?.id).toBe('no-standard');
    expect(first({ year: 2028, answers: tried }).causes[0]?.id).toBe('too-new');
    const older = first({ year: 2012, answers: tried }).causes;
    expect(older.find((c) => c.id === 'too-new')?.chance).toBeLessThan(0.01);
    expect(first({ refused: 3, answers: tried }).causes[0]?.id).toBe('adapter-poor');
    expect(first({ kind: 'network', sign: 'not-opened', volts: null }).causes[0]?.id).toBe('wrong-address');
  });

  test('only steps that fit the connection are offered, none twice, and it comes to an end', () => {
    for (const kind of LINK_KINDS) {
      const answers: { step: string; answer: string }[] = [];
      for (;;) {
        const { next } = narrowFailure({ ...USB, kind, answers });
        if (!next) break;
        expect(answers.some((a) => a.step === next.id)).toBe(false);
        expect(next.kinds ?? [kind]).toContain(kind);
        answers.push({ step: next.id, answer: next.answers[1]?.id ?? '' });
        expect(answers.length).toBeLessThanOrEqual(FAILURE_STEPS.length);
      }
      expect(answers.length).toBeGreaterThan(3);
    }
  });

  test('property: chances sum to one in every order of answers, and the order does not matter', () => {
    const answer = fc
      .constantFrom(...FAILURE_STEPS)
      .chain((s) => fc.constantFrom(...s.answers).map((a) => ({ step: s.id, answer: a.id })));
    fc.assert(
      fc.property(fc.uniqueArray(answer, { selector: (a) => a.step, maxLength: 8 }), (answers) => {
        const forth = first({ answers });
        const back = first({ answers: [...answers].reverse() });
        expect(forth.causes.reduce((sum, c) => sum + c.chance, 0)).toBeCloseTo(1, 9);
        for (const c of forth.causes)
          expect(back.causes.find((b) => b.id === c.id)?.chance).toBeCloseTo(c.chance, 9);
      }),
    );
  });

  test('the path reads as sentences in the log', () => {
    expect(stepSentence('dash-lit', 'dark')).toBe('Are the dash lights on, as just before a start: no.');
    expect(stepSentence('key-on', 'still-not')).toBe('Turn the ignition fully on: still nothing.');
  });
});
