import { isStandardUnit, standingOf, type CaseState, type ClearWay } from '@pincer/core/case';
import { LAMP_RULES, partsHeld, type ReadCode } from '@pincer/core/obd';

/** What a proof rests on: when it began, what was there then, and what was seen of it since. */
export interface ProofBasis {
  way: ClearWay | 'repair';
  /** Id of the entry that it began with. */
  entry: string;
  was: readonly ReadCode[];
  returned: readonly string[];
  added: readonly string[];
  /** The first entry since that read the confirmed and pending codes; null where none did. */
  readSince: string | null;
  /** A drive on which the owner saw it again. */
  droveBack: string | null;
  /** The last reading since that still listed one of the codes as pending: drives up to it were none without the fault. */
  pendingUntil: string | null;
  /** Whether the car commanded the engine lamp on when it began. */
  wasLit: boolean;
}

/** Codes of a list, each once. */
export const codesIn = (list: readonly { code: ReadCode }[]): string[] => [
  ...new Set(list.map((r) => r.code.code)),
];

const isFailing = ({ state }: ReadCode): boolean => state === 'confirmed' || state === 'pending';

/**
 * A proof without a clear, from a repair on. What is stored stays stored for forty warm-ups, so that it says nothing; a
 * pending code after a drive does: it failed in this or the last trip (SAE J1979, service 07). One that was pending before the
 * repair may stand there from the trip before it, so that it takes two drives.
 */
export function basisOfRepair(
  state: CaseState,
  places: ReadonlyMap<string, number>,
  repair: string,
): ProofBasis {
  const at = places.get(repair) ?? 0;
  const placeOf = (id: string) => places.get(id) ?? -1;
  const before = standingOf(state.entries.slice(0, at));
  const was = before.codes
    .filter((c) => c.clearedBy === null && isFailing(c.code) && isStandardUnit(before, c.code.unit))
    .map((c) => c.code);
  const known = new Set(was.map((c) => c.code));
  const werePending = new Set(was.filter((c) => c.state === 'pending').map((c) => c.code));
  const drives = state.drives.filter((d) => placeOf(d.id) > at);
  const returned = new Set<string>();
  const added = new Set<string>();
  let readSince: string | null = null;
  let pendingUntil: string | null = null;
  for (const { id, scan, via } of state.scans) {
    if (placeOf(id) < at || via === 'file') continue;
    const parts = [...scan.parts, ...partsHeld(scan)].filter(
      (p) => isStandardUnit(state.standing, p.unit) && (p.state === 'known' || p.state === 'empty'),
    );
    if (['confirmed', 'pending'].every((part) => parts.some((p) => p.part === part))) readSince ??= id;
    const driven = drives.filter((d) => placeOf(d.id) < placeOf(id)).length;
    for (const code of scan.codes) {
      if (!isFailing(code)) continue;
      if (known.has(code.code) && code.state === 'pending') pendingUntil = id;
      if (!known.has(code.code)) added.add(code.code);
      else if (code.state === 'pending' && driven >= (werePending.has(code.code) ? 2 : 1))
        returned.add(code.code);
    }
  }
  return {
    way: 'repair',
    entry: repair,
    was,
    returned: [...returned],
    added: [...added],
    readSince,
    droveBack: drives.find((d) => d.cameBack === 'yes')?.id ?? null,
    pendingUntil,
    wasLit: before.mils.some((m) => m.clearedBy === null && m.mil.on),
  };
}

/** Where a code is on its way out of the memory, when nobody clears it. */
export interface FadingCode {
  code: string;
  /** Gone from the memory, as read since. */
  isGone: boolean;
  /** Good trips so far towards the lamp going out, and how many it takes. One that was only pending never lit it. */
  trips: number;
  tripsToLampOff: number;
  /** Warm-ups so far since the lamp went out, at most, and how many it takes until the code is erased. */
  warmUps: number;
  warmUpsToErase: number;
}

/**
 * The way out of the memory by the standard’s rules: three good trips running put the lamp out, forty warm-ups more erase the
 * code, the trip on which the lamp goes out being the first (40 CFR 86.1806-05 (h); ISO 15031-5).
 * @param trips drives since that say something. @param isLampOff whether the car or the owner says that it went out.
 */
export function fadingCodes(
  { standing }: CaseState,
  { was, readSince, returned }: ProofBasis,
  trips: number,
  isLampOff: boolean,
): FadingCode[] {
  const now = new Set(
    standing.codes.filter((c) => c.clearedBy === null && isFailing(c.code)).map((c) => c.code.code),
  );
  return codesIn(was.map((code) => ({ code }))).map((code) => {
    const wasLit = was.some((c) => c.code === code && c.state === 'confirmed');
    const needed = wasLit ? LAMP_RULES.goodTripsToLampOut : 1;
    const good = returned.includes(code) ? 0 : isLampOff ? needed : Math.min(trips, needed);
    return {
      code,
      isGone: readSince !== null && !now.has(code),
      trips: good,
      tripsToLampOff: needed,
      warmUps: wasLit && good >= needed ? Math.max(1, trips - needed + 1) : 0,
      warmUpsToErase: wasLit ? LAMP_RULES.warmUpsToForget : 0,
    };
  });
}
