/** A value, or why there is none. In the core errors are values; exceptions are for bugs. */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E };
