// The session behind every screen and command.
export { Engine } from './engine';
export { Session } from './session';
export type * from './api';

// What it is given: storage, and word of other tabs.
export { MemoryStorage, MOST_ABSORBED } from './memory-storage';
export type { Storage, StoredDocument } from './storage';
export { type Tabs } from './tabs';

// What files held, on its way from the worker that reads them.
export { deliver } from './delivery';
