// The kitchen's door: TLS on the local network in front of the web server, which itself answers this machine alone. It
// lets in paired devices, strips every header that could name one, and passes on who it is under a secret of this start.
// Told by its parent: { key, chain, authority, hosts, endsAt }, again whenever the certificate is renewed.
// Behind a proxy of the kitchen's own (KITCHEN_PROXY, its origin) it speaks plain HTTP to this machine alone: TLS is the
// proxy's.
import { createHash, X509Certificate } from 'node:crypto';
import { Agent, createServer as createPlain, request } from 'node:http';
import { createServer } from 'node:https';
import pg from 'pg';
import { perClient } from './per-client.mjs';

const PORT = Number(process.env.KITCHEN_PORT);
const PROXY = process.env.KITCHEN_PROXY ? new URL(process.env.KITCHEN_PROXY) : null;
const BIND = PROXY ? '127.0.0.1' : (process.env.KITCHEN_BIND ?? '0.0.0.0');
const UPSTREAM = Number(process.env.PORT);
const SECRET = process.env.EVEN_CRUMB_LISTENER ?? '';
if (SECRET.length < 32) throw new Error('EVEN_CRUMB_LISTENER has at least 32 characters');

const log = (event, facts = {}) =>
  process.stderr.write(`${JSON.stringify({ at: new Date().toISOString(), event, ...facts })}\n`);

/** What a device that is not paired may look at: the way in, and what its page is drawn with. */
const OPEN =
  /^\/(?:pair(?:\/authority\.crt)?|_next\/static\/[\w\-./~]+|icon\.svg|favicon\.ico|icon-\d+\.png|apple-icon\.png|manifest\.webmanifest)$/;
/** The one thing that it may send: the code. No action of a page, whatever address it is sent to. */
const PAIRS = '/pair/in';
const COOKIE = /(?:^|;\s*)__Host-device=([\w-]{43})(?:;|$)/;
const SIGNED = /(?:^|;\s*)__Host-signed=([\w-]{43})(?:;|$)/;
/** A program shows its token here, and is let to the interface for programs alone. */
const BEARER = /^Bearer ([\w-]{43})$/;
const PROGRAMS = /^\/api\/v1\//;
/** A token that was looked up is known for so long, ms: a device that is let out is out within a second. */
const KNOWN_MS = 1000;
/** While the records are away, those that were in stay in for so long, ms. */
const AWAY_MS = 10 * 60_000;
/** Requests of one client in the window, and its connections at once. */
const [WINDOW_MS, MOST_IN_WINDOW, MOST_CONNECTIONS] = [10_000, 600, 60];
const MOST_BYTES = 30_000_000;

const pool = new pg.Pool({
  connectionString: process.env.DATABASE_URL,
  max: 2,
  connectionTimeoutMillis: 3000,
  query_timeout: 3000,
});
pool.on('error', (e) => log('listener-records', { said: e.message }));

const known = new Map();
/** What the records say of a token, or of a device's and a person's. @returns undefined: they are away, and it is not known */
async function lookedUp(key, sql, values) {
  const had = known.get(key);
  const now = Date.now();
  if (had && now - had.at < KNOWN_MS) return had.row;
  try {
    const { rows } = await pool.query(sql, values);
    if (known.size > 1000) known.clear();
    known.set(key, { row: rows[0] ?? null, at: now });
    return rows[0] ?? null;
  } catch (e) {
    log('listener-records', { said: e.message });
    return had && now - had.at < AWAY_MS ? had.row : undefined;
  }
}
const sha = (text) => createHash('sha256').update(text).digest();

/**
 * The device of a cookie, who has signed on it and what they may: who leads where nobody of the house has a PIN; else
 * who has not signed is a guest. Null: it was let out, or never paired.
 * @param used by a hand: a page that asks by itself keeps no session open
 */
const deviceOf = (token, signed, used = false) =>
  lookedUp(
    `${sha(token).toString('hex')} ${signed}`,
    `with device as (update gate.devices set seen_at = now() where token_hash = $1 and revoked_at is null returning id),
          signed as (update gate.sessions s set seen_at = case when $3 then now() else s.seen_at end from device d, people p, gate.pins g
                      where s.token_hash = $2 and s.device_id = d.id and gate.session_ends(s) > now()
                        and p.id = s.person_id and p.erased_at is null and p.role <> 'child' and g.person_id = p.id
                    returning s.id as session, p.id as person, p.role, s.locked_at is not null as locked)
     select d.id, s.session, s.person, s.locked,
            coalesce(s.role, case when exists (select 1 from gate.pins g join people p on p.id = g.person_id and p.erased_at is null) then 'guest' else 'lead' end) as role
       from device d left join signed s on true`,
    [sha(token), signed ? sha(signed) : Buffer.alloc(32), used],
  );

const forget = (token) => {
  const of = sha(token).toString('hex');
  for (const key of known.keys()) if (key.startsWith(of)) known.delete(key);
};

/** What a program's token may; null: it is not, or no longer, good. */
const scopeOf = (token) =>
  lookedUp(
    `token ${sha(token).toString('hex')}`,
    'update gate.tokens set seen_at = now() where token_hash = $1 and revoked_at is null and expires_at > now() returning scope',
    [sha(token)],
  );

/** What a device is being answered just now: a stream may last, and ends when the device is let out. */
const answering = new Map();
setInterval(async () => {
  for (const [res, { token, signed, person }] of answering) {
    const now = await deviceOf(token, signed);
    if (now === null || (now && now.person !== person)) res.destroy();
  }
}, 2 * KNOWN_MS).unref();

let told = null;
const hostOk = (host) =>
  PROXY
    ? host === PROXY.host
    : (told?.hosts.some((h) => host === `${h}:${PORT}` || (PORT === 443 && host === h)) ?? false);
/** Who asks: by the proxy's word, which is the last of the list, where there is one. */
const clientOf = (req) =>
  (PROXY &&
    String(req.headers['x-forwarded-for'] ?? '')
      .split(',')
      .at(-1)
      ?.trim()) ||
  req.socket.remoteAddress ||
  '';

const tooMany = perClient({ windowMs: WINDOW_MS, most: MOST_IN_WINDOW });

const SAFE = new Set(['GET', 'HEAD']);
/** Something is sent, or a page is gone to. */
const isUse = (req) => !SAFE.has(req.method) || req.headers['sec-fetch-mode'] === 'navigate';
const answer = (res, status, text, headers = {}) => {
  res.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store', ...headers });
  res.end(text);
};

/** The path as the web server will read it; null: it is written so that the two could read different things. */
function pathOf(target) {
  if (!target.startsWith('/') || target.startsWith('//')) return null;
  const raw = target.split(/[?#]/)[0] ?? '';
  try {
    const { pathname } = new URL(target, 'https://kitchen.invalid');
    return pathname === raw && !/%(?:2e|2f|5c|00)/i.test(raw) ? pathname : null;
  } catch {
    return null;
  }
}

/** Headers as they are passed on: none that names a device, a person or another way here, and the door's own word. */
function passed(headers, device, scope) {
  const kept = Object.fromEntries(
    Object.entries(headers).filter(
      ([k]) =>
        !/^(?:x-|forwarded$|via$|connection$|keep-alive$|proxy-|te$|trailer$|transfer-encoding$|upgrade$|authorization$)/.test(
          k,
        ) &&
        (device || k !== 'next-action'),
    ),
  );
  return {
    ...kept,
    'x-even-crumb-listener': SECRET,
    'x-even-crumb-device': device?.id ?? '',
    'x-even-crumb-session': device?.session ?? '',
    'x-even-crumb-person': device?.person ?? '',
    'x-even-crumb-role': device?.role ?? 'guest',
    'x-even-crumb-locked': device?.locked ? 'yes' : '',
    'x-even-crumb-token': scope ?? '',
  };
}

const agent = new Agent({ keepAlive: true, maxSockets: 100 });

async function handle(req, res) {
  const ip = clientOf(req);
  const host = (req.headers.host ?? '').toLowerCase();
  if (!hostOk(host)) return answer(res, 421, 'Even Crumb does not answer to that name.');
  // a proxy that takes plain HTTP from devices would carry their cookies in the open
  if (PROXY && req.headers['x-forwarded-proto'] !== 'https') return answer(res, 421, 'Even Crumb is asked over https.');
  if (tooMany(ip, Date.now())) return answer(res, 429, 'Too much at once.', { 'retry-after': '10' });
  if (Number(req.headers['content-length'] ?? 0) > MOST_BYTES) return answer(res, 413, 'Too much at once.');
  const path = pathOf(req.url ?? '');
  if (path === null) return answer(res, 400, 'That address is not well formed.');
  const bearer = PROGRAMS.test(path) ? BEARER.exec(req.headers.authorization ?? '')?.[1] : undefined;
  // who changes something is a page of this very address, or a program with a token, which no page can send
  if (!bearer && !SAFE.has(req.method) && req.headers.origin !== `https://${host}`)
    return answer(res, 403, 'Only pages of Even Crumb itself may change something here.');
  const token = bearer ? undefined : COOKIE.exec(req.headers.cookie ?? '')?.[1];
  const signed = SIGNED.exec(req.headers.cookie ?? '')?.[1] ?? '';
  const [program, device] = [
    bearer ? await scopeOf(bearer) : null,
    token ? await deviceOf(token, signed, isUse(req)) : null,
  ];
  if (device === undefined || program === undefined)
    return answer(res, 503, 'The records are away: who may come in can’t be told.');
  if (bearer && !program) return answer(res, 401, 'That token is not, or no longer, good.');
  if (!device && !program && !(SAFE.has(req.method) ? OPEN.test(path) : req.method === 'POST' && path === PAIRS)) {
    const looks = req.method === 'GET' && /text\/html/.test(req.headers.accept ?? '') && !req.headers.rsc;
    return looks ? answer(res, 303, '', { location: '/pair' }) : answer(res, 401, 'This device is not paired.');
  }
  if (path === '/pair/authority.crt')
    return !told.authority
      ? answer(res, 404, 'The certificate is the proxy’s.')
      : answer(res, 200, told.authority, {
          'content-type': 'application/x-x509-ca-cert',
          'content-disposition': 'attachment; filename="even-crumb-kitchen.crt"',
        });
  const up = request(
    {
      host: '127.0.0.1',
      port: UPSTREAM,
      method: req.method,
      path: req.url,
      headers: {
        ...passed(req.headers, device, program?.scope),
        ...(req.headers['transfer-encoding'] ? { 'transfer-encoding': 'chunked' } : {}),
      },
      agent,
    },
    (from) => {
      // who has signed is another now, and the page that follows is to say so
      if (token && path.startsWith('/sign/')) forget(token);
      const { connection: _, 'keep-alive': __, 'transfer-encoding': ___, ...headers } = from.headers;
      res.writeHead(from.statusCode ?? 502, headers);
      from.pipe(res);
    },
  );
  up.on('error', () => {
    if (res.headersSent) res.destroy();
    else answer(res, 502, 'Even Crumb is being started again.', { 'retry-after': '2' });
  });
  let bytes = 0;
  req.on('data', (d) => {
    bytes += d.length;
    if (bytes > MOST_BYTES) req.destroy();
  });
  if (token) answering.set(res, { token, signed, person: device?.person ?? null });
  res.on('close', () => {
    answering.delete(res);
    up.destroy();
  });
  req.pipe(up);
}

const LIMITS = { requestTimeout: 120_000, headersTimeout: 20_000, maxHeaderSize: 32_768 };
const takes = (req, res) => {
  handle(req, res).catch((e) => {
    log('listener-fault', { said: e.message });
    if (res.headersSent) res.destroy();
    else answer(res, 500, 'Something went wrong at the door.');
  });
};
const server = PROXY ? createPlain(LIMITS, takes) : createServer({ ...LIMITS, minVersion: 'TLSv1.2' }, takes);
const open = new Map();
server.on('connection', (socket) => {
  const ip = socket.remoteAddress ?? '';
  const n = (open.get(ip) ?? 0) + 1;
  open.set(ip, n);
  socket.once('close', () => {
    const left = (open.get(ip) ?? 1) - 1;
    if (left > 0) open.set(ip, left);
    else open.delete(ip);
  });
  // a proxy brings those of all
  if (n > MOST_CONNECTIONS && !PROXY) socket.destroy();
});

/** Notes until when the certificate is good, so that every screen can say so in time. */
const noteEnd = (chain) =>
  pool
    .query(
      'insert into gate.door (ends_at) values ($1) on conflict (only_one) do update set ends_at = excluded.ends_at',
      [new Date(new X509Certificate(chain).validTo)],
    )
    .catch((e) => log('listener-records', { said: e.message }));

process.on('message', (m) => {
  told = { hosts: m.hosts, authority: m.authority };
  if (PROXY) {
    if (!server.listening) server.listen(PORT, BIND, () => process.send?.('open'));
    return;
  }
  void noteEnd(m.chain);
  server.setSecureContext({ key: m.key, cert: m.chain, minVersion: 'TLSv1.2' });
  if (server.listening) {
    log('certificate-renewed');
    process.send?.('renewed');
    return;
  }
  server.listen(PORT, BIND, () => process.send?.('open'));
});
server.on('error', (e) => {
  log('listener-ended', { said: e.message });
  process.exit(1);
});
// with its parent it ends too
process.on('disconnect', () => process.exit(0));
