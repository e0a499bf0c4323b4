import { ReceivedCases, SentCases } from '../src/workers/sent-cases.ts';
import { makeCase, saw } from '../../core/test/make-case.ts';

const entries = [saw('sign:shakes'), saw('sign:stalls'), saw('sign:smoke-blue')] as const;
const caseOf = (id: string, ...of: Parameters<typeof makeCase>) => ({ ...makeCase(...of), id });

describe('cases on their way to the worker', () => {
  const here = new SentCases();
  const there = new ReceivedCases();
  const whole = caseOf('case_a', ...entries);
  const after = (count: number) => ({ ...whole, entries: whole.entries.slice(0, count) });

  it('sends everything once, then what is new', () => {
    for (const [count, fresh] of [
      [1, 1],
      [3, 2],
      [3, 0],
    ] as const) {
      const part = here.partOf(after(count));
      expect(part.fresh).toHaveLength(fresh);
      expect(there.wholeOf(structuredClone(part))).toEqual(after(count));
    }
  });

  it('sends a log again that is not what it was with more behind it', () => {
    const other = { ...whole, entries: [...whole.entries].reverse() };
    const part = here.partOf(other);
    expect(part.known).toBe(0);
    expect(there.wholeOf(structuredClone(part))).toEqual(other);
    // An entry that another page had earlier comes in between.
    const shorter = { ...whole, entries: other.entries.slice(1) };
    expect(there.wholeOf(structuredClone(here.partOf(shorter)))).toEqual(shorter);
  });

  it('never puts half a case together', () => {
    const fresh = new SentCases();
    const part = fresh.partOf(caseOf('case_lost', ...entries));
    const next = fresh.partOf(caseOf('case_lost', ...entries));
    // The first never came.
    expect(part.fresh).toHaveLength(3);
    expect(new ReceivedCases().wholeOf(structuredClone({ ...next, known: 3, fresh: [] }))).toBeNull();
    fresh.lost('case_lost');
    expect(fresh.partOf(caseOf('case_lost', ...entries)).fresh).toHaveLength(3);
  });

  it('both sides forget the same case', () => {
    for (let n = 0; n < 60; n++) {
      const one = caseOf(`case_${n}`, ...entries);
      expect(there.wholeOf(structuredClone(here.partOf(one)))).toEqual(one);
    }
    // Long gone, and sent whole again.
    expect(there.wholeOf(structuredClone(here.partOf(whole)))).toEqual(whole);
    expect(here.partOf(whole).fresh).toHaveLength(0);
  });
});
