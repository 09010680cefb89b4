'use server';
/** What pages call of it: the work itself is a plain module, so that the outbox's route can do it too. */
import * as work from '@/app/acts/premix';

export const keepMix = async (input: unknown) => work.keepMix(input);
export const dropMix = async (input: unknown) => work.dropMix(input);
export const makeMixLot = async (input: unknown) => work.makeMixLot(input);
export const weighTheLot = async (input: unknown) => work.weighTheLot(input);
export const giveUpTheLot = async (input: unknown) => work.giveUpTheLot(input);
export const useBags = async (input: unknown) => work.useBags(input);
export const bagsGone = async (input: unknown) => work.bagsGone(input);
export const bagsBack = async (input: unknown) => work.bagsBack(input);
export const countTheBags = async (input: unknown) => work.countTheBags(input);
export const undoGone = async (input: unknown) => work.undoGone(input);
export const correctTheLot = async (input: unknown) => work.correctTheLot(input);
export const sayTraces = async (input: unknown) => work.sayTraces(input);
export const orderTheLot = async (input: unknown) => work.orderTheLot(input);
export const testTheLot = async (input: unknown) => work.testTheLot(input);
export const strikeTheTest = async (input: unknown) => work.strikeTheTest(input);
export const noteSacks = async (input: unknown) => work.noteSacks(input);
export const voidTheLot = async (input: unknown) => work.voidTheLot(input);
