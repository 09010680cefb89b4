'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Button } from './kit/button';
import { Dialog } from './kit/dialog';

interface Key {
  readonly keys: string;
  readonly does: string;
}

const KEYS: readonly { readonly where: string; readonly keys: readonly Key[] }[] = [
  {
    where: 'Everywhere',
    keys: [
      { keys: '?', does: 'this list' },
      { keys: 't', does: 'Today' },
      { keys: 'l', does: 'Log' },
      { keys: 'p', does: 'the pantry' },
      { keys: 'm', does: 'my measures' },
      { keys: 'h', does: 'the house' },
      { keys: 'n', does: 'a new formula' },
      { keys: '/', does: 'find (Today, Pantry and Log)' },
      { keys: 'Tab, Shift+Tab', does: 'next, previous control' },
      { keys: 'Enter, Space', does: 'press, open, tick' },
      { keys: 'Arrows', does: 'choose within a list or a row of taps' },
      { keys: 'Esc', does: 'close what is open, leave the search' },
    ],
  },
  {
    where: 'Bench',
    keys: [
      { keys: 'Ctrl+S', does: 'save as a new version' },
      { keys: 'Ctrl+Z', does: 'undo' },
      { keys: 'Ctrl+Shift+Z', does: 'redo' },
      { keys: 'Enter', does: 'in a line: on to the next; in the last: add it' },
      { keys: 'Arrow up, down', does: 'in a line: the line above, below' },
      { keys: 'Alt+Backspace', does: 'in a line: take it off the sheet' },
      { keys: 'Alt+Up, Alt+Down', does: 'in a line: move it, into the next bowl at the edge' },
      { keys: 'Alt+P', does: 'in a line: pin it, let it go' },
      { keys: 'Alt+O', does: 'in a line: switch it off, on' },
      { keys: 'Alt+S', does: 'in a line: swap it' },
    ],
  },
  {
    where: 'Ratios and proposals',
    keys: [
      { keys: 'Arrows', does: 'on a rail: nudge it; with Shift ten times as far' },
      { keys: 'Page up, Page down', does: 'on a rail: ten steps' },
      { keys: 'Home, End', does: 'on a rail: to the ends of its zone' },
      { keys: 'Enter', does: 'on a rail or with a proposal: take it' },
      { keys: 'Esc', does: 'refuse the proposal' },
    ],
  },
  {
    where: 'At the counter',
    keys: [
      { keys: 'Left, Right', does: 'on a step of the time line: five minutes earlier, later' },
      { keys: 'Enter', does: 'in the weigh-in: that is in, the next' },
      { keys: 'Enter', does: 'at the griddle: the one next thing is done' },
    ],
  },
];

/** A closed list takes letters too: they pick from it. */
const typing = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement && (t.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(t.tagName) || t.getAttribute('role') === 'combobox');

/** The list of keys, on "?", and the keys that work everywhere. */
export function Keys() {
  const [open, setOpen] = useState(false);
  const router = useRouter();
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.key === 'Escape' && e.target instanceof HTMLInputElement && 'find' in e.target.dataset) e.target.blur();
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (document.querySelector('[role=dialog],[role=menu],[role=listbox]')) return;
      const find = document.querySelector<HTMLInputElement>('[data-find]');
      if (e.key === '?') setOpen(true);
      else if (e.key === 't') router.push('/');
      else if (e.key === 'l') router.push('/log');
      else if (e.key === 'p') router.push('/pantry');
      else if (e.key === 'm') router.push('/pantry/measures');
      else if (e.key === 'h') router.push('/house');
      else if (e.key === 'n') router.push('/formulas/new');
      else if (e.key === '/' && find) find.focus();
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router]);
  return (
    <>
      <Button look="bare" aria-label="Keys" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        <kbd className="hold grid size-6 place-items-center font-sans text-sm leading-none">?</kbd>
        Keys
      </Button>
      <Dialog open={open} onOpen={setOpen} title="Keys" wide>
        <div className="grid gap-6 sm:grid-cols-2">
          {KEYS.map((group) => (
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
      </Dialog>
    </>
  );
}
