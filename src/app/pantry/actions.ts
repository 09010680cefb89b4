'use server';
/** What pages call of it: the work itself is a plain module, so that the outbox's route can do it too. */
import * as work from '@/app/acts/pantry';

export const keepThing = async (input: unknown) => work.keepThing(input);
export const removeThing = async (input: unknown) => work.removeThing(input);
export const keepStock = async (input: unknown) => work.keepStock(input);
export const countOnHand = async (input: unknown) => work.countOnHand(input);
export const uncountOnHand = async (input: unknown) => work.uncountOnHand(input);
export const importPantry = async (input: unknown) => work.importPantry(input);
export const keepWeighed = async (input: unknown) => work.keepWeighed(input);
export const keepAnswered = async (input: unknown) => work.keepAnswered(input);
export const measureBack = async (input: unknown) => work.measureBack(input);
export const switchMeasure = async (input: unknown) => work.switchMeasure(input);
export const dropMeasure = async (input: unknown) => work.dropMeasure(input);
