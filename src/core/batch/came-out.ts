/** What came out of a batch, on scales of five steps that are drawn: ours, from "too little" over "as wanted" to "too much". */
export const SCALES = ['colour', 'face', 'edge', 'crumb', 'taste', 'spread'] as const;
export type ScaleId = (typeof SCALES)[number];
export const STEPS = [1, 2, 3, 4, 5] as const;
export type Scales = Partial<Readonly<Record<ScaleId, number>>>;

/** Words of each step, the first to the fifth; the third is what most want. */
export const SCALE_WORDS: Readonly<Record<ScaleId, readonly [string, string, string, string, string]>> = {
  colour: ['pale', 'light', 'golden', 'deep brown', 'burnt'],
  face: ['bare', 'faint', 'even', 'spotted', 'patchy'],
  edge: ['ragged and wet', 'soft', 'dull and set', 'crisp', 'hard'],
  crumb: ['dense', 'close', 'even', 'open', 'full of holes'],
  taste: ['flat', 'mild', 'balanced', 'strong', 'harsh'],
  spread: ['heaped', 'narrow', 'as wanted', 'wide', 'run together'],
};

/** "colour golden, crumb close". */
export const scalesInWords = (s: Scales): readonly string[] =>
  SCALES.flatMap((id) => {
    const step = s[id];
    const word = step === undefined ? undefined : SCALE_WORDS[id][step - 1];
    return word ? [`${id} ${word}`] : [];
  });
