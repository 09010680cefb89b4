import { DEVICE, WAY_IN } from '@/contract/device';
import { ownScreenOnly, wayIn } from './way-in';

const by = (h: Readonly<Record<string, string>>) => ({ get: (name: string) => h[name] ?? null });

test('what belongs to the server’s own screen is refused to a paired device, and to who is at the door', () => {
  const own = by({ [WAY_IN]: 'own' });
  const device = by({ [WAY_IN]: 'door', [DEVICE]: 'd1' });
  const outside = by({ [WAY_IN]: 'door', [DEVICE]: '' });
  expect([own, device, outside].map(wayIn)).toEqual(['own', 'device', 'outside']);
  expect([own, device, outside].map((h) => ownScreenOnly(h).ok)).toEqual([true, false, false]);
  // without the proxy's word nobody is at the own screen
  expect(wayIn(by({}))).toBe('outside');
});
