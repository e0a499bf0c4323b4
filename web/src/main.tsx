import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter } from 'react-router';
import { Pages } from './router.tsx';
import { Lost } from './shell/lost.tsx';
import { Toasts } from './shell/toasts.tsx';
import { later } from './ui/later.ts';
import { beginCore, warmCore } from './workers/core-client.ts';
import { ownerOf } from '@pincer/core/case';
import { browserPorts } from './platform/browser-ports.ts';
import { copiedKeys } from './storage/copied-keys.ts';
import { load } from './store/logbook-actions.ts';
import { findKeptFile } from './store/find-kept-file.ts';
import { beginSession } from './store/session.ts';
import { createStore } from './store/create-store.ts';
import { settingsSlice } from './store/settings-slice.ts';
import './styles.css';

// A case shows nothing of itself before it is assessed: the worker reads its knowledge while the page comes up.
if (location.pathname.startsWith('/case/')) beginCore();
// Whoever has a logbook wants the sheets of its vehicles at once; whoever has none yet is spared them.
if (location.pathname === '/' && copiedKeys().length > 0)
  import('./garage/vehicle-sheet.tsx').catch(() => undefined);

const ports = browserPorts();
const store = createStore(ports);
// Until something else was chosen and stored: as is customary where the browser's language is spoken.
store.dispatch(settingsSlice.actions.ownerSet(ownerOf(navigator.language)));
beginSession(store, ports);
const loaded = store.dispatch(load());

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no element with the id "root".');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <BrowserRouter>
        <ErrorBoundary FallbackComponent={Lost}>
          <Pages />
        </ErrorBoundary>
      </BrowserRouter>
      <Toasts />
    </Provider>
  </StrictMode>,
);

later(() => {
  // Everything else is fetched for days without a signal; the codes and what is known of them with it.
  if (import.meta.env.PROD && 'serviceWorker' in navigator)
    // Where it is refused the page works all the same, with a signal.
    navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  // The first assessment finds a worker that has read its knowledge already.
  void warmCore();
  void loaded.then(() => store.dispatch(findKeptFile()));
});
