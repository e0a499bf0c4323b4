import { caseSchema, entrySchema } from '@pincer/core/case';
import { vehicleSchema } from '@pincer/core/vehicle';
import * as z from 'zod/mini';
import { ALONE, type Doing, type TabsPort } from '../ports/tabs.ts';

/** Do not rename: pages of an older version listen on it as well. */
const CHANNEL = 'pincer';
/** Where pages say that what they do has changed; what they do is in the names of the locks that they hold. */
const DOINGS = 'pincer-doings';
const HELD = 'pincer-doing:';
/** What the keys of noted records begin with. */
const JOURNAL = 'pincer:journal:';

const messageSchema = z.union([
  z.object({ caseId: z.string(), entry: entrySchema }),
  z.object({ head: z.omit(caseSchema, { entries: true }) }),
  z.object({ vehicle: vehicleSchema }),
  z.object({ emptied: z.literal(true) }),
  z.object({ forgotten: z.string() }),
]);

const doingSchema = z.object({
  what: z.enum(['connected', 'recording']),
  caseId: z.string(),
  page: z.string(),
});

/** Locks want a secure page; over plain http to a laptop in the garage there are none. */
const locks = (): LockManager | null => (navigator as Partial<Navigator>).locks ?? null;
const channelOf = (name: string) => ('BroadcastChannel' in globalThis ? new BroadcastChannel(name) : null);

/** Pages of this browser over its broadcast channel and its locks; where it has none, this page is alone. */
export function browserTabs(): TabsPort {
  const channel = channelOf(CHANNEL);
  const doings = channelOf(DOINGS);
  const page = `${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;
  return {
    tell: (message) => channel?.postMessage(message),
    listen: (hear) => {
      const onMessage = (event: MessageEvent<unknown>) => {
        // A page of another version may tell of what this one does not know; it is then read at the next start.
        const read = messageSchema.safeParse(event.data);
        if (read.success) hear(read.data);
      };
      channel?.addEventListener('message', onMessage);
      return () => channel?.removeEventListener('message', onMessage);
    },
    alone: (name, run) =>
      locks()?.request(`pincer:${name}`, { ifAvailable: true }, async (lock) =>
        lock ? await run() : null,
      ) ?? ALONE.alone(name, run),
    begin: (doing) => {
      let end = () => undefined as void;
      const held = new Promise<void>((resolve) => {
        end = resolve;
      });
      // A lock ends with its page, whatever ends the page: nobody is said to be at something that is over.
      void locks()?.request(HELD + JSON.stringify({ ...doing, page }), () => {
        doings?.postMessage('changed');
        return held;
      });
      return () => {
        end();
        setTimeout(() => doings?.postMessage('changed'));
      };
    },
    watchOthers: (heard) => {
      const awaited = new Set<string>();
      const look = async () => {
        const names = ((await locks()?.query())?.held ?? []).map((lock) => lock.name ?? '');
        const others = names.filter((name) => otherOf(name, page).length > 0);
        heard(others.flatMap((name) => otherOf(name, page)));
        // A page that dies says nothing: its lock, waited for, does.
        for (const name of others.filter((n) => !awaited.has(n))) {
          awaited.add(name);
          void locks()
            ?.request(name, { mode: 'shared' }, () => awaited.delete(name))
            .then(look);
        }
      };
      const onChange = () => void look();
      doings?.addEventListener('message', onChange);
      document.addEventListener('visibilitychange', onChange);
      onChange();
      return () => {
        doings?.removeEventListener('message', onChange);
        document.removeEventListener('visibilitychange', onChange);
      };
    },
    onWake: (wake) => {
      const onShow = () => {
        if (document.visibilityState === 'visible') wake();
      };
      // A note that another page crosses out has been stored: heard also where pages have no channel.
      const onStorage = (event: StorageEvent) => {
        if (channel === null && event.key?.startsWith(JOURNAL) === true && event.newValue === null) wake();
      };
      document.addEventListener('visibilitychange', onShow);
      addEventListener('pageshow', onShow);
      addEventListener('storage', onStorage);
      return () => {
        document.removeEventListener('visibilitychange', onShow);
        removeEventListener('pageshow', onShow);
        removeEventListener('storage', onStorage);
      };
    },
  };
}

function otherOf(name: string, page: string): Doing[] {
  if (!name.startsWith(HELD)) return [];
  try {
    const { page: whose, ...doing } = doingSchema.parse(JSON.parse(name.slice(HELD.length)));
    return whose === page ? [] : [doing];
  } catch {
    return [];
  }
}
