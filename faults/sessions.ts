import { ByteQueue, asciiBytes, asciiOf, decodeSavedSession } from '@pincer/core/link';
import { StandIn, VirtualClock, seededRandom } from '@pincer/simulator';
import type { Campaign } from './campaign.ts';
import { chosen, chosenAt, type Random } from './chance.ts';

/** What somebody types at a terminal to read codes. */
const ASKED = ['ATZ', 'ATE0', 'ATDPN', 'ATRV', '0101', '03', '07', '0A', '0902', '010C'] as const;
/** Codes of the car at the other end. */
const SENT: ReadonlySet<string> = new Set(['P0300', 'P0303', 'P0353']);

/** Words that a person, a terminal or a clock strews into such a text; none of them is an answer of a car. */
const STREWN = [
  'HELLO WORLD',
  'connected to the car',
  '12:04:31 ready',
  'zzzz',
  '??',
  'ADDED FACE, CAFE',
  'read the codes twice',
  '7E8 0G 41 0C',
] as const;

/** The exchange as the adapter printed it: what was asked, and the lines of the answer. */
async function exchange(): Promise<{ asked: string; lines: string[] }[]> {
  const clock = new VirtualClock();
  const car = new StandIn({
    faults: [{ kind: 'coil', cylinder: 3 }],
    seed: 7,
    clock,
    temperament: 'instant',
  });
  const adapter = car.plugIn();
  const heard = new ByteQueue();
  void (async () => {
    for await (const bytes of adapter.incoming) heard.push(bytes);
    heard.end();
  })();
  const answers = heard[Symbol.asyncIterator]();
  const all: { asked: string; lines: string[] }[] = [];
  for (const asked of ['ATH1', ...ASKED]) {
    await adapter.write(asciiBytes(`${asked}\r`));
    let text = '';
    while (!text.includes('>')) {
      const next = await answers.next();
      if (next.done === true) throw new Error('The stand-in ended.');
      text += asciiOf(next.value);
    }
    const lines = text
      .replace('>', '')
      .split(/[\r\n]+/)
      .filter((l) => l !== '' && l !== asked);
    all.push({ asked, lines });
  }
  return all;
}

let known: Promise<{ asked: string; lines: string[] }[]> | null = null;

/** The text in one of the ways in which terminals save it, with words strewn in, each with its line. */
function saved(
  random: Random,
  all: readonly { asked: string; lines: string[] }[],
): { text: string; strewn: { line: number; text: string }[] } {
  const hasPrompts = random() < 0.5;
  const end = chosen(random, ['\n', '\r\n', '\r']);
  const out: string[] = [];
  const strewn: { line: number; text: string }[] = [];
  for (const { asked, lines } of all) {
    out.push(hasPrompts ? `>${asked}` : asked);
    const isOfCar = !asked.startsWith('AT');
    for (const line of lines) {
      out.push(random() < 0.2 ? `${line}  ` : line);
      if (!isOfCar || random() >= 0.25) continue;
      const text = chosen(random, STREWN);
      out.push(text);
      strewn.push({ line: out.length, text });
    }
    if (hasPrompts && random() < 0.5) out.push('');
  }
  if (hasPrompts) out.push('>');
  return { text: out.join(end), strewn };
}

/** Saved texts with prompts and without, with words between the answers: nothing is swallowed, nothing made up. */
export const SESSIONS: Campaign = {
  id: 'sessions',
  title: 'Saved adapter sessions with words strewn in',
  full: 5_000,
  short: 300,
  run: async (seed) => {
    const random = seededRandom(seed);
    known ??= exchange();
    const { text, strewn } = saved(random, await known);
    const cut = random() < 0.2 ? chosenAt(random, text.length) : text.length;
    const scan = decodeSavedSession(text.slice(0, cut));
    const isWhole = cut === text.length;
    const strange = scan.codes.filter((c) => !SENT.has(c.code));
    if (strange.length > 0) return { seed, problem: `a code that was not sent: ${strange[0]?.code}` };
    const states = new Set(scan.codes.map((c) => c.state));
    if (isWhole && states.size !== 3) return { seed, problem: `of three states ${states.size} were found` };
    const told = new Set(scan.errors.map((e) => e.line));
    const swallowed = strewn.find((s) => isWhole && !told.has(s.line));
    return {
      seed,
      problem: swallowed ? `line ${swallowed.line} was swallowed: ${swallowed.text}` : null,
    };
  },
};
