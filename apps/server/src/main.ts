import type { Server } from 'node:http';
import { closeApp, createApp } from './app.js';
import { readConfig } from './platform/config.js';

const config = readConfig();
const app = await createApp(config);
await app.listen(config.port, config.host);

let closing = false;
for (const signal of ['SIGTERM', 'SIGINT'] as const) {
  process.removeAllListeners(signal);
  process.on(signal, () => {
    if (closing) return;
    closing = true;
    // Listening pages hold their feed open; without this the server would wait for them.
    setTimeout(() => (app.getHttpServer() as Server).closeAllConnections(), 1000).unref();
    closeApp(app).then(
      () => process.exit(0),
      () => process.exit(1),
    );
  });
}
