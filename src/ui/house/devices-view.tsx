'use client';
import { useEffect, useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import type { PairingCode } from '@/contract/device';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { DeleteButton } from '../kit/delete-button';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

interface Device {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly paired: string;
  readonly seen: string | null;
}

interface Props {
  /** Where the kitchen is open to its network; empty: it is not. */
  readonly addresses: readonly string[];
  readonly devices: readonly Device[];
  readonly code: () => Promise<ActionResult<PairingCode>>;
  readonly letOut: (input: unknown) => Promise<ActionResult>;
}

/** The devices of the kitchen's network: how they come in, which are in, and how one is let out. */
export function DevicesView({ addresses, devices, code, letOut }: Props) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [shown, setShown] = useState<PairingCode | null>(null);
  // a code that is over is shown no more; a device that has come in is seen in the list
  useEffect(() => {
    if (!shown) return;
    const t = setTimeout(() => setShown(null), shown.expiresAt - Date.now());
    const look = setInterval(refresh, 3000);
    return () => {
      clearTimeout(t);
      clearInterval(look);
    };
  }, [shown, refresh]);
  const ask = async (): Promise<void> => {
    const a = await asking.ask(code);
    if (a?.ok) setShown(a);
  };
  const out = async (d: Device): Promise<boolean> => {
    const a = await asking.ask(() => letOut({ id: d.id }));
    if (!a?.ok) return false;
    toast(`${d.name} is out`);
    refresh();
    return true;
  };
  if (addresses.length === 0 && devices.length === 0)
    return (
      <div className="grid max-w-xl gap-2">
        <p>Even Crumb answers this machine alone. To open it to the phones and tablets of the kitchen’s own network:</p>
        <p>
          <code className="rounded bg-wash px-2 py-1">npm start -- --kitchen</code>
        </p>
        <p className="text-soft">
          It is then reached over an encrypted line, by devices that were paired here; who may do what on them goes by
          name and PIN, once somebody has one. Keep it to a network that you trust.
        </p>
      </div>
    );
  return (
    <div className="grid items-start gap-6 lg:grid-cols-2">
      <section aria-label="Pair a device" className="grid gap-3 rounded-plate bg-white p-4">
        <h2 className="text-xl">Pair a device</h2>
        {addresses.length === 0 ? (
          <p>
            The kitchen is not open now: start it with <code>npm start -- --kitchen</code>.
          </p>
        ) : (
          <>
            <p>On the phone or tablet, in the kitchen’s own network, open</p>
            <ul className="text-lg font-semibold [overflow-wrap:anywhere]">
              {addresses.map((a) => (
                <li key={a}>{a}</li>
              ))}
            </ul>
            {shown ? (
              <div className="flex flex-wrap items-center gap-4" role="status">
                <strong className="text-[44px] tracking-widest">
                  {shown.code.slice(0, 4)} {shown.code.slice(4)}
                </strong>
                {shown.picture ? (
                  // biome-ignore lint/performance/noImgElement: a picture in the page, of no address
                  <img
                    src={shown.picture}
                    alt="The address with the code, to be photographed"
                    className="size-44 bg-[#ffffff] p-2"
                  />
                ) : null}
                <p className="w-full text-soft">Good for five minutes, for one device.</p>
              </div>
            ) : null}
            <RefusalNotice text={asking.refusal} />
            <div>
              <Button look={shown ? 'plain' : 'now'} size="work" disabled={asking.busy} onClick={() => void ask()}>
                {shown ? 'Another code' : 'Show a code'}
              </Button>
            </div>
          </>
        )}
      </section>
      <section aria-label="Paired devices" className="grid gap-2 rounded-plate bg-white p-4">
        <h2 className="text-xl">Paired</h2>
        {devices.length === 0 ? <p className="text-soft">None yet.</p> : null}
        <ul className="divide-y divide-line">
          {devices.map((d) => (
            <li key={d.id} className="flex flex-wrap items-center gap-x-3 py-2">
              <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                <strong>{d.name}</strong>
                {d.place ? `, ${d.place}` : ''}
                <span className="block text-sm text-soft">
                  paired {d.paired}
                  {d.seen ? `; here last ${d.seen}` : ''}
                </span>
              </span>
              <DeleteButton
                bare
                name={d.name}
                label="Let out"
                confirm="Let it out"
                says="It may not come in any more. What it has written and not sent stays on it."
                of={asking}
                onDelete={() => out(d)}
              />
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
