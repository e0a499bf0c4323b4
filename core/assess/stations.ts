import { LAMPS, isStandardUnit, type CaseState, type LampId } from '@pincer/core/case';
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

/** A lamp in the middle of a line: `oil pressure`, `ABS`. */
const inLine = (lamp: LampId): string =>
  LAMPS[lamp]
    .replace(/ \(.*\)$/, '')
    .replace(/^(\{?)([A-Z])(?![A-Z])/, (_, tag: string, first: string) => tag + first.toLowerCase());

/** What each station holds, and whether newer facts have overtaken it. */
export function stationViews(state: CaseState, known: Known): StationView[] {
  const view = (id: StationId, isFilled: boolean, summary: string, isStale = false): StationView => ({
    id,
    status: isFilled ? (isStale ? 'stale' : 'filled') : 'open',
    summary: isFilled ? summary : '–',
  });
  const { standing } = state;
  const lamps = [...standing.lamps].filter(([, l]) => l.mode !== 'out');
  const signs = [...standing.observations.values()].filter((o) => o.answer === 'yes').length;
  // A case that is closed asks nobody to decide again.
  const newer = state.closed ? 0 : state.factsSinceDecision;
  const codesRead = new Set(standing.codes.filter((c) => c.clearedBy === null).map((c) => c.code.code)).size;
  const frames = standing.freezeFrames.filter((f) => f.clearedBy === null).length;
  const parts = [...standing.parts.values()].filter((p) => isStandardUnit(standing, p.unit));
  const isRead = parts.some((p) => p.status !== 'not-read');
  const isPartial = parts.some((p) => p.status === 'not-read' || p.missed !== null);
  const isCleared = parts.some((p) => p.part === 'confirmed' && p.status === 'cleared');
  const checks = standing.checks.size;
  return [
    view(
      'light',
      standing.lamps.size + standing.observations.size > 0,
      [
        ...lamps.map(([id, l]) => `${inLine(id)}, ${l.mode.replaceAll('-', ' ')}`),
        ...(lamps.length === 0 && standing.lamps.size > 0 ? ['no lights on'] : []),
        ...(signs > 0 ? [`${signs} ${signs === 1 ? 'sign' : 'signs'}`] : []),
      ].join('; ') || 'answered',
    ),
    view(
      'plug-in',
      state.connection !== null,
      state.connection?.outcome === 'talking' ? 'connected' : 'no connection, see why',
    ),
    view(
      'read',
      isRead || isPartial,
      isCleared
        ? 'cleared, not read since'
        : `${codesRead} ${codesRead === 1 ? 'code' : 'codes'}, ${frames} stored${isPartial ? ', partial' : ''}`,
    ),
    view(
      'meaning',
      known.codes > 0,
      `${known.groups} ${known.groups === 1 ? 'group' : 'groups'}, ${known.leftOver === 0 ? 'none' : known.leftOver} unexplained`,
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
        : { leave: 'leave it', repair: 'repair it', clear: 'clear and watch', help: 'get help' }[
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
        'unknown-outcome': 'clear without answer, read again',
        'read-again': 'cleared, read again',
        returned: 'it came back',
        watching: 'watching',
        proven: 'proven',
      }[known.proof.status],
    ),
  ];
}
