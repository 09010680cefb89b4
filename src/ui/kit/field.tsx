import { type ComponentProps, type ReactNode, useId } from 'react';

interface Labels {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
}

/** What ties a control to its label and to what is said beneath it. */
interface Tied {
  readonly id: string;
  readonly 'aria-invalid': true | undefined;
  readonly 'aria-describedby': string | undefined;
}

/** A control between its label and its error or hint. */
function Labelled({
  label,
  error,
  hint,
  className,
  children,
}: Labels & { readonly className: string; readonly children: (tied: Tied) => ReactNode }) {
  const id = useId();
  const says = `${id}-says`;
  return (
    <div className={`flex min-w-0 max-w-full flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold text-soft">
        {label}
      </label>
      {children({ id, 'aria-invalid': error ? true : undefined, 'aria-describedby': error || hint ? says : undefined })}
      {error || hint ? (
        <p
          id={says}
          role={error ? 'alert' : undefined}
          className={`text-sm ${error ? 'font-semibold text-berry' : 'text-soft'}`}
        >
          {error ?? hint}
        </p>
      ) : null}
    </div>
  );
}

/** The kitchen's people, offered where a name is asked: the list stands on every page. */
export const PEOPLE_LIST = 'people-of-the-kitchen';

/** A labelled input with its unit beside it and its error beneath it. */
export function Field({
  label,
  unit,
  error,
  hint,
  className = '',
  inputClass = '',
  ...rest
}: ComponentProps<'input'> & Labels & { readonly unit?: string; readonly inputClass?: string }) {
  return (
    <Labelled label={label} error={error} hint={hint} className={className}>
      {(tied) => (
        <div className="flex items-center gap-2">
          <input
            autoComplete="off"
            {...tied}
            className={`hold min-h-11 w-full px-3 placeholder:text-soft ${error ? '!border-berry' : ''} ${inputClass}`}
            {...rest}
          />
          {unit ? <span className="shrink-0 text-soft">{unit}</span> : null}
        </div>
      )}
    </Labelled>
  );
}

/** The one amount a dialog asks for: large, ready to be typed over. */
export const AmountField = ({
  onText,
  unit = 'g',
  ...rest
}: Labels & {
  readonly unit?: string;
  readonly value: string;
  readonly onText: (text: string) => void;
  readonly className?: string;
}) => (
  <Field
    {...rest}
    unit={unit}
    inputMode="decimal"
    autoFocus
    onFocus={(e) => e.currentTarget.select()}
    onChange={(e) => onText(e.target.value)}
    inputClass="!min-h-14 text-xl font-semibold"
  />
);

/** A labelled text area; long text stays whatever happens. */
export function TextField({ label, error, hint, className = '', ...rest }: ComponentProps<'textarea'> & Labels) {
  return (
    <Labelled label={label} error={error} hint={hint} className={className}>
      {(tied) => (
        <textarea
          autoComplete="off"
          {...tied}
          className={`hold w-full px-3 py-2 ${error ? '!border-berry' : ''}`}
          {...rest}
        />
      )}
    </Labelled>
  );
}
