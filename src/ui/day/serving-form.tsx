'use client';
import { MOST_HELPERS, type Serving } from '@/core/batch/serving';
import { eveningBefore } from '@/core/quantity/day';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Switch } from '../kit/switch';
import { useUnits } from '../kit/units';
import { MomentField } from '../shared/moment';

/** When plates go, who helps, and whether some of it is done the day before. */
export function ServingForm({
  serving,
  isSet,
  now,
  disabled,
  canSplit,
  onServing,
  onFromNow,
}: {
  readonly serving: Serving;
  readonly isSet: boolean;
  readonly now: number;
  readonly disabled: boolean;
  readonly canSplit: boolean;
  readonly onServing: (s: Serving) => void;
  readonly onFromNow: () => void;
}) {
  const units = useUnits();
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
      <div>
        <Taps
          label="Which plates"
          size="work"
          value={serving.anchor}
          onChange={(anchor) => anchor !== '' && !disabled && onServing({ ...serving, anchor })}
          options={[
            { value: 'first', label: 'First plates' },
            { value: 'last', label: 'Last plate' },
          ]}
        />
      </div>
      <MomentField label="at" at={serving.at} disabled={disabled} onAt={(at) => onServing({ ...serving, at })} />
      <Choice
        label="Helpers"
        value={String(serving.helpers)}
        onChange={(n) => !disabled && onServing({ ...serving, helpers: Number(n) })}
        options={Array.from({ length: MOST_HELPERS + 1 }, (_, n) => ({
          value: String(n),
          label: n === 0 ? 'none' : String(n),
        }))}
      />
      {canSplit ? (
        <div className="flex min-h-11 flex-wrap items-end gap-3">
          <Switch
            size="work"
            label="weigh the day before"
            on={serving.dayOneAt !== null}
            onSwitch={(on) =>
              !disabled &&
              onServing({
                ...serving,
                dayOneAt: on ? Math.max(now, eveningBefore(serving.at, units)) : null,
                moved: {},
              })
            }
          />
          {serving.dayOneAt !== null ? (
            <MomentField
              label="from"
              at={serving.dayOneAt}
              disabled={disabled}
              onAt={(dayOneAt) => onServing({ ...serving, dayOneAt })}
            />
          ) : null}
        </div>
      ) : null}
      {disabled ? null : (
        <div className="flex flex-wrap gap-2">
          {isSet ? null : (
            <Button look="now" size="work" onClick={() => onServing(serving)}>
              Serve then
            </Button>
          )}
          <Button size="work" onClick={onFromNow}>
            Start the times from now
          </Button>
          {Object.keys(serving.moved).length > 0 ? (
            <Button size="work" onClick={() => onServing({ ...serving, moved: {} })}>
              Undo what was moved
            </Button>
          ) : null}
        </div>
      )}
    </div>
  );
}
