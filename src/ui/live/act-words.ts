/** Acts in a cook's words, and where what they made is. */
import type { Item } from '@/core/day/event-log';
import type { ActIn } from '../kit/send';
import type { WaitingAct } from '../kit/store';

const TAPPED = {
  pour: 'a pour',
  flip: 'a turn',
  pull: 'a piece taken off',
  join: 'a bowl combined',
  wait: 'a look',
  move: 'a piece moved',
} as const;

/** What an act is, as a cook calls it: a form says it itself, of what is told at the counter the item does. */
export function actWords(a: WaitingAct): string {
  if (a.name !== 'tell-events') return a.words;
  const i = a.input as Item;
  if (i.do === 'tap') return TAPPED[i.tap.act];
  if (i.do === 'untap') return 'a tap taken back';
  if (i.do === 'line')
    return typeof i.to === 'number' ? `a line weighed at ${i.to} g` : i.to ? 'a line ticked' : 'a line unticked';
  return i.do === 'enter' ? `a note (${i.entry.act.what})` : 'a note struck out';
}

/** The page of what an act has made new; null: it changed what was there. */
export function madeAt({ name, input, answer }: ActIn): string | null {
  const asked = input as { readonly id?: string | null; readonly formulaId?: string | null };
  const a = answer as {
    readonly id?: string;
    readonly batchId?: string;
    readonly saved?: { readonly formulaId: string };
  };
  switch (name) {
    case 'save-formula':
      return asked.formulaId ? null : `/formulas/${a.saved?.formulaId}`;
    case 'copy-formula':
      return `/formulas/${a.saved?.formulaId}`;
    case 'start-batch':
    case 'make-again':
      return `/batches/${a.batchId}/prep`;
    case 'use-bags':
      return `/batches/${a.id}/prep`;
    case 'make-lot':
      return `/premix/lots/${a.id}`;
    case 'keep-side':
      return '/sides';
    case 'keep-premix':
      return asked.id ? null : `/premix/${a.id}`;
    case 'keep-ingredient':
      return asked.id ? null : `/pantry/${a.id}`;
    case 'save-outcome':
      return '/log';
    default:
      return null;
  }
}
