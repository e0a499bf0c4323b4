import { useCase } from './case-context.ts';

/** The title of the page in the browser's tabs and history: the station, and whose it is, for two cases may be open. */
export function PageTitle({ of }: { of: string }) {
  const { vehicle } = useCase();
  return <title>{`${of} · ${vehicle.name} · Pincer`}</title>;
}
