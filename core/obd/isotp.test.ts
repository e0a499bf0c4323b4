import fc from 'fast-check';
import { IsoTpAssembler, fromHex, splitIsoTp, type CanFrame } from './index.ts';

const frame = (id: string, hex: string): CanFrame => ({ id, data: fromHex(hex) ?? [] });

function assemble(frames: CanFrame[]) {
  const assembler = new IsoTpAssembler();
  const messages = frames.flatMap((f) => assembler.push(f) ?? []);
  assembler.finish();
  return { messages, faults: assembler.faults };
}

describe('ISO 15765-2 reassembly', () => {
  test('a single frame ends where its length says, padding or not', () => {
    const { messages, faults } = assemble([frame('7E8', '06 41 00 BE 3E B8 11 AA')]);
    expect(messages).toEqual([{ id: '7E8', payload: [0x41, 0x00, 0xbe, 0x3e, 0xb8, 0x11] }]);
    expect(faults).toEqual([]);
  });

  test('the vehicle number of the standard’s example in three frames', () => {
    const { messages } = assemble([
      frame('7E8', '10 14 49 02 01 31 44 34'),
      frame('7E8', '21 47 50 30 30 52 35 35'),
      frame('7E8', '22 42 31 32 33 34 35 36'),
    ]);
    expect(String.fromCharCode(...(messages[0]?.payload.slice(3) ?? []))).toBe('1D4GP00R55B123456');
  });

  test('two control units may answer at the same time', () => {
    const { messages, faults } = assemble([
      frame('7E8', '10 0A 43 04 01 01 01 02'),
      frame('7E9', '10 08 43 03 07 00 07 01'),
      frame('7E9', '21 07 02'),
      frame('7E8', '21 01 03 01 04'),
    ]);
    expect(messages.map((m) => [m.id, m.payload.length])).toEqual([
      ['7E9', 8],
      ['7E8', 10],
    ]);
    expect(faults).toEqual([]);
  });

  test('the frame number wraps from F to 0', () => {
    const payload = Array.from({ length: 200 }, (_, i) => i & 0xff);
    const frames = splitIsoTp(payload).map((data) => ({ id: '18DAF110', data }));
    expect(frames.length).toBeGreaterThan(17);
    expect(assemble(frames).messages[0]?.payload).toEqual(payload);
  });

  test('a lost frame ends the message: no part is passed on as whole', () => {
    const frames = splitIsoTp(Array.from({ length: 30 }, (_, i) => i)).map((data) => ({ id: '7E8', data }));
    frames.splice(2, 1);
    const { messages, faults } = assemble(frames);
    expect(messages).toEqual([]);
    expect(faults[0]).toMatchObject({ kind: 'sequence-gap', id: '7E8', expected: 2, got: 3 });
  });

  test('a frame sent twice is dropped without loss', () => {
    const payload = Array.from({ length: 30 }, (_, i) => i);
    const frames = splitIsoTp(payload).map((data) => ({ id: '7E8', data }));
    frames.splice(2, 0, frames[1] as CanFrame & { data: number[] });
    const { messages, faults } = assemble(frames);
    expect(messages[0]?.payload).toEqual(payload);
    expect(faults).toEqual([]);
  });

  test('an unfinished message is reported with how far it came', () => {
    const { faults } = assemble([{ ...frame('7E8', '10 14 49 02 01 31 44 34'), line: 7 }]);
    expect(faults).toEqual([{ kind: 'incomplete', id: '7E8', got: 6, of: 20, line: 7 }]);
  });

  test.each([
    ['empty', '', 'malformed-frame'],
    ['length zero', '00', 'malformed-frame'],
    ['single frame longer than its bytes', '07 41 00', 'malformed-frame'],
    ['first frame with a length that a single frame would do', '10 06 41 00 BE 3E B8 11', 'malformed-frame'],
    ['continuation without a beginning', '21 41 42', 'stray-frame'],
    ['reserved kind', 'F0 00', 'malformed-frame'],
  ])('%s', (_, hex, kind) => {
    expect(assemble([frame('7E8', hex)]).faults.map((f) => f.kind)).toEqual([kind]);
  });

  test('flow control is the adapter’s business', () => {
    expect(assemble([frame('7E0', '30 00 00')])).toEqual({ messages: [], faults: [] });
  });

  test('split and assemble are inverse for every length, also interleaved', () => {
    const payload = fc.uint8Array({ minLength: 1, maxLength: 400 }).map((a) => [...a]);
    fc.assert(
      fc.property(payload, payload, (a, b) => {
        const one = splitIsoTp(a).map((data) => ({ id: '7E8', data }));
        const two = splitIsoTp(b).map((data) => ({ id: '7E9', data }));
        const mixed: CanFrame[] = [];
        for (let i = 0; i < Math.max(one.length, two.length); i++) {
          const [x, y] = [one[i], two[i]];
          if (x) mixed.push(x);
          if (y) mixed.push(y);
        }
        const { messages, faults } = assemble(mixed);
        expect(messages.find((m) => m.id === '7E8')?.payload).toEqual(a);
        expect(messages.find((m) => m.id === '7E9')?.payload).toEqual(b);
        expect(faults).toEqual([]);
      }),
    );
  });

  test('no sequence of frames crashes it', () => {
    const any = fc.array(
      fc.record({
        id: fc.constantFrom('7E8', '7E9'),
        data: fc.uint8Array({ maxLength: 8 }).map((a) => [...a]),
      }),
      {
        maxLength: 60,
      },
    );
    fc.assert(
      fc.property(any, (frames) => {
        const { messages } = assemble(frames);
        for (const m of messages) expect(m.payload.length).toBeGreaterThan(0);
      }),
    );
  });
});
