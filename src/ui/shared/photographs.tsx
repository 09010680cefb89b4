'use client';
import { type DragEvent, useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import {
  MOST_PHOTO_BYTES,
  MOST_PHOTOS,
  type Photograph,
  photoPath,
  SHOWS,
  SHOWS_WORDS,
  type Shows,
} from '@/core/judge/photographs';
import { act, answerTo } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { Pick } from '../kit/press';
import { useRefresh } from '../kit/refresh';
import { post } from '../kit/send';
import { Switch } from '../kit/switch';
import { toastUndoAct } from '../kit/undo';
import { PhotoFigure } from './photo-figure';

type Act = (input: unknown) => Promise<ActionResult>;
interface PhotoActs {
  readonly away: Act;
  readonly back: Act;
  readonly shows: Act;
}

/**
 * @param isIn told when it is with the records, also where it had waited
 * @returns what the server says of one that it doesn't take; null: it took it, or it waits in the outbox
 */
function send(file: File, query: Readonly<Record<string, string>>, isIn: () => void): Promise<string | null> {
  if (file.size > MOST_PHOTO_BYTES)
    return Promise.resolve(`It is larger than a photograph is taken: at most ${MOST_PHOTO_BYTES / 1e6} MB.`);
  const photo = { name: 'keep-photo', words: `a photograph, ${file.name}`, input: query, blob: file } as const;
  return new Promise((told) => {
    const run = () => post({ ...photo, agoMs: 0 }, file);
    void answerTo({ ...photo, run }, null, () => told(null)).then((a) => {
      if (a.ok) isIn();
      told(a.ok ? null : a.message);
    });
  });
}

/** Photographs, taken or dropped onto what they are of; each says what it shows. */
export function Photographs({
  of,
  photos,
  acts,
  title = 'Photographs',
}: {
  /** The batch they are of, or the formula whose target they show. */
  readonly of: { readonly batch: string } | { readonly formula: string };
  readonly photos: readonly Photograph[];
  readonly acts: PhotoActs;
  readonly title?: string;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [shows, setShows] = useState<Shows>('face');
  const [whole, setWhole] = useState(false);
  const [over, setOver] = useState(false);
  const [busy, setBusy] = useState(0);
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const take = async (files: readonly File[]): Promise<void> => {
    if (files.length === 0 || busy > 0) return;
    setWrong([]);
    setBusy(files.length);
    const said: string[] = [];
    for (const f of files) {
      const query = { ...of, shows, original: whole ? '1' : '0', request: crypto.randomUUID() };
      const no = await send(f, query, refresh);
      if (no) said.push(`${f.name}: ${no}`);
      setBusy((n) => n - 1);
    }
    setBusy(0);
    setWrong(said);
  };
  const drop = (e: DragEvent): void => {
    e.preventDefault();
    setOver(false);
    void take([...e.dataTransfer.files]);
  };
  const away = async (p: Photograph): Promise<void> => {
    const a = await asking.ask(() => act('photo-away', 'a photograph taken away', acts.away, { id: p.id }));
    if (!a?.ok) return;
    refresh();
    toastUndoAct(
      'The photograph is gone',
      () => act('photo-back', 'a photograph brought back', acts.back, { id: p.id }),
      refresh,
    );
  };
  return (
    <section
      aria-label={title}
      className={`grid gap-3 rounded-plate bg-white p-4 ${over ? 'outline-3 outline-rim' : ''}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <h2 className="text-xl">{title}</h2>
      {photos.length > 0 ? (
        <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-4">
          {photos.map((p, n) => (
            <li key={p.id} className="grid content-start gap-1.5">
              <PhotoFigure photo={p} name={`${SHOWS_WORDS[p.shows]}, photograph ${n + 1}`} />
              <span className="flex flex-wrap items-center justify-between gap-1">
                <select
                  autoComplete="off"
                  aria-label={`What photograph ${n + 1} shows`}
                  value={p.shows}
                  disabled={asking.busy}
                  onChange={(e) =>
                    void asking
                      .ask(() =>
                        act('photo-shows', 'what a photograph shows', acts.shows, { id: p.id, shows: e.target.value }),
                      )
                      .then((a) => a?.ok && refresh())
                  }
                  className="min-h-11 rounded-hold border border-rim bg-white px-2"
                >
                  {SHOWS.map((s) => (
                    <option key={s} value={s}>
                      {SHOWS_WORDS[s]}
                    </option>
                  ))}
                </select>
                <Button
                  look="bare"
                  className="min-h-11"
                  aria-label={`Take photograph ${n + 1} away`}
                  disabled={asking.busy}
                  onClick={() => void away(p)}
                >
                  Take away
                </Button>
              </span>
              {p.original ? (
                <a
                  href={photoPath(p.id, 'original')}
                  className="text-[15px] text-rim underline"
                  target="_blank"
                  rel="noreferrer"
                >
                  Full size
                </a>
              ) : null}
            </li>
          ))}
        </ul>
      ) : null}
      {photos.length < MOST_PHOTOS ? (
        <>
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
            <Taps
              size="work"
              label="It shows"
              value={shows}
              onChange={(v) => v !== '' && setShows(v)}
              options={SHOWS.map((s) => ({ value: s, label: SHOWS_WORDS[s] }))}
            />
            <label
              className={`${lookOf('plain', 'work')} cursor-pointer text-center sm:!whitespace-normal has-[:focus-visible]:outline-3`}
            >
              {busy > 0 ? 'Keeping it …' : photos.length === 0 ? 'Take or choose a photograph' : 'Another photograph'}
              <Pick
                type="file"
                multiple
                accept="image/jpeg,image/png,image/webp,image/avif"
                className="sr-only"
                disabled={busy > 0}
                onChange={(e) => {
                  void take([...(e.target.files ?? [])]);
                  e.target.value = '';
                }}
              />
            </label>
          </div>
          <Switch size="work" label="Keep it at full size too" on={whole} onSwitch={setWhole} />
          <p className="text-[15px] text-soft max-sm:hidden">
            Or drop them here. Copies are kept with the records, without the place and time a camera writes into them.
          </p>
        </>
      ) : (
        <p className="text-[15px] text-soft">{MOST_PHOTOS} are here: take one away before another comes.</p>
      )}
      <div role="alert" className="grid gap-1 empty:hidden">
        {wrong.map((w) => (
          <p key={w} className="font-semibold text-berry [overflow-wrap:anywhere]">
            {w}
          </p>
        ))}
      </div>
      <RefusalNotice text={asking.refusal} />
    </section>
  );
}
