import { expose } from 'comlink';
import { Engine } from 'engine';
import { BrowserStorage } from './browser-storage';
import { BrowserTabs } from './browser-tabs';

/** Set by a test, to see that a fault in the engine ends nothing but the question that met it. */
const hooks = globalThis as { cowbellBefore?: (figure: string) => void };

expose(new Engine({ storage: new BrowserStorage(), tabs: new BrowserTabs(), before: figure => hooks.cowbellBefore?.(figure) }));
