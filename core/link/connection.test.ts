import { scriptedAdapter as adapter, type Says } from '../test/scripted-adapter.ts';
import { connect } from './index.ts';

const SOUND: Says = (command) => {
  if (command === 'ATRV') return '12.4V';
  if (command === 'ATDPN') return 'A6';
  if (command === '0100') return '7E8 06 41 00 BE 3E B8 11';
  return command.startsWith('AT') ? 'OK' : 'NO DATA';
};

const instead =
  (command: string, answer: string): Says =>
  (c, count) =>
    c === command ? answer : SOUND(c, count);

const COMMANDS = ['ATZ', 'ATE0', 'ATL0', 'ATS0', 'ATH1', 'ATAT1', 'ATSP0', 'ATRV', '0100', 'ATDPN'];

describe('connecting', () => {
  test('the settings in their order, then the voltage, the car and its protocol', async () => {
    const { port, sent } = adapter(SOUND);
    expect(await connect(port)).toMatchObject({
      ok: true,
      connection: {
        adapterVolts: 12.4,
        isCan: true,
        protocol: 'ISO 15765-4, 11-bit CAN, 500 kbit/s',
        refused: [],
      },
    });
    expect(sent).toEqual(COMMANDS);
  });

  test.each(COMMANDS)('silence at %s ends in a fault, not in waiting', async (command) => {
    const { port, sent } = adapter(instead(command, 'silence'));
    expect(await connect(port)).toMatchObject({ ok: false, fault: { code: 'silent' } });
    expect(sent.includes('04')).toBe(false);
  });

  test.each(COMMANDS)('the plug pulled at %s is said to be that', async (command) => {
    const { port } = adapter(instead(command, 'cut'));
    expect(await connect(port)).toMatchObject({ ok: false, fault: { code: 'cut' } });
  });

  test.each(COMMANDS)('stopped at %s, it stops', async (command) => {
    const stop = new AbortController();
    const { port, sent } = adapter((c) => {
      if (c === command) stop.abort();
      return SOUND(c, 0);
    });
    const result = await connect(port, { signal: stop.signal });
    // The last command may have been answered before the stop was seen.
    if (!result.ok) expect(result.fault).toEqual({ code: 'cancelled' });
    else expect(command).toBe('ATDPN');
    expect(sent.at(-1)).toBe(command);
  });

  test.each([
    ['UNABLE TO CONNECT', 'unable-to-connect'],
    ['NO DATA', 'no-data'],
    ['BUS INIT: ERROR', 'bus-init'],
    ['CAN ERROR', 'can-error'],
    ['BUS ERROR', 'bus-error'],
    ['LV RESET', 'low-voltage-reset'],
    ['?', 'unknown-command'],
  ])('“%s” from the car is told with the voltage, which says a good deal', async (answer, code) => {
    const { port } = adapter(instead('0100', answer));
    expect(await connect(port)).toMatchObject({ ok: false, adapterVolts: 12.4, fault: { code } });
  });

  test('a first answer that came damaged is asked for again, not for ever', async () => {
    const damaged = '78 06 41 00 BE 3E B8 11';
    const once = adapter((c, count) => (c === '0100' && count === 0 ? damaged : SOUND(c, count)));
    expect(await connect(once.port)).toMatchObject({ ok: true, connection: { heardFirst: ['7E8'] } });
    const always = adapter(instead('0100', damaged));
    expect(await connect(always.port)).toMatchObject({ ok: false });
    expect(always.sent.filter((c) => c === '0100')).toHaveLength(3);
  });

  test('commands that an adapter does not know are noted, and do not stop it', async () => {
    const { port } = adapter((c) => (c === 'ATAT1' || c === 'ATRV' ? '?' : SOUND(c, 0)));
    expect(await connect(port)).toMatchObject({
      ok: true,
      connection: { adapterVolts: null, refused: ['ATAT1'] },
    });
  });

  test('one protocol after the other: those that it does not know are passed over', async () => {
    const asked: string[] = [];
    const { port } = adapter((c) => {
      if (c === 'ATSP6') return '?';
      if (/^ATSP[1-9]$/.test(c)) asked.push(c);
      if (c === '0100')
        return asked.at(-1) === 'ATSP7' ? '18 DA F1 10 06 41 00 BE 3E B8 11' : 'UNABLE TO CONNECT';
      return c === 'ATDPN' ? '7' : SOUND(c, 0);
    });
    expect(await connect(port, { eachProtocol: true })).toMatchObject({ ok: true });
    expect(asked).toEqual(['ATSP8', 'ATSP7']);
  });
});
