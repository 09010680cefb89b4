'use client';
import { Check, ChevronDown } from 'lucide-react';
import { Select, ToggleGroup } from 'radix-ui';
import { useId } from 'react';

export interface Option<T extends string> {
  readonly value: T;
  readonly label: string;
}

/** One of a list, opened from a rimmed plate. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  inline = false,
  narrow = false,
  placeholder,
}: {
  readonly label: string;
  /** Empty: nothing is chosen, and the placeholder stands there. */
  readonly value: T | '';
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T) => void;
  readonly placeholder?: string;
  /** Label beside the plate, for tight rows. */
  readonly inline?: boolean;
  /** Cuts a long choice short on the plate; the list shows it whole. */
  readonly narrow?: boolean;
}) {
  const id = useId();
  return (
    <div className={inline ? 'flex items-center gap-1.5' : 'flex min-w-0 max-w-full flex-col gap-1'}>
      <span id={id} className="text-sm font-semibold text-soft">
        {label}
      </span>
      <Select.Root value={value} onValueChange={(v) => onChange(v as T)}>
        <Select.Trigger
          aria-labelledby={id}
          className={`hold flex max-w-full min-w-0 items-center justify-between gap-2 px-2.5 text-left text-[15px] whitespace-nowrap hover:bg-wash ${inline ? 'min-h-9' : 'min-h-11'} ${narrow ? 'max-w-56' : ''}`}
        >
          <span className="min-w-0 truncate">
            <Select.Value placeholder={placeholder} />
          </span>
          <Select.Icon>
            <ChevronDown size={16} aria-hidden />
          </Select.Icon>
        </Select.Trigger>
        <Select.Portal>
          <Select.Content position="popper" sideOffset={4} className="hold z-50 max-h-[60vh] overflow-auto p-1 shadow-lg">
            <Select.Viewport>
              {options.map((o) => (
                <Select.Item
                  key={o.value}
                  value={o.value}
                  className="flex min-h-10 items-center gap-2 rounded-[7px] py-1 pr-4 pl-2 outline-none data-[highlighted]:bg-wash data-[state=checked]:font-semibold"
                >
                  <span className="w-4">
                    <Select.ItemIndicator>
                      <Check size={16} aria-hidden />
                    </Select.ItemIndicator>
                  </span>
                  <Select.ItemText>{o.label}</Select.ItemText>
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
    </div>
  );
}

const TAP = 'hold inline-flex items-center justify-center gap-1.5 font-semibold text-rim hover:bg-wash data-[state=on]:!bg-rim data-[state=on]:text-white';

/** One of a few, side by side. Tapping the chosen one again changes nothing unless `optional`. */
export function Taps<T extends string>({
  label,
  value,
  options,
  onChange,
  optional = false,
  size = 'bench',
}: {
  readonly label: string;
  readonly value: T | '';
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T | '') => void;
  readonly optional?: boolean;
  readonly size?: 'bench' | 'work';
}) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value}
      aria-label={label}
      onValueChange={(v) => {
        if (v !== '' || optional) onChange(v as T | '');
      }}
      className="flex flex-wrap gap-2"
    >
      {options.map((o) => (
        <ToggleGroup.Item key={o.value} value={o.value} className={`${TAP} ${size === 'work' ? 'min-h-14 px-5 text-lg' : 'min-h-10 px-3 text-[15px]'}`}>
          {o.value === value ? <Check size={16} aria-hidden /> : null}
          {o.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** Any of a few, side by side. */
export function ManyTaps<T extends string>({
  label,
  values,
  options,
  onChange,
}: {
  readonly label: string;
  readonly values: readonly T[];
  readonly options: readonly Option<T>[];
  readonly onChange: (values: readonly T[]) => void;
}) {
  return (
    <ToggleGroup.Root type="multiple" value={[...values]} aria-label={label} onValueChange={(v) => onChange(v as T[])} className="flex flex-wrap gap-2">
      {options.map((o) => (
        <ToggleGroup.Item key={o.value} value={o.value} className={`${TAP} min-h-12 px-4`}>
          {values.includes(o.value) ? <Check size={16} aria-hidden /> : null}
          {o.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
