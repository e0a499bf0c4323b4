import { tryAll, type Campaign } from './campaign.ts';
import { HOSTILE_LINES } from './hostile-line.ts';
import { FILES } from './files.ts';
import { LOGS } from './logs.ts';
import { REQUESTS } from './requests.ts';
import { SESSIONS } from './sessions.ts';

jest.setTimeout(60_000);

describe('a short run of what `npm run faults` tries', () => {
  test.each([LOGS, SESSIONS, HOSTILE_LINES, REQUESTS, FILES].map((c) => [c.title, c] as const))(
    '%s',
    async (_, campaign: Campaign) => {
      expect((await tryAll(campaign, campaign.short)).failed).toEqual([]);
    },
  );
});

test('a try that goes wrong, throws or never ends is told with its seed', async () => {
  const campaign: Campaign = {
    id: 'x',
    title: 'x',
    full: 3,
    short: 3,
    run: (seed) =>
      seed === 2
        ? Promise.reject(new Error('broken'))
        : Promise.resolve({ seed, problem: seed === 3 ? 'odd' : null }),
  };
  const { failed } = await tryAll(campaign, 3);
  expect(failed.map((t) => [t.seed, t.problem?.split('\n')[0]])).toEqual([
    [2, 'threw: Error: broken'],
    [3, 'odd'],
  ]);
});
