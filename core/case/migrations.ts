/** A step that brings plain data from version `from` to `from + 1`. Shipped steps are never edited. */
export interface Migration {
  from: number;
  /** Named for what changes. */
  name: string;
  up: (file: Record<string, unknown>) => Record<string, unknown>;
}

/** Empty while version 1 is the only one that was ever written. */
export const MIGRATIONS: readonly Migration[] = [];

/**
 * Checks at start-up that the steps are numbered 1..n without a gap and end at the current version.
 * @throws Error naming the step that does not fit.
 */
export function assertMigrations(current: number, steps: readonly Migration[] = MIGRATIONS): void {
  steps.forEach((step, i) => {
    if (step.from !== i + 1)
      throw new Error(`Migration ${step.name} has number ${step.from}, expected ${i + 1}.`);
  });
  if (steps.length !== current - 1)
    throw new Error(`There are ${steps.length} migrations, but version ${current} needs ${current - 1}.`);
}

/** Applies the steps from a file's version to the last one, on a copy. */
export function migrate(
  file: Record<string, unknown>,
  from: number,
  steps: readonly Migration[] = MIGRATIONS,
): Record<string, unknown> {
  let result = file;
  for (const step of steps.slice(from - 1)) result = { ...step.up(result), version: step.from + 1 };
  return result;
}
