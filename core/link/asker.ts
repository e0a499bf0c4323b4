import type { Answer } from '@pincer/core/obd';
import { REQUEST_MS, namesSenders, setUpAgain, type Connection, type LinkOptions } from './connection.ts';
import { sendRequest, type Heard } from './request.ts';
import { hasEveryLine, isOnlyOf } from './whole-lines.ts';

/** How often a damaged answer is asked for, and how often an adapter may restart within one scan. */
export const MAX_ATTEMPTS = 4;
const MAX_RESTARTS = 3;
/** How often an answer that is due is asked for in silence: one lost line is no missing unit, and once lines were lost two are none. */
const MAX_SILENCES = { sound: 2, lossy: 3 } as const;

/** Damage that was an answer once: somebody spoke, whatever became of it on the way. */
const WAS_AN_ANSWER: ReadonlySet<string> = new Set([
  'garbled',
  'data-error',
  'checksum',
  'incomplete',
  'malformed-frame',
  'sequence-gap',
  'stray-frame',
  'unexpected',
]);

/** Refusals (ISO 14229-1, annex A): it is busy, ask again; it needs more time, wait. */
const BUSY = 0x21;
const PENDING = 0x78;
/** How often a busy unit is asked again, and how long it is left in peace before, ms. */
const MAX_BUSY = 6;
const BUSY_MS = 250;

/** What came whole in a damaged answer; null where nothing of it may be used. */
export type PartsOf = (heard: Heard) => readonly Answer[] | null;

export interface AskOptions {
  /** Units that have to answer; their silence is asked for again. */
  due?: readonly string[];
  /** Id of the one unit that is addressed; every unit of the standard otherwise. */
  from?: string;
  /** Takes from a damaged answer what came whole, where whoever asks will ask for the rest. */
  partsOf?: PartsOf;
}

/** Asks, within one scan, until a request is answered as well as it can be. */
export class Asker {
  /** Whether every unit that is there is known. */
  isRollCalled = false;
  /** Without headers, the most that ever answered one question: as many have to answer what is due from every unit. */
  voices = 0;
  private restarts = 0;
  /** Whether any answer came damaged. */
  private isLossy = false;

  constructor(
    private readonly connection: Connection,
    private readonly options: LinkOptions,
  ) {}

  /**
   * Sends one request until it is answered as well as it can be. A damaged answer is asked for again, a busy unit left
   * in peace and asked again, an adapter that has restarted set up again, all within limits.
   */
  async ask(request: string, { due = [], from, partsOf }: AskOptions): Promise<Heard> {
    let [damaged, silent, busy] = [0, 0, 0];
    /** What units have answered whole already, proven: another one's damage makes nobody say it twice. */
    const whole = new Map<string, Answer>();
    let before = '';
    for (;;) {
      const heard = await sendRequest(this.connection, request, {
        timeoutMs: REQUEST_MS,
        signal: this.options.signal,
        ...(from === undefined ? {} : { from }),
      });
      if (from === undefined) this.countVoices(request, heard);
      this.isLossy ||= heard.damage.length > 0;
      const said = JSON.stringify(heard.answers.map((a) => [a.source, a.payload]));
      const isProven = this.addWhole(heard, whole, from === undefined ? due : [from]);
      if (heard.fault !== null) return this.believed(heard, whole, isProven);
      const hasRestarted = heard.faults.some((f) => f.code === 'low-voltage-reset');
      if (from === undefined && (hasRestarted || heard.isHeaderless) && (await this.isBack())) {
        damaged++;
        continue;
      }
      if (isAskedToWait(heard) && busy++ < MAX_BUSY) {
        await this.connection.port.pause(BUSY_MS, this.options.signal);
        continue;
      }
      const sure =
        isProven || !namesSenders(this.connection) ? heard.answers.map((a) => a.source) : whole.keys();
      const answered = new Set([...sure, ...heard.refusals.keys()]);
      const isShort = due.some((unit) => !answered.has(unit)) || (due.length > 0 && this.isFaint(heard));
      // Damage to an answer that has come whole meanwhile is none.
      if (due.length > 0 && isOnlyOf(heard, whole, due)) heard.damage = [];
      const isKnown = this.isRollCalled && due.length > 0 && namesSenders(this.connection);
      if (heard.damage.length > 0 && !hasRestarted && (isShort || !isKnown)) {
        const parts = isKnown ? partsOf?.(heard) : null;
        if (parts) {
          heard.answers = [...parts.filter((p) => !whole.has(p.source)), ...whole.values()];
          heard.damage = [];
          return heard;
        }
        if (++damaged < MAX_ATTEMPTS) continue;
      }
      if (isShort) {
        // Of two answers that a lost line end has made one, the second looks like silence and the first like a whole one.
        const isSettled = !namesSenders(this.connection) || said === before || silent + 1 >= MAX_ATTEMPTS;
        before = said;
        if (++silent < MAX_SILENCES[this.isLossy ? 'lossy' : 'sound'] || !isSettled) continue;
      }
      return this.believed(heard, whole, isProven);
    }
  }

  /** What is given up on, or cut: beside damage only what is proven counts, for a line end may be among what was lost. */
  private believed(heard: Heard, whole: ReadonlyMap<string, Answer>, isProven: boolean): Heard {
    if (heard.damage.length > 0 && !isProven && namesSenders(this.connection))
      heard.answers = [...whole.values()];
    return heard;
  }

  /** Without headers: whether fewer have answered than are there. */
  isFaint(heard: Heard): boolean {
    return !this.connection.hasHeaders && heard.answers.length + heard.refusals.size < this.voices;
  }

  /** Sets an adapter up again that has restarted. */
  private async isBack(): Promise<boolean> {
    return this.restarts++ < MAX_RESTARTS && (await setUpAgain(this.connection, this.options.signal));
  }

  /**
   * On CAN the last whole answer of each unit is what it says; one that is proven stands.
   * @returns whether what came is proven: no line end was lost.
   */
  private addWhole(heard: Heard, whole: Map<string, Answer>, due: readonly string[]): boolean {
    if (!namesSenders(this.connection)) return false;
    const isProven = hasEveryLine(heard, due);
    const all = new Map(whole);
    for (const answer of heard.answers) {
      if (isProven) whole.set(answer.source, answer);
      if (isProven || !whole.has(answer.source)) all.set(answer.source, answer);
    }
    heard.answers = [...all.values()];
    for (const source of all.keys()) heard.refusals.delete(source);
    return isProven;
  }

  /**
   * Without headers: counts who speaks. Only what one unit answers in one message tells how many there are; and only at
   * the first question are damaged answers counted too, for it alone is answered by every unit of the standard.
   */
  private countVoices(request: string, heard: Heard): void {
    if (this.connection.hasHeaders || !request.startsWith('01')) return;
    const damaged = request === '0100' ? heard.damage.filter((d) => WAS_AN_ANSWER.has(d.kind)).length : 0;
    this.voices = Math.max(this.voices, heard.answers.length + heard.refusals.size + damaged);
  }
}

const isAskedToWait = ({ refusals }: Heard): boolean =>
  [...refusals.values()].some((code) => code === BUSY || code === PENDING);
