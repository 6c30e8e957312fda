/** Scripts of workers. They are bundled apart from the page (`tools/bundle.mjs`), and the page's head names their addresses. */
export type WorkerScript = 'engine' | 'reader';

/** The sample project, as it is served. */
const SAMPLE_URL = 'demo/highmeadow.json';

// Set when a project has been opened: later visits do not need the sample.
const VISITED = 'cowbell-visited';

/** Handles that the page's first script leaves for the application. */
const early = globalThis as { cowbellEngine?: Worker | undefined; cowbellSample?: Promise<string> | undefined };

/** Starts a worker by the address that the page's head gives for it. */
export function startWorker(name: WorkerScript): Worker {
  const address = document.querySelector<HTMLMetaElement>(`meta[name="${name}-worker"]`)?.content;
  return new Worker(new URL(address ?? `workers/${name}.js`, document.baseURI), { type: 'module' });
}

/** Starts the engine, and on a first visit asks for the sample project, before the page's own code has arrived. */
export function startEarly(): void {
  early.cowbellEngine = startWorker('engine');
  if (hasVisited()) return;
  early.cowbellSample = fetchSample();
  // `takeSample` reports a failure; this only keeps it from being an unhandled rejection.
  early.cowbellSample.catch(() => undefined);
}

/** The engine's worker, started now if it was not started early. The caller ends it. */
export function takeEngineWorker(): Worker {
  const worker = early.cowbellEngine ?? startWorker('engine');
  early.cowbellEngine = undefined;
  return worker;
}

/** The sample project's text: the first call takes the early request, later calls fetch again. Rejects when the server is away. */
export function takeSample(): Promise<string> {
  const sample = early.cowbellSample ?? fetchSample();
  early.cowbellSample = undefined;
  return sample;
}

/** Remembers that a project has been opened in this browser. A browser that stores nothing only loses the early start. */
export function rememberVisit(): void {
  try {
    localStorage.setItem(VISITED, '1');
  } catch {
    // Full or forbidden: the project opens all the same.
  }
}

function hasVisited(): boolean {
  try {
    return localStorage.getItem(VISITED) !== null;
  } catch {
    return false;
  }
}

const fetchSample = async (): Promise<string> => (await fetch(SAMPLE_URL)).text();
