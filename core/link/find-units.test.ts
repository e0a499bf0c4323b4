import { sumChecksum, toHex } from '@pincer/core/obd';
import { INSTANT_CLOCK } from '@pincer/simulator';
import {
  AdapterPort,
  ByteQueue,
  asciiBytes,
  asciiOf,
  connect,
  findUnits,
  takeScan,
  type Transport,
} from './index.ts';

/** A message of ISO 14230 from a unit to the tester. */
function message(source: number, payload: readonly number[]): string {
  const body = [0x80 | payload.length, 0xf1, source, ...payload];
  return toHex([...body, sumChecksum(body)]);
}

/** An adapter on an older line with the engine at 10 and brakes at 28, answering line by line. */
class OlderLine implements Transport {
  readonly incoming = new ByteQueue();
  readonly asked: string[] = [];
  private header = 'C233F1';

  write(bytes: Uint8Array): Promise<void> {
    const line = asciiOf(bytes).trim();
    this.asked.push(line);
    this.incoming.push(asciiBytes(`${this.answer(line)}\r\r>`));
    return Promise.resolve();
  }

  close(): Promise<void> {
    this.incoming.end();
    return Promise.resolve();
  }

  private answer(line: string): string {
    if (line === 'ATDPN') return 'A5';
    if (line === 'ATRV') return '12.4V';
    if (line.startsWith('ATSH')) this.header = line.slice(4);
    if (line.startsWith('AT')) return 'OK';
    const to = this.header === 'C233F1' ? 0x10 : Number.parseInt(this.header.slice(2, 4), 16);
    if (to === 0x10) return line === '0100' ? message(0x10, [0x41, 0x00, 0x80, 0, 0, 0]) : 'NO DATA';
    if (to !== 0x28) return 'NO DATA';
    switch (line) {
      case '3E':
        return message(to, [0x7e]);
      case '1800FF00':
        return message(to, [0x58, 0x01, 0x40, 0x35, 0xe1]);
      case '1A97':
        return message(to, [0x5a, 0x97, ...asciiBytes('ABS')]);
      default:
        return message(to, [0x7f, Number.parseInt(line.slice(0, 2), 16), 0x11]);
    }
  }
}

test('on an older line units are asked by their header, found by their address, and read', async () => {
  const line = new OlderLine();
  const result = await connect(new AdapterPort(line, INSTANT_CLOCK));
  if (!result.ok) throw new Error(result.fault.code);
  expect(result.connection).toMatchObject({ isCan: false, protocolNumber: '5', isNewer: false });
  const { units, of, end } = await findUnits(result.connection);
  expect(end).toEqual({ how: 'complete' });
  expect(of).toBe(128 * 2 - 1);
  expect(units).toMatchObject([
    { request: '8028F1', answer: '28', language: 'iso-14230', name: 'ABS', codes: 1, wasAsleep: false },
  ]);
  // No filter of CAN and no flow control on such a line, and the engine is asked as before.
  expect(line.asked.filter((a) => /^AT(CF|CM|CRA|MA|FC)/.test(a))).toEqual([]);
  expect(line.asked.at(-1)).toBe('ATSHC233F1');
  const unit = { name: 'Brakes', request: '8028F1', answer: '28', language: 'iso-14230' as const };
  const { scan } = await takeScan(result.connection, { units: [unit] });
  expect(scan.codes.filter((c) => c.unit === '28')).toMatchObject([
    { code: 'C0035', state: 'confirmed', statusByte: 0x89, olderStatus: 0xe1 },
  ]);
});
