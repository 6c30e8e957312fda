/** The part of Jasmine's parallel runner that we use; the package has no types for it. */
declare module 'jasmine/parallel' {
  export default class ParallelRunner {
    constructor(options: { readonly projectBaseDir: string; readonly numWorkers: number });
    exitOnCompletion: boolean;
    loadConfig(config: { readonly spec_dir: string; readonly spec_files: readonly string[]; readonly helpers: readonly string[] }): void;
    addReporter(reporter: object): void;
    execute(): Promise<unknown>;
  }
}
