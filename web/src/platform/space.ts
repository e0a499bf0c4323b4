import type { SpacePort } from '../ports/space.ts';

/** The storage manager, where the page is secure enough to have one. */
const manager = (): Partial<StorageManager> | undefined =>
  (navigator as { storage?: Partial<StorageManager> }).storage;

/** The browser's own account of room. */
export function browserSpace(): SpacePort {
  let hasAsked = false;
  return {
    persist: () => {
      if (hasAsked) return;
      hasAsked = true;
      // A browser that refuses, or asks the owner and is refused, goes on keeping data as long as there is room.
      manager()
        ?.persist?.()
        .catch(() => undefined);
    },
    isPersisted: () =>
      manager()
        ?.persisted?.()
        .catch(() => null) ?? Promise.resolve(null),
    estimate: async () => {
      const { usage, quota } =
        (await manager()
          ?.estimate?.()
          .catch(() => null)) ?? {};
      return usage === undefined || quota === undefined
        ? null
        : { used: usage, free: Math.max(0, quota - usage) };
    },
  };
}
