/** Shapes of service 01 parameters and the builders of their table. value = raw x scale + offset, in the unit given. */

export interface Part {
  part?: string;
  /** Offset of the first byte among the data bytes. */
  at: number;
  /** Bytes, big-endian. */
  size: 1 | 2 | 4;
  scale: number;
  offset: number;
  unit: string;
  isSigned?: boolean;
  /** Enumerated meanings by raw number. */
  names?: Readonly<Record<number, string>>;
  /** Raw number that the standard keeps for "not available". */
  notAvailable?: number;
  /** Bit of the first data byte that says whether this part is supported. */
  supportBit?: number;
  /** Bits of the byte that belong to this part, and how far they are shifted. */
  mask?: number;
  shift: number;
}

export interface Parameter {
  pid: number;
  name: string;
  bytes: number;
  parts: readonly Part[];
}

type Options = Partial<Pick<Part, 'isSigned' | 'names' | 'notAvailable' | 'supportBit' | 'mask' | 'shift'>>;

export function field(
  part: string | undefined,
  at: number,
  size: Part['size'],
  scale: number,
  offset: number,
  unit: string,
  options: Options = {},
): Part {
  return { ...(part === undefined ? {} : { part }), at, size, scale, offset, unit, shift: 0, ...options };
}

export const single = (
  pid: number,
  name: string,
  size: Part['size'],
  scale: number,
  offset: number,
  unit: string,
  options: Options = {},
): Parameter => ({
  pid,
  name,
  bytes: size,
  parts: [field(undefined, 0, size, scale, offset, unit, options)],
});

export const listed = (pid: number, name: string, names: Readonly<Record<number, string>>): Parameter =>
  single(pid, name, 1, 1, 0, '', { names });

export const several = (pid: number, name: string, bytes: number, parts: readonly Part[]): Parameter => ({
  pid,
  name,
  bytes,
  parts,
});

/** Several equal fields in a row after a byte of support bits. */
export function supported(
  pid: number,
  name: string,
  bytes: number,
  labels: readonly string[],
  size: Part['size'],
  scale: number,
  offset: number,
  unit: string,
  options: Options = {},
): Parameter {
  return several(
    pid,
    name,
    bytes,
    labels.map((label, i) =>
      field(label, 1 + i * size, size, scale, offset, unit, { supportBit: i, ...options }),
    ),
  );
}

export const PERCENT = 100 / 255;
export const TRIM = 100 / 128;

export const OFF_ON: Readonly<Record<number, string>> = { 0: 'off', 1: 'on' };
export const NO_YES: Readonly<Record<number, string>> = { 0: 'no', 1: 'yes' };

/** A bit of a byte. @param supportBit where the first byte says whether it is told. */
export const bitOf = (
  part: string,
  at: number,
  bit: number,
  names: Readonly<Record<number, string>>,
  supportBit?: number,
): Part =>
  field(part, at, 1, 1, 0, '', {
    names,
    mask: 1 << bit,
    shift: bit,
    ...(supportBit === undefined ? {} : { supportBit }),
  });
