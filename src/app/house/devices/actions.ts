'use server';
/** What the Devices page asks the server to do: on its own screen alone. */
import { headers } from 'next/headers';
import type { z } from 'zod';
import { acted } from '@/app/acted';
import { ownScreenOnly } from '@/app/way-in';
import type { ActionResult } from '@/contract/action-result';
import { deviceIdSchema, dropPinSchema, type PairingCode, setPinSchema, tokenSchema } from '@/contract/device';
import { nothingSchema } from '@/contract/records';
import type { AnyAct } from '@/contract/roles';
import { codePicture } from '@/server/print/code';
import { openPairing, revokeDevice } from '@/server/queries/devices';
import { dropPin, dropToken, makeToken, noteDone, setPin } from '@/server/queries/sign-in';
import { kitchenDoor } from '@/server/usecases/door';

/** Done on the server's own screen alone, and noted: it is about who may come in. */
const ownActed = <S extends z.ZodType, T extends object>(
  name: AnyAct,
  schema: S,
  input: unknown,
  work: (data: z.output<S>) => Promise<ActionResult<T>>,
): Promise<ActionResult<T>> =>
  acted(name, schema, input, async (data) => {
    const may = ownScreenOnly(await headers());
    if (!may.ok) return may;
    const a = await work(data);
    await noteDone(name, a.ok ? 'done' : a.kind, { device: null, person: null });
    return a;
  });

/** A fresh code for a device, good for a few minutes. */
export const codeForDevice = async (): Promise<ActionResult<PairingCode>> =>
  ownActed('pairing-code', nothingSchema, {}, async () => {
    const { code, expiresAt } = await openPairing();
    const [address] = kitchenDoor()?.addresses ?? [];
    return { ok: true, code, expiresAt, picture: address ? await codePicture(`${address}/pair?code=${code}`) : null };
  });

/** A device is let out. */
export const letOut = async (input: unknown): Promise<ActionResult> =>
  ownActed('let-device-out', deviceIdSchema, input, ({ id }) => revokeDevice(id));

/** A person signs with this PIN from now on. */
export const givePin = async (input: unknown): Promise<ActionResult> =>
  ownActed('set-pin', setPinSchema, input, ({ person, pin }) => setPin(person, pin));

/** A person signs no more. */
export const takePin = async (input: unknown): Promise<ActionResult> =>
  ownActed('drop-pin', dropPinSchema, input, ({ person }) => dropPin(person));

/** A token for a program, shown once. */
export const tokenForProgram = async (input: unknown): Promise<ActionResult<{ readonly token: string }>> =>
  ownActed('make-token', tokenSchema, input, makeToken);

/** A program's token is good no more. */
export const endToken = async (input: unknown): Promise<ActionResult> =>
  ownActed('drop-token', deviceIdSchema, input, ({ id }) => dropToken(id));
