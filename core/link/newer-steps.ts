import { toHex } from '@pincer/core/obd';
import { MAX_RECORDED, recordsOf, type Asking } from './stored-records.ts';

/** Bit 7 of the status byte of ISO 14229-1. */
const ASKS_FOR_LAMP = 0x80;
/** First identifiers of the self-checks and of the test results of SAE J1979-2. */
const UNDECODED = ['22F501', '22F600'] as const;

/** The conditions of each code of a newer car by itself (ISO 14229-1 service 19 04, every record). */
export async function newerConditions(run: Asking): Promise<void> {
  const { scan, builder } = run;
  const codes = scan.codes.filter((c) => c.state !== 'permanent' && c.failureType !== undefined);
  for (const code of codes.slice(0, MAX_RECORDED * 2)) {
    if (run.hasFault()) return;
    const { heard, records } = await recordsOf(run, 'conditions', code);
    if (records === null) {
      if (heard.damage.length > 0) run.notePart('freeze-frames', code.unit, heard, true);
      continue;
    }
    for (const { record, values } of records)
      scan.freezeFrames.push({
        unit: code.unit,
        frame: Number.parseInt(record, 16),
        code: code.code,
        values,
      });
    (scan.records ??= []).push(...records.filter((r) => r.bytes !== ''));
    builder.notePart(code.unit, 'freeze-frames', 'known');
  }
  for (const unit of run.expected())
    if (builder.partOf(unit, 'freeze-frames') === null) builder.notePart(unit, 'freeze-frames', 'empty');
}

/**
 * Newer cars need not tell the lamp and the self-checks as older ones do. The status bytes tell the lamp (bit 7, warning
 * indicator requested); how the self-checks are told there is not decoded, and their bytes are kept.
 */
export function newerLamp({ builder, scan }: Asking, unit: string): void {
  if (builder.partOf(unit, 'readiness') === null)
    builder.notePart(
      unit,
      'readiness',
      'unsupported',
      'it tells its self-checks in the newest way, which is not decoded here',
    );
  if (builder.partOf(unit, 'mil') === 'known' || builder.partOf(unit, 'confirmed') === 'not-read') return;
  const codes = scan.codes.filter((c) => c.unit === unit && c.state !== 'permanent');
  scan.mils.push({
    unit,
    on: codes.some((c) => ((c.statusByte ?? 0) & ASKS_FOR_LAMP) !== 0),
    count: codes.filter((c) => c.state === 'confirmed').length,
  });
  builder.notePart(unit, 'mil', 'known');
}

/** Identifiers that are asked for and kept as bytes: self-checks and test results as the newest cars tell them. */
export async function newerUndecoded(run: Asking): Promise<void> {
  for (const request of UNDECODED) {
    if (run.hasFault()) return;
    const heard = await run.ask(request);
    for (const { source, payload } of heard.answers) {
      const raw = toHex(payload.slice(3));
      const pid = request.slice(2);
      const name = `Identifier ${pid}, as bytes: its meaning is not decoded`;
      run.scan.values.push({ service: '22', pid, name, value: raw, unit: '', source, raw });
    }
  }
  for (const unit of run.expected())
    run.builder.notePart(
      unit,
      'tests',
      'unsupported',
      'it tells its test results in the newest way, which is not decoded here',
    );
}
