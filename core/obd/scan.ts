import * as z from 'zod/mini';

/** Source of answers whose control unit was not printed; there may be several of them behind it. */
export const NO_SOURCE = 'unknown';

/** The four states of a code that Pincer keeps; readers' words are translated to these. */
export const CODE_STATES = ['pending', 'confirmed', 'permanent', 'history'] as const;
export type CodeState = (typeof CODE_STATES)[number];

export const readCodeSchema = z.object({
  code: z.string(),
  state: z.enum(CODE_STATES),
  /** Id of the control unit as printed on the wire: `7E8`, `18DAF110`, `10`; `unknown` without headers. */
  unit: z.string(),
  /** ISO 14229 status byte, when the code came from service 19. */
  statusByte: z.optional(z.int().check(z.minimum(0), z.maximum(255))),
  /** ISO 14229 failure-type byte (third byte of the code), two hexadecimal digits. */
  failureType: z.optional(z.string()),
  /** Status byte of ISO 14230-3 as sent, when the code came from service 18; `statusByte` is what it means in the other. */
  olderStatus: z.optional(z.int().check(z.minimum(0), z.maximum(255))),
});
export type ReadCode = z.infer<typeof readCodeSchema>;

export const readValueSchema = z.object({
  service: z.string(),
  pid: z.string(),
  part: z.optional(z.string()),
  name: z.string(),
  value: z.union([z.number(), z.string(), z.null()]),
  unit: z.string(),
  source: z.string(),
  /** The unscaled unsigned number as sent; hexadecimal text for readings that are text. */
  raw: z.union([z.number(), z.string()]),
  /** Limits that the control unit reports with an on-board test result (service 06). */
  min: z.optional(z.number()),
  max: z.optional(z.number()),
});
export type ReadValue = z.infer<typeof readValueSchema>;

export const storedRecordSchema = z.object({
  unit: z.string(),
  code: z.string(),
  failureType: z.string(),
  /** Conditions stored with the code (ISO 14229-1 service 19 04), or counters and the like kept for it (19 06). */
  kind: z.enum(['conditions', 'extended']),
  /** Record number, two hexadecimal digits. */
  record: z.string(),
  /** What the standard describes of it. */
  values: z.array(readValueSchema),
  /** The rest as it came, hexadecimal; empty when nothing is left. */
  bytes: z.string(),
});
/** What a control unit keeps beside a code, beyond its status. */
export type StoredRecord = z.infer<typeof storedRecordSchema>;

export const freezeFrameSchema = z.object({
  unit: z.string(),
  frame: z.int(),
  /** The code that stored the frame; null when the control unit did not say. */
  code: z.nullable(z.string()),
  values: z.array(readValueSchema),
});
export type FreezeFrame = z.infer<typeof freezeFrameSchema>;

export const monitorSchema = z.object({
  unit: z.string(),
  span: z.enum(['since-clear', 'this-cycle']),
  monitor: z.string(),
  name: z.string(),
  complete: z.boolean(),
});
export type MonitorStatus = z.infer<typeof monitorSchema>;

export const readErrorSchema = z.object({
  kind: z.string(),
  message: z.string(),
  line: z.optional(z.int()),
});
export type ReadError = z.infer<typeof readErrorSchema>;

/** The parts of a scan. Each is read, or not, for each control unit by itself. */
export const SCAN_PARTS = [
  'confirmed',
  'pending',
  'permanent',
  'history',
  'freeze-frames',
  'readiness',
  'mil',
  'identity',
  'counters',
  'values',
  'tests',
] as const;
export type ScanPart = (typeof SCAN_PARTS)[number];

/**
 * What became of a part: `known` was answered with content, `empty` by an answer that says there is none,
 * `unsupported` means that the unit itself has no such thing, `not-read` that nobody knows.
 */
export const PART_STATES = ['known', 'empty', 'unsupported', 'not-read'] as const;
export type PartState = (typeof PART_STATES)[number];

export const partReadSchema = z.object({
  unit: z.string(),
  part: z.enum(SCAN_PARTS),
  state: z.enum(PART_STATES),
  /** Why it was not read, in plain words. */
  why: z.optional(z.string()),
  /** Told by hand: what stands there is all that the reader showed of this part. */
  isAll: z.optional(z.literal(true)),
});
export type PartRead = z.infer<typeof partReadSchema>;

const milSchema = z.object({
  unit: z.string(),
  /** Whether the unit commands the malfunction indicator lamp on. */
  on: z.boolean(),
  /** Confirmed emission codes that it counts. */
  count: z.int(),
});
/** The malfunction indicator lamp as one control unit commands it (SAE J1979, service 01 PID 01, byte A). */
export type Mil = z.infer<typeof milSchema>;

export const scanSchema = z.object({
  vin: z.optional(z.string()),
  mils: z.array(milSchema),
  ignition: z.optional(z.enum(['spark', 'compression'])),
  protocol: z.optional(z.string()),
  /** Supply voltage at the socket as measured by the adapter, volts. */
  adapterVolts: z.optional(z.number()),
  identities: z.array(
    z.object({
      unit: z.string(),
      name: z.optional(z.string()),
      calibrationIds: z.array(z.string()),
      verificationNumbers: z.array(z.string()),
    }),
  ),
  /** Control units that a module map named, and whether each answered. */
  units: z.optional(
    z.array(
      z.object({
        unit: z.string(),
        name: z.string(),
        hasAnswered: z.boolean(),
        /** Why not, in plain words. */
        why: z.optional(z.string()),
      }),
    ),
  ),
  /** What control units of the module map keep beside their codes. */
  records: z.optional(z.array(storedRecordSchema)),
  codes: z.array(readCodeSchema),
  values: z.array(readValueSchema),
  freezeFrames: z.array(freezeFrameSchema),
  monitors: z.array(monitorSchema),
  errors: z.array(readErrorSchema),
  /** Which parts were read of which control unit; a part that stands here for none was not asked for. */
  parts: z.array(partReadSchema),
  /** What a complete reading would have held and this one does not, in plain words. */
  missing: z.array(z.object({ part: z.string(), why: z.string() })),
});
/** Everything that one pass over the car brought back. */
export type Scan = z.infer<typeof scanSchema>;

/** A reading with nothing in it. */
export function emptyScan(): Scan {
  return {
    mils: [],
    identities: [],
    codes: [],
    values: [],
    freezeFrames: [],
    monitors: [],
    errors: [],
    parts: [],
    missing: [],
  };
}

/** First numeric value of a service 01 reading, or null when absent or not available. */
export function currentNumber(reading: Scan, pid: string, part?: string): number | null {
  const hit = reading.values.find(
    (v) => v.service === '01' && v.pid === pid && (part === undefined || v.part === part),
  );
  return typeof hit?.value === 'number' ? hit.value : null;
}

/** The lamp command and the count of all control units together; null where none told it. */
export function milOf({ mils }: Pick<Scan, 'mils'>): { on: boolean; count: number } | null {
  return mils.length === 0
    ? null
    : { on: mils.some((m) => m.on), count: mils.reduce((n, m) => n + m.count, 0) };
}

/** PIDs of service 01 that count distance, warm-ups or time since the last clear or with the lamp on. */
export const COUNTER_PIDS: ReadonlySet<string> = new Set(['21', '30', '31', '4D', '4E']);

/** The part that a value belongs to. */
export function partOfValue({ service, pid }: Pick<ReadValue, 'service' | 'pid'>): ScanPart {
  if (service === '06') return 'tests';
  if (service === '09') return pid === '08' || pid === '0B' ? 'counters' : 'identity';
  return COUNTER_PIDS.has(pid) ? 'counters' : 'values';
}

/** The parts of which a scan holds content, each of each control unit once, as `known`. */
export function partsHeld(scan: Scan): PartRead[] {
  const held = new Map<string, PartRead>();
  const note = (unit: string, part: ScanPart) => held.set(`${unit}/${part}`, { unit, part, state: 'known' });
  for (const c of scan.codes) note(c.unit, c.state);
  for (const f of scan.freezeFrames) note(f.unit, 'freeze-frames');
  for (const m of scan.monitors) note(m.unit, 'readiness');
  for (const m of scan.mils) note(m.unit, 'mil');
  for (const i of scan.identities) note(i.unit, 'identity');
  for (const v of scan.values) note(v.source, partOfValue(v));
  if (scan.vin !== undefined && ![...held.values()].some((p) => p.part === 'identity'))
    note(NO_SOURCE, 'identity');
  return [...held.values()];
}
