'use client';
import { Dialog as Radix } from 'radix-ui';
import { Link } from '../kit/link';
import { SignForm } from './sign-form';

/** Over a screen that was left alone: it can be looked at, and pressed after the PIN. */
export function LockPlate({
  person,
  then,
}: {
  readonly person: { readonly id: string; readonly name: string };
  readonly then: (session: string) => void;
}) {
  const stay = (e: Event): void => e.preventDefault();
  return (
    <Radix.Root open>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-rim-deep/20" />
        <Radix.Content
          aria-describedby={undefined}
          onEscapeKeyDown={stay}
          onPointerDownOutside={stay}
          onInteractOutside={stay}
          className="hold fixed inset-x-0 bottom-0 z-50 mx-auto grid max-w-md gap-3 !rounded-plate p-4 max-sm:!rounded-b-none sm:bottom-6"
        >
          <Radix.Title className="text-2xl">Nobody has touched this screen for a while</Radix.Title>
          <SignForm person={person} then={then} />
          <Link href="/sign" className="justify-self-start font-semibold text-rim underline">
            Somebody else signs
          </Link>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
