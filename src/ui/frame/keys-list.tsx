'use client';
import { BENCH_KEYS, LINE_KEYS, SINGLE_KEYS } from '../kit/keys-table';
import { Switch } from '../kit/switch';

/** The list, as it is read. */
export const KEY_LIST: readonly {
  readonly where: string;
  readonly keys: readonly { readonly keys: string; readonly does: string }[];
}[] = [
  {
    where: 'Everywhere',
    keys: [
      ...SINGLE_KEYS,
      { keys: 'Tab, Shift+Tab', does: 'next, previous control' },
      { keys: 'Enter, Space', does: 'press, open, tick' },
      { keys: 'Arrows', does: 'choose within a list or a row of taps' },
      { keys: 'Esc', does: 'close what is open, leave the search' },
    ],
  },
  {
    where: 'Bench',
    keys: [
      ...BENCH_KEYS,
      { keys: 'Enter', does: 'in a line: on to the next; in the last: add it' },
      { keys: 'Arrow up, down', does: 'in a line: the line above, below' },
      ...LINE_KEYS,
    ],
  },
  {
    where: 'Ratios and proposals',
    keys: [
      { keys: 'Arrows', does: 'on a ratio: nudge it; with Shift ten times as far' },
      { keys: 'Page up, Page down', does: 'on a ratio: ten steps' },
      { keys: 'Home, End', does: 'on a ratio: to the edges of its zone' },
      { keys: 'Enter', does: 'on a ratio or with a proposal: take it' },
      { keys: 'Esc', does: 'refuse the proposal' },
    ],
  },
  {
    where: 'At the counter',
    keys: [
      { keys: 'Left, Right', does: 'on a step of the time line: five minutes earlier, later' },
      { keys: 'Enter', does: 'in the weigh-in: that is in, the next; never past a warning' },
      { keys: 'Enter', does: 'at the griddle: the one next thing is done' },
    ],
  },
];

/** All keys by where they work, and the turning off of those of one letter. */
export function KeysList({ on, onSwitch }: { readonly on: boolean; readonly onSwitch: (on: boolean) => void }) {
  return (
    <>
      <div className="mb-4">
        <Switch label="Keys of one letter" on={on} onSwitch={onSwitch} />
      </div>
      <div className="grid gap-6 sm:grid-cols-2">
        {KEY_LIST.map((group) => (
          <section key={group.where}>
            <h3 className="mb-2 text-lg">{group.where}</h3>
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
              {group.keys.map((k) => (
                <div key={`${k.keys} ${k.does}`} className="contents">
                  <dt className="font-semibold whitespace-nowrap">{k.keys}</dt>
                  <dd className="text-soft">{k.does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </>
  );
}
