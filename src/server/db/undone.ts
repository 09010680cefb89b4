/** Says no in the middle of a transaction, which is then undone. */
export class Undone<T> extends Error {
  constructor(readonly value: T) {
    super('undone');
  }
}
