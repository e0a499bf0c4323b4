import { Suspense, lazy, type ComponentType } from 'react';
import { Navigate, createBrowserRouter } from 'react-router';
import { Garage } from './garage/garage.tsx';
import { Lost } from './shell/lost.tsx';
import { Shell } from './shell/shell.tsx';
import { Contained } from './ui/contained.tsx';

/** A part that is fetched when it is first shown; a fault in it, or in fetching it, stays inside it. */
function part(name: string, load: () => Promise<ComponentType>) {
  const Part = lazy(async () => ({ default: await load() }));
  return (
    <Contained name={name} key={name}>
      <Suspense
        fallback={
          <main className="p-6" role="status">
            Opening…
          </main>
        }
      >
        <Part />
      </Suspense>
    </Contained>
  );
}

/** The case, the reference and the settings come when they are opened; the garage is there at once. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Lost />,
    children: [
      { path: '/', element: <Garage /> },
      {
        path: '/case/:caseId',
        element: part('This case', async () => (await import('./stations/case-frame.tsx')).CaseFrame),
        children: [
          { index: true, element: <Navigate to="light" replace /> },
          {
            path: 'watch',
            element: part('This station', async () => (await import('./stations/watch/watch.tsx')).Watch),
          },
          {
            path: ':station',
            element: part('This station', async () => (await import('./stations/station.tsx')).Station),
          },
        ],
      },
      {
        path: '/vehicle/:vehicleId',
        element: part(
          'This vehicle’s page',
          async () => (await import('./garage/vehicle-page.tsx')).VehiclePage,
        ),
      },
      {
        path: '/codes/:code?',
        element: part('The reference', async () => (await import('./reference/reference.tsx')).Reference),
      },
      {
        path: '/words',
        element: part('The list of words', async () => (await import('./reference/words.tsx')).Words),
      },
      {
        path: '/settings',
        element: part('The settings', async () => (await import('./settings/settings.tsx')).SettingsPage),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);
