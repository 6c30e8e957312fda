import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { addressOf, listen, stop } from './lifetime';
import { RenderPool } from './render/render-pool';
import { readSettings } from './settings';

const root = fileURLToPath(new URL('../dist/app', import.meta.url));

/** One line, and the exit code of a wrong setting. */
function giveUp(message: string): never {
  console.error(message);
  process.exit(2);
}

const settings = readSettings(process.env);
if (!settings.ok) giveUp(settings.message);
const names = [settings.value.host.toLowerCase(), ...settings.value.names];
const unknown = process.argv.slice(2).find(word => word !== '--render');
if (unknown !== undefined) giveUp(`There is no option ${unknown}. Choose --render, to make figures for who asks.`);
const render = process.argv.includes('--render') ? new RenderPool() : undefined;
const server = await listen(createApp({ root, names, ...(render ? { render } : {}) }), settings.value).catch((error: Error) =>
  giveUp(error.message),
);
console.log(`Cowbell is at ${addressOf(server)}`);

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop(server).then(() => process.exit(0)));
