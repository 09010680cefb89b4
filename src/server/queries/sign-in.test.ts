/** Who signs on the devices, on the real database: PINs, sessions, whose an act is, and what is noted of it. */
import { randomUUID } from 'node:crypto';
import { POST as act } from '@/app/acts/route';
import { type Sender, senderOfAct } from '@/app/way-in';
import { type ActName, SENT_ACTS } from '@/contract/acts';
import { DEVICE, LOCKED, PERSON, pinSchema, ROLE, SESSION, WAY_IN } from '@/contract/device';
import { atLeast, leastFor, MAY } from '@/contract/roles';
import { oneLife } from '../../../bench/every-act';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { openPairing, pairDevice } from './devices';
import { erasePerson, keepPerson } from './people';
import { auditLog, dropPin, handsOf, lockScreen, sessionOf, setPin, signers, signIn, signOff } from './sign-in';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

beforeAll(() => ownDatabase('sign_in'));
afterAll(closePool);

async function person(
  name: string,
  role: 'lead' | 'cook' | 'helper' | 'child' = 'cook',
  pin = '2580',
): Promise<string> {
  const id = randomUUID();
  await keepPerson({ id, name, role, mark: 'egg', revision: null });
  await setPin(id, pin);
  return id;
}
async function device(name: string): Promise<string> {
  const { code } = await openPairing();
  await pairDevice({ code, name, place: '' });
  return String((await query('select id from gate.devices where name = $1', [name]))[0]?.id);
}
/** Signs, and has to be let in. */
async function signed(on: string, who: string): Promise<{ readonly token: string; readonly session: string }> {
  const a = await signIn(on, who, '2580');
  if (!a.ok) throw new Error(a.message);
  return a;
}

test('figures that anybody would try first are no PIN', () => {
  for (const plain of ['1234', '0000', '7777', '123456', '4321', '12', 'abcd', '1234567890123'])
    expect([plain, pinSchema.safeParse(plain).success]).toEqual([plain, false]);
  for (const good of ['2580', '0193', '902174'])
    expect([good, pinSchema.safeParse(good).success]).toEqual([good, true]);
});

test('a right PIN signs, with another token each time; who had signed on the device is not any more', async () => {
  const [hazel, rowan, tablet] = [await person('Hazel'), await person('Rowan'), await device('Tablet')];
  const first = await signed(tablet, hazel);
  const again = await signed(tablet, hazel);
  expect(again.token).not.toBe(first.token);
  const second = await signed(tablet, rowan);
  const open = await query('select id from gate.sessions where device_id = $1 and ended_at is null', [tablet]);
  expect(open).toEqual([{ id: second.session }]);
  const kept = JSON.stringify(
    await query('select s::text as t from gate.sessions s union all select p::text from gate.pins p'),
  );
  for (const way of [first.token, again.token, second.token, '2580']) expect(kept).not.toContain(way);
  await signOff(tablet);
  expect((await sessionOf(second.session))?.ends).toBeLessThanOrEqual(Date.now());
});

test('wrong PINs shut a person out for ever longer, the right one too, also when many are tried at once', async () => {
  const [ash, tablet] = [await person('Ash'), await device('Griddle 1')];
  const wrong = () => signIn(tablet, ash, '9999');
  // of eight at once each is counted: the fifth and later ones find the person shut out
  const said = await Promise.all(Array.from({ length: 8 }, wrong));
  expect(said.every((a) => !a.ok)).toBe(true);
  const [{ wrong: counted, s }] = (await query(
    'select wrong, extract(epoch from locked_until - now())::float8 as s from gate.pins where person_id = $1',
    [ash],
  )) as [{ wrong: number; s: number }];
  expect(counted).toBe(5);
  expect(s).toBeGreaterThan(0);
  expect(s).toBeLessThanOrEqual(60);
  expect(await signIn(tablet, ash, '2580')).toMatchObject({ ok: false });
  for (const lasts of [120, 240, 480]) {
    await query("update gate.pins set locked_until = now() - interval '1 second' where person_id = $1", [ash]);
    await wrong();
    const [row] = await query(
      'select round(extract(epoch from locked_until - now()))::int as s from gate.pins where person_id = $1',
      [ash],
    );
    expect([lasts, Math.abs(Number(row?.s) - lasts) <= 5]).toEqual([lasts, true]);
  }
  // mended on the server's own screen
  await setPin(ash, '8520');
  expect((await signIn(tablet, ash, '8520')).ok).toBe(true);
});

test('a child has no PIN; who is erased, made a child or loses the PIN signs no more', async () => {
  const child = randomUUID();
  await keepPerson({ id: child, name: 'Fern', role: 'child', mark: 'egg', revision: null });
  expect((await setPin(child, '2580')).ok).toBe(false);
  expect((await signers()).some((p) => p.name === 'Fern')).toBe(false);
  const [birch, alder, elm, tablet] = [
    await person('Birch'),
    await person('Alder'),
    await person('Elm'),
    await device('Bench'),
  ];
  await erasePerson(birch);
  await keepPerson({ id: alder, name: 'Alder', role: 'child', mark: 'egg', revision: 1 });
  const { session } = await signed(tablet, elm);
  await dropPin(elm);
  expect((await sessionOf(session))?.ends).toBeLessThanOrEqual(Date.now());
  for (const who of [birch, alder, elm, randomUUID()]) expect((await signIn(tablet, who, '2580')).ok).toBe(false);
});

test('an act that waited stays theirs who had signed when it was done, whoever has signed since', async () => {
  const [wren, sorrel, lead] = [await person('Wren', 'helper'), await person('Sorrel'), await person('Linden', 'lead')];
  const [tablet, other] = [await device('Griddle 2'), await device('Phone')];
  const hers = await signed(tablet, wren);
  const his = await signed(tablet, sorrel);
  const elsewhere = await signed(other, lead);
  await query(
    "update gate.sessions set began_at = began_at - interval '1 hour', ended_at = now() - interval '30 minutes' where id = $1",
    [hers.session],
  );
  const now: Sender = { device: tablet, person: sorrel, session: his.session, may: 'cook', locked: false };
  const MIN = 60_000;
  const of = (session: string | null, ago: readonly number[], on: string | null = tablet, as = now) =>
    senderOfAct(as, session, on, ago);
  expect(await of(hers.session, [45 * MIN, 40 * MIN])).toMatchObject({
    ok: true,
    who: { person: wren, may: 'helper' },
  });
  expect(await of(his.session, [0])).toMatchObject({ ok: true, who: { person: sorrel } });
  expect(await of(null, [45 * MIN])).toMatchObject({ ok: true, who: { person: null, device: tablet, may: 'cook' } });
  // not done while she had signed: nobody signs for her afterwards
  expect((await of(hers.session, [45 * MIN, 10 * MIN])).ok).toBe(false);
  expect((await of(hers.session, [180 * MIN])).ok).toBe(false);
  // a session of another device, one that never was, and a device that was let out and is paired anew
  expect((await of(elsewhere.session, [0])).ok).toBe(false);
  expect((await of(randomUUID(), [0])).ok).toBe(false);
  expect((await of(null, [0], other)).ok).toBe(false);
  const leads: Sender = { ...now, person: lead, may: 'lead' };
  expect(await of(null, [0], other, leads)).toMatchObject({ ok: true, who: { person: lead } });
  expect(await of(hers.session, [180 * MIN], tablet, leads)).toMatchObject({ ok: true, who: { person: lead } });
  // what she was made since counts, not what she was
  await keepPerson({ id: wren, name: 'Wren', role: 'child', mark: 'egg', revision: 1 });
  expect(await of(hers.session, [45 * MIN])).toMatchObject({ ok: true, who: { may: 'guest' } });
});

const as = (s: Partial<Sender>) => ({
  [WAY_IN]: 'door',
  [DEVICE]: s.device ?? '',
  [SESSION]: s.session ?? '',
  [PERSON]: s.person ?? '',
  [ROLE]: s.may ?? 'guest',
  [LOCKED]: s.locked ? 'yes' : '',
});
const send = async (name: ActName, input: unknown, headers: Readonly<Record<string, string>>) => {
  const body = JSON.stringify({
    name,
    input,
    agoMs: 1000,
    session: headers[SESSION] || null,
    device: headers[DEVICE] || null,
  });
  const r = await act(new Request('http://127.0.0.1/acts', { method: 'POST', headers, body }));
  return { status: r.status, said: (await r.json()) as { ok: boolean; kind?: string; message?: string } };
};

test('every act by every role: what is beyond it is refused before it is read, whatever is sent; nothing falls over', async () => {
  const tablet = await device('Role tablet');
  const junk = [
    null,
    [],
    'text',
    7,
    {},
    { id: 'no', batchId: randomUUID(), items: [] },
    { id: randomUUID(), revision: -1 },
  ];
  for (const may of MAY)
    for (const name of (Object.keys(SENT_ACTS) as ActName[]).filter((n) => n !== 'keep-photo'))
      for (const input of junk) {
        const { status, said } = await send(name, input, as({ device: tablet, may }));
        expect([may, name, status]).toEqual([may, name, 200]);
        const isBeyond = !atLeast(may, leastFor(name));
        const refusal = /^(?:Nobody has signed|That is for somebody)/.test(said.message ?? '');
        expect([may, name, input, refusal, said.kind === 'fault']).toEqual([may, name, input, isBeyond, false]);
      }
  const locked = await send('count-stock', {}, as({ device: tablet, may: 'lead', locked: true }));
  expect(locked.said).toMatchObject({ ok: false, kind: 'away' });
});

test('who, and on which device, stands on what was done, and in the log; a later hand signs for itself', async () => {
  const [willow, tablet] = [await person('Willow', 'lead'), await device('Island')];
  const { session } = await signed(tablet, willow);
  const headers = as({ device: tablet, person: willow, session, may: 'lead' });
  let batch = '';
  await oneLife(
    async (name, input) => {
      const { said } = await send(name as ActName, input, headers);
      // no photograph is sent here
      if (!said.ok && !name.startsWith('photo-')) throw new Error(`${name}: ${said.message}`);
      if (name === 'start-batch') batch ||= String((said as unknown as { batchId: string }).batchId);
      return said as never;
    },
    'one',
    {
      learner: willow,
      photo: () => Promise.resolve(randomUUID()),
      bookOf: async (lotId) =>
        String(
          (await query("select id from lot_uses where lot_id = $1 and kind = 'gift' and undoes is null", [lotId]))[0]
            ?.id,
        ),
    },
  );
  const hers = { by_person: willow, by_device: tablet };
  for (const table of ['formula_versions', 'stock_counts'])
    expect([table, await query(`select distinct by_person, by_device from ${table}`)]).toEqual([table, [hers]]);
  expect(await query('select distinct by_person, by_device from batches where verdict is not null')).toEqual([hers]);
  // a weight that the server's own screen writes over is nobody's who has signed
  const [line] = await query(
    "select l->>'key' as key from batches b, jsonb_array_elements(b.sheet) l where b.id = $1 limit 1",
    [batch],
  );
  const weigh = (grams: number, by: Readonly<Record<string, string>>) =>
    send(
      'tell-events',
      { batchId: batch, items: [{ item: { id: randomUUID(), do: 'line', key: line?.key, to: grams }, agoMs: 0 }] },
      by,
    );
  const noted = () =>
    query('select by_person, by_device from batch_weights where batch_id = $1 and line_key = $2', [batch, line?.key]);
  await weigh(101, headers);
  expect(await noted()).toEqual([hers]);
  expect(await query('select by_person, by_device from batch_ticks where batch_id = $1', [batch])).toEqual([hers]);
  await weigh(102, { [WAY_IN]: 'own' });
  expect(await noted()).toEqual([{ by_person: null, by_device: null }]);
  expect(await handsOf(batch)).toMatchObject({ weighed: ['Willow, Island'] });
  // the second look is somebody else's than who has weighed
  const rows = (await query(
    "select l->>'key' as key from batches b, jsonb_array_elements(b.sheet) l where b.id = $1 and l->>'grams' is not null",
    [batch],
  )) as { key: string }[];
  const item = (told: object) => ({ item: { id: randomUUID(), ...told }, agoMs: 0 });
  const tell = (items: readonly object[], by: Readonly<Record<string, string>>) =>
    send('tell-events', { batchId: batch, items }, by);
  await tell(
    rows.map(({ key }) => item({ do: 'line', key, to: true })),
    headers,
  );
  const look = () => {
    const entry = { id: randomUUID(), at: Date.now(), act: { what: 'checked', mix: 1, initials: 'WW' } };
    return [item({ do: 'enter', entry })];
  };
  const own = (await tell(look(), headers)).said as unknown as {
    answers: readonly { ok: boolean; message?: string }[];
  };
  expect(own.answers[0]).toMatchObject({ ok: false });
  expect(own.answers[0]?.message).toMatch(/^The second look is somebody else’s: you weighed /);
  const hazel = await person('Juniper', 'helper');
  const { session: second } = await signed(tablet, hazel);
  const hers2 = as({ device: tablet, person: hazel, session: second, may: 'helper' });
  expect((await tell(look(), hers2)).said).toMatchObject({ answers: [{ ok: true }] });
  const log = await auditLog(1000);
  expect(
    log.some((a) => a.what === 'save-formula' && a.answer === 'done' && a.person === 'Willow' && a.device === 'Island'),
  ).toBe(true);
  await lockScreen(tablet);
  expect((await sessionOf(second))?.ends).toBeLessThanOrEqual(Date.now());
});
