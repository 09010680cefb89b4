'use server';
/** What the Devices page asks the server to do: on its own screen alone. */
import { headers } from 'next/headers';
import { acted } from '@/app/acted';
import { ownScreenOnly } from '@/app/way-in';
import type { ActionResult } from '@/contract/action-result';
import { deviceIdSchema, type PairingCode } from '@/contract/device';
import { nothingSchema } from '@/contract/records';
import { codePicture } from '@/server/print/code';
import { openPairing, revokeDevice } from '@/server/queries/devices';
import { kitchenDoor } from '@/server/usecases/door';

/** A fresh code for a device, good for a few minutes. */
export const codeForDevice = async (): Promise<ActionResult<PairingCode>> =>
  acted('pairing-code', nothingSchema, {}, async () => {
    const may = ownScreenOnly(await headers());
    if (!may.ok) return may;
    const { code, expiresAt } = await openPairing();
    const [address] = kitchenDoor()?.addresses ?? [];
    return { ok: true, code, expiresAt, picture: address ? await codePicture(`${address}/pair?code=${code}`) : null };
  });

/** A device is let out. */
export const letOut = async (input: unknown): Promise<ActionResult> =>
  acted('let-device-out', deviceIdSchema, input, async ({ id }) => {
    const may = ownScreenOnly(await headers());
    return may.ok ? revokeDevice(id) : may;
  });
