export { answerOf, causeAfter, chanceOf, cures, stillWrong } from './answers.ts';
export { plannedPath, walkedPath, type Path, type PathStep, type Walk } from './path.ts';
export { scoreOf, type Score } from './score.ts';
export {
  PRACTICE_CARS,
  PRACTICE_KINDS,
  openTask,
  practiceTaskSchema,
  readTaskFile,
  sealTask,
  taskFile,
  type PracticeCar,
  type PracticeKind,
  type PracticeTask,
} from './task.ts';
export { PRACTICE_TASKS } from './tasks.ts';
export { PRACTICE_VEHICLES } from './vehicles.ts';
