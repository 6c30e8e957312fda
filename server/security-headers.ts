import type { RequestHandler, Response } from 'express';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';

const nonceOf = (_request: unknown, response: unknown): string => `'nonce-${String((response as Response).locals['nonce'])}'`;

/**
 * Headers of every answer. Nothing is loaded from elsewhere; styles made at run time carry the answer's nonce, which `response.locals.nonce` gives to the
 * page.
 */
export const securityHeaders: readonly RequestHandler[] = [
  (_request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    // Helmet has no policy of permissions.
    response.set('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
    next();
  },
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", nonceOf],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Whether the connection is encrypted is decided by what stands before this server.
    strictTransportSecurity: false,
    xFrameOptions: { action: 'deny' },
  }),
];
