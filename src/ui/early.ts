/**
 * What a hand does before the page's script is there, or that of a part that sleeps (`kit/island.tsx`): pressed and typed things
 * are remembered by a few lines that come with the page itself (Enter in a box and chosen files too), and are done once it can be used. Links and folded parts work without a script, and are left alone.
 *
 * While the page comes alive a press is both remembered here and heard by the page, which hurries for it: what the page itself
 * has heard is struck off the list (`heardByPage`), or it would be done twice.
 */

/** Where it was, what was typed (null: it was pressed, Enter was, or files were chosen), and the event itself. */
type Entry = readonly [at: Element, value: string | null, press?: Event];
interface Early {
  on: boolean;
  /** What was held is being done: it is not held again. */
  replays: boolean;
  list: Entry[];
}

/** Runs before anything else on the page. What is done in a part that sleeps is kept from the page: it would hear half of it. */
export const EARLY_SCRIPT = `(function(){var q=window.earlyHand={on:true,replays:false,list:[]};
function asleep(t){return !!(t.closest&&t.closest('[data-asleep]'))}
function early(t){return !q.replays&&(q.on||asleep(t))}
function stop(e){if(!q.on)e.stopImmediatePropagation()}
function hold(x){q.list.push(x);stop(x[2])}
document.addEventListener('click',function(e){if(!e.target.closest||!early(e.target))return;
var t=e.target.closest('button,[role=radio],[role=switch],[role=tab],input[type=checkbox]');if(!t||t.disabled)return;
if(t.form&&t.type==='submit')e.preventDefault();
var l=q.list[q.list.length-1];if(l&&l[0]===t&&l[1]===null&&t.type!=='checkbox')return stop(e);hold([t,null,e])},true);
function typed(e){if(!e.target.matches||!early(e.target))return;
if(e.target.type==='file'){if(e.type==='change')hold([e.target,null,e]);return}
if(!e.target.matches('input:not([type=checkbox],[type=radio]),textarea,select'))return;
// told again on leaving: it stays in its turn, before the Enter that came of it
if(q.list.some(function(x){return x[0]===e.target&&x[1]===e.target.value}))return stop(e);
q.list=q.list.filter(function(x){return x[0]!==e.target||x[1]===null});hold([e.target,e.target.value,e])}
document.addEventListener('input',typed,true);document.addEventListener('change',typed,true);
document.addEventListener('keydown',function(e){if(e.key==='Enter'&&e.target.matches&&early(e.target)&&e.target.matches('input:not([type=checkbox],[type=radio],[type=file])'))hold([e.target,null,e])},true);
document.addEventListener('submit',function(e){if(early(e.target)&&!e.target.getAttribute('action'))e.preventDefault()},true)})()`;

const early = (): Early | undefined => (window as unknown as { earlyHand?: Early }).earlyHand;

/** A hand was here already, before anything could listen. */
export const pressedEarly = (): boolean => (early()?.list.length ?? 0) > 0;

/** A form is sent by its button only when it is pressed again: its first press was held back. */
const sends = (at: Element): boolean => 'form' in at && at.form !== null && (at as HTMLButtonElement).type === 'submit';
const isTick = (at: Element): boolean => (at as HTMLInputElement).type === 'checkbox';

/**
 * Strikes off what the page has heard by itself.
 * @param what 'press': a click went through the page's own handlers; 'change': a field's or a tick's new value did
 */
export function heardByPage(what: 'press' | 'change', e: Event): void {
  const q = early();
  if (!q || q.list.length === 0) return;
  q.list = q.list.filter(([at, value, press]) =>
    what === 'press' ? press !== e || sends(at) || isTick(at) : at !== e.target || (value === null && !isTick(at)),
  );
}

/** What was held is done to a thing as if it were done now. */
function again([at, value, event]: Entry): void {
  if (event?.type === 'keydown') at.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', code: 'Enter', bubbles: true, cancelable: true }));
  else if (event?.type === 'change' && value === null) at.dispatchEvent(new Event('change', { bubbles: true }));
  else if (value === null) {
    // a tick stands already: it is taken back, for the page to see it come
    if (at instanceof HTMLInputElement) at.checked = !at.checked;
    if (at instanceof HTMLElement) at.click();
  } else {
    const kind = at instanceof HTMLSelectElement ? HTMLSelectElement : at instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
    const set = Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set;
    if (!set || !(at instanceof kind)) return;
    // the page's own record of the box is emptied first: what stands in it is news then
    at.value = at instanceof HTMLSelectElement ? at.value : '';
    set.call(at, value);
    at.dispatchEvent(new Event(at instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
  }
}

/** The page hears everything by itself from here on, but for what still sleeps in it; what was done too early is done once more, in its order. Called once. */
export async function replayEarly(): Promise<void> {
  const q = early();
  if (!q?.on) return;
  q.on = false;
  for (;;) {
    // what the one before did is drawn first; what the page is just hearing is struck off
    await new Promise((r) => setTimeout(r, 0));
    const next = q.list.find(([at]) => !at.isConnected || at.closest('[data-asleep]') === null);
    if (!next) return;
    q.list = q.list.filter((e) => e !== next);
    if (next[0].isConnected) again(next);
  }
}

/** A part that slept is awake: what was done in it is done, all at once, so that no hand comes in between. */
export async function replayIn(part: Element): Promise<void> {
  const q = early();
  if (!q) return;
  const own = part.closest('[data-asleep]');
  for (;;) {
    // what sleeps on in it has its own turn
    const next = q.list.find(([at]) => at.closest('[data-asleep]') === own && part.contains(at));
    if (!next) break;
    q.list = q.list.filter((e) => e !== next);
    const [at, value] = next;
    q.replays = true;
    again(next);
    q.replays = false;
    // what it did is drawn before the next
    await Promise.resolve();
    // the hand has left the field since: many a field takes its words then
    if (value === null || at === document.activeElement) continue;
    at.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    await Promise.resolve();
  }
  // in the same breath as the last look: nothing is held any more that nobody would do
  own?.removeAttribute('data-asleep');
}
