import { Check } from 'lucide-react';

const STEPS = ['read', 'settle', 'balance', 'plan', 'make'] as const;
export type WayStep = (typeof STEPS)[number];
const NAMES: Readonly<Record<WayStep, string>> = {
  read: 'Read the card',
  settle: 'Answer what is open',
  balance: 'Balance',
  plan: 'Plan',
  make: 'Make',
};

/** A card's way from paper to plate, and where it stands. @param aside said beside the step it stands at */
export function Way({ at, aside = '' }: { readonly at: WayStep; readonly aside?: string }) {
  const here = STEPS.indexOf(at);
  return (
    <ol aria-label="The way of a card" className="flex flex-wrap gap-x-4 gap-y-0.5 text-sm print:hidden">
      {STEPS.map((s, n) => (
        <li
          key={s}
          aria-current={n === here ? 'step' : undefined}
          title={n < here ? NAMES[s] : undefined}
          className={`flex items-center gap-1.5 ${n === here ? 'font-bold text-ink' : 'text-soft'}`}
        >
          <span
            aria-hidden
            className={`grid size-5 place-items-center rounded-full border-2 border-rim text-[12px] leading-none ${n === here ? 'bg-butter text-ink' : n < here ? 'bg-rim text-white' : 'bg-white'}`}
          >
            {n < here ? <Check size={12} strokeWidth={3} /> : n + 1}
          </span>
          <span className={n < here ? 'sr-only' : ''}>
            {NAMES[s]}
            {n < here ? ', done' : ''}
          </span>
          {n === here && aside ? <span className="-ml-1.5 font-normal">: {aside}</span> : null}
        </li>
      ))}
    </ol>
  );
}
