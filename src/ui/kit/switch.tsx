'use client';
import { Switch as Radix } from 'radix-ui';
import { useId } from 'react';
import { useAwake } from './awake';

/** On or off, with its words beside it; `work` is for wet hands: words and all can be hit. */
export function Switch({
  label,
  on,
  onSwitch,
  size = 'bench',
}: {
  readonly label: string;
  readonly on: boolean;
  readonly onSwitch: (on: boolean) => void;
  readonly size?: 'bench' | 'work';
}) {
  const id = useId();
  const disabled = !useAwake();
  if (size === 'work')
    return (
      <Radix.Root
        checked={on}
        disabled={disabled}
        onCheckedChange={onSwitch}
        className="group inline-flex min-h-14 items-center gap-3 rounded-hold px-2 text-left text-lg hover:bg-wash"
      >
        <span className="flex h-7 w-12 shrink-0 items-center rounded-full border-2 border-rim bg-white px-0.5 group-data-[state=checked]:justify-end group-data-[state=checked]:bg-rim">
          <span className="size-5 rounded-full bg-rim group-data-[state=checked]:bg-white" />
        </span>
        {label}
      </Radix.Root>
    );
  return (
    <span className="inline-flex min-h-9 items-center gap-2">
      <Radix.Root
        id={id}
        checked={on}
        disabled={disabled}
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
