export { decide, money, type Decision, type Gate, type Option, type OptionId } from './options.ts';
export {
  TOOL_KINDS,
  TOOL_NEEDS,
  toolChoice,
  type ToolChoice,
  type ToolKind,
  type ToolNeed,
} from './tool-choice.ts';
