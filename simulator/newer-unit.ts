import {
  decodeTroubleCode,
  encodeConditions,
  encodeNewerCodes,
  encodeTroubleCode,
  fromNewerRequest,
  toNewerAnswer,
  type StatusCode,
} from '@pincer/core/obd';

/** What a control unit of the emission group holds, however it is asked. */
export interface Emissions {
  /** Answers the services of SAE J1979. */
  answer: (request: readonly number[]) => number[][];
  /** Stored codes with any of the status bits asked for. */
  codes: (mask: number) => StatusCode[];
  permanent: () => StatusCode[];
  /** Stored conditions of a code: parameters with their bytes. */
  frame: (code: string) => { pid: number; bytes: readonly number[] }[];
  clear: () => boolean;
}

/** Group of the emissions related systems (ISO 14229-1: functional group identifier 33; group of codes FFFF33). */
const GROUP = 0x33;

/**
 * A control unit of the newest cars: it answers the standard's questions by ISO 14229 alone (SAE J1979-2), and is silent to
 * the services of SAE J1979 that are asked of all, as it must be to what it does not know.
 */
export function newerAnswer(unit: Emissions, request: readonly number[]): number[][] {
  const [service, kind = 0, ...rest] = request;
  switch (service) {
    case 0x22: {
      const older = fromNewerRequest(request);
      if (older === null) return [];
      // The lamp and the self-checks are told otherwise there (SAE J1979-2 knows no identifier F401 or F441).
      if (older[0] === 0x01 && older.some((pid, i) => i > 0 && (pid === 0x01 || pid === 0x41))) return [];
      const [answer] = unit.answer(older);
      return answer ? [toNewerAnswer(answer)] : [];
    }
    case 0x19: {
      if (kind === 0x42 && rest[0] === GROUP)
        return [encodeNewerCodes('stored', unit.codes(rest[1] ?? 0xff))];
      if (kind === 0x55 && rest[0] === GROUP) return [encodeNewerCodes('permanent', unit.permanent())];
      if (kind === 0x04) {
        const [high = 0, low = 0, failure = 0] = rest;
        const code = decodeTroubleCode(high, low);
        const frame = unit.frame(code);
        const stored = unit.codes(0xff).find((c) => c.code === code);
        if (!stored || frame.length === 0) return [[0x7f, 0x19, 0x31]];
        return [encodeConditions([...encodeTroubleCode(code), failure], stored.status, 0x00, frame)];
      }
      return [[0x7f, 0x19, 0x12]];
    }
    case 0x14:
      if (kind !== 0xff || rest[0] !== 0xff || rest[1] !== GROUP) return [[0x7f, 0x14, 0x31]];
      return unit.clear() ? [[0x54]] : [[0x7f, 0x14, 0x22]];
    case 0x3e:
      return kind === 0x00 ? [[0x7e, 0x00]] : [];
    default:
      return [];
  }
}
