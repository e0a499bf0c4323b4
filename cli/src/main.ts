import { Command, CommanderError } from 'commander';
import { DEFAULT_OWNER } from '@pincer/core/case';
import { tell } from '@pincer/core/words';
import { assessFile } from './assess.ts';
import { decodeFiles } from './decode.ts';
import { explainCodes } from './explain.ts';
import { InputError, type Output } from './output.ts';
import { validateFile } from './validate.ts';

/** Exit code for bad input and for wrong use. */
const BAD_INPUT = 2;

/**
 * Runs the command line.
 * @param args without node and script.
 * @returns the exit code: 0, or 2 for bad input; messages go to stderr.
 */
export async function main(
  args: readonly string[],
  to: Output = { log: (t) => process.stdout.write(`${t}\n`), error: (t) => process.stderr.write(`${t}\n`) },
): Promise<number> {
  // Whatever is printed is told in the words of an owner who has chosen nothing.
  const out: Output = {
    log: (text) => to.log(tell(text, DEFAULT_OWNER)),
    error: (text) => to.error(tell(text, DEFAULT_OWNER)),
  };
  let code = 0;
  const program = new Command('pincer')
    .description('Pincer on files: explain codes, decode logs, assess a case, validate a file.')
    .exitOverride()
    .configureOutput({ writeOut: (t) => out.log(t.trimEnd()), writeErr: (t) => out.error(t.trimEnd()) });
  program
    .command('explain')
    .description('say what trouble codes mean')
    .argument('<code...>')
    .option('--json', 'machine-readable')
    .action((codes: string[], options: { json?: boolean }) => {
      code = explainCodes(codes, options.json ?? false, out);
    });
  program
    .command('decode')
    .description('decode candump logs and saved adapter sessions')
    .argument('<file...>')
    .option('--json', 'machine-readable')
    .action(async (files: string[], options: { json?: boolean }) => {
      code = await decodeFiles(files, options.json ?? false, out);
    });
  program
    .command('assess')
    .description('assess a case file')
    .argument('<case.json>')
    .option('--json', 'machine-readable')
    .option('--at <moment>', 'assess as at this ISO moment instead of now')
    .action(async (file: string, options: { json?: boolean; at?: string }) => {
      code = await assessFile(file, options.json ?? false, options.at, out);
    });
  program
    .command('validate')
    .description('check a file that Pincer reads: a case file, a candump log or an adapter session')
    .argument('<file>')
    .option('--json', 'machine-readable')
    .action(async (file: string, options: { json?: boolean }) => {
      code = await validateFile(file, options.json ?? false, out);
    });
  try {
    await program.parseAsync([...args], { from: 'user' });
    return code;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : BAD_INPUT;
    if (error instanceof InputError) {
      out.error(error.message);
      return BAD_INPUT;
    }
    throw error;
  }
}
