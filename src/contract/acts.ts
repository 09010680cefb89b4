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
  'weigh-lot': 'entry',
  'give-up-lot': 'entry',
  'make-lot': 'row',
  'bags-gone': 'entry',
  'bags-back': 'entry',
  'count-bags': 'entry',
  'correct-lot': 'entry',
  'say-traces': 'entry',
  'order-lot': 'entry',
  'test-lot': 'entry',
  'strike-test': 'entry',
  'note-sacks': 'entry',
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
  'use-lesson': 'entry',
  'use-places': 'entry',
  'lesson-aside': 'entry',
  'photo-away': 'entry',
  'photo-shows': 'entry',
  'switch-measure': 'entry',
  'keep-person': 'entry',
  'keep-try': 'entry',
  'forget-tries': 'entry',
  'erase-person': 'entry',
  'keep-morning': 'row',
  'place-morning': 'entry',
  'mark-step': 'entry',
  'swap-people': 'entry',
  'close-morning': 'row',
  'drop-morning': 'entry',
  'keep-trial': 'entry',
  'begin-trial': 'entry',
  'tell-taste': 'entry',
  'open-trial': 'entry',
  'drop-trial': 'entry',
  'copy-formula': 'entry',
  'make-again': 'entry',
  'use-bags': 'entry',
  'swap-in-batch': 'entry',
  'stand-in-part': 'entry',
  'undo-swaps': 'entry',
  rebalance: 'entry',
  'put-back': 'entry',
  'take-up': 'entry',
  'take-cards-back': 'entry',
  'photo-back': 'entry',
  'kept-back': 'entry',
  'undo-gone': 'entry',
  'drop-premix': 'entry',
  'drop-side': 'entry',
  'uncount-stock': 'entry',
  'remove-ingredient': 'entry',
  'drop-measure': 'entry',
  'measure-back': 'entry',
} as const satisfies Readonly<Record<string, 'row' | 'entry'>>;

export type ActName = keyof typeof SENT_ACTS;

/**
 * The shape that acts are sent in, counted up when the input of any act changes so that an older one is not read as it
 * stands: a browser may hold acts from before an update for days.
 */
export const ACTS_SHAPE = 1;

/** What makes of an act's input of one shape that of the next, by the shape it is of; none has changed yet. */
type Upgrades = Readonly<Record<number, Partial<Readonly<Record<ActName, (input: unknown) => unknown>>>>>;
const UPGRADES: Upgrades = {};

/** An act's input in the shape of now. @param shape that it was done in, at most that of now */
export function upgraded(
  name: ActName,
  input: unknown,
  shape: number,
  upgrades: Upgrades = UPGRADES,
  now = ACTS_SHAPE,
): unknown {
  let out = input;
  for (let s = shape; s < now; s++) out = upgrades[s]?.[name]?.(out) ?? out;
  return out;
}
