import type { ComponentProps, ReactNode } from 'react';
import { Press } from './press';

type Look = 'plain' | 'now' | 'bare' | 'stop';

const LOOKS: Readonly<Record<Look, string>> = {
  plain: 'hold text-rim hover:bg-wash active:bg-line',
  // the thing to do now: butter behind dark text, inside the rim
  now: 'hold-next text-ink hover:bg-butter-lit active:bg-butter-deep',
  bare: 'bare text-rim hover:bg-wash active:bg-line',
  stop: 'rounded-hold border-2 border-berry bg-white text-berry hover:bg-berry-wash',
};

const SIZES = {
  bench: 'min-h-10 px-3 text-[15px]',
  work: 'min-h-14 px-5 text-lg',
} as const;

export function lookOf(look: Look = 'plain', size: keyof typeof SIZES = 'bench'): string {
  return `inline-flex items-center justify-center gap-2 font-semibold sm:whitespace-nowrap off:opacity-45 ${LOOKS[look]} ${SIZES[size]}`;
}

/** A button. `work` size is for wet hands: 56 px. */
export function Button({
  look = 'plain',
  size = 'bench',
  className = '',
  children,
  ...rest
}: ComponentProps<'button'> & {
  readonly look?: Look;
  readonly size?: keyof typeof SIZES;
  readonly children: ReactNode;
}) {
  return (
    <Press className={`${lookOf(look, size)} ${className}`} {...rest}>
      {children}
    </Press>
  );
}
