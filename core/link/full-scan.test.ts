import type { PartState, Scan, ScanPart } from '@pincer/core/obd';
import {
  AdapterPort,
  ByteQueue,
  asciiBytes,
  asciiOf,
  connect,
  takeScan,
  type CarIdentity,
  type Clock,
} from './index.ts';

/** Time that runs a thousand times faster: every wait of seconds ends within milliseconds. */
const FAST: Clock = {
  now: () => performance.now() * 1000,
  after: (ms, run) => {
    const timer = setTimeout(run, ms / 1000);
    return () => clearTimeout(timer);
  },
};

type Answers = Record<string, string | readonly string[]>;

/** Two control units on CAN: the engine with one code, the gearbox with none. */
const SOUND: Answers = {
  ATRV: '12.4V',
  ATDPN: 'A6',
  '0100': '7E8064100801A8011|7E9064100801A8011',
  '010020406080A0': '7E8064100800000000000|7E9064100800000000000',
  '0101': '7E8064101810765E5|7E906410100000000',
  '0900': '7E8064900400000000000|7E9064900000000000000',
  '0902': '7E810144902015A5A39|7E82154523146343643|7E82248303030333032',
  '03': '7E80443010302|7E9024300',
  '07': '7E8024700|7E9024700',
  '0A': '7E8024A00|7E9024A00',
};

interface Rig {
  scan: Scan;
  sent: string[];
}

/**
 * A scan of an adapter that answers by a table; a list is answered one after the other, its last for ever. `|` ends a
 * line. What the table does not hold is NO DATA.
 */
async function scanOf(changed: Answers = {}, knownCar?: CarIdentity): Promise<Rig> {
  const table = { ...SOUND, ...changed };
  const asked = new Map<string, number>();
  const incoming = new ByteQueue();
  const sent: string[] = [];
  const port = new AdapterPort(
    {
      incoming,
      write: (bytes) => {
        const command = asciiOf(bytes).trim();
        if (command === '') return Promise.resolve();
        sent.push(command);
        const entry = table[command] ?? (command.startsWith('AT') ? 'OK' : 'NO DATA');
        const n = asked.get(command) ?? 0;
        asked.set(command, n + 1);
        const answer = typeof entry === 'string' ? entry : (entry[Math.min(n, entry.length - 1)] ?? '');
        if (answer !== 'silence') incoming.push(asciiBytes(`${answer.replaceAll('|', '\r')}\r\r>`));
        return Promise.resolve();
      },
      close: () => Promise.resolve(),
    },
    FAST,
  );
  const connected = await connect(port);
  if (!connected.ok) throw new Error(connected.fault.code);
  const { scan } = await takeScan(connected.connection, knownCar ? { knownCar } : {});
  return { scan, sent };
}

const stateOf = (scan: Scan, unit: string, part: ScanPart): PartState | undefined =>
  scan.parts.find((p) => p.unit === unit && p.part === part)?.state;
const whyOf = (scan: Scan, unit: string, part: ScanPart) =>
  scan.parts.find((p) => p.unit === unit && p.part === part)?.why;

describe('a part is read when every unit that should answer has answered it', () => {
  test('known, empty: each unit by itself, and nothing is missing', async () => {
    const { scan } = await scanOf();
    expect(scan.missing).toEqual([]);
    expect(scan.codes).toEqual([{ code: 'P0302', state: 'confirmed', unit: '7E8' }]);
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('known');
    expect(stateOf(scan, '7E9', 'confirmed')).toBe('empty');
    expect(stateOf(scan, '7E8', 'pending')).toBe('empty');
    expect(scan.vin).toBe('ZZ9TR1F46CH000302');
  });

  test('NO DATA where an answer is due is no "none": asked once more, then not read', async () => {
    const { scan, sent } = await scanOf({ '03': 'NO DATA' });
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('not-read');
    expect(scan.missing.map((m) => m.part)).toEqual(['confirmed codes']);
    expect(sent.filter((c) => c === '03').length).toBeGreaterThan(1);
  });

  test('one unit of two stays silent: it is not read, the other is', async () => {
    const { scan } = await scanOf({ '07': '7E8024700' });
    expect(stateOf(scan, '7E8', 'pending')).toBe('empty');
    expect(stateOf(scan, '7E9', 'pending')).toBe('not-read');
    expect(scan.missing[0]?.why).toContain('7E9');
  });

  test('silence where a unit may have no such thing: it has none', async () => {
    const { scan } = await scanOf({ '0A': 'NO DATA' });
    expect(stateOf(scan, '7E8', 'permanent')).toBe('unsupported');
    expect(scan.missing).toEqual([]);
  });
});

describe('refusals', () => {
  test('busy is asked again until it answers', async () => {
    const busy = '7E8037F0321|7E9024300';
    const { scan, sent } = await scanOf({ '03': [busy, busy, '7E80443010302|7E9024300'] });
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('known');
    expect(sent.filter((c) => c === '03')).toHaveLength(3);
  });

  test('busy for ever ends, and the part is not read', async () => {
    const { scan, sent } = await scanOf({ '03': '7E8037F0321|7E9024300' });
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('not-read');
    expect(stateOf(scan, '7E9', 'confirmed')).toBe('empty');
    expect(sent.filter((c) => c === '03').length).toBeLessThan(20);
  });

  test('"needs more time" is waited for: the answer that follows is the answer', async () => {
    const { scan } = await scanOf({ '03': '7E8037F0378|7E9024300|7E80443010302' });
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('known');
    expect(scan.missing).toEqual([]);
  });

  test('a unit that says it has no such service has none; any other refusal leaves the part unread', async () => {
    const none = await scanOf({ '0A': '7E8037F0A11|7E9024A00' });
    expect(stateOf(none.scan, '7E8', 'permanent')).toBe('unsupported');
    const refused = await scanOf({ '03': '7E8037F0322|7E9024300' });
    expect(stateOf(refused.scan, '7E8', 'confirmed')).toBe('not-read');
    expect(whyOf(refused.scan, '7E8', 'confirmed')).toBeTruthy();
  });
});

describe('answers that do not fit', () => {
  test.each([
    ['a count of two and one code', '7E80443020302|7E9024300'],
    ['a list without its count', '7E80143|7E9024300'],
    ['cut in its middle', '7E804430103|7E9024300'],
    ['a digit too few', '7E8044301030|7E9024300'],
  ])('%s is asked again, then not read, never "no codes"', async (_, answer) => {
    const { scan } = await scanOf({ '03': answer });
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('not-read');
    expect(scan.missing.map((m) => m.part)).toContain('confirmed codes');
    const mended = await scanOf({ '03': [answer, SOUND['03'] as string] });
    expect(stateOf(mended.scan, '7E8', 'confirmed')).toBe('known');
  });

  test('a unit that counts stored codes and lists none was not read', async () => {
    const { scan } = await scanOf({ '03': '7E8024300|7E9024300' });
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('not-read');
    expect(whyOf(scan, '7E8', 'confirmed')).toContain('counts');
  });
});

describe('units that the car is known to have', () => {
  const before: CarIdentity = { vin: 'ZZ9TR1F46CH000302', units: ['7E8', '7E9', '7EA'], calibrationIds: [] };

  test('of the same car: one that says nothing this time was not read', async () => {
    const { scan } = await scanOf({}, before);
    expect(stateOf(scan, '7EA', 'confirmed')).toBe('not-read');
    expect(scan.missing.map((m) => m.part)).toContain('confirmed codes');
  });

  test('of another car: nobody waits for it', async () => {
    const { scan } = await scanOf({}, { ...before, vin: 'ZZ9TR1F40CH000999' });
    expect(stateOf(scan, '7EA', 'confirmed')).toBeUndefined();
    expect(scan.missing).toEqual([]);
  });
});
