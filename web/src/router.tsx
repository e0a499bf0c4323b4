import { Navigate, createBrowserRouter } from 'react-router';
import { Garage } from './garage/garage.tsx';
import { Lost } from './shell/lost.tsx';
import { Shell } from './shell/shell.tsx';
import { StationFault } from './stations/station-fault.tsx';

/** The case, the reference and the settings come when they are opened; the garage is there at once. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Lost />,
    children: [
      { path: '/', element: <Garage /> },
      {
        path: '/case/:caseId',
        lazy: async () => ({ Component: (await import('./stations/case-frame.tsx')).CaseFrame }),
        children: [
          { index: true, element: <Navigate to="light" replace /> },
          {
            path: 'watch',
            errorElement: <StationFault />,
            lazy: async () => ({ Component: (await import('./stations/watch/watch.tsx')).Watch }),
          },
          {
            path: ':station',
            errorElement: <StationFault />,
            lazy: async () => ({ Component: (await import('./stations/station.tsx')).Station }),
          },
        ],
      },
      {
        path: '/vehicle/:vehicleId',
        lazy: async () => ({ Component: (await import('./garage/vehicle-page.tsx')).VehiclePage }),
      },
      {
        path: '/codes/:code?',
        lazy: async () => ({ Component: (await import('./reference/reference.tsx')).Reference }),
      },
      {
        path: '/words',
        lazy: async () => ({ Component: (await import('./reference/words.tsx')).Words }),
      },
      {
        path: '/settings',
        lazy: async () => ({ Component: (await import('./settings/settings.tsx')).SettingsPage }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);
