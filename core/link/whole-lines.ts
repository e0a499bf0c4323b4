import { parameterLength, splitIsoTp, type Answer, type CanFrame } from '@pincer/core/obd';

/**
 * What a line to the adapter does that loses characters: where a line end is lost too, the head of one frame and the tail
 * of a later one make a line that looks whole. Nothing is ever added, so as many lines as there should be prove that none
 * was lost; and then a line as long as a frame is that frame.
 */
export interface Lines {
  frames: readonly CanFrame[];
  lineCount: number;
}

const FRAME = 8;

/** Frames that a message of so many bytes takes (ISO 15765-2): six bytes in the first, seven in each other. */
const framesFor = (length: number): number => (length < FRAME ? 1 : 1 + Math.ceil((length - 6) / 7));

/** Lines that a control unit's answers take: as many as they announce; where the first was lost, as many as the last tells. */
function linesOf(frames: readonly CanFrame[]): number {
  let [announced, least] = [0, 1];
  for (const { data } of frames) {
    const pci = data[0] ?? 0;
    if (pci >> 4 === 0) announced++;
    else if (pci >> 4 === 1) announced += framesFor(((pci & 0x0f) << 8) | (data[1] ?? 0));
    else if (pci >> 4 === 2) least = Math.max(least, (pci & 0x0f) + 1);
  }
  return Math.max(announced, least);
}

/**
 * Whether no line end was lost: there are as many lines as the answers of all units take, or a frame came twice.
 * @param due ids of the units that have to answer.
 */
export function hasEveryLine({ frames, lineCount }: Lines, due: readonly string[]): boolean {
  const ids = new Set([...due, ...frames.map((f) => f.id)]);
  return lineCount >= [...ids].reduce((sum, id) => sum + linesOf(frames.filter((f) => f.id === id)), 0);
}

/**
 * Whether all lines, damaged ones too, are of units whose answers have come whole: nobody else's can be among them.
 * @param whole the answers, by the id of their unit.
 * @param due ids of the units that have to answer.
 */
export function isOnlyOf(
  { frames, lineCount }: Lines,
  whole: ReadonlyMap<string, Answer>,
  due: readonly string[],
): boolean {
  if (due.some((id) => !whole.has(id)) || frames.some((f) => !whole.has(f.id))) return false;
  return lineCount === [...whole.values()].reduce((sum, a) => sum + framesFor(a.payload.length), 0);
}

/** What one control unit has to answer to a request that names several parameters. */
export interface DueParameters {
  source: string;
  /** In the order of the request. */
  pids: readonly number[];
}

/** A byte that only the control unit knows. */
const ANY = -1;

/** A frame as it has to look, byte by byte, and the bytes once it has come. */
interface Slot {
  expected: readonly number[];
  data: readonly number[] | null;
}

/** The answer of one unit as it has to look: its service, then each number with what follows it at once. */
function slotsOf(service: number, heads: readonly (readonly number[])[]): Slot[] {
  const bytes = heads.flatMap((head) => [
    ...head,
    ...Array<number>(parameterLength(head[0] ?? 0) ?? 0).fill(ANY),
  ]);
  return splitIsoTp([service, ...bytes], ANY).map((expected) => ({ expected, data: null }));
}

const isAs = ({ expected }: Slot, { data }: CanFrame): boolean =>
  data.length === FRAME && expected.every((byte, i) => byte === ANY || byte === data[i]);

/** What came whole of a damaged answer. */
export interface WholeParameters {
  /** One answer of each unit that brought any, with these alone. */
  answers: Answer[];
  /** What did not come from every unit that has it, in the order asked. */
  lacking: number[];
}

/**
 * The parameters that came whole in a damaged answer on CAN. Only where each unit answered what it should, in the order
 * asked, and no line end was lost; each frame that is there has to be exactly where and what it is due.
 * @param service first byte of the answer.
 * @param after what follows each parameter's number: nothing, or the number of the stored frame (service 02).
 * @returns null where nothing may be used.
 */
export function wholeParameters(
  { frames, lineCount }: Lines,
  service: number,
  due: readonly DueParameters[],
  after: readonly number[] = [],
): WholeParameters | null {
  const units = due.map(({ source, pids }) => {
    const heads = pids.map((pid) => [pid, ...after]);
    return { source, heads, slots: slotsOf(service, heads), next: 0 };
  });
  if (lineCount !== units.reduce((sum, u) => sum + u.slots.length, 0)) return null;
  for (const frame of frames) {
    // Shorter than a frame: characters of it were lost, and nobody knows which.
    if (frame.data.length < FRAME) continue;
    const unit = units.find((u) => u.source === frame.id);
    const at = unit?.slots.findIndex((slot, i) => i >= unit.next && isAs(slot, frame)) ?? -1;
    const slot = unit?.slots[at];
    if (!unit || !slot) return null;
    slot.data = frame.data;
    unit.next = at + 1;
  }
  const lacking = new Set<number>();
  const answers = units.flatMap(({ source, heads, slots }): Answer[] => {
    const message = messageOf(slots);
    const payload = [service];
    let at = 1;
    for (const head of heads) {
      const [pid = 0] = head;
      const end = at + head.length + (parameterLength(pid) ?? 0);
      const bytes = message.slice(at, end);
      if (bytes.includes(ANY)) lacking.add(pid);
      else payload.push(...bytes);
      at = end;
    }
    return payload.length > 1 ? [{ source, payload, isCan: true }] : [];
  });
  return { answers, lacking: [...lacking] };
}

/** The message's bytes in their order; {@link ANY} where the frame has not come. */
function messageOf(slots: readonly Slot[]): number[] {
  return slots.flatMap(({ expected, data }, i) => {
    const bytes = data ?? Array<number>(expected.length).fill(ANY);
    // A single frame begins with its length, a first one with two bytes of it, the others with their number.
    return bytes.slice(slots.length > 1 && i === 0 ? 2 : 1);
  });
}
