import type { ReactNode } from 'react';
import type { TroubleKind } from '@/contract/trouble';
import { MarkIcon } from '../drawings/mark';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { Opens } from '../kit/signed';
import { OutboxMark } from '../live/outbox-sender';
import { RecordsAway } from './away';
import { BottomBar } from './bottom-bar';
import { Keys } from './keys';
import { SignedMark } from './signed-here';

type Here = 'today' | 'premix' | 'sides' | 'log' | 'bench' | 'batch' | 'pantry' | 'practice' | 'house';

/** In place of a page whose records cannot be reached. */
export const AwayPage = ({ here, kind = 'away' }: { readonly here: Here; readonly kind?: TroubleKind }) => (
  <Frame here={here}>
    <RecordsAway kind={kind} />
  </Frame>
);

/** The band on top of every page, and the page under it. */
export function Frame({
  here,
  atWork = false,
  children,
}: {
  readonly here: Here;
  /** Hands are wet here: everything that can be pressed is drawn strongly. */
  readonly atWork?: boolean;
  readonly children: ReactNode;
}) {
  const link = (to: string, text: string, on: boolean) => (
    <Opens to={to}>
      <Link
        href={to}
        aria-current={on ? 'page' : undefined}
        className={`inline-flex min-h-10 items-center rounded-hold px-3 text-[15px] font-semibold text-rim hover:bg-wash max-lg:px-1.5 ${on ? 'underline decoration-[3px] underline-offset-[7px]' : ''}`}
      >
        {text}
      </Link>
    </Opens>
  );
  return (
    <>
      <a
        href="#page"
        className="absolute -top-20 left-2 z-50 rounded-hold bg-butter px-4 py-2 font-semibold focus:top-2"
      >
        To the page
      </a>
      <header className="border-b-4 border-rim bg-white print:hidden">
        <div className="mx-auto flex min-h-14 max-w-[1400px] flex-wrap items-center gap-x-1 px-4 max-md:py-1">
          <Link
            href="/"
            className="mr-1 flex items-center gap-2 rounded-hold font-sign lg:mr-4 text-2xl font-extrabold tracking-tight text-rim"
          >
            <MarkIcon className="size-8" />
            <span className="md:max-lg:sr-only">Even Crumb</span>
          </Link>
          <nav aria-label="Parts" className="flex min-w-0 flex-wrap items-center gap-x-1 max-md:hidden">
            {link('/', 'Today', here === 'today')}
            {link('/premix', 'Premix', here === 'premix')}
            {link('/sides', 'Sauces and sides', here === 'sides')}
            {link('/log', 'Log', here === 'log')}
            {link('/pantry', 'Pantry', here === 'pantry')}
            {link('/practice', 'Practice', here === 'practice')}
            {link('/house', 'House', here === 'house')}
          </nav>
          <div className="ml-auto flex items-center gap-2">
            <OutboxMark />
            <span className="max-md:hidden">
              <Keys />
            </span>
            <SignedMark />
            <Opens to="/formulas/new">
              <Link href="/formulas/new" className={lookOf('plain')}>
                New formula
              </Link>
            </Opens>
          </div>
        </div>
      </header>
      <main
        id="page"
        tabIndex={-1}
        data-at-work={atWork || undefined}
        className="mx-auto max-w-[1400px] px-4 py-4 outline-none max-md:px-3 max-md:pb-24 print:!p-0"
      >
        {children}
      </main>
      <BottomBar here={here} />
    </>
  );
}
