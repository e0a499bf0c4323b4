#!/usr/bin/env node
// Loads the TypeScript sources as they are, so that nothing has to be built after an install.
import { register } from 'tsx/esm/api';

register();
const { main } = await import('../src/main.ts');
process.exitCode = await main(process.argv.slice(2));
