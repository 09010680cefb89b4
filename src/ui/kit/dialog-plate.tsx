'use client';
import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './button';

/** The plate itself, with the package behind it: on a small screen it comes from below. */
export function DialogPlate({
  open,
  onOpen,
  title,
  wide,
  children,
}: {
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly title: string;
  readonly wide: boolean;
  readonly children: ReactNode;
}) {
  return (
    <Radix.Root open={open} onOpenChange={onOpen}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-rim-deep/40" />
        <Radix.Content
          aria-describedby={undefined}
          className={`hold fixed z-50 max-h-[88dvh] overflow-auto !rounded-plate p-5 max-sm:inset-x-0 max-sm:bottom-0 max-sm:!rounded-b-none max-sm:p-4 sm:top-1/2 sm:left-1/2 sm:-translate-x-1/2 sm:-translate-y-1/2 ${wide ? 'sm:w-[min(52rem,94vw)]' : 'sm:w-[min(30rem,94vw)]'}`}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Radix.Title className="text-2xl [overflow-wrap:anywhere]">{title}</Radix.Title>
            <Radix.Close asChild>
              <Button look="bare" aria-label="Close" className="-mt-1">
                <X size={20} aria-hidden />
              </Button>
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
