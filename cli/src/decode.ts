import { decodeFileText, isNothingFound } from '@pincer/core/link';
import { milOf, type PartRead, type Scan } from '@pincer/core/obd';
import { InputError, json, readText, type Output } from './output.ts';

/** The stable JSON shape of `decode`; see docs/formats.md. */
function shape(file: string, r: Scan) {
  const lamp = milOf(r);
  return {
    file,
    ...(r.vin === undefined ? {} : { vin: r.vin }),
    ...(lamp === null ? {} : { lamp }),
    ...(r.protocol === undefined ? {} : { protocol: r.protocol }),
    ...(r.adapterVolts === undefined ? {} : { adapterVolts: r.adapterVolts }),
    codes: r.codes,
    values: r.values,
    frozen: r.freezeFrames,
    monitors: r.monitors,
    identities: r.identities,
    parts: r.parts,
    errors: r.errors,
  };
}

/** That a list of codes is empty is said, and so is that it was not read. */
function partLines(parts: readonly PartRead[]): string[] {
  return parts.flatMap(({ unit, part, state, why }) => {
    if (state === 'not-read') return [`  Not read: ${part} of ${unit}${why ? ` (${why})` : ''}`];
    const isList = part === 'confirmed' || part === 'pending' || part === 'permanent';
    return state === 'empty' && isList ? [`  No ${part} codes in ${unit}`] : [];
  });
}

function text(file: string, r: Scan): string[] {
  const lines = [`${file}:`];
  if (r.vin) lines.push(`  Vehicle number ${r.vin}`);
  const lamp = milOf(r);
  if (lamp) lines.push(`  Engine light ${lamp.on ? 'commanded on' : 'off'}, ${lamp.count} stored`);
  for (const line of partLines(r.parts)) lines.push(line);
  for (const c of r.codes) lines.push(`  ${c.code}  ${c.state}  from ${c.unit}`);
  for (const f of r.freezeFrames) {
    lines.push(`  Stored with ${f.code ?? 'an unnamed code'}, from ${f.unit}:`);
    for (const v of f.values) lines.push(`    ${v.name}: ${v.value ?? 'not available'} ${v.unit}`.trimEnd());
  }
  for (const v of r.values) lines.push(`  ${v.name}: ${v.value ?? 'not available'} ${v.unit}`.trimEnd());
  const open = r.monitors.filter((m) => m.span === 'since-clear' && !m.complete);
  if (r.monitors.length > 0)
    lines.push(`  Self-checks not run yet: ${open.map((m) => m.name).join(', ') || 'none'}`);
  return lines;
}

/** Decodes each file in order; a file that cannot be read does not keep the others from being decoded. */
export async function decodeFiles(files: readonly string[], asJson: boolean, out: Output): Promise<number> {
  const shapes: unknown[] = [];
  let code = 0;
  for (const file of files) {
    let reading: Scan;
    try {
      reading = decodeFileText(await readText(file));
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      code = 2;
      out.error(error.message);
      shapes.push({
        file,
        codes: [],
        values: [],
        frozen: [],
        monitors: [],
        identities: [],
        parts: [],
        errors: [{ kind: 'unreadable-file', message: error.message }],
      });
      continue;
    }
    if (isNothingFound(reading)) code = 2;
    shapes.push(shape(file, reading));
    if (!asJson) for (const line of text(file, reading)) out.log(line);
    for (const e of reading.errors) {
      if (!asJson || isNothingFound(reading))
        out.error(`${file}${e.line === undefined ? '' : `:${e.line}`}: ${e.message}`);
    }
  }
  if (asJson) out.log(json(shapes));
  return code;
}
