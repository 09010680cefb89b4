/** The reader of whole cards, fetched where there is one to read: much of what the Bench would load otherwise. */
export const cardReader = (): Promise<typeof import('@/core/formula/from-card')['entriesFromCard']> =>
  import('@/core/formula/from-card').then((m) => m.entriesFromCard);

/** Fetched ahead, where a card is likely to come; where it can't be, whoever reads says so. */
export const fetchReader = (): void => void cardReader().catch(() => undefined);

export const NO_READER =
  'Nothing answers, and cards can’t be read without it yet. What you have stays here: try again in a moment.';
