export { tippingPoint, askedFrom, chanceFrom, hourlyUpTo, type Stakes } from './break-even.ts';
export { money } from './money.ts';
export { CLEAR_MINUTES, decide, type Decision, type Gate, type Option, type OptionId } from './options.ts';
export {
  TOOL_KINDS,
  TOOL_NEEDS,
  toolChoice,
  type ToolChoice,
  type ToolKind,
  type ToolNeed,
} from './tool-choice.ts';
export {
  WEARING_SETS,
  failedBy,
  failsWithin,
  oneOrSet,
  type SetAnswer,
  type SetQuestion,
  type WearingSet,
} from './one-or-set.ts';
