import type { Loose } from './loose';

/** Version 11 added pages. A project has none until one is made. */
export const fromVersion10 = (document: Loose): Loose => ({ ...document, version: 11 });
