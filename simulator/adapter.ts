import { fromHex, hexByte, splitIsoTp } from '@pincer/core/obd';
import { ByteQueue, asciiBytes, asciiOf, type Clock, type Transport } from '@pincer/core/link';
import { isLegacyRequest, legacyMessage, legacyPayloads } from './legacy-bus.ts';

/** Anything that answers diagnostic requests on the bus. */
export interface BusUnit {
  /** CAN id that it answers on, as printed. */
  id: string;
  /** CAN id that it alone listens to; those of the standard's services also listen to the common one. */
  request: string;
  /** Whether it listens to the common id as well. */
  isCommon: boolean;
  answer: (request: readonly number[]) => number[][];
}

/** How quick the adapter and its connection are, milliseconds. */
export interface Temperament {
  /** For a command to the adapter itself. */
  commandMs: number;
  /** From a request to its last answer. */
  requestMs: number;
  /** For the search of the protocol. */
  searchMs: number;
  /** A car of the older three-byte-header protocols, one reading a request. */
  isLegacy?: boolean;
  /** Chance that a character of an answer from the car is lost. */
  loses?: number;
  /** Commands that it does not know, without the AT. */
  refuses?: readonly string[];
  /** Its search misses the car's protocol; set by number it works. */
  isSearchBlind?: boolean;
  /** After so many requests to the car it restarts once, and has forgotten its settings. */
  restartsAfter?: number;
}

export const TEMPERAMENTS = {
  instant: { commandMs: 0, requestMs: 0, searchMs: 0 },
  quick: { commandMs: 4, requestMs: 32, searchMs: 450 },
  slow: { commandMs: 35, requestMs: 190, searchMs: 2_600 },
  legacy: { commandMs: 12, requestMs: 95, searchMs: 3_100, isLegacy: true },
  forgetful: { commandMs: 4, requestMs: 36, searchMs: 450, loses: 0.002 },
  clone: { commandMs: 9, requestMs: 60, searchMs: 900, refuses: ['AT1', 'DPN', 'DP', 'S0'] },
  blind: { commandMs: 9, requestMs: 60, searchMs: 900, isSearchBlind: true },
  restarting: { commandMs: 4, requestMs: 32, searchMs: 450, restartsAfter: 6 },
} as const satisfies Record<string, Temperament>;
export type TemperamentId = keyof typeof TEMPERAMENTS;

interface Settings {
  isEchoOn: boolean;
  hasLineFeeds: boolean;
  hasSpaces: boolean;
  hasHeaders: boolean;
  isProtocolKnown: boolean;
  /** Number of the protocol that was set; 0 leaves it to the search. */
  protocol: string;
  /** Id that requests go out on, and the one answer id that is let through; null lets all through. */
  header: string;
  /** Priority of 29-bit ids, two digits, and whether the header is of that length. */
  priority: string;
  filter: string | null;
  /** Code and mask of a filter that lets a range through; both have to be set. */
  range: { code: string | null; mask: string | null };
  /** Id that long answers are asked on with, where it was set by hand; else it follows from the answer's id. */
  flow: string | null;
  isFlowByHand: boolean;
}

/** Id on which every control unit of the standard's services listens. */
const COMMON_ID = '7DF';

const FACTORY: Settings = {
  isEchoOn: true,
  hasLineFeeds: true,
  hasSpaces: true,
  hasHeaders: false,
  isProtocolKnown: false,
  protocol: '0',
  header: COMMON_ID,
  priority: '18',
  filter: null,
  range: { code: null, mask: null },
  flow: null,
  isFlowByHand: false,
};

/** Protocols of the made-up cars' CAN, by number: the same line with short and with long ids. */
const CAN_PROTOCOLS: ReadonlySet<string> = new Set(['6', '7']);
/** Every so many ms the units send what they send all the time. */
const TRAFFIC_MS = 100;

/** Settings as a restart leaves them. */
const factory = (): Settings => ({ ...FACTORY, range: { ...FACTORY.range } });

const BANNER = 'STAND-IN v1.0';

export interface AdapterWorld {
  units: readonly BusUnit[];
  /** What is on the line all the time. */
  traffic?: readonly { id: string; bytes: readonly number[] }[];
  /** Whether control units have power: ignition on or engine running. */
  isBusAwake: () => boolean;
  volts: () => number;
  /** Random numbers in [0, 1), for an adapter that loses characters. */
  random: () => number;
}

/**
 * An adapter with the AT-style text command set on one side and a CAN bus on the other. Any byte that comes
 * while it waits for the car stops it, as on the real ones.
 */
export class StandInAdapter implements Transport {
  readonly incoming = new ByteQueue();
  private settings: Settings = factory();
  private typed = '';
  private last = '';
  private isBusy = false;
  private cancel: (() => void) | null = null;
  private isUnplugged = false;
  private requests = 0;

  constructor(
    private readonly world: AdapterWorld,
    private readonly temperament: Temperament,
    private readonly clock: Clock,
  ) {}

  write(bytes: Uint8Array): Promise<void> {
    if (this.isUnplugged) return Promise.reject(new Error('The stand-in is unplugged.'));
    for (const char of asciiOf(bytes)) this.take(char);
    return Promise.resolve();
  }

  close(): Promise<void> {
    this.unplug();
    return Promise.resolve();
  }

  /** Ends the connection in the middle of whatever it does. */
  unplug(): void {
    this.isUnplugged = true;
    this.cancel?.();
    this.incoming.end();
  }

  private take(char: string): void {
    if (this.isBusy) {
      this.cancel?.();
      this.isBusy = false;
      this.finish(['STOPPED']);
      return;
    }
    if (char !== '\r') {
      if (this.settings.isEchoOn) this.print(char);
      this.typed += char;
      return;
    }
    if (this.settings.isEchoOn) this.print(this.newline());
    const line = this.typed.replace(/\s/g, '').toUpperCase() || this.last;
    this.typed = '';
    this.last = line;
    this.run(line);
  }

  private newline(): string {
    return this.settings.hasLineFeeds ? '\r\n' : '\r';
  }

  private print(text: string): void {
    this.incoming.push(asciiBytes(text));
  }

  private finish(lines: readonly string[]): void {
    const end = this.newline();
    this.print(`${lines.map((l) => l + end).join('')}${end}>`);
  }

  private later(ms: number, run: () => void): void {
    this.isBusy = true;
    this.cancel = this.clock.after(ms, () => {
      this.isBusy = false;
      run();
    });
  }

  private run(line: string): void {
    if (line === 'ATMA') {
      this.monitor();
      return;
    }
    if (line.startsWith('AT')) {
      this.later(this.temperament.commandMs, () => this.finish([this.command(line.slice(2))]));
      return;
    }
    const hasCount = line.length % 2 === 1;
    const request = /^[0-9A-F]{2,}$/.test(line) ? fromHex(hasCount ? line.slice(0, -1) : line) : null;
    if (!request || request.length > 7) {
      this.later(this.temperament.commandMs, () => this.finish(['?']));
      return;
    }
    this.requests++;
    if (this.requests === this.temperament.restartsAfter) {
      this.later(this.temperament.searchMs, () => {
        this.settings = factory();
        this.finish(['LV RESET', BANNER]);
      });
      return;
    }
    if (this.settings.isProtocolKnown) {
      this.later(this.temperament.requestMs, () => this.finish(this.ask(request)));
      return;
    }
    if (!this.temperament.isLegacy) this.print(`SEARCHING...${this.newline()}`);
    this.later(this.temperament.searchMs, () => {
      const answers = this.ask(request);
      this.settings.isProtocolKnown = this.world.isBusAwake() && this.isRightProtocol();
      const first = this.temperament.isLegacy ? ['BUS INIT: ...OK'] : [];
      this.finish(this.settings.isProtocolKnown ? [...first, ...answers] : ['UNABLE TO CONNECT']);
    });
  }

  private isRightProtocol(): boolean {
    const { protocol } = this.settings;
    if (protocol === '0') return !this.temperament.isSearchBlind && this.isSearchAnswered();
    return this.temperament.isLegacy ? protocol === '3' : CAN_PROTOCOLS.has(protocol);
  }

  /** The search asks 01 00 of all, and goes on where nobody answers. */
  private isSearchAnswered(): boolean {
    return this.world.units.some((u) => u.isCommon && u.answer([0x01, 0x00]).length > 0);
  }

  /** Whether the id of an answer, or of what is on the line anyway, is let through. */
  private isLetThrough(id: string): boolean {
    const { filter, range } = this.settings;
    if (filter !== null) return id === filter;
    if (range.code === null || range.mask === null) return true;
    const [n, code, mask] = [id, range.code, range.mask].map((h) => Number.parseInt(h, 16));
    return ((n ?? 0) & (mask ?? 0)) === ((code ?? 0) & (mask ?? 0));
  }

  /** Prints what is on the line until a byte comes. */
  private monitor(): void {
    const print = () => {
      if (this.world.isBusAwake())
        for (const { id, bytes } of this.world.traffic ?? [])
          if (this.isLetThrough(id) && id.length === this.idLength())
            this.print(`${id}${bytes.map(hexByte).join('')}${this.newline()}`);
      this.later(TRAFFIC_MS, print);
    };
    this.later(TRAFFIC_MS, print);
  }

  private idLength(): number {
    return this.settings.protocol === '7' ? 8 : COMMON_ID.length;
  }

  private ask(request: readonly number[]): string[] {
    if (!this.world.isBusAwake()) return ['NO DATA'];
    if (this.temperament.isLegacy && !isLegacyRequest(request)) return ['NO DATA'];
    const { header } = this.settings;
    const asked = this.world.units.filter(
      (u) =>
        u.id.length === (this.temperament.isLegacy ? COMMON_ID.length : this.idLength()) &&
        (header === COMMON_ID ? u.isCommon : u.request === header),
    );
    // Whoever is asked hears it, whether or not the adapter lets the answer through.
    const perUnit = asked.map((unit) => {
      const lines = unit.answer(request).flatMap((payload) => this.lines(unit.id, payload));
      return this.isLetThrough(unit.id) ? this.asFlowGoes(unit, lines) : [];
    });
    // Units answer at the same time: their frames come interleaved.
    const lines: string[] = [];
    for (let i = 0; perUnit.some((l) => i < l.length); i++)
      for (const unit of perUnit) if (unit[i] !== undefined) lines.push(unit[i] ?? '');
    const { loses } = this.temperament;
    // Line ends are lost as any other character.
    const sent = loses
      ? Array.from(lines.join('\r'))
          .filter(() => this.world.random() >= loses)
          .join('')
          .split('\r')
      : lines;
    return sent.length > 0 ? sent : ['NO DATA'];
  }

  /** A unit whose long answer nobody asks on with its own id sends its first frame, and no more. */
  private asFlowGoes(unit: BusUnit, lines: string[]): string[] {
    if (this.temperament.isLegacy || lines.length <= 1) return lines;
    const { isFlowByHand, flow } = this.settings;
    const byItself =
      unit.id.length === 8
        ? `18DA${unit.id.slice(6)}${unit.id.slice(4, 6)}`
        : (Number.parseInt(unit.id, 16) - 8).toString(16).toUpperCase();
    return (isFlowByHand ? flow : byItself) === unit.request ? lines : lines.slice(0, 1);
  }

  private lines(id: string, payload: readonly number[]): string[] {
    const gap = this.settings.hasSpaces ? ' ' : '';
    const text = (bytes: readonly number[]) => bytes.map(hexByte).join(gap);
    if (this.temperament.isLegacy) {
      // Of a CAN id only the unit's number is left: 7E8 is 10, 7E9 is 18, as engine and gearbox are numbered.
      const source = id === '7E8' ? 0x10 : 0x18;
      return legacyPayloads(payload).map((p) =>
        text(this.settings.hasHeaders ? legacyMessage(source, p) : p),
      );
    }
    if (this.settings.hasHeaders)
      return splitIsoTp(payload, 0xaa).map((frame) => `${id}${gap}${text(frame)}`);
    if (payload.length <= 7) return [text(payload)];
    const parts = [payload.slice(0, 6)];
    for (let at = 6; at < payload.length; at += 7) parts.push(payload.slice(at, at + 7));
    return [
      payload.length.toString(16).toUpperCase().padStart(3, '0'),
      ...parts.map((p, i) => `${(i % 16).toString(16).toUpperCase()}:${gap}${text(p)}`),
    ];
  }

  private command(command: string): string {
    if (this.temperament.refuses?.includes(command)) return '?';
    if (this.temperament.isLegacy && command === 'DPN') return this.settings.isProtocolKnown ? 'A3' : 'A0';
    const onOff = /^(E|L|S|H)([01])$/.exec(command);
    if (onOff) {
      const isOn = onOff[2] === '1';
      if (onOff[1] === 'E') this.settings.isEchoOn = isOn;
      if (onOff[1] === 'L') this.settings.hasLineFeeds = isOn;
      if (onOff[1] === 'S') this.settings.hasSpaces = isOn;
      if (onOff[1] === 'H') this.settings.hasHeaders = isOn;
      return 'OK';
    }
    if (command === 'Z' || command === 'WS') {
      this.settings = factory();
      return BANNER;
    }
    if (command === 'D') {
      this.settings = factory();
      return 'OK';
    }
    if (command === 'I') return BANNER;
    if (command === 'RV') return `${this.world.volts().toFixed(1)}V`;
    const protocol = /^T?SPA?([0-9A-C])$/.exec(command)?.[1];
    if (protocol !== undefined) {
      this.settings.isProtocolKnown = false;
      this.settings.header = COMMON_ID;
      this.settings.protocol = protocol;
      return 'OK';
    }
    const header = /^SH([0-9A-F]{3}|[0-9A-F]{6})$/.exec(command)?.[1];
    if (header !== undefined) {
      const long = `${this.settings.priority}${header}`;
      const isCommon = long === '18DB33F1' || (this.temperament.isLegacy && header === '686AF1');
      this.settings.header = isCommon
        ? COMMON_ID
        : header.length === 3 || this.temperament.isLegacy
          ? header
          : long;
      return 'OK';
    }
    const priority = /^CP([0-9A-F]{2})$/.exec(command)?.[1];
    if (priority !== undefined) {
      this.settings.priority = priority;
      return 'OK';
    }
    const range = /^C([FM])([0-9A-F]{3}|[0-9A-F]{8})$/.exec(command);
    if (range?.[2] !== undefined) {
      this.settings.filter = null;
      this.settings.range[range[1] === 'F' ? 'code' : 'mask'] = range[2];
      return 'OK';
    }
    const flow = /^FCSH([0-9A-F]{3}|[0-9A-F]{8})$/.exec(command)?.[1];
    if (flow !== undefined) {
      this.settings.flow = flow;
      return 'OK';
    }
    if (/^FCSM[01]$/.test(command)) {
      this.settings.isFlowByHand = command.endsWith('1');
      return 'OK';
    }
    const filter = /^CRA([0-9A-F]{3}|[0-9A-F]{8})$/.exec(command)?.[1];
    if (filter !== undefined || command === 'AR' || command === 'CRA') {
      this.settings.filter = filter ?? null;
      this.settings.range = { code: null, mask: null };
      return 'OK';
    }
    if (command === 'DPN') {
      const { protocol } = this.settings;
      const number = protocol === '0' ? 'A6' : protocol;
      return this.settings.isProtocolKnown ? number : 'A0';
    }
    if (command === 'DP') return this.settings.isProtocolKnown ? 'AUTO, ISO 15765-4 (CAN 11/500)' : 'AUTO';
    if (/^(AT[012]|ST[0-9A-F]{2}|FCSD[0-9A-F]{2,10}|CAF[01]|AL|NL|PC|M[01])$/.test(command)) return 'OK';
    return '?';
  }
}
