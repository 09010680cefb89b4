'use client';
import { Check, ChevronDown } from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { useId } from 'react';
import { useAwake } from './awake';

export interface Option<T extends string> {
  readonly value: T;
  readonly label: string;
}

/** One of a list, on a rimmed plate: the browser's own list, which every device opens the way its hand is used to. */
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
  const known = options.some((o) => o.value === value);
  return (
    <div className={inline ? 'flex items-center gap-1.5' : 'flex min-w-0 max-w-full flex-col gap-1'}>
      <label htmlFor={id} className="text-sm font-semibold text-soft">
        {label}
      </label>
      <span className={`hold relative flex max-w-full min-w-0 ${narrow ? 'w-fit !max-w-56' : 'w-fit'}`}>
        <select
          autoComplete="off"
          id={id}
          value={known ? value : ''}
          // a choice made before the page heard it may be told twice: what is chosen already is no choice
          onChange={(e) => {
            if (e.target.value !== value) onChange(e.target.value as T);
          }}
          className={`min-w-0 max-w-full cursor-pointer appearance-none truncate rounded-[inherit] bg-transparent pr-8 pl-2.5 text-[15px] hover:bg-wash ${inline ? 'min-h-8' : 'min-h-10'}`}
        >
          {known ? null : (
            <option value="" disabled hidden>
              {placeholder ?? ''}
            </option>
          )}
          {options.map((o) => (
            <option key={o.value} value={o.value} className="bg-white text-ink">
              {o.label}
            </option>
          ))}
        </select>
        <ChevronDown
          size={16}
          aria-hidden
          className="pointer-events-none absolute top-1/2 right-2.5 -translate-y-1/2"
        />
      </span>
    </div>
  );
}

const TAP =
  'hold inline-flex items-center justify-center gap-1.5 font-semibold text-rim hover:bg-wash data-[state=on]:!bg-rim data-[state=on]:text-white';

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
      disabled={!useAwake()}
      type="single"
      value={value}
      aria-label={label}
      onValueChange={(v) => {
        if (v !== '' || optional) onChange(v as T | '');
      }}
      className="flex flex-wrap gap-2"
    >
      {options.map((o) => (
        <ToggleGroup.Item
          key={o.value}
          value={o.value}
          className={`${TAP} ${size === 'work' ? 'min-h-14 px-5 text-lg' : 'min-h-10 px-3 text-[15px]'}`}
        >
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
    <ToggleGroup.Root
      disabled={!useAwake()}
      type="multiple"
      value={[...values]}
      aria-label={label}
      onValueChange={(v) => onChange(v as T[])}
      className="flex flex-wrap gap-2"
    >
      {options.map((o) => (
        <ToggleGroup.Item key={o.value} value={o.value} className={`${TAP} min-h-12 px-4`}>
          {values.includes(o.value) ? <Check size={16} aria-hidden /> : null}
          {o.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
