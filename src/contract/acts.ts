/** What screens send to the server: acts, each by its name. */

/**
 * `row`: a later act of the same thing, from the same tab, takes the place of one that still waits. `entry`: each is
 * one of its own.
 */
export const SENT_ACTS = {
  'tell-events': 'entry',
  'save-formula': 'row',
  'keep-cards': 'entry',
  'start-batch': 'row',
  'keep-plan': 'row',
  'serve-at': 'row',
  'save-outcome': 'row',
  'keep-photo': 'entry',
  'save-target': 'row',
  'answer-change': 'row',
  'want-pieces': 'entry',
  'note-care': 'entry',
  'set-house': 'row',
  'keep-ingredient': 'row',
  'keep-stock': 'row',
  'count-stock': 'entry',
  'import-pantry': 'row',
  'keep-measure': 'entry',
  'answer-measure': 'entry',
  'keep-premix': 'row',
  'make-lot': 'row',
  'bags-gone': 'entry',
  'correct-lot': 'entry',
  'void-lot': 'row',
  'keep-side': 'row',
  'keep-lot': 'entry',
  'kept-gone': 'entry',
  'put-formula': 'entry',
  'end-batch': 'entry',
  'put-away': 'entry',
  'change-covers': 'entry',
  'drop-plan': 'entry',
  'care-back': 'entry',
  'photo-away': 'entry',
  'photo-shows': 'entry',
  'switch-measure': 'entry',
  'keep-person': 'entry',
  'erase-person': 'entry',
} as const satisfies Readonly<Record<string, 'row' | 'entry'>>;

export type ActName = keyof typeof SENT_ACTS;
