import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { main } from '../src/main.ts';

const folder = mkdtempSync(join(tmpdir(), 'pincer-'));
const EXAMPLE = join(__dirname, '../../docs/examples/wet-morning.case.json');

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  const lines = { out: [] as string[], err: [] as string[] };
  const code = await main(args, { log: (t) => lines.out.push(t), error: (t) => lines.err.push(t) });
  return { code, out: lines.out.join('\n'), err: lines.err.join('\n') };
}

describe('pincer explain', () => {
  test('an array in the order of the arguments, one entry each', async () => {
    const { code, out } = await run('explain', 'P0302', ' p0171 ', 'P1345', '--json');
    expect(code).toBe(0);
    const list = JSON.parse(out) as Record<string, unknown>[];
    expect(list.map((e) => [e['code'], e['valid'], e['scope']])).toEqual([
      ['P0302', true, 'standard'],
      ['P0171', true, 'standard'],
      ['P1345', true, 'maker'],
    ]);
    expect(list[0]).toMatchObject({
      system: 'powertrain',
      component: 'cylinder',
      place: { cylinder: 2 },
      failure: 'misfire',
      title: 'Misfire: cylinder 2',
    });
    expect(list[0]).not.toHaveProperty('problem');
    expect(list[1]).toMatchObject({ place: { bank: 1 } });
  });

  test('a bad one is told on stderr with exit code 2, and the others are answered', async () => {
    const { code, out, err } = await run('explain', 'PO302', 'P0420', '--json');
    expect(code).toBe(2);
    const list = JSON.parse(out) as Record<string, unknown>[];
    expect(list[0]).toMatchObject({ code: 'PO302', valid: false, suggestion: 'P0302' });
    expect(list[1]).toMatchObject({ code: 'P0420', valid: true });
    expect(err).toMatch(/Did you mean P0302/);
  });

  test('in words', async () => {
    const { out } = await run('explain', 'P0113');
    expect(out).toMatch(/P0113 {2}Intake air temperature sensor 1: signal too high/);
    expect(out).toMatch(/Also called/);
    expect((await run('explain', 'P0513')).out).toMatch(/^P0513 {2}Immobiliser: incorrect key$/m);
    expect((await run('explain', 'P0513', '--json')).out).toContain('"Immobiliser: incorrect key"');
  });
});

describe('pincer decode', () => {
  const session =
    '>0902\n7E8 10 14 49 02 01 31 44 34\n7E8 21 47 50 30 30 52 35 35\n7E8 22 42 31 32 33 34 35 36\n>0101\n7E8 06 41 01 81 07 65 04\n>0114\n7E8 04 41 14 5A FF\n>03\n7E8 04 43 01 03 02\n>';
  const log =
    '(1.0) can0 7DF#0201030000000000\n(1.1) can0 18DAF110#065902FF01710008\n(1.2) can0 7E8#0341054B00000000\n';

  test('an array in the order of the files with the documented shape', async () => {
    const { code, out } = await run('decode', file('a.txt', session), file('b.log', log), '--json');
    expect(code).toBe(0);
    const [a, b] = JSON.parse(out) as [Record<string, unknown>, Record<string, unknown>];
    expect(a).toMatchObject({
      vin: '1D4GP00R55B123456',
      lamp: { on: true, count: 1 },
      codes: [{ code: 'P0302', state: 'confirmed', unit: '7E8' }],
      frozen: [],
      errors: [],
    });
    const trim = (a['values'] as Record<string, unknown>[]).find((v) => v['part'] === 'short-term trim');
    expect(trim).toMatchObject({ service: '01', pid: '14', value: null, unit: '%', source: '7E8', raw: 255 });
    expect((a['monitors'] as unknown[]).length).toBeGreaterThan(5);
    expect(b).not.toHaveProperty('vin');
    expect(b).toMatchObject({ errors: [{ kind: 'malformed' }], values: [{ pid: '05', value: 35 }] });
  });

  test('UDS codes carry their status byte', async () => {
    const { out } = await run('decode', file('c.log', '(1.0) can0 7E8#075902FF0171002F\n'), '--json');
    expect((JSON.parse(out) as Record<string, unknown>[])[0]).toMatchObject({
      codes: [{ code: 'P0171', state: 'confirmed', unit: '7E8', statusByte: 47 }],
    });
  });

  test('a file that is not there, or holds nothing: stderr and exit code 2, the others decoded', async () => {
    const { code, out, err } = await run(
      'decode',
      join(folder, 'gone.txt'),
      file('empty.txt', 'hello'),
      file('a2.txt', session),
      '--json',
    );
    expect(code).toBe(2);
    expect(err).toMatch(/gone\.txt: there is no such file/);
    expect(err).toMatch(/empty\.txt: Nothing in this file/);
    expect((JSON.parse(out) as { codes: unknown[] }[]).map((e) => e.codes.length)).toEqual([0, 0, 1]);
  });

  test('in words', async () => {
    const { out } = await run('decode', file('d.txt', session));
    expect(out).toMatch(/P0302 {2}confirmed {2}from 7E8/);
    expect(out).toMatch(/short-term trim: not available/);
  });
});

describe('pincer assess', () => {
  test('the documented shape', async () => {
    const { code, out } = await run('assess', EXAMPLE, '--json', '--at', '2026-11-20T12:00:00Z');
    expect(code).toBe(0);
    const a = JSON.parse(out) as Record<string, never>;
    expect(a).toMatchObject({ allowance: { level: 1, title: 'Safe place only' }, recommended: 'repair' });
    expect(Object.keys(a)).toEqual([
      'allowance',
      'known',
      'groups',
      'leftOver',
      'causes',
      'checks',
      'options',
      'recommended',
      'firstStep',
    ]);
    const first = (key: string) => (a[key] as unknown as object[])[0];
    expect(Object.keys(first('causes') ?? {})).toEqual(['id', 'title', 'probability', 'accountsFor']);
    expect(Object.keys(first('checks') ?? {})).toEqual(['id', 'title', 'minutes', 'cost', 'gain']);
    expect((a['options'] as unknown as { id: string; blocked: unknown[] }[]).map((o) => o.id)).toEqual([
      'repair',
      'clear',
      'help',
    ]);
  });

  test('in words', async () => {
    const { out } = await run('assess', EXAMPLE, '--at', '2026-11-20T12:00:00Z');
    expect(out).toMatch(/Road: Safe place only/);
    expect(out).toMatch(/\* Repair it yourself/);
  });

  test('a damaged case names the place and exits with 2', async () => {
    const data = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as { case: { entries: { at: string }[] } };
    (data.case.entries[2] as { at: string }).at = 'noon';
    const { code, err } = await run('assess', file('bad.json', JSON.stringify(data)), '--json');
    expect(code).toBe(2);
    expect(err).toMatch(/case\.entries\[2\]\.at/);
    expect((await run('assess', EXAMPLE, '--at', 'noon')).code).toBe(2);
  });
});

describe('pincer validate', () => {
  test('good files', async () => {
    expect(await run('validate', EXAMPLE)).toMatchObject({ code: 0, err: '' });
    expect((await run('validate', file('v.log', '7E8#0341054B00000000'), '--json')).code).toBe(0);
  });
  test('bad files', async () => {
    const { code, err } = await run('validate', file('cut.json', '{"format": "pincer-case",\n "version"'));
    expect(code).toBe(2);
    expect(err).toMatch(/cut\.json/);
    expect((await run('validate', file('text.txt', 'nothing here'))).code).toBe(2);
  });
});

test('wrong use is told on stderr with exit code 2; help is not an error', async () => {
  expect((await run('explain')).code).toBe(2);
  expect((await run('nonsense')).code).toBe(2);
  expect((await run('explain', 'P0302', '--nonsense')).code).toBe(2);
  const help = await run('--help');
  expect(help.code).toBe(0);
  expect(help.out).toMatch(/explain/);
});
