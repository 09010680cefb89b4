/**
 * For the test of the outbox and the soak: one kitchen's life in which each act that a browser can send is sent, in an
 * order that makes sense.
 */
import { randomUUID } from 'node:crypto';
import type { ActName } from '../src/contract/acts';
import { EMPTY_FORMULA, type Formula } from '../src/core/formula/formula';
import { FRESH_KITCHEN } from '../src/core/formula/kitchen-settings';
import { FRESH_PREMIX } from '../src/core/premix/premix';
import { PANEL } from '../src/core/testing/panel';

/** Sends an act until it is answered. @returns what the server says besides that it is in */
export type SendAct = <T extends object>(name: ActName, input: unknown) => Promise<T>;

/** What a page has besides the answers to its acts. */
export interface SeeLife {
  /** Who has signed, where somebody has: what one tried, nobody else takes back. */
  readonly learner?: string;
  /** Sends a photograph of a batch. @returns its id */
  readonly photo: (batchId: string, requestId: string) => Promise<string>;
  /** The entry in the books of a lot that has one. @returns its id */
  readonly bookOf: (lotId: string) => Promise<string>;
}

interface WithId {
  readonly id: string;
}

const cakes = (name: string): Formula => ({
  ...EMPTY_FORMULA,
  name,
  entries: ['800 g flour', '150 g sugar', '10 g salt', '40 g baking powder', '1300 g milk', '4 eggs', '120 g oil'].map(
    (text, n) => ({ key: `l${n + 1}`, text }),
  ),
});
const TYPED = {
  typed: {
    by: 'pieces',
    amount: '40',
    portion: '60',
    each: '2',
    seconds: '0',
    testPiece: null,
    head: '30',
    gear: '',
    piecesEach: '1',
    ingredientId: '',
    several: [],
  },
  split: { by: 'one', mixes: null, life: null, pace: null, benches: '1', classes: '1' },
  beside: [],
  exactness: 'gram',
  eggs: null,
  take: false,
  serving: null,
  lit: { on: null, most: null },
  litSecond: { on: null, most: null },
  bags: {},
  kept: {},
  both: null,
  end: null,
};

/** A trial of a formula from plan to open letters, and one that is given up. */
async function tryTwoWays(send: SendAct, versionId: string, maker: string): Promise<void> {
  const plan = {
    versionId,
    changes: [{ do: 'same' }, { do: 'line', key: 'l2', text: '100 g sugar' }],
    pieces: 2,
    portionMl: 60,
    maker,
  };
  const [id, gone] = [randomUUID(), randomUUID()];
  await send('keep-trial', { id, ...plan });
  await send('begin-trial', { id, take: 'no' });
  await send('tell-taste', { id: randomUUID(), trialId: id, taster: 'Mate', tasted: ['B', 'A'], picked: ['A'] });
  await send('open-trial', { id });
  await send('keep-trial', { id: gone, ...plan });
  await send('drop-trial', { id: gone });
}

async function cook(send: SendAct, formula: Formula, lead: string, formulaId: string, versionId: string) {
  const asked = { versionId, driver: { by: 'factor', factor: 0.5 }, exactness: 'gram', portionMl: 60, take: 'anyway' };
  const start = async (): Promise<string> =>
    (await send<{ readonly batchId: string }>('start-batch', { ...asked, requestId: randomUUID() })).batchId;
  const plan = async (): Promise<string> =>
    (await send<WithId>('keep-plan', { id: null, revision: null, asked, typed: TYPED, requestId: randomUUID() })).id;
  await send('drop-plan', { id: await plan() });
  await send('save-target', { formulaId, seen: null, scales: {}, heightMm: 12, acrossMm: 100, note: formula.name });
  const batchId = await start();
  await send('serve-at', {
    batchId,
    serving: { at: Date.UTC(2030, 4, 4, 7, 30), anchor: 'first', helpers: 1, dayOneAt: null, moved: {} },
    seen: null,
  });
  await send('change-covers', { batchId, pieces: 20 });
  const swap = { batchId, lineKey: 'l5', to: 'oat-drink', with: null };
  await send('swap-in-batch', { ...swap, requestId: randomUUID() });
  await send('undo-swaps', { batchId, nth: 0, requestId: randomUUID() });
  await send('stand-in-part', { ...swap, hasG: 100, requestId: randomUUID() });
  await tryTwoWays(send, versionId, lead);
  await send('lesson-aside', { lesson: 'spread', batchId, aside: true });
  await send('use-places', { gearId: 'long-griddle', use: false, from: 0 });
  await send('use-lesson', { lesson: 'spread', use: false, from: 0 });
  await send('rebalance', { batchId, mix: 1 });
  await send('want-pieces', { batchId, by: 4, requestId: randomUUID() });
  const tap = randomUUID();
  await send('tell-events', {
    batchId,
    items: [
      { item: { id: tap, do: 'tap', tap: { id: tap, act: 'pour', surface: 'g', slot: 0, at: Date.now() } }, agoMs: 0 },
    ],
  });
  await send('put-back', { batchId });
  const { id: lotId } = await send<WithId>('keep-lot', {
    batchId,
    state: 'frozen',
    cooked: 'done',
    pieces: 8,
    parcel: 4,
    place: 'small freezer',
    made: '2030-05-04',
    bestBy: '2030-06-04',
    note: '',
    who: lead,
    requestId: randomUUID(),
  });
  const gone = { lotId, pieces: 2, how: 'served', who: '', requestId: randomUUID() };
  await send('kept-back', { useId: (await send<WithId>('kept-gone', gone)).id });
  await send('end-batch', { batchId });
  await send('save-outcome', {
    batchId,
    pieces: 18,
    firstSideS: 90,
    secondSideS: 60,
    verdict: 'good',
    marks: [],
    note: '',
    change: 'a spoon more milk',
    seen: null,
  });
  await send('answer-change', { batchId, state: 'tried' });
  const given = await start();
  await send('put-away', { batchId: given, back: true });
  await send('take-up', { batchId: given });
  return batchId;
}

async function shelve(send: SendAct, n: string, lead: string): Promise<void> {
  const { id } = await send<WithId>('keep-ingredient', { id: null, name: `flour ${n}`, packet: PANEL, seen: null });
  await send('keep-stock', { ingredientId: id, price: 2, packG: 1000, opened: null, bestBefore: null, seen: null });
  const countId = randomUUID();
  await send('count-stock', { requestId: countId, ingredientId: id, countedG: 4000, who: lead });
  await send('uncount-stock', { countId });
  await send('import-pantry', { text: `name,price,pack_g\nTable salt,1.5,500\n`, withoutBad: true });
  interface Kept {
    readonly measure: WithId;
  }
  const cup = { unit: 'cup', which: n.replace(/[^a-z]/g, '').slice(0, 12), ingredientId: id };
  const { measure } = await send<Kept>('keep-measure', { ...cup, full: '1', weighings: [121, 124, 119], gPerMl: 0.5 });
  await send('switch-measure', { id: measure.id, used: false });
  await send('drop-measure', { id: measure.id });
  await send('measure-back', {
    ...cup,
    full: '1',
    each: 121,
    low: 119,
    high: 124,
    weighings: [121, 124, 119],
    used: false,
  });
  await send<Kept>('answer-measure', { ...cup, unit: 'glass', each: 200, low: 180, high: 220 });
  await send('remove-ingredient', { id });
}

async function mix(send: SendAct, n: string, lead: string, versionId: string, see: SeeLife): Promise<void> {
  const asked = { id: null, versionId, settings: FRESH_PREMIX, seen: null };
  const premix = (name: string) => send<WithId>('keep-premix', { ...asked, name, requestId: randomUUID() });
  await send('drop-premix', { id: (await premix(`none ${n}`)).id });
  const { id: premixId } = await premix(`mix ${n}`);
  const fills = [{ bagG: FRESH_PREMIX.bagG, bags: 6 }];
  const lot = { premixId, fills, made: '2026-11-20', checked: lead, note: '', take: 'no' };
  const workId = randomUUID();
  const flour = { key: '1.1.flour-all-purpose.1', sacks: [{ lot: `M ${n}`, grams: 2400 }] };
  await send('weigh-lot', { workId, premixId, fills, made: lot.made, ...flour, requestId: randomUUID() });
  await send('order-lot', { workId, emptied: [1], who: lead, why: `drums ${n}`, requestId: randomUUID() });
  await send('give-up-lot', { workId, why: `spilt ${n}`, requestId: randomUUID() });
  const { id: otherId } = await send<WithId>('make-lot', { ...lot, requestId: randomUUID() });
  const { id: lotId } = await send<WithId>('make-lot', { ...lot, requestId: randomUUID() });
  const made = await send<WithId>('use-bags', {
    lotId,
    bags: 1,
    product: { kind: 'griddle', school: 'even' },
    take: 'no',
    requestId: randomUUID(),
  });
  const sacks = [{ id: 'milk-whole', name: 'Whole milk', lot: `D ${n}` }];
  await send('note-sacks', { batchId: made.id, who: lead, sacks, requestId: randomUUID() });
  await send('put-away', { batchId: made.id, back: true });
  const test = { id: randomUUID(), lotId, values: { foamMm: 22 }, who: lead, note: '' };
  await send('test-lot', test);
  await send('strike-test', { testId: test.id });
  const gone = { lotId, bags: 2, kind: 'gift', who: lead, why: '', price: null, requestId: randomUUID() };
  await send('bags-gone', gone);
  await send('undo-gone', { useId: await see.bookOf(lotId), who: lead, why: 'came back', requestId: randomUUID() });
  await send('bags-gone', { ...gone, lotId: otherId, requestId: randomUUID() });
  const back = { useId: await see.bookOf(otherId), bags: 1, to: 'shelf', who: lead, why: 'not wanted' };
  await send('bags-back', { ...back, requestId: randomUUID() });
  await send('count-bags', { lotId: otherId, counted: 4, who: lead, why: 'counted', requestId: randomUUID() });
  await send('correct-lot', {
    lotId,
    bags: 5,
    sackLots: {},
    checked: lead,
    note: '',
    who: lead,
    why: 'counted',
    requestId: randomUUID(),
  });
  await send('say-traces', { lotId, traces: `traces ${n}`, who: lead, requestId: randomUUID() });
  await send('void-lot', { lotId, who: lead, why: 'spoilt', back: false, requestId: randomUUID() });
}

/**
 * Sends each act there is at least once; what it makes bears `n` in its name, by which it is told from another life.
 * @param n letters alone
 */
export async function oneLife(send: SendAct, n: string, see: SeeLife): Promise<void> {
  const lead = `Lead ${n}`;
  const person = randomUUID();
  await send('keep-person', { id: person, name: lead, role: 'lead', mark: 'whisk', revision: null });
  interface Saved {
    readonly saved: { readonly formulaId: string; readonly versionId: string };
  }
  const formula = cakes(`cakes ${n}`);
  const version = { formulaId: null, basedOn: null, knownNewest: null, formula, changeNote: '' };
  const { formulaId, versionId } = (await send<Saved>('save-formula', { ...version, requestId: randomUUID() })).saved;
  const card = { formula: cakes(`card ${n}`), requestId: randomUUID(), from: '' };
  const { kept } = await send<{ readonly kept: readonly string[] }>('keep-cards', { cards: [card] });
  await send('take-cards-back', { formulaIds: kept });
  const batchId = await cook(send, formula, lead, formulaId, versionId);
  const id = await see.photo(batchId, randomUUID());
  await send('photo-shows', { id, shows: 'cut' });
  await send('photo-away', { id });
  await send('photo-back', { id });
  await shelve(send, n, lead);
  await mix(send, n, lead, versionId, see);
  const side = { by: 'weight', parts: [{ ingredientId: 'honey', parts: 1 }], servingG: 10, method: '', seen: null };
  const sauce = (name: string) => send<WithId>('keep-side', { id: null, name, ...side, requestId: randomUUID() });
  await sauce(`butter ${n}`);
  await send('drop-side', { id: (await sauce(`gone ${n}`)).id, revision: 1 });
  const morning = randomUUID();
  const plan = {
    name: `morning ${n}`,
    day: '2030-05-04',
    waves: [{ at: 480, covers: 12 }],
    dishes: [{ id: 'd1', formulaId, end: null, each: 2, of: { share: 1 }, without: [] }],
    people: [lead, 'Mate'].map((name) => ({ name, role: 'lead', from: 300, to: 600 })),
    surfaces: [{ name: 'griddle', kind: 'griddle', places: 8, from: null, to: null }],
    ovens: 1,
    hob: 2,
    bell: null,
  };
  await send('keep-morning', { id: morning, plan, seen: null });
  const changed = { ...plan, waves: [{ at: 480, covers: 16 }] };
  await send('keep-morning', { id: morning, plan: changed, seen: { revision: 1, base: plan } });
  await send('place-morning', { id: morning });
  const mark = { morningId: morning, step: 'd1 bowl 1 dry' };
  await send('mark-step', { id: randomUUID(), ...mark, done: true });
  await send('mark-step', { id: randomUUID(), ...mark, done: false });
  await send('swap-people', { morningId: morning, a: lead, b: 'Mate', requestId: randomUUID() });
  const dish = { dish: 'd1', made: 32, served: 30, kept: 2, thrown: 0 };
  await send('close-morning', { id: morning, closing: { dishes: [dish], next: 'one bowl less' } });
  await send('drop-morning', { id: morning });
  await send('keep-morning', { id: randomUUID(), plan, seen: null });
  await send('set-house', { change: { maker: { place: n } } });
  const care = { gearId: FRESH_KITCHEN.gear[0]?.id ?? 'griddle', what: 'cleaned', note: n, requestId: randomUUID() };
  await send('care-back', { id: (await send<WithId>('note-care', care)).id });
  const copy = await send<Saved>('copy-formula', { formulaId, number: null, requestId: randomUUID() });
  await send('put-formula', { formulaId: copy.saved.formulaId, deleted: true });
  const again = await send<{ readonly batchId: string }>('make-again', { batchId, requestId: randomUUID() });
  await send('put-away', { batchId: again.batchId, back: true });
  await send('put-formula', { formulaId, archived: true });
  const learner = see.learner ?? person;
  const practised = { personId: learner, what: 'lesson:two', passed: true, worth: 0.8, was: '' };
  await send('keep-try', { ...practised, id: randomUUID() });
  await send('forget-tries', { personId: learner, requestId: randomUUID() });
  await send('keep-try', { ...practised, id: randomUUID() });
  await send('erase-person', { id: person });
}
