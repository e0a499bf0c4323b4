import { LAMPS, type CaseState } from '@pincer/core/case';
import type { ProofView } from '@pincer/core/proof';

export const STATIONS = ['light', 'plug-in', 'read', 'meaning', 'narrow', 'decide', 'fix', 'prove'] as const;
export type StationId = (typeof STATIONS)[number];

export interface StationView {
  id: StationId;
  status: 'filled' | 'open' | 'stale';
  /** What it holds already, a few words; a dash when empty. */
  summary: string;
}

interface Known {
  groups: number;
  leftOver: number;
  causes: number;
  codes: number;
  proof: ProofView;
}

/** Kinds of entries that a decision rests on. */
const DECIDING = new Set(['lamp', 'observation', 'scan', 'check']);

/** What each station holds, and whether newer facts have overtaken it. */
export function stationViews(state: CaseState, known: Known): StationView[] {
  const view = (id: StationId, isFilled: boolean, summary: string, isStale = false): StationView => ({
    id,
    status: isFilled ? (isStale ? 'stale' : 'filled') : 'open',
    summary: isFilled ? summary : '–',
  });
  const lamps = [...state.lamps].filter(([, l]) => l.mode !== 'out');
  const signs = [...state.observations.values()].filter((o) => o.answer === 'yes').length;
  const decisionAt = state.decision ? state.entries.indexOf(state.decision) : -1;
  const newer =
    decisionAt < 0 ? 0 : state.entries.slice(decisionAt + 1).filter((e) => DECIDING.has(e.kind)).length;
  const reading = state.latestReading?.scan;
  const codesRead = new Set(reading?.codes.map((c) => c.code)).size;
  const checks = state.checks.size;
  return [
    view(
      'light',
      state.lamps.size + state.observations.size > 0,
      [
        ...lamps.map(
          ([id, l]) => `${LAMPS[id].replace(/ lamp$/, '').toLowerCase()}, ${l.mode.replaceAll('-', ' ')}`,
        ),
        ...(lamps.length === 0 && state.lamps.size > 0 ? ['lamps out'] : []),
        ...(signs > 0 ? [`${signs} ${signs === 1 ? 'sign' : 'signs'}`] : []),
      ].join('; ') || 'answered',
    ),
    view(
      'plug-in',
      state.connection !== null,
      state.connection?.outcome === 'talking' ? 'talked' : 'failed, see why',
    ),
    view(
      'read',
      reading !== undefined,
      `${codesRead} ${codesRead === 1 ? 'code' : 'codes'}, ${reading?.freezeFrames.length ?? 0} stored${reading && reading.missing.length > 0 ? ', partial' : ''}`,
    ),
    view(
      'meaning',
      known.codes > 0,
      `${known.groups} ${known.groups === 1 ? 'story' : 'stories'}, ${known.leftOver === 0 ? 'none' : known.leftOver} left over`,
    ),
    view(
      'narrow',
      known.codes > 0 || checks > 0 || signs > 0,
      `${known.causes} ${known.causes === 1 ? 'cause' : 'causes'}${checks > 0 ? `, ${checks} checked` : ''}`,
    ),
    view(
      'decide',
      state.decision !== null,
      newer > 0
        ? `older than ${newer} ${newer === 1 ? 'fact' : 'facts'}`
        : { repair: 'repair it', clear: 'clear and watch', help: 'get help' }[
            state.decision?.option ?? 'help'
          ],
      newer > 0,
    ),
    view('fix', state.repairs.length > 0, `${state.repairs.length} done`),
    view(
      'prove',
      known.proof.status !== 'not-cleared' || known.proof.units.length > 0,
      {
        'not-cleared': `${known.proof.units.length} ${known.proof.units.length === 1 ? 'unit' : 'units'} cleared`,
        'read-again': 'cleared, read again',
        returned: 'it came back',
        watching: 'watching',
        proven: 'proven',
      }[known.proof.status],
    ),
  ];
}
