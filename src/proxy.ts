/**
 * Before every request: only this machine's own names are answered (a page elsewhere can't reach in by a rebound name),
 * and every page gets a content policy whose scripts carry a fresh nonce.
 */
import { timingSafeEqual } from 'node:crypto';
import { type NextRequest, NextResponse } from 'next/server';
import { DEVICE, DOORS_WORDS, ROLE, TOKEN, WAY_IN } from '@/contract/device';
import { atLeast, leastAt, MAY } from '@/contract/roles';

/** Methods that only look. */
const LOOKS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Whether a request that may change something comes from a page of another origin. Programs send no origin, and may.
 */
function foreign(request: NextRequest): boolean {
  if (LOOKS.has(request.method)) return false;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') return true;
  if (origin === null) return false;
  try {
    return new URL(origin).host !== request.headers.get('host');
  } catch {
    return true; // "null": a page without an origin is nobody's
  }
}

/** A path that no address can mean: half an escape, or a NUL. */
function malformed(path: string): boolean {
  try {
    return decodeURIComponent(path).includes('\u0000');
  } catch {
    return true;
  }
}

const told = (status: number, title: string, detail: string): NextResponse =>
  new NextResponse(
    JSON.stringify({ type: `/api/v1/openapi.json#problem-${status}`, title, status, detail, errors: [] }),
    {
      status,
      headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' },
    },
  );

/** A page never sends more at once, bytes: what is larger comes as a file. */
const MOST_SENT = 4_000_000;
/** Lists in lists that what a page sends may hold. */
const DEEPEST = 64;

/** Whether the body of an action is a list that can be read; what comes as a form, by its parts. */
async function readable(request: NextRequest): Promise<boolean> {
  const type = request.headers.get('content-type') ?? '';
  try {
    if (type.startsWith('multipart/form-data')) return [...(await request.clone().formData())].length > 0;
    const text = await request.clone().text();
    let [depth, quoted] = [0, false];
    for (let n = 0; n < text.length; n++) {
      const c = text[n];
      if (quoted && c === '\\') n++;
      else if (c === '"') quoted = !quoted;
      else if (!quoted && (c === '[' || c === '{') && ++depth > DEEPEST) return false;
      else if (!quoted && (c === ']' || c === '}')) depth--;
    }
    const sent: unknown = JSON.parse(text);
    // what refers to another part of a form has none here
    return Array.isArray(sent) && !/"\$[FKBh@]/.test(text);
  } catch {
    return false;
  }
}

/** Under which the kitchen's door says that a request came through it; nobody else knows the secret. */
const DOOR = 'x-even-crumb-listener';
/** Null: it did not come through the door; false: it says so, and does not know the secret. */
function throughDoor(request: NextRequest): boolean | null {
  const said = request.headers.get(DOOR);
  if (said === null) return null;
  const secret = process.env.EVEN_CRUMB_LISTENER ?? '';
  return secret.length >= 32 && same(said, secret);
}

/** Same length, same text, told in the same time whatever it is. */
const same = (a: string, b: string): boolean => {
  const [x, y] = [Buffer.from(a), Buffer.from(b)];
  return x.length === y.length && timingSafeEqual(x, y);
};

const OWN_SCREEN = 'own-screen';
/**
 * Behind a proxy of the kitchen's own, an address says nothing of who asks: this machine's own screen has the key that
 * the start has printed. Null: there is no proxy, or it has it.
 */
function keyless(request: NextRequest): NextResponse | null {
  const key = process.env.EVEN_CRUMB_OWN_KEY;
  // whether the server is up, the start asks by itself
  if (!key || request.nextUrl.pathname === '/api/health') return null;
  if (request.nextUrl.pathname === '/own' && same(request.nextUrl.searchParams.get('key') ?? '', key)) {
    const to = request.nextUrl.clone();
    to.pathname = '/';
    to.search = '';
    const opened = NextResponse.redirect(to, 303);
    opened.cookies.set(OWN_SCREEN, key, { httpOnly: true, sameSite: 'strict', path: '/' });
    return opened;
  }
  return same(request.cookies.get(OWN_SCREEN)?.value ?? '', key)
    ? null
    : new NextResponse('This machine’s own screen opens by the address that npm start has printed.', { status: 401 });
}

/** Of the interface for programs, what keeps something. */
const KEEPS = /^\/api\/v1\/formulas(?:\/|$)/;

/** What came through the door and is not for who sends it; null: it is. */
function notForThem(request: NextRequest): NextResponse | null {
  const path = request.nextUrl.pathname;
  const scope = request.headers.get(TOKEN);
  if (scope) {
    const looks = LOOKS.has(request.method) || !KEEPS.test(path);
    return path.startsWith('/api/v1/') && (scope === 'write' || looks)
      ? null
      : told(403, 'Not for this token', 'A token is for /api/v1, and keeps something only with the scope "write".');
  }
  // who is not paired is at the door, which lets through what is for them
  if (!request.headers.get(DEVICE)) return null;
  const may = MAY.find((m) => m === request.headers.get(ROLE)) ?? 'guest';
  if (atLeast(may, leastAt(path))) return null;
  const page =
    request.method === 'GET' && /text\/html|text\/x-component/.test(request.headers.get('accept') ?? 'text/html');
  if (!page && !request.headers.has('rsc'))
    return told(403, 'Not for who has signed', 'That is for another role here.');
  const to = request.nextUrl.clone();
  to.pathname = '/sign';
  to.search = `?${new URLSearchParams({ to: path })}`;
  // told as a way within this server: by which name the device reached it, the door knows
  return NextResponse.redirect(to, 303);
}

const OWN_HOST = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/;
const dev = process.env.NODE_ENV === 'development';

export async function proxy(request: NextRequest): Promise<NextResponse> {
  const byDoor = throughDoor(request);
  // what needs no device belongs to the listener on 127.0.0.1, never to what a request says of itself
  if (byDoor === false || (byDoor === null && !OWN_HOST.test(request.headers.get('host') ?? '')))
    return new NextResponse('Even Crumb answers only on this machine.', { status: 421 });
  if (foreign(request))
    return told(403, 'Another origin', 'Only pages of Even Crumb itself may change something here.');
  if (!LOOKS.has(request.method) && request.method !== 'POST' && !request.nextUrl.pathname.startsWith('/api/'))
    return told(
      400,
      'The request could not be read',
      'Pages are looked at and posted to; that method means nothing here.',
    );
  if (malformed(request.nextUrl.pathname))
    return told(400, 'The request could not be read', 'That address is not well formed.');
  const not = byDoor ? notForThem(request) : keyless(request);
  if (not) return not;
  if (
    request.method === 'POST' &&
    request.headers.has('next-action') &&
    Number(request.headers.get('content-length') ?? 0) > MOST_SENT
  )
    return told(413, 'Too much at once', `A page sends at most ${MOST_SENT / 1e6} MB at once: send it in parts.`);
  if (request.method === 'POST' && request.headers.has('next-action') && !(await readable(request)))
    return told(
      400,
      'The request could not be read',
      'What was sent to this page is not well formed: nothing of it was done.',
    );
  // no picture here is made by the server while it is looked at
  if (request.nextUrl.pathname.startsWith('/_next/image')) return new NextResponse(null, { status: 404 });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${dev ? " 'unsafe-eval'" : ''}`,
    // Radix and sonner set inline styles
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.delete(DOOR);
  if (!byDoor) for (const word of DOORS_WORDS) headers.delete(word);
  headers.set(WAY_IN, byDoor ? 'door' : 'own');
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('cross-origin-resource-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=(), payment=()');
  return response;
}

export const config = { matcher: ['/((?!_next/static).*)'] };
