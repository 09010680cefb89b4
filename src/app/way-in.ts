/** How a request came in, by the headers that the proxy alone sets. */
import { type ActionResult, refuse } from '@/contract/action-result';
import { DEVICE, WAY_IN } from '@/contract/device';

/**
 * `own`: by the listener on 127.0.0.1, the server's own screen; `device`: by the kitchen's door, paired; `outside`: by
 * the door, and nobody knows it yet.
 */
export function wayIn(headers: { readonly get: (name: string) => string | null }): 'own' | 'device' | 'outside' {
  if (headers.get(WAY_IN) === 'own') return 'own';
  return headers.get(DEVICE) ? 'device' : 'outside';
}

/** What belongs to the server's own screen is refused everywhere else. */
export const ownScreenOnly = (headers: { readonly get: (name: string) => string | null }): ActionResult =>
  wayIn(headers) === 'own' ? { ok: true } : refuse('That is done on the server’s own screen alone.');
