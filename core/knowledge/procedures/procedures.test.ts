import { CAUSES, PROCEDURES, askFor, causeById, procedureOf, type Procedure } from '../index.ts';

const ALL = Object.entries(PROCEDURES);
const bad = (is: (p: Procedure, id: string) => boolean): string[] =>
  ALL.flatMap(([id, p]) => (is(p, id) ? [] : [id]));
const texts = (p: Procedure): string[] => p.steps.map((s) => s.text);
const whole = (p: Procedure): string =>
  [...p.steps.flatMap((s) => [s.text, s.slip ?? '']), ...p.beforeCovers, p.stuck ?? '', ...p.afterwards].join(
    ' ',
  );

describe('procedures', () => {
  test('at least sixty, each of a repair that an owner may do', () => {
    expect(ALL.length).toBeGreaterThanOrEqual(60);
    expect(bad((_, id) => causeById(id)?.repair.isLicensed !== true && causeById(id) !== undefined)).toEqual(
      [],
    );
  });

  test('a step is a command, and its slip another sentence', () => {
    const command = /^(?!The |It |This |They |You )[A-Z{][^?]*[.]$/;
    expect(bad((p) => texts(p).every((t) => command.test(t)))).toEqual([]);
    expect(bad((p) => p.steps.every((s) => s.slip === undefined || /^[A-Z{].*[.]$/.test(s.slip)))).toEqual(
      [],
    );
    expect(bad((p) => p.steps.length >= 3)).toEqual([]);
  });

  test('who buys a part is told by what it is ordered, and parts cost something', () => {
    expect(bad((p) => p.parts.every((x) => x.what !== '' && x.orderBy !== ''))).toEqual([]);
    expect(
      bad(
        (p, id) =>
          (causeById(id)?.repair.parts ?? 0) < 15 ||
          p.parts.length + p.renew.length + p.consumables.length > 0,
      ),
    ).toEqual([]);
  });

  test('what is tightened to a torque has it looked up; what is waited for has its minutes', () => {
    for (const [id, p] of ALL)
      for (const s of p.steps) {
        if (s.wait) expect([id, s.wait.minutes > 0 && s.wait.what !== '']).toEqual([id, true]);
        if (s.value) expect([id, s.value.what]).not.toEqual([id, '']);
      }
    // Where the cautions speak of torque, a figure is asked for.
    expect(
      bad(
        (p, id) =>
          !causeById(id)?.repair.cautions.includes('torque') || p.steps.some((s) => s.value?.unit === 'Nm'),
      ),
    ).toEqual([]);
  });

  test('work on a hot engine begins with waiting, on coolant with more of it', () => {
    const waits = (p: Procedure, minutes: number) => p.steps.some((s) => (s.wait?.minutes ?? 0) >= minutes);
    expect(bad((p, id) => !causeById(id)?.repair.cautions.includes('coolant') || waits(p, 120))).toEqual([]);
  });

  test('an old seal is looked for wherever a new one goes in; coolant is topped up again when cold', () => {
    expect(
      bad(
        (p) =>
          !/\bcoolant\b/i.test(p.parts.map((x) => x.what).join(' ')) ||
          /when it has cooled down|when cold/.test(whole(p)),
      ),
    ).toEqual([]);
    expect(
      bad(
        (p) => !p.renew.some((r) => /sealing ring$/.test(r)) || /old (ring|seal|rubber ring)/.test(whole(p)),
      ),
    ).toEqual([]);
  });

  test('where the battery’s cable comes off it is put back', () => {
    expect(
      bad(
        (p) =>
          !texts(p).some((t) => /^Take the battery’s negative cable off/.test(t)) ||
          /negative cable back|Put the battery cable back|cable back/.test(whole(p)) ||
          p.afterwards.length > 0,
      ),
    ).toEqual([]);
  });

  test('licensed work asks for something, the owner’s own does not', () => {
    for (const cause of CAUSES) {
      expect([cause.id, askFor(cause).length > 0]).toEqual([cause.id, cause.repair.isLicensed === true]);
      expect(procedureOf(cause).steps.length).toBeGreaterThan(0);
    }
  });
});
