/** A large egg without its shell, and its parts, g: conventions of the field. */
export const YOLK_G = 17;
export const WHITE_G = 33;
export const EGG_G = 50;
/** Share of a shelled egg that is white. */
export const WHITE_SHARE = WHITE_G / EGG_G;
