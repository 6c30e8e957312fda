/** Scripts of workers. They are bundled apart from the page (`tools/bundle.mjs`), and the page's head names their addresses. */
export type WorkerScript = 'engine' | 'reader';

/** The sample project, as it is served. */
export const SAMPLE_URL = 'demo/highmeadow.json';

// Kept from the first project on: whoever has been here needs no sample.
const VISITED = 'cowbell-visited';

/** Where the page's first script leaves what it has started. */
const early = globalThis as { cowbellEngine?: Worker | undefined; cowbellSample?: Promise<string> | undefined };

/** Starts a worker by the address that the page's head gives for it. */
export function startWorker(name: WorkerScript): Worker {
  const address = document.querySelector<HTMLMetaElement>(`meta[name="${name}-worker"]`)?.content;
  return new Worker(new URL(address ?? `workers/${name}.js`, document.baseURI), { type: 'module' });
}

/** Starts the engine, and on a first visit asks for the sample project, before the page's own code has arrived. */
export function startEarly(): void {
  early.cowbellEngine = startWorker('engine');
  if (localStorage.getItem(VISITED) !== null) return;
  early.cowbellSample = fetchSample();
  // Whoever takes the promise hears of a failure.
  early.cowbellSample.catch(() => undefined);
}

/** The engine's worker, started now when it was not before. Whoever takes it owns it. */
export function takeEngineWorker(): Worker {
  const worker = early.cowbellEngine ?? startWorker('engine');
  early.cowbellEngine = undefined;
  return worker;
}

/** The sample project's text; once as it was asked for early, then from the server again. Rejects when the server is away. */
export function takeSample(): Promise<string> {
  const sample = early.cowbellSample ?? fetchSample();
  early.cowbellSample = undefined;
  return sample;
}

/** Remembers that a project has been opened in this browser. */
export const rememberVisit = (): void => localStorage.setItem(VISITED, '1');

const fetchSample = async (): Promise<string> => (await fetch(SAMPLE_URL)).text();
