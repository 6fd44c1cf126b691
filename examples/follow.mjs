// Follows a farm's new entries from a program of one's own: node examples/follow.mjs http://localhost:7300 FARM_ID TOKEN
// The token is made in Settings, Programs (scope "read"). Needs nothing but Node.js 20. The stream says how far the book has come; what is new
// is asked for then, so that nothing is missed when the line breaks: begun again, it goes on where it was.
const [address, farmId, token, most = 'Infinity'] = process.argv.slice(2);
if (!token) {
  console.error('usage: node examples/follow.mjs ADDRESS FARM_ID TOKEN [HOW_MANY]');
  process.exit(2);
}
const headers = { Authorization: `Bearer ${token}` };
const ask = async (path) => {
  const response = await fetch(`${address}/api/farms/${farmId}/${path}`, { headers });
  if (!response.ok) throw new Error(`${path}: ${response.status} ${(await response.json()).message}`);
  return response;
};

let last;
let told = 0;

/** Prints what came after the last entry that was seen, oldest first. */
async function catchUp() {
  const lines = await (await ask('entries?limit=200')).json();
  const newest = lines.filter(({ seq }) => last === undefined || seq > last).reverse();
  if (last !== undefined)
    for (const { seq, entry } of newest) {
      console.log(JSON.stringify({ seq, ...entry }));
      if (++told >= Number(most)) process.exit(0);
    }
  last = lines[0]?.seq ?? 0;
}

for (;;) {
  try {
    await catchUp();
    console.error(`following from number ${last}`);
    const stream = await ask('feed');
    let text = '';
    for await (const chunk of stream.body.pipeThrough(new TextDecoderStream())) {
      text += chunk;
      // Events are parted by an empty line; what they say is only that something is new.
      const parts = text.split(/\r?\n\r?\n/);
      text = parts.pop();
      if (parts.some((part) => /^data:/m.test(part))) await catchUp();
    }
  } catch (error) {
    if (/: 40[13] /.test(error.message)) {
      console.error(error.message);
      process.exit(1);
    }
    console.error(`no answer (${error.message}); again in five seconds`);
    await new Promise((resolve) => setTimeout(resolve, 5000));
  }
}
