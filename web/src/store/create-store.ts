import { configureStore } from '@reduxjs/toolkit';
import type { Ports } from '../ports/ports.ts';
import { createLinkService } from './link-service.ts';
import { createOwnEntries } from './session.ts';
import { laterMiddleware, reducer, type Extra } from './store.ts';

/** A store with nothing loaded. @param ports its ways to workers and other pages. */
export function createStore(ports: Ports) {
  const extraArgument: Extra = { ...ports, link: createLinkService() };
  return configureStore({
    reducer,
    middleware: (getDefault) =>
      getDefault({
        thunk: { extraArgument },
        // Assessments are large and never changed: looking through them at each step would cost more than they do.
        immutableCheck: false,
        serializableCheck: false,
      })
        .prepend(createOwnEntries())
        .concat(laterMiddleware.middleware),
  });
}

export type AppStore = ReturnType<typeof createStore>;
