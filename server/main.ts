import { fileURLToPath } from 'node:url';
import { createApp } from './app';

const port = Number(process.env['PORT'] ?? 4600);
const host = process.env['HOST'] ?? '127.0.0.1';
const root = fileURLToPath(new URL('../dist/app', import.meta.url));

const server = createApp({ root }).listen(port, host, (error?: Error) => {
  if (error) {
    console.error(`Cowbell could not start at ${host}:${port}: ${error.message}. Set PORT to a free one.`);
    process.exit(1);
  }
  console.log(`Cowbell is at http://${host}:${port}`);
});

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => server.close(() => process.exit(0)));
