import type { Metadata } from 'next';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { calledBy, type WithName } from '@/server/queries/names';

/**
 * The title of a page of one thing: its name and the part, "Regatta griddle cakes, griddle"; the part alone where the
 * records are away or there is no such thing.
 */
export const titled =
  (of: WithName, part: string) =>
  async ({ params }: { readonly params: Promise<{ readonly id: string }> }): Promise<Metadata> => {
    const { id } = await params;
    const r = isUuid(id) ? await reach(() => calledBy(of, id)) : null;
    const name = r?.up ? r.value : null;
    return { title: name ? `${name}, ${part.toLowerCase()}` : part };
  };
