'use client';
import { BookOpen, CalendarDays, Menu, Package, Wheat } from 'lucide-react';
import { useState } from 'react';
import { Dialog } from '../kit/dialog';
import { Link } from '../kit/link';
import { MENU_ITEM } from '../kit/menu';
import { Press } from '../kit/press';
import { useSigned } from '../kit/signed';
import { MORE, PLACES } from './places';

const ICONS = { today: CalendarDays, pantry: Wheat, premix: Package, log: BookOpen } as const;
const PLACE = 'flex min-h-14 flex-col items-center justify-center gap-0.5 text-[13px] font-semibold text-rim';

/** On a small screen: five places within the thumb's reach, the last of them everything else. */
export function BottomBar({ here }: { readonly here: string }) {
  const [open, setOpen] = useState(false);
  const shut = useSigned()?.shut ?? [];
  const opens = ({ to }: { readonly to: string }): boolean => !shut.includes(to);
  return (
    <nav
      aria-label="Places"
      className="fixed inset-x-0 bottom-0 z-30 grid auto-cols-fr grid-flow-col border-t-2 border-rim bg-white pb-[env(safe-area-inset-bottom)] md:hidden print:hidden"
    >
      {PLACES.filter(opens).map(({ to, here: id, name }) => {
        const Icon = ICONS[id];
        return (
          <Link
            key={to}
            href={to}
            aria-current={here === id ? 'page' : undefined}
            className={`${PLACE} ${here === id ? 'border-t-4 border-rim bg-wash' : ''}`}
          >
            <Icon size={22} aria-hidden />
            {name}
          </Link>
        );
      })}
      {MORE.some(opens) ? (
        <Press aria-haspopup="dialog" aria-expanded={open} className={PLACE} onClick={() => setOpen(true)}>
          <Menu size={22} aria-hidden />
          More
        </Press>
      ) : null}
      <Dialog open={open} onOpen={setOpen} title="More">
        {MORE.filter(opens).map(({ to, here: id, name }) => (
          <Link
            key={to}
            href={to}
            aria-current={here === id && id !== '' ? 'page' : undefined}
            onClick={() => setOpen(false)}
            className={`${MENU_ITEM} !min-h-12 text-lg font-semibold text-rim hover:bg-wash`}
          >
            {name}
          </Link>
        ))}
      </Dialog>
    </nav>
  );
}
