import { negativeResponseText } from '@pincer/core/obd';
import { FUNCTIONAL, FUNCTIONAL_29_BIT, headerCommands, type ReachableUnit } from './addressing.ts';
import { interpretLines } from './answers.ts';
import { SEARCH_MS, type Connection, type LinkOptions } from './connection.ts';
import type { LinkFault } from './faults.ts';
import { faultWords } from './words.ts';

/** Given out only by the guard that has seen the stored reading read back; see `core/proof`. */
export interface ClearPermit {
  readonly scanEntryId: string;
  readonly confirmedStored: true;
}

/**
 * Sends service 04. Erases codes, stored conditions and self-check results, so it needs the permit.
 * @returns which control units agreed (44) and which refused.
 */
export async function clearCodes(
  connection: Connection,
  permit: ClearPermit,
  options: LinkOptions = {},
): Promise<
  { ok: true; agreed: string[]; refused: string[]; permit: ClearPermit } | { ok: false; fault: LinkFault }
> {
  const reply = await connection.port.send('04', { timeoutMs: SEARCH_MS, signal: options.signal });
  if (!reply.ok) return { ok: false, fault: reply.fault };
  const { answers, faults } = interpretLines(reply.lines.map((text) => ({ text })));
  const agreed = answers.filter((a) => a.payload[0] === 0x44).map((a) => a.source);
  const refused = answers.filter((a) => a.payload[0] === 0x7f).map((a) => a.source);
  if (agreed.length + refused.length === 0) return { ok: false, fault: faults[0] ?? { code: 'no-data' } };
  return { ok: true, agreed, refused, permit };
}

/**
 * Sends service 14 to one control unit of the module map: erases all of its codes (ISO 14229-1, 11.2). Needs the same
 * permit as service 04. The adapter is set back to asking all control units.
 * @returns whether the unit agreed, or why not in plain words.
 */
export async function clearUnit(
  connection: Connection,
  unit: ReachableUnit,
  permit: ClearPermit,
  options: LinkOptions = {},
): Promise<{ ok: true; permit: ClearPermit } | { ok: false; why: string }> {
  const send = (text: string) => connection.port.send(text, { timeoutMs: SEARCH_MS, signal: options.signal });
  if (!connection.isCan)
    return { ok: false, why: 'the older protocol reaches only the engine’s own services' };
  try {
    for (const command of [...headerCommands(unit.request), `ATCRA${unit.answer}`]) {
      const reply = await send(command);
      if (!reply.ok) return { ok: false, why: faultWords(reply.fault).sentence };
      if (reply.lines.some((l) => l.trim() === '?'))
        return { ok: false, why: 'the adapter cannot address single control units' };
    }
    const reply = await send('14FFFFFF');
    if (!reply.ok) return { ok: false, why: faultWords(reply.fault).sentence };
    const { answers } = interpretLines(reply.lines.map((text) => ({ text })));
    const answer = answers.find((a) => a.source === unit.answer);
    if (answer?.payload[0] === 0x54) return { ok: true, permit };
    if (!answer) return { ok: false, why: 'it does not answer: not fitted, or asleep' };
    return { ok: false, why: `it refuses: ${negativeResponseText(answer.payload[2] ?? 0)}` };
  } finally {
    const all = unit.request.length === 8 ? FUNCTIONAL_29_BIT : FUNCTIONAL;
    for (const command of ['ATAR', ...headerCommands(all)]) await send(command);
  }
}
