import type { ComponentType } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { Garage } from './garage/garage.tsx';
import { Lost } from './shell/lost.tsx';
import { Shell } from './shell/shell.tsx';
import { Contained } from './ui/contained.tsx';
import { fetchedPart } from './ui/fetched-part.tsx';

/** A part that is fetched when it is first shown; a fault in it, or in fetching it, stays inside it. */
function part(name: string, load: () => Promise<ComponentType>) {
  const Part = fetchedPart(
    load,
    <main className="p-6" role="status">
      Opening…
    </main>,
  );
  return (
    <Contained name={name} key={name}>
      <Part />
    </Contained>
  );
}

// A case is shown with one of its stations in it: neither waits for the other to have come.
const loadStation = async () => (await import('./stations/station.tsx')).Station;
const CasePart = part('This case', async () => {
  if (!/\/(watch|handover|buying)$/.test(location.pathname)) void loadStation().catch(() => undefined);
  return (await import('./stations/case-frame.tsx')).CaseFrame;
});
const WatchPart = part('This station', async () => (await import('./stations/watch/watch.tsx')).Watch);
const HandoverPart = part(
  'The handover sheet',
  async () => (await import('./stations/handover/handover.tsx')).HandoverSheet,
);
const BuyingPart = part('Before buying', async () => (await import('./stations/buying/buying.tsx')).Buying);
const StationPart = part('This station', loadStation);
const VehiclePart = part(
  'This vehicle’s page',
  async () => (await import('./garage/vehicle-page.tsx')).VehiclePage,
);
const ReferencePart = part(
  'The reference',
  async () => (await import('./reference/reference.tsx')).Reference,
);
const WordsPart = part('The list of words', async () => (await import('./reference/words.tsx')).Words);
const PracticePart = part(
  'The practice bay',
  async () => (await import('./practice/practice-bay.tsx')).PracticeBay,
);
const PracticeResultPart = part(
  'This result',
  async () => (await import('./practice/practice-result.tsx')).PracticeResultPage,
);
const SettingsPart = part('The settings', async () => (await import('./settings/settings.tsx')).SettingsPage);

/** The case, the reference and the settings come when they are opened; the garage is there at once. */
export function Pages() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<Garage />} />
        <Route path="/case/:caseId" element={CasePart}>
          <Route index element={<Navigate to="light" replace />} />
          <Route path="watch" element={WatchPart} />
          <Route path="handover" element={HandoverPart} />
          <Route path="buying" element={BuyingPart} />
          <Route path=":station" element={StationPart} />
        </Route>
        <Route path="/vehicle/:vehicleId" element={VehiclePart} />
        <Route path="/codes/:code?" element={ReferencePart} />
        <Route path="/words" element={WordsPart} />
        <Route path="/practice" element={PracticePart} />
        <Route path="/practice/:caseId" element={PracticeResultPart} />
        <Route path="/settings" element={SettingsPart} />
        <Route path="*" element={<Lost />} />
      </Route>
    </Routes>
  );
}
