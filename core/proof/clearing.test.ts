import { connect } from '@pincer/core/link';
import { permitFor } from '../test/permit.ts';
import { byTable, scriptedAdapter } from '../test/scripted-adapter.ts';
import { sendClear, type ClearPermit, type ClearTarget } from './index.ts';

const UNIT = { name: 'Brakes', request: '6A0', answer: '6A8' };
const SOUND: Readonly<Record<string, string>> = {
  ATRV: '12.4V',
  ATDPN: 'A6',
  '0100': '7E8 06 41 00 BE 3E B8 11',
  '1902FF': '6A8 03 59 02 FF',
};

async function connected(answers: Readonly<Record<string, string>>) {
  const { port, sent } = scriptedAdapter(byTable({ ...SOUND, ...answers }));
  const result = await connect(port);
  if (!result.ok) throw new Error(result.fault.code);
  return { connection: result.connection, sent };
}

const STANDARD: ClearTarget = { kind: 'standard' };
const ALONE: ClearTarget = { kind: 'unit', unit: UNIT };

test.each([
  ['both agree', '7E8 01 44\r7E9 01 44', { outcome: 'agreed', agreedBy: ['7E8', '7E9'], refusedBy: [] }],
  ['one refuses', '7E8 01 44\r7E9 03 7F 04 22', { outcome: 'agreed', agreedBy: ['7E8'], refusedBy: ['7E9'] }],
  ['all refuse', '7E8 03 7F 04 22', { outcome: 'refused' }],
  ['it needs more time, and says no more', '7E8 03 7F 04 78', { outcome: 'unknown' }],
  ['a refusal beside a damaged line', '7E8 03 7F 04 22\r7E9 01 4', { outcome: 'unknown' }],
  ['nobody answers', 'NO DATA', { outcome: 'unknown' }],
  ['the plug is pulled', 'cut', { outcome: 'unknown', fault: { code: 'cut' } }],
  ['silence', 'silence', { outcome: 'unknown', fault: { code: 'silent' } }],
])('all at once: %s', async (_, answer, expected) => {
  const { connection, sent } = await connected({ '04': answer });
  expect(await sendClear(connection, permitFor(connection, STANDARD))).toMatchObject(expected);
  expect(sent.filter((c) => c === '04')).toHaveLength(1);
});

test.each([
  ['it agrees', { '14FFFFFF': '6A8 01 54' }, { outcome: 'agreed', agreedBy: ['6A8'] }, 1],
  [
    'it wants the engine off',
    { '14FFFFFF': '6A8 03 7F 14 22' },
    { outcome: 'refused', why: expect.stringMatching(/engine must be off/) as string },
    1,
  ],
  [
    'it is not there, so nothing is sent',
    { '1902FF': 'NO DATA' },
    { outcome: 'refused', why: expect.stringMatching(/not fitted/) as string },
    0,
  ],
  ['another one answers', { '14FFFFFF': '6B8 01 54' }, { outcome: 'unknown' }, 1],
  [
    'another one answers before, so nothing is sent',
    { '1902FF': '7E8 03 59 02 FF' },
    { outcome: 'refused' },
    0,
  ],
  ['silence', { '14FFFFFF': 'silence' }, { outcome: 'unknown' }, 1],
  ['the adapter cannot address it', { ATCRA6A8: '?' }, { outcome: 'refused' }, 0],
])('one alone: %s; afterwards everybody is asked again', async (_, answers, expected, times) => {
  const { connection, sent } = await connected(answers);
  expect(await sendClear(connection, permitFor(connection, ALONE))).toMatchObject(expected);
  expect(sent.filter((c) => c === '14FFFFFF')).toHaveLength(times);
  expect(sent.slice(-2)).toEqual(['ATAR', 'ATSH7DF']);
  expect(connection.addressed).toBeNull();
});

test('a permit serves once, on the connection that it was given for, and nothing else serves at all', async () => {
  const here = await connected({ '04': '7E8 01 44' });
  const there = await connected({ '04': '7E8 01 44' });
  const permit = permitFor(here.connection, STANDARD);
  const copied: unknown = { terms: permit.terms };
  expect(await sendClear(here.connection, permit)).toMatchObject({ outcome: 'agreed' });
  expect(await sendClear(here.connection, permit)).toMatchObject({ outcome: 'refused' });
  expect(await sendClear(there.connection, permitFor(here.connection, STANDARD))).toMatchObject({
    outcome: 'refused',
  });
  expect(await sendClear(here.connection, copied as ClearPermit)).toMatchObject({
    outcome: 'refused',
  });
  expect([...here.sent, ...there.sent].filter((c) => c === '04')).toHaveLength(1);
});
