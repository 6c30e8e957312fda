import { expose } from 'comlink';
import { BrowserStorage } from '../project/browser-storage';
import { BrowserTabs } from '../project/browser-tabs';
import { HandingEngine } from './handing-engine';

/** Set by a test, to see that a fault in the engine ends nothing but the question that met it. */
const hooks = globalThis as { cowbellBefore?: (figure: string) => void };

expose(new HandingEngine({ storage: new BrowserStorage(), tabs: new BrowserTabs(), before: figure => hooks.cowbellBefore?.(figure) }));
