import { Info, OctagonX, Search } from 'lucide-react';
import type { ReactNode } from 'react';

const LOOK = {
  stop: { icon: OctagonX, word: 'Stop', box: 'border-l-8 border-berry bg-berry-wash', head: 'text-berry' },
  look: { icon: Search, word: 'Look', box: 'border-l-8 border-rim bg-white', head: 'text-rim' },
  note: { icon: Info, word: 'Note', box: 'border-l-2 border-rim bg-white', head: 'text-soft' },
} as const;

/** Something the cook should know, at the place it concerns; its weight is told by word, mark and colour. */
export function Notice({
  weight,
  children,
  role,
}: {
  readonly weight: keyof typeof LOOK;
  readonly children: ReactNode;
  readonly role?: 'alert' | 'status';
}) {
  const { icon: Icon, word, box, head } = LOOK[weight];
  return (
    <div role={role} className={`flex gap-3 rounded-r-hold px-3 py-2 ${box}`}>
      <span className={`flex shrink-0 items-center gap-1 self-start font-bold ${head}`}>
        <Icon size={18} aria-hidden />
        {word}
      </span>
      <div className="min-w-0">{children}</div>
    </div>
  );
}

/** What was sent and waits for the server. */
export const WaitsNotice = () => (
  <Notice weight="look" role="status">
    Kept in this browser: it goes into the records by itself as soon as they are back.
  </Notice>
);
