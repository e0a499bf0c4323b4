export { decide, type Decision, type Gate, type Option, type OptionId } from './options.ts';
