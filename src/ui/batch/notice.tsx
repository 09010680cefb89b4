import type { ReactNode } from 'react';
import { type NoticeOf, noticeLines, SHARED } from '@/core/batch/notice';

/** A notice for whoever eats: what is in it, and what is not known. */
export function NoticeCard({
  kind,
  title,
  notice: n,
  foot,
}: {
  readonly kind: string;
  readonly title: string;
  readonly notice: NoticeOf;
  readonly foot: ReactNode;
}) {
  return (
    <article
      aria-label="Notice"
      className="max-w-2xl break-inside-avoid rounded-plate border-4 border-rim bg-white p-6"
    >
      <p className="text-lg text-soft">{kind}</p>
      <h2 className="mb-4 text-3xl [overflow-wrap:anywhere]">{title}</h2>
      {n.held.length > 0 ? (
        <>
          <p className="mb-2 text-xl font-semibold">Made with</p>
          <ul className="mb-4 grid gap-1">
            {n.held.map((h) => (
              <li key={h.name} className="text-xl">
                <strong className="uppercase">{h.name}</strong>{' '}
                <span className="text-base text-soft">in {h.from.join(', ').toLowerCase()}</span>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mb-4 text-xl">None of the allergens we list stands in the pantry’s table for what is in it.</p>
      )}
      {noticeLines(n).map((l) => (
        <p key={l.strong} className="mb-2">
          <strong>{l.strong}</strong> {l.text}
        </p>
      ))}
      <p className="border-t border-line pt-3 text-sm text-soft">
        From a table of ingredients, pan fat and toppings among them; packets differ, and change. {SHARED} The law on
        what guests are told is your local food code’s; ask it, and ask the cook.
      </p>
      <p className="mt-2 text-sm text-soft">{foot}</p>
    </article>
  );
}
