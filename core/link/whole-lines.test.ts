import { Padding, hexByte, parameterLength, splitIsoTp, toHex } from '@pincer/core/obd';
import fc from 'fast-check';
import { interpretLines } from './answers.ts';
import { hasEveryLine, wholeParameters, type DueParameters } from './whole-lines.ts';

const PIDS = [0x01, 0x04, 0x05, 0x0b, 0x0c, 0x0d, 0x14, 0x1f, 0x24, 0x42] as const;

interface Car {
  due: DueParameters[];
  payloads: Map<string, number[]>;
  text: string;
}

/** What units print on one request that names these parameters, their frames interleaved; any byte may follow a number. */
function printed(
  group: readonly number[],
  has: readonly (readonly boolean[])[],
  bytes: readonly number[],
): Car {
  let at = 0;
  const due = has.map((own, unit) => ({
    source: `7E${hexByte(8 + unit).slice(1)}`,
    pids: group.filter((_, i) => own[i % own.length] === true || i === 0),
  }));
  const payloads = new Map(
    due.map(({ source, pids }) => [
      source,
      [
        0x41,
        ...pids.flatMap((pid) => [
          pid,
          ...Array.from({ length: parameterLength(pid) ?? 0 }, () => bytes[at++ % bytes.length] ?? 0),
        ]),
      ],
    ]),
  );
  const frames = [...payloads].map(([id, payload]) =>
    splitIsoTp(payload, 0xaa).map((f) => `${id}${toHex(f)}`),
  );
  const longest = Math.max(...frames.map((f) => f.length));
  const lines = Array.from({ length: longest }, (_, i) => frames.flatMap((f) => f[i] ?? []));
  return { due, payloads, text: lines.flat().join('\r') };
}

const car = fc
  .record({
    group: fc.shuffledSubarray([...PIDS], { minLength: 2, maxLength: 6 }),
    has: fc.array(fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 3 }),
    bytes: fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 8, maxLength: 40 }),
  })
  .map(({ group, has, bytes }) => printed(group, has, bytes));

/** Read by somebody who has heard these units before, and knows that they fill their frames up. */
function heard(text: string) {
  const padding = new Padding();
  padding.note(['7E8', '7E9', '7EA'].map((id) => ({ id, data: [1, 0x44, 0, 0, 0, 0, 0, 0] })));
  const lines = text.split('\r').filter((line) => line !== '');
  return interpretLines(
    lines.map((line) => ({ text: line })),
    padding,
  );
}

/** Each parameter with its bytes, as a unit said it. */
const said = (source: string, payload: readonly number[]): string[] => {
  const all: string[] = [];
  for (let at = 1; at < payload.length;) {
    const end = at + 1 + (parameterLength(payload[at] ?? 0) ?? 0);
    all.push(`${source} ${toHex(payload.slice(at, end))}`);
    at = end;
  }
  return all;
};

describe('what came whole of a damaged answer', () => {
  test('whatever characters are lost, line ends too: only what was said', () => {
    fc.assert(
      fc.property(
        car,
        fc.array(fc.record({ at: fc.nat(600), length: fc.constantFrom(1, 1, 2, 3, 19, 20, 27) }), {
          maxLength: 6,
        }),
        ({ due, payloads, text }, losses) => {
          const isLost = (i: number) =>
            losses.some((l) => i >= l.at % text.length && i < (l.at % text.length) + l.length);
          const came = wholeParameters(
            heard(
              Array.from(text)
                .filter((_, i) => !isLost(i))
                .join(''),
            ),
            0x41,
            due,
          );
          const truth = new Set([...payloads].flatMap(([id, payload]) => said(id, payload)));
          for (const { source, payload } of came?.answers ?? [])
            expect(said(source, payload).filter((s) => !truth.has(s))).toEqual([]);
        },
      ),
      { numRuns: 400 },
    );
  });

  test('undamaged it is everything; with one digit lost, everything but what was in that frame', () => {
    fc.assert(
      fc.property(car, fc.nat(600), ({ due, payloads, text }, digit) => {
        const all = wholeParameters(heard(text), 0x41, due);
        expect(all?.lacking).toEqual([]);
        expect(new Map(all?.answers.map((a) => [a.source, a.payload]))).toEqual(payloads);
        const at = digit % text.length;
        fc.pre(text[at] !== '\r');
        const came = wholeParameters(heard(text.slice(0, at) + text.slice(at + 1)), 0x41, due);
        const parts = new Set(came?.answers.flatMap((a) => said(a.source, a.payload)));
        const lost = [...payloads].flatMap(([id, p]) => said(id, p)).filter((s) => !parts.has(s));
        expect(lost.length).toBeGreaterThanOrEqual(1);
        // A frame has room for parts of four of the shortest.
        expect(lost.length).toBeLessThanOrEqual(4);
        expect(came?.lacking).toEqual(
          expect.arrayContaining([...new Set(lost.map((s) => Number.parseInt(s.slice(4, 6), 16)))]),
        );
      }),
    );
  });

  test('a unit that answers in another order, or something else, is not taken apart', () => {
    const { text, due } = printed([0x0c, 0x0d, 0x05, 0x04], [[true]], [1]);
    const other = due.map((d) => ({ ...d, pids: d.pids.toReversed() }));
    expect(wholeParameters(heard(text), 0x41, due)?.lacking).toEqual([]);
    expect(wholeParameters(heard(text), 0x41, other)).toBeNull();
    expect(wholeParameters(heard(text), 0x42, due)).toBeNull();
    const [first = '', second = ''] = text.split('\r');
    expect(wholeParameters(heard([first, first].join('\r')), 0x41, due)).toBeNull();
    expect(wholeParameters(heard([first, second.slice(1)].join('\r')), 0x41, due)?.answers).toHaveLength(1);
  });
});

test('one loss, however long: what looks whole and has every line is what was said', () => {
  let unproven = 0;
  fc.assert(
    fc.property(
      car,
      fc.nat(600),
      fc.constantFrom(1, 2, 19, 20, 20, 20, 40),
      ({ payloads, text }, from, length) => {
        const at = from % text.length;
        const lines = heard(text.slice(0, at) + text.slice(at + length));
        if (!hasEveryLine(lines, [...payloads.keys()])) return void unproven++;
        for (const { source, payload } of lines.answers.filter((a) => payloads.has(a.source)))
          expect(payload).toEqual(payloads.get(source));
      },
    ),
    { numRuns: 500 },
  );
  expect(unproven).toBeGreaterThan(0);
});

test('who fills frames up: a shorter one has lost a byte, until it comes so again and again', () => {
  const padding = new Padding();
  const answers = (line: string) => interpretLines([{ text: line }], padding).answers.length;
  expect(answers(`7E8${hexByte(4)}43010301AAAAAA`)).toBe(1);
  expect(answers('7E9024300')).toBe(1);
  // One byte short it is as long as its content.
  expect([1, 2, 3].map(() => answers('7E80443010301'))).toEqual([0, 1, 1]);
  expect(answers('7E9024300')).toBe(1);
});
