import type { Answered, CaseState, EntryOf } from '@pincer/core/case';
import type { FreezeFrame } from '@pincer/core/obd';
import { isMoving, type StoredWindow } from '@pincer/core/signals';
import { placesOf } from './came-back.ts';

/** A recording of a drive that may count for the proof. */
export interface RecordedDrive {
  recording: string;
  title: string;
  at: string;
  minutes: number;
  /** Highest mean speed of a stretch, km/h; null where it was not recorded. */
  fastest: number | null;
  /** Whether a stretch of it was like the moment that was stored with the code. */
  metConditions: Answered;
}

/** How near a stretch has to be to the stored moment: kelvins, km/h, and a share of the engine speed. Judged. */
const NEAR = { coolant: 15, speed: 20, engineSpeed: 0.25 } as const;

/** What of the stored moment is compared, by service 01 PID. */
const COMPARED = [
  ['coolant', '05'],
  ['speed', '0D'],
  ['engineSpeed', '0C'],
] as const;

function isLike({ stats }: StoredWindow, frame: FreezeFrame): boolean | null {
  let compared = 0;
  for (const [key, pid] of COMPARED) {
    const then = frame.values.find((v) => v.pid === pid)?.value;
    const stat = stats[key];
    if (typeof then !== 'number' || !stat) continue;
    compared++;
    const room = key === 'engineSpeed' ? then * NEAR.engineSpeed : NEAR[key];
    if (stat.min > then + room || stat.max < then - room) return false;
  }
  return compared > 1 ? true : null;
}

function conditionsOf(windows: readonly StoredWindow[], frames: readonly FreezeFrame[]): Answered {
  const likes = windows.flatMap((w) => frames.map((f) => isLike(w, f)));
  if (likes.includes(true)) return 'yes';
  return likes.includes(false) ? 'no' : 'unknown';
}

const driveOf = (
  { recording, title, at, seconds, windows }: EntryOf<'recording'>,
  frames: readonly FreezeFrame[],
): RecordedDrive => {
  const speeds = windows.flatMap((w) => w.stats['speed']?.max ?? []);
  return {
    recording,
    title,
    at,
    minutes: Math.round(seconds / 60),
    fastest: speeds.length > 0 ? Math.max(...speeds) : null,
    metConditions: conditionsOf(windows, frames),
  };
};

/** Recordings on the road since something was done, which are not counted as a drive yet; oldest first. */
export function recordedDrives(state: CaseState): RecordedDrive[] {
  const places = placesOf(state);
  const began = Math.max(
    -1,
    ...[...state.repairs.map((r) => r.id), ...state.standing.clears.map((c) => c.entry)].map(
      (id) => places.get(id) ?? -1,
    ),
  );
  if (began < 0) return [];
  const counted = new Set(state.drives.flatMap((d) => d.recording ?? []));
  const frames = state.scans.flatMap((s) => s.scan.freezeFrames);
  return state.recordings
    .filter((r) => (places.get(r.id) ?? -1) > began && !counted.has(r.recording))
    .filter((r) => r.windows.some((w) => isMoving(w.state)))
    .map((r) => driveOf(r, frames));
}
