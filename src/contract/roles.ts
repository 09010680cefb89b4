/**
 * Who may do what: the least role of each act and each address, in one place. A role may do what those under it may.
 * The server asks this table for everything that comes through the kitchen's door; the server's own screen leads.
 */
import type { ActName } from './acts';

/** From the least to the most. A guest has not signed: the table, no more. */
export const MAY = ['guest', 'helper', 'cook', 'lead'] as const;
export type May = (typeof MAY)[number];

export const atLeast = (has: May, least: May): boolean => MAY.indexOf(has) >= MAY.indexOf(least);

/** Acts that pages do and the outbox never sends. */
type PageAct =
  | 'back-up'
  | 'check-records'
  | 'clear-demo'
  | 'drop-pin'
  | 'drop-token'
  | 'keep-backups'
  | 'let-device-out'
  | 'look-around'
  | 'look-at-cards'
  | 'make-token'
  | 'pairing-code'
  | 'preview-morning'
  | 'preview-swap'
  | 'set-aside'
  | 'set-pin';
export type AnyAct = ActName | PageAct;

const LEAST: Readonly<Record<AnyAct, May>> = {
  // ticks and taps of what is at hand
  'tell-events': 'helper',
  'mark-step': 'helper',
  'tell-taste': 'helper',
  'keep-try': 'helper',
  'forget-tries': 'helper',
  // making, weighing, judging, noting
  'answer-change': 'cook',
  'begin-trial': 'cook',
  'drop-trial': 'cook',
  'keep-trial': 'cook',
  'lesson-aside': 'cook',
  'open-trial': 'cook',
  'answer-measure': 'cook',
  'bags-back': 'cook',
  'bags-gone': 'cook',
  'care-back': 'cook',
  'change-covers': 'cook',
  'close-morning': 'cook',
  'copy-formula': 'cook',
  'count-bags': 'cook',
  'count-stock': 'cook',
  'drop-morning': 'cook',
  'drop-plan': 'cook',
  'end-batch': 'cook',
  'give-up-lot': 'cook',
  'keep-cards': 'cook',
  'keep-lot': 'cook',
  'keep-measure': 'cook',
  'keep-morning': 'cook',
  'keep-photo': 'cook',
  'keep-plan': 'cook',
  'keep-side': 'cook',
  'keep-stock': 'cook',
  'kept-back': 'cook',
  'kept-gone': 'cook',
  'look-at-cards': 'cook',
  'make-again': 'cook',
  'make-lot': 'cook',
  'measure-back': 'cook',
  'note-care': 'cook',
  'photo-away': 'cook',
  'photo-back': 'cook',
  'photo-shows': 'cook',
  'place-morning': 'cook',
  'preview-morning': 'cook',
  'preview-swap': 'cook',
  'put-away': 'cook',
  'put-back': 'cook',
  'put-formula': 'cook',
  rebalance: 'cook',
  'save-formula': 'cook',
  'save-outcome': 'cook',
  'save-target': 'cook',
  'serve-at': 'cook',
  'stand-in-part': 'cook',
  'start-batch': 'cook',
  'swap-in-batch': 'cook',
  'swap-people': 'cook',
  'take-cards-back': 'cook',
  'take-up': 'cook',
  'uncount-stock': 'cook',
  'undo-gone': 'cook',
  'undo-swaps': 'cook',
  'use-bags': 'cook',
  'want-pieces': 'cook',
  'weigh-lot': 'cook',
  'test-lot': 'cook',
  'note-sacks': 'cook',
  // what the whole house goes by, and what can't be had back by a tap
  'back-up': 'lead',
  'check-records': 'lead',
  'clear-demo': 'lead',
  'correct-lot': 'lead',
  'drop-measure': 'lead',
  'drop-pin': 'lead',
  'drop-premix': 'lead',
  'drop-side': 'lead',
  'drop-token': 'lead',
  'erase-person': 'lead',
  'import-pantry': 'lead',
  'keep-backups': 'lead',
  'keep-ingredient': 'lead',
  'keep-person': 'lead',
  'keep-premix': 'lead',
  'let-device-out': 'lead',
  'look-around': 'lead',
  'make-token': 'lead',
  'pairing-code': 'lead',
  'remove-ingredient': 'lead',
  'order-lot': 'lead',
  'say-traces': 'lead',
  'set-aside': 'lead',
  'set-house': 'lead',
  'set-pin': 'lead',
  'strike-test': 'lead',
  'switch-measure': 'lead',
  'use-lesson': 'lead',
  'use-places': 'lead',
  'void-lot': 'lead',
};

/** The least role that may do an act. */
export const leastFor = (act: AnyAct): May => LEAST[act];
export const EVERY_ACT = Object.keys(LEAST) as readonly AnyAct[];

const UUID = '[0-9a-f]{8}-[0-9a-f-]{27}';
/** The first that fits counts. What none fits is for who leads: an address that was forgotten is shut. */
const ADDRESSES: readonly (readonly [RegExp, May])[] = [
  // acts are asked one by one; those of somebody who has signed off go in too
  [
    /^\/(?:table|sign|sign\/(?:in|out)|pair|pair\/in|acts|icon\.svg|favicon\.ico|sw\.js|manifest\.webmanifest|icon-\d+\.png|apple-icon\.png|api\/(?:health|changes))$/,
    'guest',
  ],
  [/^\/api\/(?:scale|shell|surface)$/, 'helper'],
  [/^\/$/, 'helper'],
  [new RegExp(`^/batches/${UUID}/(?:plan|prep|griddle|notice)$`), 'helper'],
  [new RegExp(`^/batches/${UUID}/print/`), 'helper'],
  [new RegExp(`^/api/batches/${UUID}/`), 'helper'],
  [new RegExp(`^/mornings/${UUID}(?:/(?:board|papers|calendar))?$`), 'helper'],
  [new RegExp(`^/trials/${UUID}/taste$`), 'helper'],
  [/^\/griddles\//, 'helper'],
  [/^\/practice(?:\/|$)/, 'helper'],
  [/^\/photos\//, 'helper'],
  [/^\/house\/(?:records|devices|archive)(?:\/|$)/, 'lead'],
  [/^\/pantry\/import$/, 'lead'],
  [
    /^\/(?:api\/v1|batches|begin|formulas|griddles|house|kept|log|mornings|on-hand|pantry|photos|premix|sides|trials)(?:\/|$)/,
    'cook',
  ],
];

/** The least role that may look at an address, or send to it. @param path as the server reads it, without a query */
export const leastAt = (path: string): May => ADDRESSES.find(([re]) => re.test(path))?.[1] ?? 'lead';

/** Who a role is, as a screen says it. */
export const MAY_WORDS: Readonly<Record<May, string>> = {
  guest: 'has not signed',
  helper: 'helps',
  cook: 'cooks',
  lead: 'leads',
};
