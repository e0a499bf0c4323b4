import { CAUSES } from '@pincer/core/knowledge';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { SITUATIONS, caseOf, vehicleOf, type Situation } from '../test/situations.ts';
import { assess, type Assessment } from './index.ts';

/** Every sentence that an owner can be shown in this situation. */
function textsOf(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (Array.isArray(value)) return value.flatMap(textsOf);
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(textsOf) : [];
}

const judged: readonly (readonly [string, Situation, Assessment])[] = SITUATIONS.map((s) => [
  s[0],
  s,
  assess(caseOf(s), vehicleOf(s), NOW),
]);

/** What is said in a situation that must not be, with the situation, so that a red test names it. */
const offending = (isWrong: (a: Assessment, s: Situation) => readonly string[]): string[] =>
  judged.flatMap(([what, s, a]) => isWrong(a, s).map((text) => `${what}: ${text}`));

/** The repair that is planned first, where an own repair is open. */
const firstRepair = (a: Assessment) =>
  a.options.some((o) => o.id === 'repair' && o.blocked.length === 0) ? a.procedures[0] : undefined;

describe('no advice of a case contradicts another', () => {
  test('a repair that is a long drive never stands under “short trips”, nor a drive as a check under “do not drive”', () => {
    const wantsDrive = /long drive|regeneration drive|drive (for )?(twenty|20) minutes|drive on at a steady/i;
    expect(
      offending((a) => {
        const repair = firstRepair(a);
        const steps = repair
          ? textsOf([repair.title, repair.guide.steps]).filter((t) => wantsDrive.test(t))
          : [];
        return ['short-trips', 'safe-place', 'stop-here'].includes(a.allowance.level) ? steps : [];
      }),
    ).toEqual([]);
    expect(
      offending((a) =>
        a.firstStep.kind === 'check' && a.doChecksWaitForRoad
          ? a.checks.filter((c, i) => i === 0 && c.needsDriving).map((c) => c.title)
          : [],
      ),
    ).toEqual([]);
  });

  test('what stays is never cleared and watched: only a cause that may pass leads there', () => {
    const cleared = judged.filter(([, , a]) => a.recommended === 'clear');
    expect(cleared.length).toBeGreaterThan(3);
    const passes = new Set(CAUSES.filter((c) => c.isPassing).map((c) => c.id));
    expect(
      offending((a) =>
        a.recommended === 'clear' && a.causes[0] !== undefined && a.causes[0].probability > 0.5
          ? [a.causes[0].id.replace(/:.*/, '')].filter((id) => !passes.has(id))
          : [],
      ),
    ).toEqual([]);
  });

  test('“repair it yourself” is never a repair that has to be done by others', () => {
    expect(
      offending((a) => {
        const repair = firstRepair(a);
        if (!repair || a.recommended !== 'repair') return [];
        return repair.isLicensed
          ? [repair.title]
          : [repair.title, ...textsOf(repair.guide.steps)].filter((t) => /^have (it|them|the)\b/i.test(t));
      }),
    ).toEqual([]);
  });

  test('what was read is not asked to be read, and nothing is said of a battery that was never measured running', () => {
    expect(offending((a) => textsOf(a.allowance).filter((t) => /until it has been read/i.test(t)))).toEqual(
      [],
    );
    expect(
      offending((a, [, codes]) =>
        codes.includes('P0563') ? [] : textsOf(a.allowance).filter((t) => /cook|boil/i.test(t)),
      ),
    ).toEqual([]);
  });

  test('a diesel is given no reason of a petrol engine, and the other way round', () => {
    const petrol = /spark plug|ignition coil|\bcoil boot|canister purge|front oxygen sensor|fuel trim/i;
    const diesel = /glow plug|particulate filter|reagent|injection rail of the diesel/i;
    const said = (a: Assessment) =>
      textsOf([
        a.causes.map((c) => c.title),
        a.checks.map((c) => [c.title, c.how]),
        a.procedures.map((p) => [p.title, p.guide.steps]),
        a.allowance,
      ]);
    expect(
      offending((a, s) =>
        vehicleOf(s).fuel === 'diesel'
          ? said(a).filter((t) => petrol.test(t))
          : vehicleOf(s).fuel === 'petrol'
            ? said(a).filter((t) => diesel.test(t))
            : [],
      ),
    ).toEqual([]);
  });

  test('an engine that does not start is not to be watched while it runs', () => {
    expect(
      offending((a, [, , seen]) =>
        seen.includes('sign:no-start') ? a.checks.filter((c) => c.runsEngine).map((c) => c.title) : [],
      ),
    ).toEqual([]);
    // Once a reading has seen it run, it can be.
    const runs = assess(
      makeCase(saw('sign:no-start'), scanEntry(makeScan(['P0230'], { '0C': 780 }))),
      CAR,
      NOW,
    );
    expect(runs.checks.some((c) => c.runsEngine)).toBe(true);
  });

  test('a motorcycle is not called a car', () => {
    expect(
      offending((a, s) =>
        vehicleOf(s).kind === 'motorcycle'
          ? textsOf([
              a.allowance,
              a.options,
              a.why,
              a.checks,
              a.procedures,
              a.untilThen,
              a.firstStep,
              a.plan,
            ]).filter((t) =>
              /\b(the|your|this) car\b|\bcar’s\b|windscreen|\bgear ?stick\b|\bthe bonnet\b|\bcabin\b/i.test(
                t,
              ),
            )
          : [],
      ),
    ).toEqual([]);
  });

  test('an engine that does not start or stalls while driving is never “short trips” or better', () => {
    expect(
      offending((a, [, , seen]) =>
        /sign:no-start|sign:stalls-rolling/.test(seen) &&
        !['safe-place', 'stop-here'].includes(a.allowance.level)
          ? [a.allowance.level]
          : [],
      ),
    ).toEqual([]);
  });
});
