import fc from 'fast-check';
import { GLOSSARY, KNOWN_FAILURE_TYPES, failureTypeWords, readMakerList } from './index.ts';

describe('an owner’s list of maker’s codes', () => {
  test('codes and texts are taken, a heading is passed over, spaces and case do not matter', () => {
    expect(
      readMakerList([
        ['Code', 'Text'],
        [' p1345 ', 'Cam and crank, Tarrow'],
        [''],
        ['P-1 400', 'Heater', 'left'],
      ]),
    ).toEqual({ codes: { P1345: 'Cam and crank, Tarrow', P1400: 'Heater, left' }, problems: [] });
  });

  test('what is not taken is told with its line and the reason', () => {
    const { codes, problems } = readMakerList([
      ['P1345', 'one'],
      ['P0302', 'cylinder two'],
      ['hello', 'world'],
      ['P1346', ''],
      ['P1345', 'another'],
      ['P1347', 'x'.repeat(400)],
      ['P1345', 'one'],
    ]);
    expect(codes).toEqual({ P1345: 'one' });
    expect(problems.map((p) => [p.line, p.why.split(' ').slice(0, 4).join(' ')])).toEqual([
      [2, 'a standard code, not'],
      [3, 'the first cell is'],
      [4, 'no text beside the'],
      [5, 'the code appears twice;'],
      [6, 'the text is longer'],
    ]);
  });

  test('property: every row that is not empty is either taken, the same again, or told', () => {
    const row = fc.tuple(fc.oneof(fc.constantFrom('P1001', 'P1002', 'P0300', 'x'), fc.string()), fc.string());
    fc.assert(
      fc.property(fc.array(row), (rows) => {
        const { codes, problems } = readMakerList(rows);
        for (const text of Object.values(codes)) expect(text.trim()).not.toBe('');
        expect(new Set(problems.map((p) => p.line)).size).toBe(problems.length);
        expect(Object.keys(codes).length + problems.length).toBeLessThanOrEqual(rows.length);
      }),
    );
  });
});

test('glossary: each word once, with what others call it', () => {
  expect(GLOSSARY.length).toBeGreaterThan(30);
  expect(new Set(GLOSSARY.map((g) => g.id)).size).toBe(GLOSSARY.length);
  for (const g of GLOSSARY)
    expect([g.id, g.text.endsWith('.'), g.also.length > 1]).toEqual([g.id, true, true]);
});

test('failure-type bytes in words, and those that are the manufacturer’s own', () => {
  expect(failureTypeWords('16')).toBe('voltage too low');
  expect(failureTypeWords('7a')).toBe('leak');
  expect(failureTypeWords('F3')).toMatch(/manufacturer’s own/);
  const words = KNOWN_FAILURE_TYPES.map(failureTypeWords);
  expect(words.length).toBeGreaterThan(70);
  expect(words.filter((w) => /[A-Z]{3}|undefined/.test(w))).toEqual([]);
});
