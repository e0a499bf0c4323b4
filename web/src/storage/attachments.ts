import * as z from 'zod/mini';
import { transactAttachments } from './database.ts';

/** A picture or a file as it lies in storage: its bytes, and what they are. */
const storedSchema = z.object({
  type: z.string(),
  data: z.custom<ArrayBuffer>((v) => Object.prototype.toString.call(v) === '[object ArrayBuffer]'),
});

/** Keeps a picture or a file; it is on the disk when this resolves. @throws StorageError */
export async function saveAttachment(id: string, content: Blob): Promise<void> {
  const data = await content.arrayBuffer();
  await transactAttachments('readwrite', (store) => store.put({ type: content.type, data }, id));
}

/** A picture or a file, or null where it is not on this device or cannot be read. */
export async function loadAttachment(id: string): Promise<Blob | null> {
  const stored = storedSchema.safeParse(await transactAttachments('readonly', (store) => store.get(id)));
  return stored.success ? new Blob([stored.data.data], { type: stored.data.type }) : null;
}

/** Forgets all of them. */
export async function forgetAttachments(): Promise<void> {
  await transactAttachments('readwrite', (store) => store.clear());
}
