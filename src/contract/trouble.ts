/** What can be wrong with the records, and how a cook is told. */
export type TroubleKind = 'away' | 'full' | 'slow' | 'unkeepable';

export const TROUBLE_WORDS: Readonly<Record<TroubleKind, string>> = {
  away: 'The records are out of reach just now. What you typed is still here: save it when they are back.',
  full: 'The disk is full: nothing can be written until there is room. What you typed is still here, and what was saved before stays. House, Records says how much is left.',
  slow: 'That took the records too long and was stopped; nothing of it was written. What you typed is still here.',
  unkeepable:
    'This can’t be saved as it stands: the records refuse it, and would refuse it again. What you typed is still here.',
};

/** Header of what is answered by the running build's name. */
export const BUILD = 'x-even-crumb-build';
