/** A step that brings plain data from version `from` to `from + 1`. Shipped steps are never edited. */
export interface Migration {
  from: number;
  /** Named for what changes. */
  name: string;
  /** @param file a case file, or a stored record under `record`; left as it was. */
  up: (file: Record<string, unknown>) => Record<string, unknown>;
}

type Plain = Record<string, unknown>;

const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);
const listOf = (v: unknown): Plain[] => (Array.isArray(v) ? v.filter(isPlain) : []);
const textOf = (v: unknown): string => (typeof v === 'string' ? v : '');

/** The object with keys renamed; one that is not there stays away. */
function renamed(object: Plain, names: Readonly<Record<string, string>>): Plain {
  return Object.fromEntries(Object.entries(object).map(([key, value]) => [names[key] ?? key, value]));
}

/** The parts that version 1 named in words as missing, and what they would have brought. */
const V1_MISSING: Readonly<Record<string, readonly string[]>> = {
  'confirmed codes': ['confirmed'],
  'pending codes': ['pending'],
  'permanent codes': ['permanent'],
  'stored conditions': ['freeze-frames'],
  'vehicle number and calibration': ['identity'],
  'lamp, self-checks and readings': ['mil', 'readiness', 'counters', 'values'],
  'on-board test results': ['tests'],
};
const V1_ASKED = [...new Set(Object.values(V1_MISSING).flat())];
const V1_COUNTERS = new Set(['21', '30', '31', '4D', '4E']);

/**
 * What version 1 did not write down of its readings: which part was read of which control unit. A full reading had asked
 * every unit for everything; of a cut one the missing parts are named; a typed one or a file holds what it holds.
 */
function partsOfV1(reading: Plain, via: unknown): Plain[] {
  const held = new Set<string>();
  const units = new Set<string>();
  const mapped = new Set(listOf(reading['units']).map((u) => textOf(u['unit'])));
  const note = (unit: unknown, part: string) => {
    held.add(`${textOf(unit)}/${part}`);
    if (!mapped.has(textOf(unit)) || /^7E/.test(textOf(unit))) units.add(textOf(unit));
  };
  for (const c of listOf(reading['codes'])) note(c['unit'], textOf(c['state']));
  for (const f of listOf(reading['frozen'])) note(f['unit'], 'freeze-frames');
  for (const m of listOf(reading['monitors'])) note(m['unit'], 'readiness');
  for (const i of listOf(reading['identities'])) note(i['unit'], 'identity');
  for (const v of listOf(reading['values'])) {
    const [service, pid] = [textOf(v['service']), textOf(v['pid'])];
    if (service === '06') note(v['source'], 'tests');
    else if (service === '09') note(v['source'], 'identity');
    else note(v['source'], V1_COUNTERS.has(pid) ? 'counters' : 'values');
  }
  const lampUnit = lampUnitOfV1(reading);
  if (isPlain(reading['lamp'])) note(lampUnit, 'mil');
  const parts = [...held].map((key): Plain => {
    const at = key.lastIndexOf('/');
    return { unit: key.slice(0, at), part: key.slice(at + 1), state: 'known' };
  });
  if (via !== 'adapter') return parts;
  const missing = new Map(
    listOf(reading['missing']).flatMap((m) =>
      (V1_MISSING[textOf(m['part'])] ?? []).map((part): [string, string] => [part, textOf(m['why'])]),
    ),
  );
  if (units.size === 0) units.add('unknown');
  for (const unit of units)
    for (const part of V1_ASKED) {
      const known = parts.find((p) => p['unit'] === unit && p['part'] === part);
      const why = missing.get(part);
      if (why !== undefined) {
        if (known) Object.assign(known, { state: 'not-read', why });
        else parts.push({ unit, part, state: 'not-read', why });
      } else if (!known && ['confirmed', 'pending', 'permanent', 'freeze-frames'].includes(part))
        parts.push({ unit, part, state: 'empty' });
    }
  for (const u of listOf(reading['units'])) {
    if (u['hasAnswered'] !== true) continue;
    for (const part of ['confirmed', 'pending', 'history'])
      if (!parts.some((p) => p['unit'] === u['unit'] && p['part'] === part))
        parts.push({ unit: u['unit'], part, state: 'empty' });
  }
  return parts;
}

/** Version 1 kept one lamp for all units; it is taken for the first that told self-checks. */
function lampUnitOfV1(reading: Plain): string {
  return textOf(listOf(reading['monitors'])[0]?.['unit']) || 'unknown';
}

function scanOfV1(reading: Plain, via: unknown): Plain {
  const { lamp, frozen, ...rest } = reading;
  return {
    ...rest,
    freezeFrames: frozen,
    mils: isPlain(lamp) ? [{ unit: lampUnitOfV1(reading), on: lamp['on'], count: lamp['count'] }] : [],
    parts: partsOfV1(reading, via),
  };
}

function entryOfV1(entry: Plain): Plain {
  switch (entry['kind']) {
    case 'reading': {
      const { reading, ...rest } = entry;
      return {
        ...rest,
        kind: 'scan',
        scan: isPlain(reading) ? scanOfV1(reading, entry['via']) : reading,
      };
    }
    case 'struck':
      return { ...entry, kind: 'retracted' };
    case 'clear': {
      const clear = renamed(entry, { afterReading: 'afterScan' });
      // What had failed had gone out and got no answer.
      return clear['outcome'] === 'failed' ? { ...clear, outcome: 'unknown' } : clear;
    }
    default:
      return entry;
  }
}

/** Entries of one and the same millisecond keep the order in which they stood: from now on the moment decides. */
function caseOfV1(record: Plain): Plain {
  let before = '';
  let at = '';
  const entries = listOf(record['entries']).map((entry) => {
    const said = textOf(entry['at']);
    const isTie = said !== '' && said === before;
    at = isTie ? new Date(Date.parse(at) + 1).toISOString() : said;
    before = said;
    return entryOfV1(isTie ? { ...entry, at } : entry);
  });
  return { ...record, entries };
}

const vehicleOfV1 = (vehicle: Plain): Plain => {
  const now = renamed(vehicle, {
    displacement: 'displacementLitres',
    distance: 'distanceKm',
    height: 'heightM',
  });
  if (!Array.isArray(now['usualTrips'])) return now;
  return {
    ...now,
    usualTrips: now['usualTrips'].map((t: unknown) =>
      isPlain(t) ? renamed(t, { distance: 'distanceKm' }) : t,
    ),
  };
};

function recordOfV1(record: unknown): unknown {
  if (!isPlain(record)) return record;
  if (Array.isArray(record['entries'])) return caseOfV1(record);
  return 'fuel' in record ? vehicleOfV1(record) : record;
}

/** The steps, in order, numbered without a gap. */
export const MIGRATIONS: readonly Migration[] = [
  {
    from: 1,
    name: 'scans say which parts were read; names of the field; clears without an answer are unknown',
    up: (file) => ({
      ...file,
      ...(isPlain(file['case']) ? { case: caseOfV1(file['case']) } : {}),
      ...(isPlain(file['vehicle']) ? { vehicle: vehicleOfV1(file['vehicle']) } : {}),
      ...('record' in file ? { record: recordOfV1(file['record']) } : {}),
    }),
  },
  // What version 2 wrote stands as it is; a decision to leave it alone is not known to it.
  { from: 2, name: 'a decision can be to leave it alone', up: (file) => file },
];

/**
 * Checks at start-up that the steps are numbered 1..n without a gap and end at the current version.
 * @throws Error naming the step that does not fit.
 */
export function assertMigrations(current: number, steps: readonly Migration[] = MIGRATIONS): void {
  steps.forEach((step, i) => {
    if (step.from !== i + 1)
      throw new Error(`Migration ${step.name} has number ${step.from}, expected ${i + 1}.`);
  });
  if (steps.length !== current - 1)
    throw new Error(`There are ${steps.length} migrations, but version ${current} needs ${current - 1}.`);
}

/** Applies the steps from a file's version to the last one, on a copy. */
export function migrate(
  file: Record<string, unknown>,
  from: number,
  steps: readonly Migration[] = MIGRATIONS,
): Record<string, unknown> {
  let result = file;
  for (const step of steps.slice(from - 1)) result = { ...step.up(result), version: step.from + 1 };
  return result;
}
