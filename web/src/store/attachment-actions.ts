import { loadAttachment, saveAttachment } from '../storage/attachments.ts';
import { storageError } from '../storage/database.ts';
import { newId } from './ids.ts';
import { record } from './logbook-actions.ts';
import type { AppThunk } from './store.ts';

/** A picture of a phone's camera is two to six megabytes; a film does not belong into a log. */
export const MAX_ATTACHMENT = 20_000_000;

/** What is put beside the log: its name, its content, and what it shows. */
export interface NewAttachment {
  name: string;
  content: Blob;
  about?: string;
}

/**
 * Puts a picture or a file into the log. Its content is in storage before the entry that speaks of it is made.
 * @returns why it could not, in a sentence, or null.
 */
export function attach(
  caseId: string,
  { name, content, about }: NewAttachment,
): AppThunk<Promise<string | null>> {
  return async (dispatch) => {
    if (content.size > MAX_ATTACHMENT)
      return 'It is larger than 20 MB. Take a smaller picture, or cut the file down.';
    if (content.size === 0) return 'It is empty. Choose another one.';
    const file = newId('att');
    try {
      await saveAttachment(file, content);
    } catch (error) {
      const fault = storageError(error);
      return `${fault.message}. ${fault.next}`;
    }
    const { isSaved } = await dispatch(
      record(caseId, {
        kind: 'attachment',
        file,
        name: name.slice(0, 120) || 'picture',
        type: content.type,
        bytes: content.size,
        ...(about ? { about } : {}),
      }),
    );
    return isSaved ? null : 'The picture is stored, and its entry is not yet: see the notice above.';
  };
}

/** The content of an entry's picture or file; null where it is not on this device. */
export const attachmentOf = (file: string): Promise<Blob | null> => loadAttachment(file).catch(() => null);
