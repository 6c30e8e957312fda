import * as z from 'zod/mini';

/** Where the server listens, and by which names it answers. */
export interface Settings {
  /** 0 takes any free port. */
  readonly port: number;
  readonly host: string;
  /** Names by which it may be asked beside its own addresses, in small letters. */
  readonly names: readonly string[];
}

/** Settings, or one line that says what to set otherwise. */
export type ReadSettings = { readonly ok: true; readonly value: Settings } | { readonly ok: false; readonly message: string };

const MAX_PORT = 65_535;

const isPort = (text: string): boolean => /^\d{1,5}$/.test(text) && Number(text) <= MAX_PORT;
// Letters, digits and the marks of names and of addresses; whether the machine has it is told by listening.
const isHost = (text: string): boolean => /^[a-z\d.:%_-]+$/i.test(text);

const schema = z.object({
  PORT: z.string().check(
    z.refine(isPort, {
      error: ({ input }) => `PORT is “${String(input)}”, but must be a whole number from 0 to ${MAX_PORT}; 0 takes any free port.`,
    }),
  ),
  HOST: z
    .string()
    .check(z.refine(isHost, { error: ({ input }) => `HOST is “${String(input)}”, but must be a name or an address, such as 127.0.0.1.` })),
  ALLOWED_HOSTS: z.string().check(
    z.refine(text => text === '' || text.split(',').every(name => isHost(name.trim())), {
      error: ({ input }) => `ALLOWED_HOSTS is “${String(input)}”, but must be names with commas between them.`,
    }),
  ),
});

/** Reads PORT, HOST and ALLOWED_HOSTS; what is absent or empty is 4600, this machine alone, and no further names. */
export function readSettings(env: Readonly<Record<string, string | undefined>>): ReadSettings {
  const text = (name: string, otherwise: string): string => env[name]?.trim() || otherwise;
  const read = schema.safeParse({ PORT: text('PORT', '4600'), HOST: text('HOST', '127.0.0.1'), ALLOWED_HOSTS: text('ALLOWED_HOSTS', '') });
  if (!read.success) return { ok: false, message: read.error.issues[0]?.message ?? 'The settings cannot be read.' };
  const { PORT, HOST, ALLOWED_HOSTS } = read.data;
  const names = ALLOWED_HOSTS === '' ? [] : ALLOWED_HOSTS.split(',').map(name => name.trim().toLowerCase());
  return { ok: true, value: { port: Number(PORT), host: HOST, names } };
}
