/**
 * What a hand does before the page's script is there: pressed and typed things are remembered by a few lines that come with the
 * page itself, and are done once it can be used. Links and folded parts work without a script, and are left alone.
 */

interface Early {
  on: boolean;
  readonly list: (readonly [Element, string | null])[];
}

/** Runs before anything else on the page. */
export const EARLY_SCRIPT = `(function(){var q=window.earlyHand={on:true,list:[]};
document.addEventListener('click',function(e){if(!q.on||!e.target.closest)return;
var t=e.target.closest('button,[role=radio],[role=switch],[role=tab]');if(!t||t.disabled)return;
if(t.form&&t.type==='submit')e.preventDefault();
var l=q.list[q.list.length-1];if(l&&l[0]===t&&l[1]===null)return;q.list.push([t,null])},true);
function typed(e){if(!q.on||!e.target.matches||!e.target.matches('input:not([type=file]),textarea,select'))return;
q.list=q.list.filter(function(x){return x[0]!==e.target||x[1]===null});q.list.push([e.target,e.target.value])}
document.addEventListener('input',typed,true);document.addEventListener('change',typed,true);
document.addEventListener('submit',function(e){if(q.on&&!e.target.getAttribute('action'))e.preventDefault()},true)})()`;

/** Does once more what was done too early, in its order. Called once, when the page can be used. */
export async function replayEarly(): Promise<void> {
  const early = (window as unknown as { earlyHand?: Early }).earlyHand;
  if (!early?.on) return;
  early.on = false;
  for (const [at, value] of early.list) {
    // what the one before did is drawn first
    await new Promise((r) => setTimeout(r, 0));
    if (!at.isConnected) continue;
    if (value === null) {
      if (at instanceof HTMLElement) at.click();
      continue;
    }
    const kind = at instanceof HTMLSelectElement ? HTMLSelectElement : at instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
    const set = Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set;
    if (!set || !(at instanceof kind) || (at instanceof HTMLInputElement && /^(?:checkbox|radio)$/.test(at.type))) continue;
    // the page's own record of the box is emptied first: what stands in it is news then
    at.value = at instanceof HTMLSelectElement ? at.value : '';
    set.call(at, value);
    at.dispatchEvent(new Event(at instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
  }
}
