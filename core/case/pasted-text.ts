import {
  MONITOR_NAMES,
  NO_SOURCE,
  TROUBLE_CODE_IN_TEXT,
  emptyScan,
  partsHeld,
  type CodeState,
  type MonitorId,
  type ReadValue,
  type Scan,
} from '@pincer/core/obd';
import { readVin } from '@pincer/core/vehicle';
import { READER_CHECKS, READER_VALUES, readerNumber } from './reader-abbreviations.ts';
import { stateInLine } from './reader-words.ts';

/** Where something was found: line from 1, and the words themselves. */
interface Found {
  line: number;
  text: string;
}

export interface FoundCode extends Found {
  code: string;
  /** Null where the text does not say; the owner is asked. */
  state: CodeState | null;
  /** The reader's word for the state. */
  word: string | null;
}
export interface FoundValue extends Found {
  pid: string;
  name: string;
  value: number;
  unit: string;
}
export interface FoundMonitor extends Found {
  monitor: MonitorId;
  complete: boolean;
}

export interface PastedFindings {
  codes: FoundCode[];
  vin: (Found & { isCheckDigitRight: boolean }) | null;
  /** Stored conditions, by the abbreviations that readers print. */
  values: FoundValue[];
  monitors: FoundMonitor[];
}

const VIN = /(?<![A-Z0-9])[A-HJ-NPR-Z0-9]{17}(?![A-Z0-9])/gi;

const DONE = 'OK|RDY|READY|COMPLETED?|DONE|PASS(?:ED)?';
const NOT_DONE = 'INC|INCOMPLETE|NOT READY|NOT COMPLETED?|NOT RUN|N/?R';

/**
 * Finds codes, states, VIN, stored conditions and self-checks in any text: a reader's printed report, a message, an
 * invoice. Nothing is taken over by itself; the findings are shown with their place first.
 */
export function findInText(text: string): PastedFindings {
  const findings: PastedFindings = { codes: [], vin: null, values: [], monitors: [] };
  let heading: { state: CodeState; word: string } | null = null;
  text.split(/\r\n|\r|\n/).forEach((content, index) => {
    const line = index + 1;
    const codes = [...content.matchAll(TROUBLE_CODE_IN_TEXT)];
    // A line such as "Pending codes:" speaks for the lines below it, until an empty one or the next heading.
    if (codes.length === 0) {
      const said = stateInLine(content, 0);
      if (said && /codes?|dtc|faults?|:\s*$/i.test(content)) heading = said;
      else if (content.trim() === '') heading = null;
    }
    for (const match of codes) {
      const said = stateInLine(content, match.index) ?? heading;
      const code = (match[1] ?? '').toUpperCase();
      if (findings.codes.some((c) => c.code === code && c.state === (said?.state ?? null))) continue;
      findings.codes.push({
        code,
        state: said?.state ?? null,
        word: said?.word ?? null,
        line,
        text: content.trim(),
      });
    }
    for (const [candidate] of findings.vin ? [] : content.matchAll(VIN)) {
      const report = readVin(candidate);
      if (report.ok && /\d/.test(candidate) && /[A-Z]/i.test(candidate) && !findings.vin)
        findings.vin = { line, text: report.vin, isCheckDigitRight: report.isCheckDigitRight };
    }
    valuesIn(content, line, findings);
    monitorsIn(content, line, findings);
  });
  return findings;
}

function valuesIn(content: string, line: number, findings: PastedFindings): void {
  for (const { words, pid, name, unit, others } of READER_VALUES) {
    if (findings.values.some((v) => v.pid === pid)) continue;
    const pattern = new RegExp(
      `(?<![A-Za-z])${words.source}[\\s:=]*([-+−]?\\d{1,6}(?:[.,]\\d+)?)\\s*(°?\\s?[A-Za-z%/]*)`,
      'i',
    );
    const match = pattern.exec(content);
    if (!match) continue;
    const number = Number((match[1] ?? '').replace('−', '-').replace(',', '.'));
    const printed = (match[2] ?? '').replace(/[°\s]/g, '').toUpperCase();
    const other = Object.keys(others ?? {}).find((u) => u.replace('°', '').toUpperCase() === printed);
    findings.values.push({
      pid,
      name,
      unit,
      value: readerNumber(pid, number, other ?? unit),
      line,
      text: match[0].trim(),
    });
  }
}

function monitorsIn(content: string, line: number, findings: PastedFindings): void {
  for (const { words, monitor } of READER_CHECKS) {
    if (findings.monitors.some((m) => m.monitor === monitor)) continue;
    const pattern = new RegExp(
      `(?<![A-Za-z0-9])(?:${words.source})(?:\\s+MONITOR)?[\\s:=.-]+(${NOT_DONE}|${DONE})(?![A-Za-z])`,
      'i',
    );
    const match = pattern.exec(content);
    if (!match) continue;
    const complete = !new RegExp(`^(?:${NOT_DONE})$`, 'i').test(match[1] ?? '');
    findings.monitors.push({ monitor, complete, line, text: match[0].trim() });
  }
}

/** Whether a text held nothing that can be used. */
export function isNothingInText({ codes, vin, values, monitors }: PastedFindings): boolean {
  return codes.length + values.length + monitors.length === 0 && vin === null;
}

/** Parts of which a reader can be said to show no more than was typed. */
export const WHOLE_LISTS = ['confirmed', 'pending', 'permanent', 'freeze-frames'] as const;
export type WholeList = (typeof WHOLE_LISTS)[number];

/**
 * Confirmed findings as a reading; a code without a state counts as confirmed, as most readers list only those.
 * @param whole lists of which the reader shows no more than this; of the others nobody knows.
 */
export function scanOfFindings(findings: PastedFindings, whole: readonly WholeList[] = []): Scan {
  const values = findings.values.map((v): ReadValue => ({
    service: '02',
    pid: v.pid,
    name: v.name,
    value: v.value,
    unit: v.unit,
    source: NO_SOURCE,
    raw: v.text,
  }));
  const codes = findings.codes.map((c) => ({
    code: c.code,
    state: c.state ?? ('confirmed' as const),
    unit: NO_SOURCE,
  }));
  const scan: Scan = {
    ...emptyScan(),
    ...(findings.vin ? { vin: findings.vin.text } : {}),
    codes,
    freezeFrames:
      values.length > 0
        ? [
            {
              unit: NO_SOURCE,
              frame: 0,
              code: codes.find((c) => c.state === 'confirmed')?.code ?? null,
              values,
            },
          ]
        : [],
    monitors: findings.monitors.map((m) => ({
      unit: NO_SOURCE,
      span: 'since-clear' as const,
      monitor: m.monitor,
      name: MONITOR_NAMES[m.monitor],
      complete: m.complete,
    })),
  };
  // It holds what stands there, and says nothing of what does not, but where the owner has said that this is all.
  const held = partsHeld(scan);
  return {
    ...scan,
    parts: [
      ...held.map((p) => (whole.some((w) => w === p.part) ? { ...p, isAll: true as const } : p)),
      ...whole
        .filter((part) => !held.some((p) => p.part === part))
        .map((part) => ({ unit: NO_SOURCE, part, state: 'empty' as const })),
    ],
  };
}

/** Parts that a reading by hand must have told whole to count as a full one; not every reader shows permanent codes. */
const FULL = ['confirmed', 'pending', 'freeze-frames'] as const;

/** Whether a typed reading is a full one: codes and stored conditions told to be all there is, and self-checks. */
export function isFullByHand({ parts }: Scan): boolean {
  return (
    FULL.every((part) => parts.some((p) => p.part === part && (p.state === 'empty' || p.isAll))) &&
    parts.some((p) => p.part === 'readiness' && p.state === 'known')
  );
}
