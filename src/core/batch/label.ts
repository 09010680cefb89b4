/** A label, of a kit or of a bag: what it is, what is in it, and what has to be said. */
export interface Label {
  readonly key: string;
  readonly title: string;
  readonly sub: string;
  readonly body: readonly string[];
  readonly foot: readonly string[];
}
