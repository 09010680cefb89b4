export function broken(root?: string): readonly string[];
export function importsIn(text: string): readonly string[];
export const ORDER: readonly { readonly at: string; readonly not?: readonly string[] }[];
