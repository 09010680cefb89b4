'use client';
import { useState } from 'react';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { postTo } from '../kit/post';
import { forgetCopies } from '../live/kept-copy';

/** Who has signed signs off: the device shows the table again, no more. */
export function SignOff({ name }: { readonly name: string }) {
  const [said, setSaid] = useState(false);
  const off = async (): Promise<void> => {
    setSaid(false);
    const a = await postTo('/sign/out', { lock: false });
    if (a.ok) {
      await forgetCopies();
      window.location.assign('/sign');
    } else setSaid(true);
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <p className="mr-auto text-lg">
        <strong>{name}</strong> has signed on this device.
      </p>
      <Button size="work" onClick={() => void off()}>
        Sign off
      </Button>
      {said ? (
        <Notice weight="stop" role="alert">
          The server does not answer. Try it again.
        </Notice>
      ) : null}
    </div>
  );
}
