import { readFileSync } from 'node:fs';

export const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** What a bench holds to: each is said as it is judged, and those that do not hold are kept for its exit code. */
export function judge() {
  const failures = [];
  const check = (holds, what) => {
    console.log(`${holds ? '●' : '■'} ${what}`);
    if (!holds) failures.push(what);
  };
  return { check, failures };
}

/** Memory of a process, MB. */
export const memoryOf = (pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;
