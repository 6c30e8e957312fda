import type { Express } from 'express';
import type { Server } from 'node:http';
import type { Settings } from './settings';

/** Listens; fails with one line that says what to set otherwise. */
export function listen(app: Express, settings: Settings): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = app.listen(settings.port, settings.host, (error?: NodeJS.ErrnoException) => {
      if (error) reject(new Error(failureWords(error, settings)));
      else resolve(server);
    });
  });
}

/** Where a server can be reached, with the port that it really has. */
export function addressOf(server: Server): string {
  const at = server.address();
  if (at === null || typeof at === 'string') throw new TypeError('the server does not listen at a port');
  return `http://${at.family === 'IPv6' ? `[${at.address}]` : at.address}:${at.port}`;
}

/** Takes no more requests and answers those that run; what is not finished after so many milliseconds is cut off. */
export function stop(server: Server, patience = 4_000): Promise<void> {
  return new Promise(resolve => {
    const impatient = setTimeout(() => server.closeAllConnections(), patience);
    server.close(() => {
      clearTimeout(impatient);
      resolve();
    });
    server.closeIdleConnections();
  });
}

function failureWords({ code, message }: NodeJS.ErrnoException, { port, host }: Settings): string {
  const noHost = `HOST is “${host}”, but that is no address of this machine. Set another one, or leave it out for 127.0.0.1.`;
  const words: Readonly<Record<string, string>> = {
    EADDRINUSE: `Port ${port} is taken. Set PORT to another one, or to 0 for any free one.`,
    EACCES: `Port ${port} may not be used by this account. Set PORT to one above 1023.`,
    EADDRNOTAVAIL: noHost,
    ENOTFOUND: noHost,
    EAI_AGAIN: noHost,
    EINVAL: noHost,
  };
  return words[code ?? ''] ?? `The server cannot listen at ${host}, port ${port}: ${message}.`;
}
