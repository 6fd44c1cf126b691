/** One line of progress a step; nothing here needs a package. */
const started = Date.now();

export function step(text) {
  console.log(`  ${String(((Date.now() - started) / 1000).toFixed(1)).padStart(6)} s  ${text}`);
}

export function stop(...lines) {
  for (const line of lines) console.error(line);
  process.exit(1);
}
