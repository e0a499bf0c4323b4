import { z } from 'zod';

/** The four states of a code that Pincer keeps; readers' words are translated to these. */
export const CODE_STATES = ['pending', 'confirmed', 'permanent', 'history'] as const;
export type CodeState = (typeof CODE_STATES)[number];

export const readCodeSchema = z.object({
  code: z.string(),
  state: z.enum(CODE_STATES),
  /** Id of the control unit as printed on the wire: `7E8`, `18DAF110`, `10`; `unknown` without headers. */
  unit: z.string(),
  /** ISO 14229 status byte, when the code came from service 19. */
  statusByte: z.number().int().min(0).max(255).optional(),
  /** ISO 14229 failure-type byte (third byte of the code), two hexadecimal digits. */
  failureType: z.string().optional(),
});
export type ReadCode = z.infer<typeof readCodeSchema>;

export const readValueSchema = z.object({
  service: z.string(),
  pid: z.string(),
  part: z.string().optional(),
  name: z.string(),
  value: z.union([z.number(), z.string(), z.null()]),
  unit: z.string(),
  source: z.string(),
  /** The unscaled unsigned number as sent; hexadecimal text for readings that are text. */
  raw: z.union([z.number(), z.string()]),
  /** Limits that the control unit reports with an on-board test result (service 06). */
  min: z.number().optional(),
  max: z.number().optional(),
});
export type ReadValue = z.infer<typeof readValueSchema>;

export const freezeFrameSchema = z.object({
  unit: z.string(),
  frame: z.number().int(),
  /** The code that stored the frame; null when the control unit did not say. */
  code: z.string().nullable(),
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
  line: z.number().int().optional(),
});
export type ReadError = z.infer<typeof readErrorSchema>;

export const scanSchema = z.object({
  vin: z.string().optional(),
  /** Lamp command and number of stored emission codes (service 01 PID 01), all control units together. */
  mil: z.object({ on: z.boolean(), count: z.number().int() }).optional(),
  ignition: z.enum(['spark', 'compression']).optional(),
  protocol: z.string().optional(),
  /** Supply voltage at the socket as measured by the adapter, volts. */
  adapterVolts: z.number().optional(),
  identities: z.array(
    z.object({
      unit: z.string(),
      name: z.string().optional(),
      calibrationIds: z.array(z.string()),
      verificationNumbers: z.array(z.string()),
    }),
  ),
  /** Control units that a module map named, and whether each answered. */
  units: z
    .array(
      z.object({
        unit: z.string(),
        name: z.string(),
        hasAnswered: z.boolean(),
        /** Why not, in plain words. */
        why: z.string().optional(),
      }),
    )
    .optional(),
  codes: z.array(readCodeSchema),
  values: z.array(readValueSchema),
  freezeFrames: z.array(freezeFrameSchema),
  monitors: z.array(monitorSchema),
  errors: z.array(readErrorSchema),
  /** What a complete reading would have held and this one does not, in plain words. */
  missing: z.array(z.object({ part: z.string(), why: z.string() })),
});
/** Everything that one pass over the car brought back. */
export type Scan = z.infer<typeof scanSchema>;

/** A reading with nothing in it. */
export function emptyScan(): Scan {
  return {
    identities: [],
    codes: [],
    values: [],
    freezeFrames: [],
    monitors: [],
    errors: [],
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
