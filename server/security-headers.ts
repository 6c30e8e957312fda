/** Headers of every answer. Nothing is loaded from elsewhere; styles made at run time carry the answer's nonce. */
export function securityHeaders(nonce: string): Record<string, string> {
  const policy = {
    'default-src': "'self'",
    'script-src': "'self'",
    'style-src': `'self' 'nonce-${nonce}'`,
    'img-src': "'self' data: blob:",
    'font-src': "'self'",
    'connect-src': "'self'",
    'worker-src': "'self'",
    'object-src': "'none'",
    'base-uri': "'self'",
    'form-action': "'self'",
    'frame-ancestors': "'none'",
  };
  return {
    'Content-Security-Policy': Object.entries(policy)
      .map(([name, value]) => `${name} ${value}`)
      .join('; '),
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'no-referrer',
    'Cross-Origin-Opener-Policy': 'same-origin',
    'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
  };
}
