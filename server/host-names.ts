import type { Request, RequestHandler } from 'express';

// The names of the machine itself.
const LOOPBACK = ['localhost', '127.0.0.1', '::1'];

/**
 * Answers 421 to a request under a foreign name, so that no page elsewhere can have its own name lead here (DNS rebinding). Its own are those of
 * the machine, the address that the connection came in at, and the given ones.
 */
export function ownNames(names: readonly string[]): RequestHandler {
  return (request, response, next) => {
    const name = nameOf(request.headers.host);
    if (name !== undefined && [...LOOPBACK, ...names, arrivedAt(request)].includes(name)) return next();
    response.status(421).json({ error: 'misdirected', message: 'This server does not answer by that name. Add it to ALLOWED_HOSTS.' });
  };
}

/** The name in a Host header, without port and brackets, in small letters. */
function nameOf(host: string | undefined): string | undefined {
  if (host === undefined || !URL.canParse(`http://${host}`)) return undefined;
  return new URL(`http://${host}`).hostname.replace(/^\[(.*)\]$/, '$1');
}

/** The server's own address of this connection; an IPv4 address may come in the clothes of an IPv6 one. */
const arrivedAt = ({ socket }: Request): string => (socket.localAddress ?? '').replace(/^::ffff:/, '');
