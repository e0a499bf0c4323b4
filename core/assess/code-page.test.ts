import { describedCodes } from '@pincer/core/codes';
import { codePage } from './index.ts';

describe('the page of a code', () => {
  test('says what it turns out to be from the knowledge, with the cylinder', () => {
    const page = codePage('P0302');
    expect(page.commonly[0]).toMatch(/cylinder 2|plug 2/i);
    expect(page.monitor).toMatchObject({ name: 'Misfire' });
    expect(page.soon.title).toBe('Short trips');
    expect(page.lamp).toMatch(/flashes at once/);
    expect(page.cautions.join(' ')).toMatch(/spark/);
  });

  test('says what it does not know: a maker’s code, a number without meaning, what is no code', () => {
    const maker = codePage('P1345');
    expect(maker).toMatchObject({ part: null, commonly: [], isNot: null, monitor: null });
    expect(maker.soon.because).toMatch(/treated with caution/);
    expect(codePage('P0FFF').explanation.title).toMatch(/not in this catalogue/);
    expect(codePage('PO302').explanation.suggestion).toBe('P0302');
  });

  test('danger leads to licensed people', () => {
    expect(codePage('B0001').cautions.join(' ')).toMatch(/certified/);
    expect(codePage('P0AA6').cautions.join(' ')).toMatch(/Orange cables can kill/);
    expect(codePage('C0049').soon.title).toBe('Safe place only');
  });

  test('every described code has a whole page', () => {
    const described = describedCodes();
    expect(described.length).toBeGreaterThan(2_000);
    for (const { code } of described) {
      const page = codePage(code);
      const texts = [
        page.part?.does,
        page.part?.where,
        page.saw,
        page.isNot,
        page.setsOff,
        page.lamp,
        page.soon.then,
      ];
      expect([code, texts.filter((t) => !t)]).toEqual([code, []]);
      expect(page.commonly.length).toBeGreaterThan(0);
      expect(page.notice.length).toBeGreaterThan(0);
      expect(page.commonly.join()).not.toMatch(/\{n\}/);
    }
  });
});

test('the self-check named is that of the system, and nothing so general as “the named part” is told as seen with it', () => {
  expect(codePage('P2463').monitor?.name).toBe('Particulate filter');
  expect(codePage('P0411').monitor?.name).toBe('Secondary air');
  expect(codePage('P0420').monitor?.name).toBe('Catalyst');
  for (const code of ['P2463', 'P0420', 'P0299', 'P0562'])
    expect(codePage(code).setsOff).not.toMatch(/named part/);
});
