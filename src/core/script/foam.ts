/**
 * Foam: whipped whites, and every batter that they are folded into. It stands for so many minutes from the whip, and
 * from the fold on as long again, on whatever style and whenever the batter rests; nothing but pouring belongs in that
 * time. Minutes are ours, a kitchen's default: air sinks, it does not stop.
 */
export const FOAM_STANDS_MIN = 15;

/**
 * Minutes a batter with foam in it may still wait before it is poured.
 * @param sinceFoldMin min gone since the whites were folded in, a rest after it among them
 * @param pouringMin min that pouring all of it takes
 * @returns less than nothing where the last of it would be poured too late by that
 */
export const foamWaits = (sinceFoldMin: number, pouringMin: number): number =>
  FOAM_STANDS_MIN - sinceFoldMin - pouringMin;
