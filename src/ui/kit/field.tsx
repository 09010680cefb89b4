import { type ComponentProps, type ReactNode, useId } from 'react';

/** A labelled input with its unit beside it and its error beneath it. */
export function Field({
  label,
  unit,
  error,
  hint,
  className = '',
  inputClass = '',
  ...rest
}: ComponentProps<'input'> & {
  readonly label: string;
  readonly unit?: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  readonly inputClass?: string;
}) {
  const id = useId();
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold text-soft">
        {label}
      </label>
      <div className="flex items-center gap-2">
        <input
          id={id}
          aria-invalid={error ? true : undefined}
          aria-describedby={error || hint ? `${id}-says` : undefined}
          className={`hold min-h-11 w-full px-3 ${error ? '!border-berry' : ''} ${inputClass}`}
          {...rest}
        />
        {unit ? <span className="shrink-0 text-soft">{unit}</span> : null}
      </div>
      <Says id={`${id}-says`} error={error} hint={hint} />
    </div>
  );
}

/** A labelled text area; long text stays whatever happens. */
export function TextField({
  label,
  error,
  hint,
  className = '',
  ...rest
}: ComponentProps<'textarea'> & { readonly label: string; readonly error?: string | undefined; readonly hint?: string }) {
  const id = useId();
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold text-soft">
        {label}
      </label>
      <textarea
        id={id}
        aria-invalid={error ? true : undefined}
        aria-describedby={error || hint ? `${id}-says` : undefined}
        className={`hold w-full px-3 py-2 ${error ? '!border-berry' : ''}`}
        {...rest}
      />
      <Says id={`${id}-says`} error={error} hint={hint} />
    </div>
  );
}

function Says({ id, error, hint }: { readonly id: string; readonly error?: string | undefined; readonly hint?: ReactNode }) {
  if (!error && !hint) return null;
  return (
    <p id={id} role={error ? 'alert' : undefined} className={`text-sm ${error ? 'font-semibold text-berry' : 'text-soft'}`}>
      {error ?? hint}
    </p>
  );
}
