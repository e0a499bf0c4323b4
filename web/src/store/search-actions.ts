import { findUnits, type ReadProgress } from '@pincer/core/link';
import { linkSlice } from './link-slice.ts';
import { loseLink } from './link-state.ts';
import type { AppThunk } from './store.ts';
import { isWatching } from './watch-slice.ts';
import { caseAndVehicle } from './logbook-selectors.ts';

const { searchBegan, searchEnded, statusChanged, unitFound } = linkSlice.actions;

/** Looks for the control units of the car that is connected. What was found stays until the next search. */
export function searchUnits(caseId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const { connection } = link;
    const { status } = getState().link;
    if (!connection || status.at !== 'talking' || isWatching(getState())) return;
    const stop = new AbortController();
    link.stop = stop;
    const { protocol, volts } = status;
    const progressed = (progress: ReadProgress) =>
      dispatch(statusChanged({ at: 'searching', protocol, volts, progress }));
    dispatch(searchBegan({ caseId }));
    progressed({ step: 'Listening', done: 0, total: 1 });
    const known = caseAndVehicle(getState().logbook, caseId).vehicle?.moduleMap?.modules ?? [];
    const result = await findUnits(connection, {
      signal: stop.signal,
      known,
      onFound: (unit) => dispatch(unitFound(unit)),
      onProgress: progressed,
    });
    dispatch(searchEnded(result));
    const { end } = result;
    if (connection.port.hasEnded) dispatch(loseLink({ code: 'cut' }));
    else if (end.how === 'stopped' && end.fault.code !== 'cancelled') dispatch(loseLink(end.fault));
    else dispatch(statusChanged({ at: 'talking', protocol, volts }));
  };
}
