import { Server, type ListenOptions } from 'node:net';

// A spec that takes longer than this hangs. Speed is the bench's matter: a busy machine must not fail a spec that is right.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;

// Parallel specs run in a cluster, whose workers would share one "free" port among their servers: each would then get questions that were meant for another.
const listen = Reflect.get(Server.prototype, 'listen') as (this: Server, ...given: unknown[]) => Server;
Server.prototype.listen = function (this: Server, ...given: unknown[]): Server {
  const [port, ...rest] = given;
  if (typeof port !== 'number') return listen.apply(this, given);
  const host = rest.find(item => typeof item === 'string');
  const heard = rest.find(item => typeof item === 'function') as (() => void) | undefined;
  return listen.call(this, { port, exclusive: true, ...(host === undefined ? {} : { host }) } satisfies ListenOptions, heard);
};
