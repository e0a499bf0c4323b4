import type { KeptFilePort } from '../ports/kept-file.ts';

/** The parts of the File System API that not every browser has; the types of the platform leave them out. */
type Handle = FileSystemFileHandle & {
  queryPermission?: (how: { mode: 'readwrite' }) => Promise<PermissionState>;
  requestPermission?: (how: { mode: 'readwrite' }) => Promise<PermissionState>;
};
interface Picker {
  showSaveFilePicker?: (options: {
    suggestedName: string;
    types: { description: string; accept: Record<string, string[]> }[];
  }) => Promise<Handle>;
}

interface Stored {
  handle: Handle;
  entries: number;
}
const KEY = 'file';

/** Beside the logbook, not in it: what brings a logbook back must not come and go with its records. */
async function store(): Promise<LocalForage> {
  const { default: localforage } = await import('localforage');
  return localforage.createInstance({
    name: 'pincer-kept-file',
    storeName: 'file',
    driver: localforage.INDEXEDDB,
  });
}
const stored = async (): Promise<Stored | null> => (await store()).getItem<Stored>(KEY);

/** Browsers that never ask have no such question. */
const mayWrite = async ({ handle }: Stored): Promise<boolean> =>
  ((await handle.queryPermission?.({ mode: 'readwrite' })) ?? 'granted') === 'granted';

/** Files of the device by the browser's file picker. */
export function browserKeptFile(): KeptFilePort {
  const picker = (): Picker['showSaveFilePicker'] => (globalThis as Picker).showSaveFilePicker;
  return {
    isPossible: () => picker() !== undefined,
    choose: async (suggestedName) => {
      let handle: Handle | undefined;
      try {
        handle = await picker()?.({
          suggestedName,
          types: [{ description: 'Zip file', accept: { 'application/zip': ['.zip'] } }],
        });
      } catch (error) {
        // Closed without a choice.
        if (error instanceof DOMException && error.name === 'AbortError') return null;
        throw error;
      }
      if (!handle) return null;
      const chosen: Stored = { handle, entries: 0 };
      return {
        name: handle.name,
        content: await handle.getFile(),
        keep: async () => {
          await (await store()).setItem(KEY, chosen);
        },
      };
    },
    current: async () => {
      const file = await stored();
      return file && { name: file.handle.name, mayWrite: await mayWrite(file), entries: file.entries };
    },
    allow: async () => {
      const file = await stored();
      if (!file) return false;
      return (
        (await mayWrite(file)) || (await file.handle.requestPermission?.({ mode: 'readwrite' })) === 'granted'
      );
    },
    write: async (content, entries) => {
      const file = await stored();
      if (!file) return;
      // It takes the place of the old one when it is closed, and not before.
      const writable = await file.handle.createWritable();
      try {
        await writable.write(content);
      } catch (error) {
        await writable.abort().catch(() => undefined);
        throw error;
      }
      await writable.close();
      await (await store()).setItem(KEY, { ...file, entries });
    },
    forget: async () => {
      await (await store()).removeItem(KEY);
    },
  };
}
