/** Reading a pantry's table off the main thread: a thin shell around the core. */
import { expose } from 'comlink';
import { type PantryRead, readPantry } from '@/core/exchange/pantry-csv';
import type { OwnThing } from '@/core/pantry/packet';
import { PANTRY } from '@/core/pantry/pantry';

const api = {
  read: (text: string, own: readonly OwnThing[]): PantryRead => readPantry(text, { shipped: PANTRY, own }),
};
export type PantryApi = typeof api;
expose(api);
