import fc from 'fast-check';
import { DEFAULT_OWNER, type Owner } from '@pincer/core/case';
import { CHECKS, TOOL_PRICES, checkById, type ToolId } from '@pincer/core/knowledge';
import { CAR, NOW } from '../test/make-case.ts';
import {
  ERRAND_MINUTES,
  SHOP_SUCCESS,
  VERIFY_MINUTES,
  helpAt,
  planMinutes,
  withoutSpent,
  checkCost,
  instancesFor,
  missingToolCost,
  ownTime,
  repairCost,
  repairPlan,
  shopPrice,
  workshopCost,
  type CauseInstance,
} from './index.ts';

const OWNER: Owner = {
  ...DEFAULT_OWNER,
  ownHourly: 12,
  shopHourly: 90,
  shopDiagnosis: 80,
  tools: ['hand-tools'],
};
const ALL = instancesFor(CAR, NOW);
const find = (id: string): CauseInstance => {
  const found = ALL.find((i) => i.cause.id === id);
  if (!found) throw new Error(`There is no cause ${id}.`);
  return found;
};
const withRepair = (repair: Partial<CauseInstance['cause']['repair']>): CauseInstance => {
  const base = find('thermostat-open');
  return {
    ...base,
    cause: { ...base.cause, repair: { ...base.cause.repair, isLicensed: false, ...repair } },
  };
};

describe('what things cost', () => {
  test('an owner’s time is worth what the owner says', () => {
    expect(ownTime(60, OWNER)).toBe(12);
    expect(ownTime(25, { ...OWNER, ownHourly: 0 })).toBe(0);
  });

  test('a tool that is there costs nothing, one that is missing its price, each once', () => {
    expect(missingToolCost(['hand-tools'], OWNER)).toBe(0);
    expect(missingToolCost(['hand-tools', 'multimeter'], OWNER)).toBe(TOOL_PRICES.multimeter);
    expect(missingToolCost([], OWNER)).toBe(0);
  });

  test('one’s own repair: parts, own time, the errand for the part and trying it out', () => {
    const repair = withRepair({ parts: 30, ownerMinutes: 40, tools: ['hand-tools'] });
    // 40 of work, 20 to try it out, 60 to fetch the part: two hours at 12.
    expect(repairCost(repair, OWNER)).toBe(30 + 24);
    // Without a part nobody has to fetch one.
    expect(repairCost(withRepair({ parts: 0, ownerMinutes: 40, tools: [] }), OWNER)).toBe(
      ownTime(40 + VERIFY_MINUTES, OWNER),
    );
  });

  test('a workshop: parts with its mark-up, and its own time', () => {
    expect(shopPrice(withRepair({ parts: 40, shopMinutes: 60 }), OWNER)).toBe(50 + 90);
  });

  test('licensed work costs the workshop’s price, whatever the owner can do', () => {
    const licensed = withRepair({ parts: 40, shopMinutes: 60, ownerMinutes: 1, isLicensed: true });
    expect(repairCost(licensed, OWNER)).toBe(140 + ownTime(ERRAND_MINUTES + VERIFY_MINUTES, OWNER));
  });

  test('the workshop on average: finding it, then mending what it most likely is', () => {
    const two = [withRepair({ parts: 0, shopMinutes: 60 }), withRepair({ parts: 0, shopMinutes: 120 })];
    expect(workshopCost(two, Float64Array.from([0.75, 0.25]), OWNER)).toBe(80 + 0.75 * 90 + 0.25 * 180);
    // Chances need not sum to one: it is the mean over what is known.
    expect(workshopCost(two, Float64Array.from([0.3, 0.1]), OWNER)).toBeCloseTo(
      80 + 0.75 * 90 + 0.25 * 180,
      9,
    );
    expect(workshopCost(two, Float64Array.from([0, 0]), OWNER)).toBe(80 + 90);
  });

  test('a check: its time, its materials, and the tools that have to be bought for it', () => {
    const check = CHECKS.find((c) => c.tools.includes('multimeter') && c.cost === 0);
    if (!check) throw new Error('No check takes a multimeter.');
    expect(checkCost(check, OWNER)).toBeCloseTo(ownTime(check.minutes, OWNER) + TOOL_PRICES.multimeter, 9);
    expect(checkCost(check, { ...OWNER, tools: [...check.tools] as ToolId[] })).toBeCloseTo(
      ownTime(check.minutes, OWNER),
      9,
    );
    expect(checkById('not there')).toBeUndefined();
  });
});

describe('the plan of repairs', () => {
  const pairs = fc.array(
    fc.tuple(fc.double({ min: 0.01, max: 1, noNaN: true }), fc.double({ min: 1, max: 400, noNaN: true })),
    { minLength: 1, maxLength: 8 },
  );
  const planOf = (list: readonly (readonly [number, number])[], service: number) => {
    const mass = list.reduce((s, [p]) => s + p, 0);
    return repairPlan(
      Float64Array.from(list, ([p]) => p / mass),
      Float64Array.from(list, ([, c]) => c),
      { cost: service, raise: 0 },
      1,
    );
  };

  test('goes by chance over cost, never dearer than the workshop, each repair at most once', () => {
    fc.assert(
      fc.property(pairs, fc.double({ min: 10, max: 600, noNaN: true }), (list, service) => {
        const plan = planOf(list, service);
        const worth = plan.order.map((i) => (list[i]?.[0] ?? 0) / (list[i]?.[1] ?? 1));
        expect(worth).toEqual([...worth].sort((a, b) => b - a));
        expect(new Set(plan.order).size).toBe(plan.order.length);
        expect(plan.cost).toBeLessThanOrEqual(service + 1e-9);
        expect(plan.success).toBeLessThanOrEqual(1);
      }),
    );
  });

  test('a dearer workshop never makes the plan cheaper, and a cheaper repair never dearer', () => {
    fc.assert(
      fc.property(pairs, fc.double({ min: 10, max: 600, noNaN: true }), fc.nat(7), (list, service, n) => {
        const plan = planOf(list, service);
        expect(planOf(list, service * 1.5).cost).toBeGreaterThanOrEqual(plan.cost - 1e-9);
        const cheaper = list.map(([p, c], i) => [p, i === n % list.length ? c / 2 : c] as const);
        expect(planOf(cheaper, service).cost).toBeLessThanOrEqual(plan.cost + 1e-9);
      }),
    );
  });

  test('one sure and cheap cause is all the plan; a sure and dear one is left to the workshop', () => {
    expect(planOf([[1, 20]], 200)).toMatchObject({ cost: 20, order: [0], success: 1 });
    expect(planOf([[1, 500]], 200)).toMatchObject({ cost: 200, order: [], success: 0 });
  });

  test('a repair that did not help raises what follows, and may have been done badly', () => {
    // 0.6 x 0.9 cured; else the workshop, its fee raised by the doubt.
    const plan = repairPlan(Float64Array.from([0.6]), Float64Array.from([20]), { cost: 200, raise: 25 });
    expect(plan.success).toBeCloseTo(0.54, 9);
    expect(plan.cost).toBeCloseTo(20 + 0.46 * 225, 9);
    expect(plan.repairs).toEqual([{ index: 0, reached: 1, cures: 0.6 * 0.9 }]);
  });

  test('with doubt and bad luck no other order of its repairs is cheaper, nor leaving one of them out', () => {
    const permutations = (list: readonly number[]): number[][] =>
      list.length < 2
        ? [[...list]]
        : list.flatMap((x, i) =>
            permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((p) => [x, ...p]),
          );
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0.01, max: 1, noNaN: true }),
            fc.double({ min: 1, max: 400, noNaN: true }),
          ),
          { minLength: 1, maxLength: 5 },
        ),
        fc.double({ min: 10, max: 600, noNaN: true }),
        fc.double({ min: 0, max: 0.25, noNaN: true }),
        (list, cost, share) => {
          const raise = share * cost;
          const mass = list.reduce((s, [p]) => s + p, 0);
          const plan = repairPlan(
            Float64Array.from(list, ([p]) => p / mass),
            Float64Array.from(list, ([, c]) => c),
            { cost, raise },
            0.9,
          );
          const costOf = (order: readonly number[]): number => {
            let [left, spent] = [1, 0];
            for (const i of order) {
              spent += left * (list[i]?.[1] ?? 0);
              left -= (0.9 * (list[i]?.[0] ?? 0)) / mass;
            }
            return spent + left * (cost + order.length * raise);
          };
          expect(plan.cost).toBeCloseTo(costOf(plan.order), 6);
          expect(plan.cost).toBeLessThanOrEqual(cost);
          const others = [
            ...permutations(plan.order),
            ...plan.order.map((_, at) => plan.order.filter((__, other) => other !== at)),
          ];
          expect(plan.cost).toBeLessThan(Math.min(...others.map(costOf)) + 1e-6);
        },
      ),
    );
  });

  test('a cheap repair that adds more to help than it cures does not come first', () => {
    const chances = Float64Array.of(0.02, 0.5, 0.48);
    const costs = Float64Array.of(3, 120, 900);
    expect(repairPlan(chances, costs, { cost: 300, raise: 0 }).order).toEqual([0, 1]);
    expect(repairPlan(chances, costs, { cost: 300, raise: 25 }).order).toEqual([1]);
  });
});

describe('getting help', () => {
  test('each visit costs its errand and what is asked, and one in so many is not the last', () => {
    expect(helpAt(200, OWNER)).toEqual({
      cost: (200 + ownTime(ERRAND_MINUTES, OWNER)) / SHOP_SUCCESS,
      raise: 20,
    });
  });

  test('minutes: each repair as often as it is reached, and the errand where it ends with help', () => {
    const two = [withRepair({ ownerMinutes: 30 }), withRepair({ ownerMinutes: 60, isLicensed: true })];
    const minutes = planMinutes(
      {
        cost: 0,
        order: [0, 1],
        repairs: [
          { index: 0, reached: 1, cures: 0.5 },
          { index: 1, reached: 0.5, cures: 0.3 },
        ],
        success: 0.8,
      },
      two,
    );
    expect(minutes).toBeCloseTo(
      30 + VERIFY_MINUTES + 0.5 * (ERRAND_MINUTES + VERIFY_MINUTES) + (0.2 * ERRAND_MINUTES) / SHOP_SUCCESS,
      9,
    );
  });

  test('what was done and did not help is not planned while others are left', () => {
    const [a, b] = [
      { ...find('thermostat-open'), id: 'a' },
      { ...find('thermostat-open'), id: 'b' },
    ];
    expect([...withoutSpent([a, b], Float64Array.from([0.6, 0.3]), new Set(['a']))]).toEqual([0, 0.3 / 0.4]);
    expect([...withoutSpent([a, b], Float64Array.from([0.6, 0.01]), new Set(['a']))]).toEqual([0.6, 0.01]);
  });
});
