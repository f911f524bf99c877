import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Trouble } from './say.mjs';

/** Whether a process runs that was started with this lock's text: a number alone may belong to another by now. */
function isAlive(text) {
  const [pid, began] = text.trim().split(' ');
  return began !== undefined && startOf(pid) === began;
}

/** When a process began, in the kernel's ticks since the machine did, or undefined where there is none. */
function startOf(pid) {
  const stat = `/proc/${pid}/stat`;
  if (!/^\d+$/.test(pid) || !existsSync(stat)) return undefined;
  // The name stands in brackets and may hold spaces; the time is the twentieth field behind it.
  return readFileSync(stat, 'utf8').split(') ').at(-1).split(' ')[19];
}

/**
 * Keeps a data folder for this process alone, until it ends or lets go.
 * @returns lets go
 */
export function lockFolder(folder) {
  const file = join(folder, 'in-use');
  try {
    mkdirSync(folder, { recursive: true });
  } catch (error) {
    throw new Trouble(
      `The data folder ${folder} can't be written: ${error.message}. Set BOGEN_DATA to a folder that you may write.`,
    );
  }
  const mine = `${process.pid} ${startOf(String(process.pid))}\n`;
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(file, mine, { flag: 'wx' });
      break;
    } catch (error) {
      if (error.code !== 'EEXIST') {
        throw new Trouble(
          `The data folder ${folder} can't be written: ${error.message}. Set BOGEN_DATA to a folder that you may write.`,
        );
      }
      const text = readFileSync(file, 'utf8');
      if (attempt > 0 || isAlive(text)) {
        throw new Trouble(
          `Bogen runs already on the data in ${folder} (process ${text.split(' ')[0]}). Stop it first, or set BOGEN_DATA to another folder.`,
        );
      }
      // Left by a process that was cut off.
      rmSync(file, { force: true });
    }
  }
  return () => {
    if (existsSync(file) && readFileSync(file, 'utf8') === mine) rmSync(file, { force: true });
  };
}
