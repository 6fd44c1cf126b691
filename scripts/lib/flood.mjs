// Strangers who send large bodies at once, from a process of their own: what they cost is the server's and not that of who watches it.
// node flood.mjs ADDRESS PATH STRANGERS SECONDS BYTES
const [address, path, strangers, seconds, bytes] = process.argv.slice(2);
const ends = performance.now() + 1000 * Number(seconds);
const body = JSON.stringify({ entries: 'x'.repeat(Number(bytes)) });
let sent = 0;
await Promise.all(
  Array.from({ length: Number(strangers) }, async () => {
    while (performance.now() < ends) {
      await fetch(address + path, {
        method: 'POST',
        headers: { Origin: address, 'Content-Type': 'application/json' },
        body,
      }).catch(() => undefined);
      sent++;
    }
  }),
);
console.log(sent);
