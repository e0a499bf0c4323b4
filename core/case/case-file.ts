import type * as z from 'zod/mini';
import { TOLD_IN_ENGLISH } from '@pincer/core/words';
import type { Vehicle } from '@pincer/core/vehicle';
import { assertMigrations, migrate } from './migrations.ts';
import { referencesOf } from './order.ts';
import { isOfNewerKind, withUnknown } from './stored.ts';
import { CURRENT_VERSION, caseFileSchema, type CaseFile, type CaseRecord, type Owner } from './record.ts';

export type ImportProblem =
  | { code: 'not-json'; line: number | null; detail: string }
  | { code: 'not-a-case' }
  | { code: 'newer-version'; version: number }
  | { code: 'broken'; path: string; detail: string }
  | { code: 'dangling'; entry: string; refersTo: string };

/** `newer` are entries of kinds that this version does not know, as they stand in the file: they are kept, not read. */
export type ImportResult =
  | { ok: true; file: CaseFile; newer: unknown[] }
  | { ok: false; problem: ImportProblem };

assertMigrations(CURRENT_VERSION);

/**
 * The text of a case file: JSON, two spaces, in the current version.
 * @param newer entries of kinds that this version does not know; they go along as they are.
 */
export function writeCaseFile(
  record: CaseRecord,
  vehicle: Vehicle,
  exportedAt: string,
  owner?: Owner,
  newer: readonly unknown[] = [],
): string {
  const file = {
    format: 'pincer-case',
    version: CURRENT_VERSION,
    exportedAt,
    vehicle,
    case: { ...record, entries: [...record.entries, ...newer] },
    ...(owner ? { owner } : {}),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** Reads a case file: parse, migrate a copy, validate, check references. Nothing is changed on a failure. */
export function readCaseFile(text: string): ImportResult {
  let data: unknown;
  try {
    // Some editors put a mark of byte order in front.
    data = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return { ok: false, problem: notJson(text, error instanceof Error ? error.message : '') };
  }
  return readCaseData(data);
}

/** As {@link readCaseFile}, from data that has been parsed. */
export function readCaseData(data: unknown): ImportResult {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return { ok: false, problem: { code: 'not-a-case' } };
  if (isTooDeep(data))
    return {
      ok: false,
      problem: { code: 'broken', path: '(the whole file)', detail: 'it is nested too deeply' },
    };
  const raw = data as Record<string, unknown>;
  const version = raw['version'];
  if (
    raw['format'] !== 'pincer-case' ||
    typeof version !== 'number' ||
    !Number.isInteger(version) ||
    version < 1
  )
    return { ok: false, problem: { code: 'not-a-case' } };
  if (version > CURRENT_VERSION) return { ok: false, problem: { code: 'newer-version', version } };
  const { known: now, newer } = withoutNewer(migrate(raw, version));
  const parsed = caseFileSchema.safeParse(now, TOLD_IN_ENGLISH);
  if (!parsed.success) return { ok: false, problem: broken(parsed.error) };
  const dangling = danglingReference(parsed.data, newer);
  return dangling
    ? { ok: false, problem: dangling }
    : { ok: true, file: withUnknown(now, parsed.data), newer };
}

/** The file without the entries of kinds that are not known here, and those. */
function withoutNewer(file: Record<string, unknown>): { known: Record<string, unknown>; newer: unknown[] } {
  const record = file['case'];
  if (
    typeof record !== 'object' ||
    record === null ||
    !('entries' in record) ||
    !Array.isArray(record.entries)
  )
    return { known: file, newer: [] };
  const entries: readonly unknown[] = record.entries;
  const newer = entries.filter(isOfNewerKind);
  if (newer.length === 0) return { known: file, newer };
  return {
    known: { ...file, case: { ...record, entries: entries.filter((e) => !isOfNewerKind(e)) } },
    newer,
  };
}

/** Deeper than anything that a case holds: what is put together from it, or written again, must not run out of room. */
const MAX_DEPTH = 60;

function isTooDeep(data: unknown): boolean {
  let level: unknown[] = [data];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MAX_DEPTH) return true;
    level = level.flatMap((v): unknown[] => (typeof v === 'object' && v !== null ? Object.values(v) : []));
  }
  return false;
}

function broken(error: z.core.$ZodError): ImportProblem {
  const issue = error.issues[0];
  const path = (issue?.path ?? [])
    .map((p) => (typeof p === 'number' ? `[${p}]` : `.${String(p)}`))
    .join('')
    .replace(/^\./, '');
  return { code: 'broken', path: path || '(the whole file)', detail: issue?.message ?? 'invalid' };
}

function notJson(text: string, detail: string): ImportProblem {
  const position = /position (\d+)/.exec(detail)?.[1];
  const lines = position === undefined ? null : text.slice(0, Number(position)).split('\n').length;
  return { code: 'not-json', line: lines, detail };
}

function danglingReference(file: CaseFile, newer: readonly unknown[]): ImportProblem | null {
  if (file.case.vehicle !== file.vehicle.id)
    return { code: 'dangling', entry: file.case.id, refersTo: file.case.vehicle };
  const ids = new Set([...file.case.entries, ...(newer as { id: string }[])].map((e) => e.id));
  if (ids.size !== file.case.entries.length + newer.length)
    return { code: 'broken', path: 'case.entries', detail: 'two entries have the same id' };
  for (const entry of file.case.entries) {
    const refersTo = referencesOf(entry).find((id) => !ids.has(id));
    if (refersTo !== undefined) return { code: 'dangling', entry: entry.id, refersTo };
  }
  return null;
}

/** The plain sentence for an import problem, naming the place. */
export function importProblemWords(problem: ImportProblem): string {
  switch (problem.code) {
    case 'not-json':
      return `This is not a JSON file${problem.line === null ? '' : `: line ${problem.line} cannot be read`}. It may have been cut short when it was sent or saved.`;
    case 'not-a-case':
      return 'This file is JSON, but not a case file: its “format” is not “pincer-case” with a version number.';
    case 'newer-version':
      return `This case file has version ${problem.version}, made by a newer Pincer than this one. Update, then open it again; nothing was changed.`;
    case 'broken':
      return `The case file is damaged at ${problem.path}: ${problem.detail}. Nothing was added.`;
    case 'dangling':
      return `The case file is damaged: ${problem.entry} refers to ${problem.refersTo}, which is not in it. Nothing was added.`;
  }
}
