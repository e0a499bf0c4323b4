import { faultInLine } from './index.ts';

describe('error texts of the command set', () => {
  test.each([
    'OK',
    '41 00 BE 3E B8 11',
    '7E8 06 41 00 BE 3E B8 11',
    '12.6V',
    'STAND-IN v1.0',
    '',
    'SEARCHING...',
  ])('%j is none', (line) => {
    expect(faultInLine(line)).toBeNull();
  });
  test('case and spaces around do not matter', () => {
    expect(faultInLine('  no data ')).toEqual({ code: 'no-data' });
    expect(faultInLine('Unable to connect')).toEqual({ code: 'unable-to-connect' });
    expect(faultInLine('ERR71')).toEqual({ code: 'adapter-error', number: '71' });
  });
});
