/** @returns whether a request is one too many; `now` in ms */
export function perClient(limits: {
  readonly windowMs: number;
  readonly most: number;
}): (client: string, now: number) => boolean;
