import {
  matchBulletins,
  readBulletins,
  type BulletinMatch,
  type BulletinQuery,
} from '@pincer/core/bulletins';

/** How long a service may take, ms. */
const ASK_MS = 10_000;
/** A list of bulletins for one vehicle is small; more is no answer to this question. */
const MAX_TEXT = 5_000_000;

export type BulletinAnswer = { ok: true; matches: BulletinMatch[] } | { ok: false; message: string };

const TOO_LARGE: BulletinAnswer = {
  ok: false,
  message: 'It is larger than 5 MB. Take a list for this vehicle alone.',
};

/** What a text holds for this vehicle: read, checked, and matched here, whoever says that it fits. */
function bulletinsIn(text: string, query: BulletinQuery): BulletinAnswer {
  if (text.length > MAX_TEXT) return TOO_LARGE;
  const read = readBulletins(text);
  return read.ok ? { ok: true, matches: matchBulletins(read.bulletins, query) } : read;
}

/** What a file holds for this vehicle; one that is too large is not read at all. */
export async function bulletinsInFile(file: File, query: BulletinQuery): Promise<BulletinAnswer> {
  if (file.size > MAX_TEXT) return TOO_LARGE;
  try {
    return bulletinsIn(await file.text(), query);
  } catch {
    return { ok: false, message: 'The file could not be read. It may have been moved: choose it again.' };
  }
}

/** Asks the service of this server. Only what the query shows is sent. */
export async function askForBulletins(query: BulletinQuery): Promise<BulletinAnswer> {
  const asked = new URLSearchParams({ name: query.name, fuel: query.fuel });
  if (query.year !== null) asked.set('year', String(query.year));
  if (query.litres !== null) asked.set('litres', String(query.litres));
  if (query.codes.length > 0) asked.set('codes', query.codes.join(','));
  if (query.calibrations.length > 0) asked.set('calibrations', query.calibrations.join(','));
  try {
    const answer = await fetch(`/api/bulletins?${asked.toString()}`, { signal: AbortSignal.timeout(ASK_MS) });
    if (!answer.ok)
      return {
        ok: false,
        message: 'The service did not understand the question. Open a file of bulletins instead.',
      };
    return bulletinsIn(await answer.text(), query);
  } catch {
    return {
      ok: false,
      message:
        'The service could not be reached: no network, or it did not answer in time. Open a file of bulletins instead.',
    };
  }
}
