'use client';
import { BookOpen, CalendarDays, Menu, Package, Wheat } from 'lucide-react';
import { useState } from 'react';
import { Dialog } from '../kit/dialog';
import { Link } from '../kit/link';
import { MENU_ITEM } from '../kit/menu';
import { Press } from '../kit/press';

const PLACES = [
  { to: '/', here: 'today', name: 'Today', Icon: CalendarDays },
  { to: '/pantry', here: 'pantry', name: 'Pantry', Icon: Wheat },
  { to: '/premix', here: 'premix', name: 'Premix', Icon: Package },
  { to: '/log', here: 'log', name: 'Log', Icon: BookOpen },
] as const;

const MORE = [
  { to: '/formulas/new', here: 'bench', name: 'New formula' },
  { to: '/sides', here: 'sides', name: 'Sauces and sides' },
  { to: '/kept', here: '', name: 'Kept' },
  { to: '/pantry/measures', here: '', name: 'My measures' },
  { to: '/pantry/take-out', here: '', name: 'What to get' },
  { to: '/premix/recall', here: '', name: 'Where a lot went' },
  { to: '/house', here: 'house', name: 'House' },
] as const;

const PLACE = 'flex min-h-14 flex-col items-center justify-center gap-0.5 text-[13px] font-semibold text-rim';

/** On a small screen: five places within the thumb's reach, the last of them everything else. */
export function BottomBar({ here }: { readonly here: string }) {
  const [open, setOpen] = useState(false);
  return (
    <nav
      aria-label="Places"
      className="fixed inset-x-0 bottom-0 z-30 grid grid-cols-5 border-t-2 border-rim bg-white pb-[env(safe-area-inset-bottom)] md:hidden print:hidden"
    >
      {PLACES.map(({ to, here: id, name, Icon }) => (
        <Link
          key={to}
          href={to}
          aria-current={here === id ? 'page' : undefined}
          className={`${PLACE} ${here === id ? 'border-t-4 border-rim bg-wash' : ''}`}
        >
          <Icon size={22} aria-hidden />
          {name}
        </Link>
      ))}
      <Press aria-haspopup="dialog" aria-expanded={open} className={PLACE} onClick={() => setOpen(true)}>
        <Menu size={22} aria-hidden />
        More
      </Press>
      <Dialog open={open} onOpen={setOpen} title="More">
        {MORE.map(({ to, here: id, name }) => (
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
