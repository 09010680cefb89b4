/** The address of a sentence: what was said, and what was put right of it since. */
export const BEGIN_PARAMS = ['say', 'people', 'each', 'day', 'time', 'drop', 'off', 'of', 'other', 'when'] as const;
export type BeginAddress = Readonly<Record<(typeof BEGIN_PARAMS)[number], string>>;

/** The address with a part changed; what is empty is left out. @param at the page */
export const hrefTo = (at: string, a: BeginAddress, part: Partial<BeginAddress> = {}): string =>
  `${at}?${new URLSearchParams(Object.entries({ ...a, ...part }).filter(([, v]) => v !== ''))}`;

/** Stands in an address for the id of a formula that is not kept yet. */
export const NOT_KEPT = '00000000-0000-4000-8000-000000000000';

/** Says in an address that all come at once, whatever the sentence says. */
export const WAVES_DROPPED = 'waves';
