import { useRevalidator, useRouteError } from 'react-router';
import { Fault } from '../ui/contained.tsx';

/** A station that broke, or could not be fetched: the road, the rail and the log around it stay. */
export function StationFault() {
  const error = useRouteError();
  const { revalidate } = useRevalidator();
  return <Fault name="This station" error={error} resetErrorBoundary={() => void revalidate()} />;
}
