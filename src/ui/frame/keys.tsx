'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { SINGLE_KEYS } from '../kit/keys-table';
import { later, useLater } from '../kit/later';

const OFF = 'single-keys-off';
const list = later(() => import('./keys-list'));

/** Where letters are typed, or pick and move something of their own. */
const inWidget = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement &&
  (t.isContentEditable ||
    /^(?:INPUT|TEXTAREA|SELECT)$/.test(t.tagName) ||
    t.closest(
      '[role=combobox],[role=listbox],[role=menu],[role=dialog],[role=radio],[role=slider],[role=switch],[role=tab],[role=grid],[data-own-keys]',
    ) !== null);

/**
 * Whether the list is open. Each page draws its own frame: a list opened while the next page was under way stays open
 * on it.
 */
let standing = false;

/** The list of keys, on "?", and the keys that work everywhere; those of one letter can be turned off. */
export function Keys() {
  const [open, show] = useState(standing);
  const setOpen = useCallback((now: boolean): void => {
    standing = now;
    show(now);
  }, []);
  const [off, setOff] = useState(false);
  const router = useRouter();
  const part = useLater(list, open);
  useEffect(() => setOff(copyOf(OFF) === true), []);
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.key === 'Escape' && e.target instanceof HTMLInputElement && 'find' in e.target.dataset) e.target.blur();
      if (off || inWidget(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (document.querySelector('[role=dialog],[role=menu],[role=listbox]')) return;
      const key = SINGLE_KEYS.find((k) => k.keys === e.key);
      if (!key) return;
      if ('to' in key && key.to) router.push(key.to);
      else if (key.act === 'keys') setOpen(true);
      else {
        const find = document.querySelector<HTMLInputElement>('[data-find]');
        if (!find) return;
        find.focus();
      }
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router, off, setOpen]);
  return (
    <>
      <Button look="bare" aria-label="Keys" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        <kbd aria-hidden className="hold grid size-6 place-items-center font-sans text-sm leading-none">
          ?
        </kbd>
        <span className="max-lg:sr-only">Keys</span>
      </Button>
      <Dialog open={open} onOpen={setOpen} title="Keys" wide>
        {part ? (
          <part.KeysList
            on={!off}
            onSwitch={(on) => {
              setOff(!on);
              keepCopy(OFF, on ? null : true);
            }}
          />
        ) : null}
      </Dialog>
    </>
  );
}
