'use client';
import { Switch as Radix } from 'radix-ui';
import { useId } from 'react';

/** On or off, with its words beside it. */
export function Switch({ label, on, onSwitch }: { readonly label: string; readonly on: boolean; readonly onSwitch: (on: boolean) => void }) {
  const id = useId();
  return (
    <span className="inline-flex min-h-9 items-center gap-2">
      <Radix.Root
        id={id}
        checked={on}
        onCheckedChange={onSwitch}
        className="relative h-6 w-11 shrink-0 rounded-full border-2 border-rim bg-white data-[state=checked]:bg-rim"
      >
        <Radix.Thumb className="block size-4 translate-x-0.5 rounded-full bg-rim transition-transform data-[state=checked]:translate-x-[22px] data-[state=checked]:bg-white motion-reduce:transition-none" />
      </Radix.Root>
      <label htmlFor={id} className="cursor-pointer">
        {label}
      </label>
    </span>
  );
}
