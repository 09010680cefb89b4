export function codeIn(folders: readonly string[]): string[];
export function wordsOf(path: string): string[];
