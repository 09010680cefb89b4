'use server';
/** What pages call of it: the work itself is a plain module, so that the outbox's route can do it too. */
import * as work from '@/app/acts/sides';

export const keepBeside = async (input: unknown) => work.keepBeside(input);
export const dropBeside = async (input: unknown) => work.dropBeside(input);
