export function importsOf(text: string): readonly string[];
export function circlesAmong(files: readonly string[], importedBy?: (file: string) => readonly string[]): string[][];
