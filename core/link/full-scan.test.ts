import { NO_SOURCE, type PartState, type Scan, type ScanPart } from '@pincer/core/obd';
import { byTable, scriptedAdapter } from '../test/scripted-adapter.ts';
import { connect, identifyCar, takeScan, type CarIdentity } from './index.ts';

type Answers = Record<string, string | readonly string[]>;

/** Two control units on CAN: the engine with one code, the gearbox with none. */
const SOUND: Answers = {
  ATRV: '12.4V',
  ATDPN: 'A6',
  '0100': '7E8064100801A8011|7E9064100801A8011',
  '010020406080A0': '7E806410080000000|7E906410080000000',
  '0101': '7E8064101810765E5|7E906410100000000',
  '0900': '7E806490040000000|7E906490000000000',
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
  const { port, sent } = scriptedAdapter(byTable({ ...SOUND, ...changed }));
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

  const ENGINE = '7E80443010302';
  const GEARBOX = '7E9024300';
  const LOST = 'E9024300';

  test('what has come whole of one unit stands while another one is asked again', async () => {
    const { scan, sent } = await scanOf({ '03': [`${ENGINE}|${LOST}`, `7E8044301030|${GEARBOX}`] });
    expect(sent.filter((c) => c === '03')).toHaveLength(2);
    expect([stateOf(scan, '7E8', 'confirmed'), stateOf(scan, '7E9', 'confirmed')]).toEqual([
      'known',
      'empty',
    ]);
    expect(scan.codes.map((c) => c.code)).toEqual(['P0302']);
  });

  test('while it is not known who is there, any damage may hide somebody: it is asked again', async () => {
    const { scan } = await scanOf({
      '0100': '7E8064100801A8011',
      '010020406080A0': '7E806410080000000|E906410080000000',
      '0101': '7E8064101810765E5',
      '0900': '7E806490040000000',
      '03': [`${ENGINE}|E904430107`, `${ENGINE}|7E90443010715`],
      '07': '7E8024700',
      '0A': '7E8024A00',
    });
    expect(scan.codes.map((c) => c.code)).toEqual(['P0302', 'P0715']);
  });

  /** The head of one unit's answer with the tail of another's: the line end between them was lost. */
  const MIXED = ['7E804430103AA', '7E804430100AA'] as const;

  test('one line where two units should answer: believed only when it comes so again', async () => {
    const { scan } = await scanOf({ '03': [...MIXED, `${ENGINE}|${GEARBOX}`] });
    expect(scan.codes.map((c) => c.code)).toEqual(['P0302']);
    const gone = await scanOf({ '03': ENGINE });
    expect([stateOf(gone.scan, '7E8', 'confirmed'), stateOf(gone.scan, '7E9', 'confirmed')]).toEqual([
      'known',
      'not-read',
    ]);
    expect(gone.sent.filter((c) => c === '03')).toHaveLength(2);
    const roll = await scanOf({ '010020406080A0': ['7E80641008000AAAA', SOUND['010020406080A0'] as string] });
    expect(roll.sent.filter((c) => c === '010020406080A0')).toHaveLength(2);
  });

  test('nor is it another car for that', async () => {
    const both = SOUND['0100'] as string;
    const { port } = scriptedAdapter(byTable({ ...SOUND, '0100': [both, '7E8064100801AAAAA', both] }));
    const connected = await connect(port);
    if (!connected.ok) throw new Error(connected.fault.code);
    const known = await identifyCar(connected.connection);
    expect(known.ok && known.car.units).toEqual(['7E8', '7E9']);
  });

  test('where lines were lost, a unit is asked a third time before it has nothing to say', async () => {
    const late = ['7E8024A00', '7E8024A00', SOUND['0A'] as string];
    const lossy = await scanOf({ '07': [LOST, SOUND['07'] as string], '0A': late });
    expect(stateOf(lossy.scan, '7E9', 'permanent')).toBe('empty');
  });

  test('of several readings the ones that came whole are kept; the others go with the next request', async () => {
    const frames = ['7E81011410100076500', '7E821045005' + '7B0B210C', '7E8220FA00D00AAAAAA'];
    const { scan, sent } = await scanOf({
      '0100': '7E8064100983A8000AA',
      '010020406080A0': '7E8064100983A8000AA',
      '0900': '7E806490000000000AA',
      '03': '7E8024300AAAAAAAAAA',
      '07': '7E8024700AAAAAAAAAA',
      '0A': '7E8024A00AAAAAAAAAA',
      '010104050B0C0D': frames.map((f, i) => (i === 2 ? f.replace('FA', 'F') : f)).join('|'),
      '010C0D0F11': '7E8100A410C0FA00D00|7E8210F4B1140AAAAAA',
    });
    expect(sent.filter((c) => /^010[1C]/.test(c))).toEqual(['010104050B0C0D', '010C0D0F11']);
    expect(scan.values.map((v) => v.pid)).toEqual(['04', '05', '0B', '0C', '0D', '0F', '11']);
    expect(scan.missing).toEqual([]);
    expect(scan.errors).toEqual([]);
  });

  test('everybody has said who they are when each has come whole once and no line is left over', async () => {
    const [engine, gearbox] = ['7E8064100800000', '7E9064100800000'].map((u) => `${u}00AA`);
    const roll = [`${engine}|7E9064100800000`, `7E8064100800000|${gearbox}`];
    const asked = async (answers: string[]) =>
      (await scanOf({ '010020406080A0': answers })).sent.filter((c) => c === '010020406080A0').length;
    expect(await asked(roll)).toBe(2);
    // A line more may be somebody else's.
    expect(await asked(roll.map((r) => `${r}|7EA0641008000`))).toBe(4);
  });

  test('beside the rest of an answer whose beginning was lost nothing is believed, however often it comes', async () => {
    const { scan } = await scanOf({ '03': `${ENGINE}|7E92107150716AAAAAA` });
    expect(scan.codes).toEqual([]);
    expect(stateOf(scan, '7E8', 'confirmed')).toBe('not-read');
  });

  test('an adapter is set up again for an answer without its header, not for one that lost a part of it', async () => {
    const lossy = await scanOf({ '03': [`${ENGINE}|${LOST}`, `7E044301030200|${GEARBOX}`] });
    expect(lossy.sent.filter((c) => c === 'ATH1')).toHaveLength(1);
    const forgot = await scanOf({ '03': ['4301030200|4300', `${ENGINE}|${GEARBOX}`] });
    expect(forgot.sent.filter((c) => c === 'ATH1')).toHaveLength(2);
    expect(forgot.scan.missing).toEqual([]);
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

describe('without headers, where one unit cannot be told from another', () => {
  const BARE: Answers = {
    ATH1: '?',
    ATDPN: '5',
    '0100': '4100801A8011|4100801A8001',
    '0101': '41018107E500|410100000000',
    '0900': 'NO DATA',
    '03': '43030200000000|43000000000000',
    '07': '47000000000000|47071500000000',
    '0A': 'NO DATA',
  };

  test('as many as ever spoke have to answer', async () => {
    const { scan } = await scanOf(BARE);
    expect(scan.missing).toEqual([]);
    expect(scan.codes.map((c) => `${c.code} ${c.state}`)).toEqual(['P0302 confirmed', 'P0715 pending']);
  });

  test.each([
    ['a voice that is damaged at the first question', '0100', ['4100801A8011|4100801A8', '4100801A8011']],
    ['a voice that is heard late', '0100', ['4100801A8011']],
  ])('%s counts', async (_, request, answers) => {
    const { scan } = await scanOf({
      ...BARE,
      [request]: answers,
      '07': '47000000000000',
    });
    expect(stateOf(scan, NO_SOURCE, 'pending')).toBe('not-read');
    expect(scan.missing.map((m) => m.part)).toContain('pending codes');
  });

  test('codes heard before the second voice was are asked for again', async () => {
    const { scan, sent } = await scanOf({
      ...BARE,
      '0100': '4100801A8011',
      '07': ['47000000000000', '47000000000000|47071500000000'],
    });
    expect(sent.filter((c) => c === '07').length).toBe(2);
    expect(scan.codes.map((c) => c.code)).toContain('P0715');
    expect(scan.missing).toEqual([]);
  });
});
