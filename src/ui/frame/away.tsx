import type { TroubleKind } from '@/contract/trouble';
import { LookAgain } from '../kit/look-again';

const HEADS: Readonly<Record<TroubleKind, string>> = {
  away: 'The kitchen’s records are out of reach',
  full: 'The disk is full',
  slow: 'The records took too long',
  unkeepable: 'The records refuse this',
};
const SAYS: Readonly<Record<TroubleKind, string>> = {
  away: 'The database does not answer. Nothing that was saved is lost, and what you typed on a bench is kept in this browser. Even Crumb brings it back by itself; this page looks again every few seconds.',
  full: 'The database can’t write until there is room on the disk. Nothing that was saved is lost. Make room, and it goes on by itself; this page looks again every few seconds.',
  slow: 'Something asked for too much at once, or the machine is very busy. This page looks again every few seconds.',
  unkeepable: 'The records can’t work with what this page asks for. Another page may do.',
};

/** In place of a page whose records cannot be read; looks again by itself. By its mark the browser's copy stands in. */
export function RecordsAway({ kind }: { readonly kind: TroubleKind }) {
  return (
    <section className="mx-auto mt-16 max-w-xl" role="alert" data-records-away="">
      <h1 className="text-3xl">{HEADS[kind]}</h1>
      <p className="mt-3">{SAYS[kind]}</p>
      <LookAgain />
    </section>
  );
}
