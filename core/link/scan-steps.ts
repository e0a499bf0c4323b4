import { isStandardAnswerId, type Scan, type ScanPart } from '@pincer/core/obd';

/** The steps of a full scan, in order, with the words for what would be missing and the parts that they bring. */
export const STEPS = [
  {
    id: 'supported',
    step: 'What the vehicle can tell',
    missing: 'the list of supported readings',
    parts: [],
  },
  {
    id: 'identity',
    step: 'Identity',
    missing: 'vehicle number and calibration',
    parts: ['identity'],
  },
  { id: 'confirmed', step: 'Confirmed codes', missing: 'confirmed codes', parts: ['confirmed'] },
  { id: 'pending', step: 'Pending codes', missing: 'pending codes', parts: ['pending'] },
  { id: 'permanent', step: 'Permanent codes', missing: 'permanent codes', parts: ['permanent'] },
  { id: 'frozen', step: 'Stored conditions', missing: 'stored conditions', parts: ['freeze-frames'] },
  {
    id: 'values',
    step: 'Engine light, self-checks and readings',
    missing: 'engine light, self-checks and readings',
    parts: ['mil', 'readiness', 'counters', 'values'],
  },
  { id: 'tests', step: 'On-board test results', missing: 'on-board test results', parts: ['tests'] },
  { id: 'units', step: 'The other control units', missing: 'codes of the other control units', parts: [] },
] as const satisfies readonly { id: string; step: string; missing: string; parts: readonly ScanPart[] }[];
export type Step = (typeof STEPS)[number];
export type StepId = Step['id'];

/** What a part of a scan is made of, taken out when that part is asked for anew. */
export function without(scan: Scan, steps: ReadonlySet<StepId>): Scan {
  const lacks = (id: StepId) => steps.has(id);
  const gone = new Set<ScanPart>(STEPS.filter((s) => lacks(s.id)).flatMap((s) => [...s.parts]));
  const { vin, ...rest } = structuredClone(scan);
  const isMapped = (unit: string) =>
    rest.units?.some((u) => u.unit === unit) === true && !isStandardAnswerId(unit);
  return {
    ...rest,
    mils: gone.has('mil') ? [] : rest.mils,
    ...(vin !== undefined && !lacks('identity') ? { vin } : {}),
    codes: rest.codes.filter((c) => (isMapped(c.unit) ? !lacks('units') : !gone.has(c.state))),
    freezeFrames: lacks('frozen') ? [] : rest.freezeFrames,
    identities: lacks('identity') ? [] : rest.identities,
    ...(rest.units && lacks('units') ? { units: [] } : {}),
    ...(rest.records
      ? { records: rest.records.filter((r) => !lacks(isMapped(r.unit) ? 'units' : 'frozen')) }
      : {}),
    values: rest.values.filter(
      (v) =>
        !(lacks('values') && v.service === '01') &&
        !(lacks('tests') && (v.service === '06' || v.service === '22')) &&
        !(lacks('identity') && v.service === '09'),
    ),
    monitors: lacks('values') ? [] : rest.monitors,
    errors: [],
    parts: rest.parts.filter((p) => (isMapped(p.unit) ? !lacks('units') : !gone.has(p.part))),
    missing: [],
  };
}
