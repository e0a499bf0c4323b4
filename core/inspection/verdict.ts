import {
  engineLightOf,
  isStandardUnit,
  unreadParts,
  valueNow,
  type CaseState,
  type Standing,
} from '@pincer/core/case';
import { selfCheckOf } from '@pincer/core/knowledge';
import { MONITOR_NAMES, type MonitorId } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { drivePlan, isoDay, type DrivePlan } from './drive-plan.ts';
import { ENABLING } from './enabling.ts';
import { INSPECTION_RULES, ruleOf, type InspectionRule, type InspectionRuleId } from './rules.ts';

/** One thing that the inspection looks at. */
export interface InspectionReason {
  id: 'light' | 'bulb' | 'self-checks' | 'permanent' | 'year';
  says: 'pass' | 'fail' | 'unknown';
  text: string;
  /** What would change it; empty where nothing has to. */
  change: string;
}

/** A self-check that has not run, and what keeps it. */
export interface OpenCheck {
  monitor: MonitorId;
  name: string;
  /** Codes that keep it from running. */
  blockedBy: string[];
}

export interface InspectionView {
  rule: InspectionRuleId;
  title: string;
  source: string;
  asOf: string;
  verdict: 'pass' | 'fail' | 'cannot-tell';
  reasons: InspectionReason[];
  open: OpenCheck[];
  plan: DrivePlan;
  /** The inspection date, `YYYY-MM-DD`, and the days until then; null where none is known. */
  due: { date: string; days: number } | null;
  /** Whether by the plan all self-checks have run on the day of the inspection; null without a date or nothing to run. */
  isInTime: boolean | null;
}

const DAY_MS = 86_400_000;

/**
 * Whether the vehicle would pass the look at its on-board diagnostics, by the chosen rule.
 * @returns null for electric vehicles, which have none of it.
 */
export function inspectionView(state: CaseState, vehicle: Vehicle, now: Date): InspectionView | null {
  if (vehicle.fuel === 'electric') return null;
  const id = ruleOf(vehicle);
  const rule: InspectionRule = INSPECTION_RULES[id];
  const open = openChecks(state.standing);
  const reasons = [
    lightReason(state.standing),
    bulbReason(state.standing),
    ...(rule.isRead ? [readinessReason(state.standing, vehicle, rule, open)] : []),
    ...(rule.permanent ? [permanentReason(state.standing, vehicle, rule.permanent)] : []),
  ].filter((r) => r !== null);
  const today = Date.parse(`${now.toISOString().slice(0, 10)}T00:00:00Z`);
  const runnable = open.filter((o) => o.blockedBy.length === 0).map((o) => o.monitor);
  // From tomorrow on: today’s first drive has perhaps been made.
  const plan = drivePlan(runnable, vehicle.usualTrips ?? [], today + DAY_MS);
  const date = vehicle.inspectionDue;
  const at = date === undefined ? NaN : Date.parse(`${date.slice(0, 10)}T00:00:00Z`);
  const due = Number.isNaN(at) ? null : { date: isoDay(at), days: Math.round((at - today) / DAY_MS) };
  return {
    rule: id,
    title: rule.title,
    source: rule.source,
    asOf: rule.asOf,
    verdict: reasons.some((r) => r.says === 'fail')
      ? 'fail'
      : reasons.some((r) => r.says === 'unknown')
        ? 'cannot-tell'
        : 'pass',
    reasons,
    open,
    plan,
    due,
    isInTime:
      due === null || due.days < 0 || open.length === 0
        ? null
        : open.every((o) => o.blockedBy.length === 0) && (plan.readyOn ?? '') <= due.date,
  };
}

const isMonitor = (id: string): id is MonitorId => Object.hasOwn(MONITOR_NAMES, id);

/** Self-checks that are fitted and have not run since the last clear, each once. */
function openChecks(standing: Standing): OpenCheck[] {
  const ids = standing.monitors
    .filter((m) => m.clearedBy === null && m.monitor.span === 'since-clear' && !m.monitor.complete)
    .map((m) => m.monitor.monitor)
    .filter(isMonitor);
  const failing = standing.codes
    .filter((c) => c.clearedBy === null && (c.code.state === 'confirmed' || c.code.state === 'pending'))
    .map((c) => c.code.code);
  return [...new Set(ids)].map((monitor) => ({
    monitor,
    name: MONITOR_NAMES[monitor],
    blockedBy: [...new Set(failing)].filter((code) =>
      selfCheckOf(code)?.monitors.some((m) => isMonitor(m) && ENABLING[monitor].blockedBy.includes(m)),
    ),
  }));
}

function lightReason(standing: Standing): InspectionReason {
  const says = (verdict: InspectionReason['says'], text: string, change: string): InspectionReason => ({
    id: 'light',
    says: verdict,
    text,
    change,
  });
  switch (engineLightOf(standing)) {
    case 'commanded':
      return says(
        'fail',
        'The {car} commands the engine light on.',
        'Cure the fault. The light then goes out after a clear, or by itself after three good drives in a row.',
      );
    case 'seen':
      return says(
        'fail',
        'The engine light was seen on.',
        'Cure the fault, and look again with the engine running.',
      );
    case 'unknown':
      return says(
        'unknown',
        'Nobody has looked at the engine light or read it since.',
        'Start the engine and look, or read everything.',
      );
    case 'off':
      return says('pass', 'The engine light is off with the engine running.', '');
  }
}

function bulbReason({ bulb }: Standing): InspectionReason {
  if (bulb === 'lights')
    return { id: 'bulb', says: 'pass', text: 'The engine light comes on at key-on.', change: '' };
  return bulb === 'does-not'
    ? {
        id: 'bulb',
        says: 'fail',
        text: 'The engine light does not come on at key-on: it is dead, or was made dead.',
        change: 'Have the light or its wiring repaired.',
      }
    : {
        id: 'bulb',
        says: 'unknown',
        text: 'Nobody has looked whether the engine light comes on at key-on.',
        change: 'Switch the ignition on without starting, look, and say so at Warning light.',
      };
}

function readinessReason(
  standing: Standing,
  vehicle: Vehicle,
  { readiness }: InspectionRule,
  open: readonly OpenCheck[],
): InspectionReason {
  const says = (verdict: InspectionReason['says'], text: string, change: string): InspectionReason => ({
    id: 'self-checks',
    says: verdict,
    text,
    change,
  });
  if (unreadParts(standing, ['readiness']).length > 0)
    return says('unknown', 'The self-checks were not read since the last clear.', 'Read everything.');
  const { year } = vehicle;
  if (year === undefined)
    return says(
      'unknown',
      'How many self-checks may be open goes by the model year, which is not known.',
      'Add the year to the vehicle.',
    );
  const fuel = vehicle.fuel === 'diesel' ? 'diesel' : 'spark';
  const row = readiness.find(
    (r) => r.fuel === fuel && year >= r.from && (r.to === undefined || year <= r.to),
  );
  if (!row) return says('pass', `Self-checks are not asked of a ${year} model.`, '');
  const names = open.map((o) => o.name.toLowerCase()).join(', ');
  const others = row.only ? open.filter((o) => !row.only?.includes(o.monitor)) : [];
  if (open.length > row.open || others.length > 0) {
    const allowed = row.only
      ? `only ${row.only.map((m) => MONITOR_NAMES[m].toLowerCase()).join(' and ')} may be`
      : row.open === 0
        ? 'none may be'
        : `${row.open} may be`;
    return says(
      'fail',
      `Open: ${names}; ${allowed} for a ${year} model.`,
      'Drive until they have run; see the drives below.',
    );
  }
  return says(
    'pass',
    open.length === 0 ? 'All self-checks have run.' : `Open: ${names}, which is allowed for a ${year} model.`,
    '',
  );
}

function permanentReason(
  standing: Standing,
  { year }: Vehicle,
  rule: NonNullable<InspectionRule['permanent']>,
): InspectionReason | null {
  if (year !== undefined && year < rule.from) return null;
  const permanent = [
    ...new Set(
      standing.codes
        .filter(
          (c) =>
            c.code.state === 'permanent' && c.clearedBy === null && isStandardUnit(standing, c.code.unit),
        )
        .map((c) => c.code.code),
    ),
  ];
  const says = (verdict: InspectionReason['says'], text: string, change: string): InspectionReason => ({
    id: 'permanent',
    says: verdict,
    text,
    change,
  });
  if (permanent.length === 0)
    return unreadParts(standing, ['permanent']).length > 0
      ? says('unknown', 'The permanent codes were not read.', 'Read everything.')
      : says('pass', 'No permanent code is stored.', '');
  const [warmUps, km] = [valueNow(standing, '30'), valueNow(standing, '31')];
  const list = permanent.join(', ');
  if (warmUps !== null && km !== null && warmUps >= rule.warmUps && km >= rule.km)
    return says(
      'pass',
      `Permanent codes (${list}) no longer count after ${rule.warmUps} warm-ups and {${rule.km} km}.`,
      '',
    );
  return says(
    'fail',
    `Permanent codes are stored: ${list}.`,
    `The {car} erases each once its own self-check has passed; or they no longer count after ${rule.warmUps} warm-ups and {${rule.km} km} since the clear.`,
  );
}
