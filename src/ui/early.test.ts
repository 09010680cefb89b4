/** The few lines that come with the page: they are whole, and remember in order. */
import { EARLY_SCRIPT, heardByPage } from './early';

interface Fake {
  readonly tagName: string;
  value?: string;
  readonly disabled?: boolean;
  readonly form?: object;
  readonly type?: string;
  readonly closest: (s: string) => Fake | null;
  readonly matches: (s: string) => boolean;
  readonly getAttribute: (s: string) => string | null;
}
type Heard = {
  readonly target: Fake;
  readonly type?: string;
  readonly key?: string;
  readonly preventDefault: () => void;
  readonly stopImmediatePropagation?: () => void;
};

function page() {
  const heard = new Map<string, (e: Heard) => void>();
  const window: { earlyHand?: { on: boolean; replays: boolean; list: [Fake, string | null][] } } = {};
  const document = { addEventListener: (what: string, f: (e: Heard) => void) => heard.set(what, f) };
  new Function('window', 'document', EARLY_SCRIPT)(window, document);
  let [prevented, stopped] = [0, 0];
  const does = (what: string, target: Fake, key?: string): void =>
    heard.get(what)?.({ target, type: what, ...(key && { key }), preventDefault: () => prevented++, stopImmediatePropagation: () => stopped++ });
  const hears = (what: string, e: Heard): void => heard.get(what)?.(e);
  return { early: () => window.earlyHand, does, hears, prevented: () => prevented, stopped: () => stopped };
}
const button = (more: Partial<Fake> = {}): Fake => {
  const b: Fake = { tagName: 'BUTTON', closest: (s) => (s === '[data-asleep]' ? null : b), matches: () => false, getAttribute: () => null, ...more };
  return b;
};
const field = (value: string): Fake => ({ tagName: 'INPUT', value, closest: () => null, matches: () => true, getAttribute: () => null });

test('pressed and typed things are kept in their order, the last words of a box only, a second press of one button not at all', () => {
  const p = page();
  const [box, read] = [field('2'), button()];
  p.does('input', box);
  box.value = '2 cups flour';
  p.does('input', box);
  p.does('click', read);
  p.does('click', read);
  expect(p.early()?.list.map(([t, v]) => [t.tagName, v])).toEqual([
    ['INPUT', '2 cups flour'],
    ['BUTTON', null],
  ]);
});

test('nothing is sent before the page can send it, and nothing is kept once it can', () => {
  const p = page();
  p.does('click', button({ form: {}, type: 'submit' }));
  p.does('submit', button());
  expect(p.prevented()).toBe(2);
  // a form that works without a script is left to itself
  p.does('submit', button({ getAttribute: () => '/log' }));
  expect(p.prevented()).toBe(2);
  p.does('click', button({ disabled: true }));
  expect(p.early()?.list).toHaveLength(1);
  const early = p.early();
  if (early) early.on = false;
  p.does('click', button());
  p.does('input', field('late'));
  expect(p.early()?.list).toHaveLength(1);
});

test('in a part that sleeps all of it is kept, and kept from the page, also once the rest is heard: Enter and chosen files too', () => {
  const p = page();
  const early = p.early();
  if (early) early.on = false;
  const inIt = button({ form: {}, type: 'submit' });
  const asleep = { ...inIt, closest: () => inIt };
  const box = { ...field('30'), closest: () => inIt };
  p.does('click', asleep);
  p.does('click', asleep);
  p.does('input', box);
  p.does('keydown', box, 'Enter');
  p.does('change', box);
  p.does('keydown', box, 'a');
  p.does('change', { ...box, type: 'file' });
  p.does('input', field('heard'));
  p.does('keydown', field('heard'), 'Enter');
  expect(p.prevented()).toBe(2);
  expect(p.early()?.list.map(([, v]) => v)).toEqual([null, '30', null, null]);
  // the second press too is not half heard
  expect(p.stopped()).toBe(6);
  // while it is done it is not held again
  if (early) early.replays = true;
  p.does('click', { ...button(), closest: () => inIt });
  expect(p.early()?.list).toHaveLength(4);
});

test('what the page has heard by itself is struck off; a form’s button and a tick are not, by the press alone', () => {
  const p = page();
  const [plain, sender, tick, box] = [button(), button({ form: {}, type: 'submit' }), button({ type: 'checkbox' }), field('2')];
  const presses = [plain, sender, tick].map((target) => ({ target, preventDefault: () => {} }));
  const was = globalThis.window;
  try {
    for (const press of presses) p.hears('click', press);
    p.does('input', box);
    globalThis.window = { earlyHand: p.early() } as unknown as typeof globalThis.window;
    const left = (): unknown[] | undefined => p.early()?.list.map(([at]) => at);
    for (const press of presses) heardByPage('press', press as unknown as Event);
    expect(left()).toEqual([sender, tick, box]);
    heardByPage('change', { target: tick } as unknown as Event);
    heardByPage('change', { target: sender } as unknown as Event);
    expect(left()).toEqual([sender, box]);
    heardByPage('change', { target: box } as unknown as Event);
    expect(left()).toEqual([sender]);
  } finally {
    globalThis.window = was;
  }
});
