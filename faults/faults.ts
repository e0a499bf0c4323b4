import { tryAll, type Campaign } from './campaign.ts';
import { HOSTILE_LINES } from './hostile-line.ts';
import { KILLS } from './kills.ts';
import { ENTRY_KILLS } from './entry-kills.ts';
import { FILES } from './files.ts';
import { FULL_DISK } from './full-disk.ts';
import { LOGS } from './logs.ts';
import { PAGES_AND_DEVICES, STORAGE } from './pages.ts';
import { REQUESTS } from './requests.ts';
import { SESSIONS } from './sessions.ts';

/**
 * Tries to break what must not break, and prints what was tried and what failed.
 * `npm run faults [-- CAMPAIGN...] [--short] [--times N]`; the kills want a built application (`npm run build`).
 */
const CAMPAIGNS: readonly Campaign[] = [
  LOGS,
  SESSIONS,
  HOSTILE_LINES,
  REQUESTS,
  FILES,
  ENTRY_KILLS,
  KILLS,
  FULL_DISK,
  PAGES_AND_DEVICES,
  STORAGE,
];

const args = process.argv.slice(2);
const isShort = args.includes('--short');
const timesAt = args.indexOf('--times');
const times = timesAt === -1 ? null : Number(args[timesAt + 1]);
const chosen = CAMPAIGNS.filter((c) => args.includes(c.id));
const unknown = args.filter(
  (a, i) =>
    !a.startsWith('--') && (timesAt === -1 || i !== timesAt + 1) && !CAMPAIGNS.some((c) => c.id === a),
);
const say = (text: string) => process.stdout.write(`${text}\n`);

if (unknown.length > 0) {
  say(`There is no campaign ${unknown.join(', ')}. There are: ${CAMPAIGNS.map((c) => c.id).join(', ')}.`);
  process.exit(2);
}

let failures = 0;
for (const campaign of chosen.length > 0 ? chosen : CAMPAIGNS) {
  const count = times ?? (isShort ? campaign.short : campaign.full);
  const began = performance.now();
  const { failed, did } = await tryAll(campaign, count, (done) => {
    if (process.stdout.isTTY) process.stdout.write(`\r${campaign.title}: ${done} of ${count}`);
  });
  const seconds = ((performance.now() - began) / 1000).toFixed(1);
  say(
    `${process.stdout.isTTY ? '\r' : ''}${campaign.title}: ${count} tried, ${failed.length} failed, ${seconds} s${did === '' ? '' : `; ${did}`}`,
  );
  for (const { seed, problem } of failed.slice(0, 20)) say(`  seed ${seed}: ${problem}`);
  failures += failed.length;
}
say(failures === 0 ? 'Nothing failed.' : `${failures} failed.`);
process.exitCode = failures === 0 ? 0 : 1;
process.exit();
