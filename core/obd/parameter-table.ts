import type { Parameter } from './parameter-shape.ts';
import { PARAMETERS_FROM_61 } from './parameters-from-61.ts';
import { PARAMETERS_TO_5F } from './parameters-to-5f.ts';

/** Service 01 parameters of SAE J1979 / ISO 15031-5, appendix B: length, parts, scale and unit. */
export const PARAMETERS: readonly Parameter[] = [...PARAMETERS_TO_5F, ...PARAMETERS_FROM_61].toSorted(
  (a, b) => a.pid - b.pid,
);
