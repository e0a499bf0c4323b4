import { assess, type Assessment } from '@pincer/core/assess';
import {
  DEFAULT_OWNER,
  foldCase,
  importProblemWords,
  readCaseFile,
  type CaseState,
  type Standing,
} from '@pincer/core/case';
import { levelRank } from '@pincer/core/urgency';
import { moneyOf } from '@pincer/core/words';
import { InputError, json, readText, type Output } from './output.ts';

const rounded = (n: number, digits: number): number => Number(n.toFixed(digits));

/** What is known now, part by part of each control unit: known, empty, unsupported, not-read or cleared. */
function parts(standing: Standing) {
  return [...standing.parts.values()].map(({ unit, part, status, word, missed }) => ({
    unit,
    part,
    status,
    ...(word === null ? {} : { at: word.at, how: word.how, entry: word.entry }),
    ...(missed === null ? {} : { missed }),
  }));
}

/** The stable JSON shape of `assess`; see docs/formats.md. */
function shape(a: Assessment, state: CaseState) {
  return {
    allowance: {
      level: levelRank(a.allowance.level),
      title: a.allowance.title,
      reasons: a.allowance.reasons.map((r) => ({ ...r, level: levelRank(r.level) })),
    },
    known: parts(state.standing),
    groups: a.groups,
    leftOver: a.leftOver,
    causes: a.causes.map((c) => ({
      id: c.id,
      title: c.title,
      probability: rounded(c.probability, 6),
      accountsFor: c.accountsFor,
    })),
    checks: a.checks.map((c) => ({
      id: c.id,
      title: c.title,
      minutes: c.minutes,
      cost: c.cost,
      gain: rounded(c.gain, 2),
    })),
    options: a.options.map((o) => ({
      id: o.id,
      title: o.title,
      cost: rounded(o.cost, 2),
      minutes: o.minutes,
      success: rounded(o.success, 4),
      blocked: o.blocked,
    })),
    recommended: a.recommended,
    firstStep: a.firstStep,
  };
}

/** Assesses a case file as at a moment. */
export async function assessFile(
  path: string,
  asJson: boolean,
  at: string | undefined,
  out: Output,
): Promise<number> {
  const read = readCaseFile(await readText(path));
  if (!read.ok) throw new InputError(`${path}: ${importProblemWords(read.problem)}`);
  const now = at === undefined ? new Date() : new Date(at);
  if (Number.isNaN(now.getTime()))
    throw new InputError(`--at ${at}: this is not an ISO moment such as 2026-11-03T08:00:00Z.`);
  const { file, newer } = read;
  if (newer.length > 0)
    out.error(
      `${path}: ${newer.length} of its entries were written by a newer Pincer and are not understood here. What follows may lack something.`,
    );
  const a = assess(file.case, file.vehicle, now, file.owner ?? DEFAULT_OWNER);
  if (asJson) {
    out.log(json(shape(a, foldCase(file.case))));
    return 0;
  }
  const purse = file.owner ?? DEFAULT_OWNER;
  out.log(`${file.vehicle.name}: ${file.case.title}`);
  out.log(`Road: ${a.allowance.title}. ${a.allowance.reasons[0]?.text ?? a.allowance.detail}`);
  for (const g of a.groups) out.log(`One story: ${g.codes.join(', ')} follow from ${g.title.toLowerCase()}.`);
  if (a.leftOver.length > 0) out.log(`Left over: ${a.leftOver.join(', ')}.`);
  for (const c of a.causes.slice(0, 6))
    out.log(`  ${(c.probability * 100).toFixed(1).padStart(5)} %  ${c.title}`);
  const [check] = a.checks;
  if (a.firstStep.kind === 'check' && check)
    out.log(`Next check: ${check.title} (${check.minutes} min, ${a.firstStep.why})`);
  for (const o of a.options) {
    const closed =
      o.blocked.length > 0
        ? `closed: ${o.blocked.map((b) => b.text).join(' ')}`
        : `${moneyOf(o.cost, purse)}, ${o.minutes} min, ${Math.round(o.success * 100)} %`;
    out.log(`${o.id === a.recommended ? '*' : ' '} ${o.title}: ${closed}`);
  }
  return 0;
}
