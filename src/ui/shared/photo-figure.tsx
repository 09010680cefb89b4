'use client';
import { useState } from 'react';
import { type Photograph, photoPath } from '@/core/judge/photographs';
import { Dialog } from '../kit/dialog';
import { Press } from '../kit/press';

/** A small copy; pressed, the large one over the page. */
export function PhotoFigure({
  photo,
  name,
  large = false,
}: {
  readonly photo: Photograph;
  readonly name: string;
  readonly large?: boolean;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Press
        onClick={() => setOpen(true)}
        aria-label={`${name}: look at it large`}
        className="block w-full rounded-hold"
      >
        {/* biome-ignore lint/performance/noImgElement: the copies are made and kept by the server already */}
        <img
          src={photoPath(photo.id, large ? 'large' : 'small')}
          alt={name}
          width={photo.width}
          height={photo.height}
          loading="lazy"
          className="aspect-[4/3] h-auto w-full rounded-hold border border-line bg-enamel object-cover"
        />
      </Press>
      <Dialog open={open} onOpen={setOpen} title={name} wide>
        {/* biome-ignore lint/performance/noImgElement: as above */}
        <img
          src={photoPath(photo.id, 'large')}
          alt={name}
          width={photo.width}
          height={photo.height}
          className="h-auto max-h-[75vh] w-full object-contain"
        />
      </Dialog>
    </>
  );
}
