// The kitchen's door: TLS on the local network in front of the web server, which itself answers this machine alone. It
// lets in paired devices, strips every header that could name one, and passes on who it is under a secret of this start.
// Told by its parent: { key, chain, authority, hosts, endsAt }, again whenever the certificate is renewed.
import { createHash } from 'node:crypto';
import { Agent, request } from 'node:http';
import { createServer } from 'node:https';
import pg from 'pg';

const PORT = Number(process.env.KITCHEN_PORT);
const BIND = process.env.KITCHEN_BIND ?? '0.0.0.0';
const UPSTREAM = Number(process.env.PORT);
const SECRET = process.env.EVEN_CRUMB_LISTENER ?? '';
if (SECRET.length < 32) throw new Error('EVEN_CRUMB_LISTENER has at least 32 characters');

const log = (event, facts = {}) =>
  process.stderr.write(`${JSON.stringify({ at: new Date().toISOString(), event, ...facts })}\n`);

/** What a device that is not paired may look at: the way in, and what its page is drawn with. */
const OPEN = /^\/(?:pair(?:\/authority\.crt)?|_next\/static\/[\w\-./~]+|icon\.svg|favicon\.ico)$/;
/** The one thing that it may send: the code. No action of a page, whatever address it is sent to. */
const PAIRS = '/pair/in';
const COOKIE = /(?:^|;\s*)__Host-device=([\w-]{43})(?:;|$)/;
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
/** The device of a token; null: there is none, or it was let out. */
async function deviceOf(token) {
  const hash = createHash('sha256').update(token).digest();
  const key = hash.toString('hex');
  const had = known.get(key);
  const now = Date.now();
  if (had && now - had.at < KNOWN_MS) return had.id;
  try {
    const { rows } = await pool.query(
      'update gate.devices set seen_at = now() where token_hash = $1 and revoked_at is null returning id',
      [hash],
    );
    const id = rows[0]?.id ?? null;
    if (known.size > 1000) known.clear();
    known.set(key, { id, at: now, sure: now });
    return id;
  } catch (e) {
    log('listener-records', { said: e.message });
    return had && now - had.at < AWAY_MS ? had.id : undefined;
  }
}

/** What a device is being answered just now: a stream may last, and ends when the device is let out. */
const answering = new Map();
setInterval(async () => {
  for (const token of new Set(answering.values()))
    if ((await deviceOf(token)) === null) for (const [res, of] of answering) if (of === token) res.destroy();
}, 2 * KNOWN_MS).unref();

let told = null;
const hostOk = (host) => told?.hosts.some((h) => host === `${h}:${PORT}` || (PORT === 443 && host === h)) ?? false;

const clients = new Map();
function tooMany(ip) {
  const now = Date.now();
  const c = clients.get(ip);
  if (!c || now - c.since > WINDOW_MS) {
    if (clients.size > 1000) clients.clear();
    clients.set(ip, { since: now, n: 1 });
    return false;
  }
  c.n += 1;
  return c.n > MOST_IN_WINDOW;
}

const SAFE = new Set(['GET', 'HEAD']);
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

/** Headers as they are passed on: none that names a device, a person or another way here. */
function passed(headers, device, mayAll) {
  const kept = Object.fromEntries(
    Object.entries(headers).filter(
      ([k]) =>
        !/^(?:x-|forwarded$|via$|connection$|keep-alive$|proxy-|te$|trailer$|transfer-encoding$|upgrade$|authorization$)/.test(
          k,
        ) &&
        (mayAll || k !== 'next-action'),
    ),
  );
  return {
    ...kept,
    'x-even-crumb-listener': SECRET,
    'x-even-crumb-device': device ?? '',
  };
}

const agent = new Agent({ keepAlive: true, maxSockets: 100 });

async function handle(req, res) {
  const ip = req.socket.remoteAddress ?? '';
  const host = (req.headers.host ?? '').toLowerCase();
  if (!hostOk(host)) return answer(res, 421, 'Even Crumb does not answer to that name.');
  if (tooMany(ip)) return answer(res, 429, 'Too much at once.', { 'retry-after': '10' });
  // who changes something is a page of this very address
  if (!SAFE.has(req.method) && req.headers.origin !== `https://${host}`)
    return answer(res, 403, 'Only pages of Even Crumb itself may change something here.');
  if (Number(req.headers['content-length'] ?? 0) > MOST_BYTES) return answer(res, 413, 'Too much at once.');
  const path = pathOf(req.url ?? '');
  if (path === null) return answer(res, 400, 'That address is not well formed.');
  const token = COOKIE.exec(req.headers.cookie ?? '')?.[1];
  const device = token ? await deviceOf(token) : null;
  if (device === undefined) return answer(res, 503, 'The records are away: who may come in can’t be told.');
  const mayAll = device !== null;
  if (!mayAll && !(SAFE.has(req.method) ? OPEN.test(path) : req.method === 'POST' && path === PAIRS)) {
    const looks = req.method === 'GET' && /text\/html/.test(req.headers.accept ?? '') && !req.headers.rsc;
    return looks ? answer(res, 303, '', { location: '/pair' }) : answer(res, 401, 'This device is not paired.');
  }
  if (path === '/pair/authority.crt')
    return answer(res, 200, told.authority, {
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
        ...passed(req.headers, device, mayAll),
        ...(req.headers['transfer-encoding'] ? { 'transfer-encoding': 'chunked' } : {}),
      },
      agent,
    },
    (from) => {
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
  if (token) answering.set(res, token);
  res.on('close', () => {
    answering.delete(res);
    up.destroy();
  });
  req.pipe(up);
}

const server = createServer(
  { minVersion: 'TLSv1.2', requestTimeout: 120_000, headersTimeout: 20_000, maxHeaderSize: 32_768 },
  (req, res) => {
    handle(req, res).catch((e) => {
      log('listener-fault', { said: e.message });
      if (res.headersSent) res.destroy();
      else answer(res, 500, 'Something went wrong at the door.');
    });
  },
);
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
  if (n > MOST_CONNECTIONS) socket.destroy();
});

process.on('message', (m) => {
  told = { hosts: m.hosts, authority: m.authority };
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
