export function wrongExports(texts: Readonly<Record<string, string>>): readonly string[];
