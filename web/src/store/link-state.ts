import { faultWords, type LinkFault } from '@pincer/core/link';
import type { LinkService } from './link-service.ts';
import { linkSlice } from './link-slice.ts';
import type { AppThunk } from './store.ts';

/**
 * Ends the connection that there is, before another one is opened: closing it afterwards could pull the plug that
 * has just been put in.
 */
export async function hangUp(link: LinkService): Promise<void> {
  const { port } = link;
  link.port = null;
  link.connection = null;
  await port?.close();
}

/** The connection is gone: said in plain words, with the next thing to try. */
export function loseLink(fault: LinkFault): AppThunk {
  return (dispatch, _, { link }) => {
    dispatch(linkSlice.actions.statusChanged({ at: 'lost', words: faultWords(fault) }));
    void hangUp(link);
  };
}
