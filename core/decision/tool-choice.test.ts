import { DEFAULT_OWNER } from '@pincer/core/case';
import { TOOL_KINDS, TOOL_NEEDS, toolChoice, type ToolNeed } from './index.ts';

const choose = (...needs: ToolNeed[]) => toolChoice(new Set(needs), DEFAULT_OWNER);

test('the cheapest kind that is enough, from the question at hand', () => {
  expect(choose().enough.id).toBe('adapter');
  expect(choose('codes', 'live').enough.id).toBe('adapter');
  expect(choose('units').enough.id).toBe('wide');
  expect(choose('codes', 'commands').enough.id).toBe('workshop-tool');
  for (const need of Object.keys(TOOL_NEEDS) as ToolNeed[]) {
    const { enough } = choose(need);
    expect(enough.gives).toContain(need);
    for (const kind of TOOL_KINDS.filter((k) => k.price < enough.price))
      expect(kind.gives).not.toContain(need);
  }
});

test('says what the others lack', () => {
  expect(choose('live').lacking.map((l) => l.kind.id)).toEqual(['handheld']);
  expect(choose('units').lacking.every((l) => l.lacks.length > 0)).toBe(true);
});

test('when it pays is reckoned with the owner’s own workshop', () => {
  expect(choose('codes')).toMatchObject({ paysAfter: 1 });
  expect(choose('units').paysAfter).toBe(2);
  expect(toolChoice(new Set(['commands']), { ...DEFAULT_OWNER, shopDiagnosis: 100 }).paysAfter).toBe(6);
  expect(toolChoice(new Set(['codes']), { ...DEFAULT_OWNER, shopDiagnosis: 0 }).sentence).toMatch(
    /for nothing/,
  );
});
