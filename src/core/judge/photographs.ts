/** Photographs of what came out: what they show, and which stand side by side. */

/** A face, a cut through one, the batter in its bowl, anything else. */
export const SHOWS = ['face', 'cut', 'bowl', 'other'] as const;
export type Shows = (typeof SHOWS)[number];
export const SHOWS_WORDS: Readonly<Record<Shows, string>> = { face: 'Face', cut: 'Cut', bowl: 'Bowl', other: 'Other' };

/** What is taken: bytes and pixels of one, and how many stand with one outcome or target. */
export const MOST_PHOTO_BYTES = 20_000_000;
export const MOST_PIXELS = 80_000_000;
export const MOST_PHOTOS = 12;

export interface Photograph {
  readonly id: string;
  readonly shows: Shows;
  /** Of the large copy, pixels. */
  readonly width: number;
  readonly height: number;
  /** Whether it is kept as large as it came, too. */
  readonly original: boolean;
}

/** Where a copy of it is. */
export const photoPath = (id: string, size: 'small' | 'large' | 'original'): string => `/photos/${id}/${size}`;

/** The last taken of what shows a thing best: a face before a cut before a bowl. */
export const faceOf = <P extends Pick<Photograph, 'shows'>>(photos: readonly P[]): P | null =>
  SHOWS.flatMap((s) => photos.filter((p) => p.shows === s).slice(-1))[0] ?? null;

interface PhotoPair<P> {
  readonly shows: Shows;
  readonly a: P | null;
  readonly b: P | null;
}

/** The same beside the same, in the order they were taken; where one side has more, its others stand alone. */
export const sideBySide = <P extends Pick<Photograph, 'shows'>>(
  a: readonly P[],
  b: readonly P[],
): readonly PhotoPair<P>[] =>
  SHOWS.flatMap((shows) => {
    const [left, right] = [a, b].map((x) => x.filter((p) => p.shows === shows));
    return Array.from({ length: Math.max(left?.length ?? 0, right?.length ?? 0) }, (_, n) => ({
      shows,
      a: left?.[n] ?? null,
      b: right?.[n] ?? null,
    }));
  });
