import { spawn } from 'node:child_process';

/**
 * Runs a program to its end.
 * @returns its exit code and what it printed; with `show` it prints straight to the terminal instead
 */
export function command(program, args, { show = false, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      stdio: show ? ['ignore', 'inherit', 'inherit'] : ['ignore', 'pipe', 'pipe'],
      ...options,
    });
    let output = '';
    child.stdout?.on('data', (data) => (output += data));
    child.stderr?.on('data', (data) => (output += data));
    child.on('error', (error) => resolve({ code: 127, output: error.message }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}
