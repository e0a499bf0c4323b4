import { encodeLegacy } from '@pincer/core/obd';

/** Bytes of data in a numbered message of service 09 on the older protocols. */
const INFO_CHUNK = 4;
/** Codes in one message of services 03, 07 and 0A. */
const CODES_PER_MESSAGE = 3;

/**
 * The messages in which a control unit of the older protocols sends what it sends on CAN as one answer: codes
 * three to a message without a count, vehicle information in numbered parts, one reading at a time.
 * @param payload an answer as on CAN.
 * @returns payloads of the messages, without header and checksum.
 */
export function legacyPayloads(payload: readonly number[]): number[][] {
  const [service = 0, second = 0] = payload;
  if (service === 0x43 || service === 0x47 || service === 0x4a) {
    const bytes = payload.slice(2);
    const messages: number[][] = [];
    for (let at = 0; at < bytes.length; at += CODES_PER_MESSAGE * 2) {
      const part = bytes.slice(at, at + CODES_PER_MESSAGE * 2);
      messages.push([service, ...part, ...Array<number>(CODES_PER_MESSAGE * 2 - part.length).fill(0)]);
    }
    return messages.length > 0 ? messages : [[service, 0, 0, 0, 0, 0, 0]];
  }
  if (service === 0x49 && second === 0x00) return [[service, 0x00, 0x01, ...payload.slice(2)]];
  if (service === 0x49) {
    const data = payload.slice(3);
    // The first message is filled up in front, so that the last one is full.
    const padded = [
      ...Array<number>((INFO_CHUNK - (data.length % INFO_CHUNK)) % INFO_CHUNK).fill(0),
      ...data,
    ];
    const messages: number[][] = [];
    for (let at = 0; at < padded.length; at += INFO_CHUNK)
      messages.push([service, second, at / INFO_CHUNK + 1, ...padded.slice(at, at + INFO_CHUNK)]);
    return messages;
  }
  return [[...payload]];
}

/** A message with its ISO 9141-2 header and checksum. */
export function legacyMessage(source: number, payload: readonly number[]): number[] {
  return encodeLegacy(source, payload);
}

/** The older protocols answer one reading a request; grouped requests get no answer. */
export function isLegacyRequest(request: readonly number[]): boolean {
  return request[0] === 0x01 ? request.length === 2 : request[0] === 0x02 ? request.length === 3 : true;
}
