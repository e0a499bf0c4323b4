import fc from 'fast-check';
import { CopyLog } from '../src/storage/copy-log.ts';
import { SmallFile } from './small-file.ts';

let made = 0;
const aLog = () => new CopyLog(() => `n${made++}`);
const rec = (key: string, stored: unknown) => ({ key, stored });

test('what is put is read back by another page and at another start, the last of a key counts', () => {
  const disk = new SmallFile();
  const [here, there] = [aLog(), aLog()];
  expect(here.put(disk, [rec('a', 1), rec('b', { text: 'zwölf\n°C' })])).toBe(true);
  expect(there.put(disk, [rec('a', 2), rec('c', 3)])).toBe(true);
  for (const log of [here, there, aLog()]) {
    expect(log.keys(disk).sort()).toEqual(['a', 'b', 'c']);
    expect(log.of(disk, ['a', 'b', 'nowhere'])).toEqual([rec('a', 2), rec('b', { text: 'zwölf\n°C' })]);
  }
  here.forget(disk, ['a']);
  expect(there.keys(disk)).toEqual(['b', 'c']);
  there.forget(disk, 'all');
  for (const log of [here, there, aLog()]) expect(log.keys(disk)).toEqual([]);
  expect(here.put(disk, [rec('d', 4)])).toBe(true);
  expect(there.of(disk, ['a', 'd'])).toEqual([rec('d', 4)]);
});

test('a disk that is full to the last byte still takes hundreds of entries, and then says that it does not', () => {
  const disk = new SmallFile();
  const log = aLog();
  log.put(disk, [rec('first', 'x')]);
  disk.fill();
  const entry = { kind: 'note', text: 'x'.repeat(400) };
  const kept: string[] = [];
  for (let n = 0; n < 2_000; n++) if (log.put(disk, [rec(`e${n}`, entry)])) kept.push(`e${n}`);
  expect(kept.length).toBeGreaterThan(500);
  expect(kept.length).toBeLessThan(2_000);
  // What cannot be forgotten would come back: it is said.
  expect(() => log.forget(disk, ['first', ...kept.slice(0, 40)])).toThrow('no room');
  expect(log.keys(disk)).toContain('first');
  expect(aLog().of(disk, kept)).toHaveLength(kept.length);
  disk.room = Infinity;
  expect(log.put(disk, [rec('after', 1)])).toBe(true);
  expect(aLog().of(disk, ['first', 'after'])).toHaveLength(2);
});

test('a line that is damaged on the disk is passed over, and only that one', () => {
  const disk = new SmallFile();
  aLog().put(disk, [rec('a', 1), rec('b', 2), rec('c', 3)]);
  disk.bytes[new TextDecoder().decode(disk.bytes).indexOf('"b"')] = 0;
  expect(aLog().of(disk, ['a', 'b', 'c'])).toEqual([rec('a', 1), rec('c', 3)]);
});

test('killed at any byte of any write: what was said to be there is there, and what comes after it too', () => {
  const step = fc.record({
    key: fc.constantFrom('a', 'b', 'c', 'd'),
    value: fc.string({ maxLength: 30 }),
    cut: fc.option(fc.nat(200), { nil: null }),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
      const disk = new SmallFile();
      const known = new Map<string, string>();
      let log = aLog();
      for (const { key, value, cut } of steps) {
        disk.cutAfter = cut ?? Infinity;
        let isThere = false;
        try {
          isThere = log.put(disk, [rec(key, value)]);
        } catch {
          // Its process is gone.
        }
        if (isThere) known.set(key, value);
        disk.cutAfter = Infinity;
        if (cut === null) continue;
        log = aLog();
        // What was cut may be there all the same, whole; never as half of it.
        const found = log.of(disk, [key])[0]?.stored;
        expect([known.get(key), value]).toContain(found);
        if (found === value) known.set(key, value);
      }
      const found = new Map(
        aLog()
          .of(disk, ['a', 'b', 'c', 'd'])
          .map((r) => [r.key, r.stored]),
      );
      expect(found).toEqual(known);
    }),
    { numRuns: 300 },
  );
});
