/** The kitchen's door as the start has opened it. */
import { z } from 'zod';

const doorSchema = z.object({ port: z.number().int(), hosts: z.array(z.string()).min(1), proxy: z.url().optional() });

/** Addresses under which the kitchen is open to its network; null: it is not. */
export function kitchenDoor(): {
  readonly addresses: readonly string[];
  /** Its certificate is the kitchen's; behind a proxy it is the proxy's. */
  readonly signs: boolean;
} | null {
  const text = process.env.EVEN_CRUMB_DOOR;
  if (!text) return null;
  const { port, hosts, proxy } = doorSchema.parse(JSON.parse(text));
  if (proxy !== undefined) return { addresses: [proxy], signs: false };
  return { addresses: hosts.map((h) => `https://${h}${port === 443 ? '' : `:${port}`}`), signs: true };
}
