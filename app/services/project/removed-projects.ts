/** A project that was taken off the list: it is kept until the next visit. */
export interface RemovedProject {
  readonly id: string;
  readonly name: string;
}

const KEY = 'cowbell.removed';

/** Projects that were removed during this visit. */
export function removedProjects(): readonly RemovedProject[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter(isRemoved) : [];
  } catch {
    return [];
  }
}

/** Remembers what is off the list. */
export function setRemoved(projects: readonly RemovedProject[]): void {
  try {
    if (projects.length) localStorage.setItem(KEY, JSON.stringify(projects));
    else localStorage.removeItem(KEY);
  } catch {
    // A browser that keeps nothing has no stored projects either.
  }
}

const isRemoved = (item: unknown): item is RemovedProject =>
  typeof item === 'object' && item !== null && typeof Reflect.get(item, 'id') === 'string' && typeof Reflect.get(item, 'name') === 'string';
