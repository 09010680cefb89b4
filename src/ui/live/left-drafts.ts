/** What was typed and not sent, for the list of what is not in the records: fetched with that list. */
import { draftsInMemory, liveTabs, lockOf, putDraft, thisTab } from '../kit/drafts';
import { browserStore, type KeptDraft } from '../kit/store';

/** A draft that this tab or one that is closed has left. */
export interface LeftDraft extends KeptDraft {
  readonly name: string;
  readonly tab: string;
  readonly href: string;
}

/** What was typed and not sent, the oldest first; what stands in other tabs that are open is theirs. */
export async function leftDrafts(): Promise<readonly LeftDraft[]> {
  const live = await liveTabs();
  live.delete(lockOf(thisTab()));
  const out: LeftDraft[] = [];
  const take = (place: string, d: KeptDraft): void => {
    const at = place.lastIndexOf('@');
    const of = place.slice(at + 1);
    if (d.href && !live.has(lockOf(of))) out.push({ ...d, name: place.slice(0, at), tab: of, href: d.href });
  };
  const store = await browserStore();
  if (store)
    for (let c = await store.transaction('drafts').store.openCursor(); c; c = await c.continue()) take(c.key, c.value);
  for (const [place, d] of draftsInMemory) take(place, d);
  return out.sort((a, b) => a.at - b.at);
}

/** Drops a draft that was left, or puts it back. */
export const dropDraft = ({ name, tab: of, ...draft }: LeftDraft, dropped: boolean): Promise<void> =>
  putDraft(`${name}@${of}`, dropped ? null : draft);
