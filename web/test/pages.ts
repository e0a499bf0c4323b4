import { assess, codePage } from '@pincer/core/assess';
import { readCaseFile } from '@pincer/core/case';
import { decodeFileText } from '@pincer/core/link';
import { NO_COPY_FILE } from '../src/ports/copy-file.ts';
import type { Ports } from '../src/ports/ports.ts';
import { ALONE, type TabMessage } from '../src/ports/tabs.ts';
import { createStore } from '../src/store/create-store.ts';
import { beginSession } from '../src/store/session.ts';

/** The browser's synchronous store, one for all pages. */
export const notes = new Map<string, string>();
Object.defineProperty(globalThis, 'localStorage', {
  value: {
    get length() {
      return notes.size;
    },
    key: (i: number) => [...notes.keys()][i] ?? null,
    getItem: (k: string) => notes.get(k) ?? null,
    setItem: (k: string, v: string) => notes.set(k, v),
    removeItem: (k: string) => notes.delete(k),
  },
  configurable: true,
});

type Hearer = (message: TabMessage) => void;
const hearers = new Map<object, Hearer>();

/** One page of a browser: a store of its own, over the storage and the channel that all pages share. */
export interface Page {
  store: ReturnType<typeof createStore>;
  dispatch: ReturnType<typeof createStore>['dispatch'];
  /** It is gone, whatever it was at. */
  close: () => void;
}

/** The core in this process, for there are no workers here; no recordings to take out, and no word of room. */
export const CORE_HERE: Pick<Ports, 'core' | 'practice' | 'recordings' | 'space' | 'keptFile' | 'copyFile'> =
  {
    practice: {
      answer: () => Promise.reject(new Error('not used')),
      result: () => Promise.reject(new Error('not used')),
    },
    copyFile: NO_COPY_FILE,
    core: {
      assess: (c, v, owner, at, lessons) => Promise.resolve(assess(c, v, new Date(at), owner, lessons)),
      readCaseFile: (text) => Promise.resolve(readCaseFile(text)),
      decodeFileText: (text) => Promise.resolve(decodeFileText(text)),
      codePage: (code) => Promise.resolve(codePage(code)),
      searchReference: () => Promise.resolve([]),
    },
    keptFile: {
      isPossible: () => false,
      choose: () => Promise.resolve(null),
      current: () => Promise.resolve(null),
      allow: () => Promise.resolve(false),
      write: () => Promise.resolve(),
      forget: () => Promise.resolve(),
    },
    recordings: {
      exportCsv: () => Promise.resolve(null),
      importCsv: () => Promise.resolve('not used'),
    },
    space: {
      persist: () => undefined,
      isPersisted: () => Promise.resolve(null),
      estimate: () => Promise.resolve(null),
    },
  };

/** Opens another page. Nothing is loaded yet. @param others ways out of the store that are not the usual ones. */
export function aPage(others: Partial<Ports> = {}): Page {
  const self = {};
  let isGone = false;
  const ports: Ports = {
    ...CORE_HERE,
    standIn: {
      plugIn: () => Promise.reject(new Error('not used')),
      unplug: () => Promise.reject(new Error('not used')),
      setMode: () => Promise.reject(new Error('not used')),
      does: () => Promise.reject(new Error('not used')),
      mendTo: () => Promise.reject(new Error('not used')),
    },
    tabs: {
      ...ALONE,
      tell: (message) => {
        if (isGone) return;
        for (const [who, hear] of hearers) if (who !== self) hear(structuredClone(message));
      },
      listen: (hear) => {
        hearers.set(self, hear);
        return () => hearers.delete(self);
      },
    },
    ...others,
  };
  const store = createStore(ports);
  const end = beginSession(store, ports);
  return {
    store,
    dispatch: store.dispatch,
    close: () => {
      isGone = true;
      end();
    },
  };
}
