import { spawn } from 'node:child_process';
import { PROJECT } from './project.mjs';

/**
 * Runs a command to its end with its output shown.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {import('node:child_process').SpawnOptions} [options]
 * @returns {Promise<number>} the exit code; 127 when the command does not exist
 */
export const run = (command, args, options = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: PROJECT, stdio: ['ignore', 'inherit', 'inherit'], ...options });
    child.on('error', () => resolve(127));
    child.on('close', (code) => resolve(code ?? 1));
  });
