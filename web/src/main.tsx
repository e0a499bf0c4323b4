import { StrictMode, Suspense, lazy } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { router } from './router.tsx';
import { browserPorts } from './platform/browser-ports.ts';
import { load } from './store/logbook-actions.ts';
import { beginSession } from './store/session.ts';
import { createStore } from './store/create-store.ts';
import './styles.css';

/** Nothing is said in the first moment: it comes after the first screen. */
const Toaster = lazy(async () => ({ default: (await import('sonner')).Toaster }));

const ports = browserPorts();
const store = createStore(ports);
beginSession(store, ports);
void store.dispatch(load());

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no element with the id "root".');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
      <Suspense fallback={null}>
        <Toaster position="bottom-center" toastOptions={{ className: 'font-sans text-base' }} />
      </Suspense>
    </Provider>
  </StrictMode>,
);
