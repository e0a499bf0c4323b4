import {
  AdapterPort,
  ByteQueue,
  asciiBytes,
  asciiOf,
  connect,
  takeScan,
  type Transport,
} from '@pincer/core/link';
import { NO_SOURCE, scanSchema, type Scan } from '@pincer/core/obd';
import { StandIn, VirtualClock, seededRandom, type Fault } from '@pincer/simulator';
import type { Campaign, Trial } from './campaign.ts';
import { chosen, chosenAt, type Random } from './chance.ts';

/** What a bad line does to one reply of the adapter, line by line or character by character. */
interface Harm {
  name: string;
  /** Whether it can make a line that reads like another: then a code that was not sent may be the line's own doing. */
  isForging: boolean;
  /** @param lines of one reply, without the prompt. */
  to: (lines: string[], random: Random) => string[] | null;
}

/** One line of a reply changed. */
const oneLine =
  (change: (line: string, random: Random) => string[]): Harm['to'] =>
  (lines, random) => {
    const n = chosenAt(random, lines.length);
    return lines.flatMap((line, i) => (i === n ? change(line, random) : [line]));
  };

const instead =
  (text: string): Harm['to'] =>
  () =>
    text.split('|');

/** Sent without a prompt at its end. */
const ENDLESS = ['A'.repeat(70_000)];

const HARMS: readonly Harm[] = [
  {
    name: 'a character lost',
    isForging: false,
    to: oneLine((l, r) => [without(l, chosenAt(r, l.length), 1)]),
  },
  {
    name: 'two characters lost',
    isForging: false,
    to: oneLine((l, r) => [without(l, chosenAt(r, l.length), 2)]),
  },
  { name: 'a line cut short', isForging: false, to: oneLine((l, r) => [l.slice(0, chosenAt(r, l.length))]) },
  { name: 'a line lost', isForging: false, to: oneLine(() => []) },
  { name: 'a line twice', isForging: false, to: oneLine((l) => [l, l]) },
  { name: 'lines in another order', isForging: false, to: (l) => [...l].reverse() },
  { name: 'line ends lost', isForging: true, to: (l) => [l.join('')] },
  { name: 'a digit changed', isForging: true, to: oneLine((l, r) => [changed(l, chosenAt(r, l.length), r)]) },
  {
    name: 'a digit strewn in',
    isForging: true,
    to: oneLine((l, r) => [strewn(l, chosenAt(r, l.length), r)]),
  },
  { name: 'text strewn in', isForging: false, to: (l) => ['SEARCHING...', ...l, 'HELLO WORLD'] },
  { name: 'no data', isForging: false, to: instead('NO DATA') },
  { name: 'nothing but the prompt', isForging: false, to: () => [] },
  { name: 'bus error', isForging: false, to: instead('CAN ERROR') },
  { name: 'buffer full', isForging: false, to: (l) => [...l.slice(0, 1), 'BUFFER FULL'] },
  { name: 'not understood', isForging: false, to: instead('?') },
  { name: 'stopped', isForging: false, to: instead('STOPPED') },
  { name: 'data error', isForging: false, to: (l) => l.map((x) => `${x} <DATA ERROR`) },
  {
    name: 'busy',
    isForging: false,
    to: (_, r) => [chosen(r, ['7E8037F0321', '7E8037F0721', '7E8037F0121'])],
  },
  { name: 'needs more time', isForging: false, to: (l) => ['7E8037F0378', ...l] },
  { name: 'refused', isForging: false, to: (_, r) => [chosen(r, ['7E8037F0322', '7E8037F0310'])] },
  { name: 'an answer to another question', isForging: false, to: (l) => ['7E80341050A', ...l] },
  { name: 'a stranger', isForging: false, to: (l) => [...l, '123044301999900'] },
  { name: 'restarted', isForging: false, to: instead('LV RESET|STAND-IN v1.0') },
  { name: 'talks without end', isForging: false, to: (_, r) => (r() < 0.1 ? ENDLESS : null) },
  { name: 'no prompt', isForging: false, to: () => null },
];

const without = (line: string, from: number, count: number) => line.slice(0, from) + line.slice(from + count);
const hexDigit = (random: Random) => '0123456789ABCDEF'.charAt(chosenAt(random, 16));
const changed = (line: string, n: number, random: Random) =>
  line.slice(0, n) + hexDigit(random) + line.slice(n + 1);
const strewn = (line: string, n: number, random: Random) =>
  line.slice(0, n) + hexDigit(random) + line.slice(n);

interface Line {
  transport: Transport;
  /** Whether anything was done that can make one line read like another. */
  hasForged: () => boolean;
}

/** A line between adapter and session that harms replies of the car with some chance, in some of these ways. */
function harmedLine(inner: Transport, random: Random): Line {
  const harms = Array.from({ length: 1 + chosenAt(random, 3) }, () => chosen(random, HARMS));
  const chance = chosen(random, [0.02, 0.1, 0.35, 0.9]);
  const cutAfter = random() < 0.1 ? chosenAt(random, 60) : Infinity;
  const piece = chosen(random, [1, 7, 4096]);
  const incoming = new ByteQueue();
  let reply = '';
  let replies = 0;
  let forged = false;
  let command = '';
  const send = (text: string) => {
    const bytes = asciiBytes(text);
    for (let i = 0; i < bytes.length; i += piece) incoming.push(bytes.slice(i, i + piece));
  };
  void (async () => {
    for await (const bytes of inner.incoming) {
      reply += asciiOf(bytes);
      if (!reply.includes('>')) continue;
      const lines = reply
        .replace('>', '')
        .split(/[\r\n]+/)
        .filter((l) => l !== '');
      reply = '';
      if (++replies > cutAfter) {
        incoming.end();
        return;
      }
      const isOfCar = !command.startsWith('AT');
      const harm = isOfCar && random() < chance ? chosen(random, harms) : null;
      if (harm?.isForging) forged = true;
      const said = harm ? harm.to(lines, random) : lines;
      if (said === null || said === ENDLESS) send((said ?? lines).join('\r'));
      else send(`${said.map((l) => `${l}\r`).join('')}\r>`);
    }
    incoming.end();
  })();
  return {
    transport: {
      incoming,
      write: (bytes) => {
        const text = asciiOf(bytes).trim();
        if (text !== '') command = text;
        return inner.write(bytes);
      },
      close: () => inner.close(),
    },
    hasForged: () => forged,
  };
}

const FAULTS: readonly Fault[] = [
  { kind: 'coil', cylinder: 3 },
  { kind: 'air-flow-unplugged' },
  { kind: 'gear-valve' },
];

/** What the car's units have stored, as they would tell it. */
async function truth(fault: Fault): Promise<Scan> {
  const clock = new VirtualClock();
  const car = new StandIn({ faults: [fault], seed: 7, clock, temperament: 'instant' });
  const connected = await connect(new AdapterPort(car.plugIn(), clock));
  if (!connected.ok) throw new Error(connected.fault.code);
  return (await takeScan(connected.connection)).scan;
}

/** Codes with their states; the control units are not reported apart, for not every line names them. */
const named = (scan: Scan) => new Set(scan.codes.map((c) => `${c.code} ${c.state}`));

/** What is wrong with a scan taken over a bad line, in words; null when nothing is. */
function problemOf(scan: Scan, isWhole: boolean, sent: Scan, hasForged: boolean): string | null {
  if (!scanSchema.safeParse(scan).success) return 'the scan does not fit its schema';
  const told = named(scan);
  // Silence to the service for permanent codes is how older units say that they have none; the scan then says so.
  // Without headers one unit's "none" cannot be told from another's.
  const isSilentOnPermanent = scan.parts.some(
    (p) => p.part === 'permanent' && (p.state === 'unsupported' || p.unit === NO_SOURCE),
  );
  const missing = [...named(sent)].filter(
    (c) => !told.has(c) && !(isSilentOnPermanent && c.endsWith('permanent')),
  );
  if (isWhole && scan.codes.length === 0) return 'complete without codes';
  if (isWhole && missing.length > 0 && !hasForged) return `complete without ${missing.join(', ')}`;
  const strange = [...told].filter((c) => !named(sent).has(c));
  if (strange.length > 0 && !hasForged) return `a code that was not sent: ${strange.join(', ')}`;
  const open = scan.parts.filter((p) => p.state === 'not-read' && p.unit !== NO_SOURCE);
  if (open.some((p) => p.why === undefined)) return 'a part is not read and does not say why';
  if (open.length > 0 && scan.missing.length === 0) return 'a part is not read and no screen would say so';
  return null;
}

/** One scan over a bad line. It ends, or the trial says that it did not. */
async function scanOver(seed: number): Promise<string | null> {
  const random = seededRandom(seed);
  const fault = chosen(random, FAULTS);
  const isLegacy = random() < 0.25;
  const clock = new VirtualClock();
  const car = new StandIn({
    faults: [fault],
    seed: 7,
    clock,
    temperament: 'instant',
    adapter: { isLegacy, ...(random() < 0.15 ? { refuses: ['H1'] } : {}) },
  });
  const line = harmedLine(car.plugIn(), random);
  const sent = await truth(fault);
  const connected = await connect(new AdapterPort(line.transport, clock));
  if (!connected.ok) return null;
  const { scan, fault: linkFault } = await takeScan(connected.connection);
  return problemOf(scan, linkFault === null && scan.missing.length === 0, sent, line.hasForged());
}

/** Scans over bad lines: never complete without codes, never a code that was not sent, never an error unsaid. */
export const HOSTILE_LINES: Campaign = {
  id: 'lines',
  title: 'Scans over bad lines, from a car with codes',
  full: 10_000,
  short: 100,
  run: (seed): Promise<Trial> => scanOver(seed).then((problem) => ({ seed, problem })),
};
