import { searchReference } from '../src/workers/search.ts';

const OWNER = { units: 'metric', words: 'british' } as const;
const first = (text: string) => searchReference(text, 8, OWNER);

describe('looking something up', () => {
  test.each([
    ['a code', 'P0302', 'code:P0302'],
    ['a code in lower case', 'p0171', 'code:P0171'],
    ['the beginning of a code', 'U012', 'code:U0121'],
    ['the workshop’s term', 'MAF', 'word:maf'],
    ['a lamp', 'oil lamp', 'lamp:oil'],
    ['a reader’s word', 'maturing', 'state:maturing'],
    ['a symptom', 'hisses', 'sign:sign:hiss'],
    ['a word and a place', 'catalyst bank 2', 'code:P0430'],
  ])('%s: “%s”', (_, text, id) => {
    expect(first(text).map((h) => h.id)).toContain(id);
  });

  test.each([
    ['catalist', /catalyst/i],
    ['termostat', /thermostat/i],
    ['misfyre', /misfire/i],
    ['throtle', /throttle/i],
  ])('a slip of the finger: “%s”', (text, title) => {
    expect(first(text).some((h) => title.test(h.title))).toBe(true);
  });

  test('an exact code stands first, before its neighbours', () => {
    for (const code of ['P0420', 'P0101', 'C0031', 'B0001']) expect(first(code)[0]?.id).toBe(`code:${code}`);
  });

  test('words that are never together are still found one by one; nonsense finds nothing', () => {
    expect(first('thermostat airbag').length).toBeGreaterThan(0);
    expect(first('qqqqzzzz')).toEqual([]);
    expect(first('')).toEqual([]);
  });

  test('every hit leads somewhere, and no more come than were asked for', () => {
    const hits = searchReference('sensor', 25, OWNER);
    expect(hits).toHaveLength(25);
    expect(hits.every((h) => /^\/(codes\/[PCBU]|words#)/.test(h.to) && h.title !== '')).toBe(true);
  });
});
