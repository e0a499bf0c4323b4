import { entrySchema } from '@pincer/core/case';
import { z } from 'zod';
import { ALONE, type TabsPort } from '../ports/tabs.ts';

/** Do not rename: pages of an older version listen on it as well. */
const CHANNEL = 'pincer';

const messageSchema = z.object({ caseId: z.string(), entry: entrySchema });

/** Pages of this browser over its broadcast channel and its locks; where it has none, this page is alone. */
export function browserTabs(): TabsPort {
  const channel = 'BroadcastChannel' in globalThis ? new BroadcastChannel(CHANNEL) : null;
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
      // Locks want a secure page; over plain http to a laptop in the garage there are none.
      'locks' in navigator && navigator.locks
        ? navigator.locks.request(`pincer:${name}`, { ifAvailable: true }, async (lock) =>
            lock ? await run() : null,
          )
        : ALONE.alone(name, run),
  };
}
