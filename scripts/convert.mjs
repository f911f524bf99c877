import process from 'node:process';
import { convertFile } from './convertFile.mjs';
import { run } from './say.mjs';

await run(async () => {
  process.exitCode = await convertFile(process.argv.slice(2), console.log);
});
