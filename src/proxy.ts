/**
 * Before every request: only this machine's own names are answered (a page elsewhere can't reach in by a rebound name),
 * and every page gets a content policy whose scripts carry a fresh nonce.
 */
import { type NextRequest, NextResponse } from 'next/server';

const OWN_HOST = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/;
const dev = process.env.NODE_ENV === 'development';

export function proxy(request: NextRequest): NextResponse {
  if (!OWN_HOST.test(request.headers.get('host') ?? '')) return new NextResponse('Even Crumb answers only on this machine.', { status: 421 });
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

export const config = { matcher: ['/((?!_next/static|_next/image).*)'] };
