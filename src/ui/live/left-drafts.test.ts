/** What was typed and not sent: listed with its page, dropped and put back. */
import 'fake-indexeddb/auto';
import { draftOf, keepDraftOf } from '../kit/drafts';
import { dropDraft, leftDrafts } from './left-drafts';

test('what was typed and not sent is listed with its page; dropped, it can be put back', async () => {
  Object.assign(globalThis, {
    location: { pathname: '/sides', search: '?new' },
    document: { title: 'Sauces and sides · Even Crumb' },
  });
  await keepDraftOf('side:new', { name: 'Syrup' });
  Reflect.deleteProperty(globalThis, 'document');
  // of a version that noted no page
  await keepDraftOf('older', 1);
  const listed = async () => (await leftDrafts()).map(({ name, href, words, value }) => ({ name, href, words, value }));
  const syrup = { name: 'side:new', href: '/sides?new', words: 'Sauces and sides', value: { name: 'Syrup' } };
  expect(await listed()).toEqual([syrup]);
  const [left] = await leftDrafts();
  if (!left) throw new Error('listed a line above');
  await dropDraft(left, true);
  expect([await listed(), await draftOf('side:new')]).toEqual([[], null]);
  await dropDraft(left, false);
  expect([await listed(), await draftOf('side:new')]).toEqual([[syrup], { name: 'Syrup' }]);
});
