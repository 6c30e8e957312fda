export function roomOf(file: string): string | null;
export function wrongArrows(file: string, text: string): readonly { readonly specifier: string; readonly words: string }[];
export function undocumented(file: string, text: string): readonly string[];
