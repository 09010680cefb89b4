import { notFound } from 'next/navigation';
import { dropBeside, keepBeside } from '@/app/sides/actions';
import { titled } from '@/app/titled';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { sideById } from '@/server/queries/sides';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { SideForm } from '@/ui/sides/side-form';

export const generateMetadata = titled('side', 'Sauces and sides');

export default async function SidePage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  const fresh = id === 'new';
  if (!fresh && !isUuid(id)) notFound();
  const r = await reach(() => Promise.all([fresh ? null : sideById(id), loadHouse()]));
  if (!r.up) return <AwayPage kind={r.kind} here="sides" />;
  const [side, house] = r.value;
  if (!fresh && !side) notFound();
  return (
    <Frame here="sides">
      <h1 className="mb-3 text-[26px] [overflow-wrap:anywhere]">
        {side?.name ?? 'New sauce, butter, filling or topping'}
      </h1>
      <UnreadableNotice list={side?.unreadable} />
      <SideForm key={side?.id ?? 'new'} side={side} house={house} keep={keepBeside} drop={dropBeside} />
    </Frame>
  );
}
