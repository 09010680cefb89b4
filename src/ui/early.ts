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
  list: Entry[];
}

/** Runs before anything else on the page. */
export const EARLY_SCRIPT = `(function(){var q=window.earlyHand={on:true,list:[]};
function early(t){return q.on||!!(t.closest&&t.closest('[data-asleep]'))}
document.addEventListener('click',function(e){if(!e.target.closest||!early(e.target))return;
var t=e.target.closest('button,[role=radio],[role=switch],[role=tab],input[type=checkbox]');if(!t||t.disabled)return;
if(t.form&&t.type==='submit')e.preventDefault();
var l=q.list[q.list.length-1];if(l&&l[0]===t&&l[1]===null&&t.type!=='checkbox')return;q.list.push([t,null,e])},true);
function typed(e){if(!early(e.target)||!e.target.matches||!e.target.matches('input:not([type=file],[type=checkbox],[type=radio]),textarea,select'))return;
q.list=q.list.filter(function(x){return x[0]!==e.target||x[1]===null});q.list.push([e.target,e.target.value])}
document.addEventListener('input',typed,true);document.addEventListener('change',typed,true);
document.addEventListener('change',function(e){if(early(e.target)&&e.target.type==='file')q.list.push([e.target,null,e])},true);
document.addEventListener('keydown',function(e){if(e.key==='Enter'&&early(e.target)&&e.target.matches&&e.target.matches('input:not([type=checkbox],[type=radio],[type=file])'))q.list.push([e.target,null,e])},true);
document.addEventListener('submit',function(e){if(early(e.target)&&!e.target.getAttribute('action'))e.preventDefault()},true)})()`;

const early = (): Early | undefined => (window as unknown as { earlyHand?: Early }).earlyHand;

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

/**
 * The page hears everything by itself from here on, but for what still sleeps in it; or a part does that slept. What was done
 * too early is done once more, in its order. Called once for the page, and once for each such part.
 */
export async function replayEarly(part: Element | null = null): Promise<void> {
  const q = early();
  if (!q || (part === null && !q.on)) return;
  if (part === null) q.on = false;
  const hears = (at: Element): boolean => (part ? part.contains(at) : at.closest('[data-asleep]') === null);
  for (;;) {
    // what the one before did is drawn first; what the page is just hearing is struck off
    await new Promise((r) => setTimeout(r, 0));
    const next = q.list.find(([at]) => !at.isConnected || hears(at));
    if (!next) return;
    q.list = q.list.filter((e) => e !== next);
    const [at, value, event] = next;
    if (!at.isConnected) continue;
    if (event?.type === 'keydown') {
      at.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', code: 'Enter', bubbles: true, cancelable: true }));
      continue;
    }
    if (event?.type === 'change') {
      at.dispatchEvent(new Event('change', { bubbles: true }));
      continue;
    }
    if (value === null || value === undefined) {
      // a tick stands already: it is taken back, for the page to see it come
      if (at instanceof HTMLInputElement) at.checked = !at.checked;
      if (at instanceof HTMLElement) at.click();
      continue;
    }
    const kind = at instanceof HTMLSelectElement ? HTMLSelectElement : at instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
    const set = Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set;
    if (!set || !(at instanceof kind)) continue;
    // the page's own record of the box is emptied first: what stands in it is news then
    at.value = at instanceof HTMLSelectElement ? at.value : '';
    set.call(at, value);
    at.dispatchEvent(new Event(at instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
    // the hand has left it since: many a field takes its words then
    if (at !== document.activeElement) {
      await new Promise((r) => setTimeout(r, 0));
      at.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    }
  }
}
