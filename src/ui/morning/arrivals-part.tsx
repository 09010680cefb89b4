'use client';
import { useState } from 'react';
import { counted } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { TimeField } from '../kit/date-fields';
import { Field } from '../kit/field';
import { type ArrivalsTyped, arrivalsRead, type MorningTyped } from './morning.state';

/** Who comes over a time, most of them about one hour or not: it becomes the waves. */
export function ArrivalsPart({
  typed,
  onTyped,
  onWaves,
}: {
  readonly typed: ArrivalsTyped;
  readonly onTyped: (to: ArrivalsTyped) => void;
  readonly onWaves: (to: MorningTyped['waves']) => void;
}) {
  const [tried, setTried] = useState(false);
  const read = arrivalsRead(typed);
  const errors = tried && 'errors' in read ? read.errors : {};
  return (
    <div className="grid gap-2 border-l-4 border-line pl-3">
      <div className="flex flex-wrap items-start gap-3">
        <TimeField
          label="First at"
          className="w-24"
          value={typed.from}
          error={errors.from}
          onTime={(from) => onTyped({ ...typed, from })}
        />
        <TimeField
          label="Last at"
          className="w-24"
          value={typed.to}
          error={errors.to}
          onTime={(to) => onTyped({ ...typed, to })}
        />
        <Field
          label="Covers in all"
          className="w-28"
          inputMode="numeric"
          value={typed.covers}
          error={errors.covers}
          onChange={(e) => onTyped({ ...typed, covers: e.target.value })}
        />
        <TimeField
          label="Most at, if so"
          className="w-28"
          value={typed.most}
          error={errors.most}
          onTime={(most) => onTyped({ ...typed, most })}
        />
      </div>
      <Button
        className="justify-self-start"
        onClick={() => {
          setTried(true);
          if ('waves' in read) onWaves(read.waves);
        }}
      >
        {'waves' in read ? `Make it ${counted(read.waves.length, 'waves')}` : 'Make waves of it'}
      </Button>
    </div>
  );
}
