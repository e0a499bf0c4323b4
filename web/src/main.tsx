import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { Toaster } from 'sonner';
import { router } from './router.tsx';
import { browserPorts } from './platform/browser-ports.ts';
import { load } from './store/logbook-actions.ts';
import { beginSession } from './store/session.ts';
import { createStore } from './store/create-store.ts';
import './styles.css';

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
      <Toaster position="bottom-center" toastOptions={{ className: 'font-sans text-base' }} />
    </Provider>
  </StrictMode>,
);
