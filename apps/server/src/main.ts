import type { Server } from 'node:http';
import type { INestApplication } from '@nestjs/common';
import { closeApp, createApp } from './app.js';
import { readConfig } from './platform/config.js';
import { saidPlainly } from './platform/trouble.js';

async function listen(): Promise<INestApplication> {
  try {
    const config = readConfig();
    const made = await createApp(config);
    await made.listen(config.port, config.host);
    return made;
  } catch (error) {
    // A sentence: whoever starts it is no programmer.
    console.error(saidPlainly(error));
    process.exit(1);
  }
}
const app = await listen();

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
