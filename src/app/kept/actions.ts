'use server';
/** What pages call of it: the work itself is a plain module, so that the outbox's route can do it too. */
import * as work from '@/app/acts/kept';

export const keepHere = async (input: unknown) => work.keepHere(input);
export const keptGone = async (input: unknown) => work.keptGone(input);
export const keptBack = async (input: unknown) => work.keptBack(input);
