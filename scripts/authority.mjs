// The kitchen's own certificate authority, and the certificate its listener shows. The authority is made once, may sign
// for this kitchen's names and for private networks alone, and its key never leaves the folder it stands in.
import 'reflect-metadata';
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP, isIPv6 } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import * as x509 from '@peculiar/x509';

x509.cryptoProvider.set(globalThis.crypto);

const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Browsers take no certificate that lasts longer, days. */
export const MOST_SERVER_DAYS = 397;
/** It is renewed so long before its end, days. */
export const RENEW_DAYS = 30;
const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };

/** Private networks, by address and mask, as octets: no name and no address beyond them can be signed for. */
const PRIVATE = [
  [10, 0, 0, 0, 255, 0, 0, 0],
  [127, 0, 0, 0, 255, 0, 0, 0],
  [169, 254, 0, 0, 255, 255, 0, 0],
  [172, 16, 0, 0, 255, 240, 0, 0],
  [192, 168, 0, 0, 255, 255, 0, 0],
  // fc00::/7 and fe80::/10
  [0xfc, ...Array(15).fill(0), 0xfe, ...Array(15).fill(0)],
  [0xfe, 0x80, ...Array(14).fill(0), 0xff, 0xc0, ...Array(14).fill(0)],
];
const NAME_CONSTRAINTS = '2.5.29.30';
const octets = (v4) => v4.split('.').map(Number);
const isPrivate = (a) =>
  isIP(a) !== 4 ||
  PRIVATE.some((net) => net.length === 8 && octets(a).every((o, n) => (o & (net[n + 4] ?? 0)) === (net[n] ?? 0)));
/** An address of no private network that was given or found: it, and no other. */
const alone = (v4) => [...octets(v4), 255, 255, 255, 255];

const der = (tag, body) => {
  const n = body.length;
  const length = n < 128 ? [n] : n < 256 ? [0x81, n] : [0x82, n >> 8, n & 255];
  return Buffer.from([tag, ...length, ...body]);
};
/** Permitted subtrees (RFC 5280, 4.2.1.10): names with what is under them, and networks. */
const constraintsFor = (names, addresses) =>
  der(
    0x30,
    der(
      0xa0,
      Buffer.concat([
        ...names.map((n) => der(0x30, der(0x82, Buffer.from(n)))),
        ...[...PRIVATE, ...addresses.filter((a) => !isPrivate(a)).map(alone)].map((net) =>
          der(0x30, der(0x87, Buffer.from(net))),
        ),
      ]),
    ),
  );

/** Names and addresses the kitchen answers to: this machine's, and those of EVEN_CRUMB_HOSTS (with commas). */
export function hostsHere(more = process.env.EVEN_CRUMB_HOSTS ?? '') {
  const said = more
    .split(',')
    .map((h) => h.trim().toLowerCase())
    .filter(Boolean);
  const own = hostname()
    .toLowerCase()
    .replace(/\.local$/, '');
  const addresses = Object.values(networkInterfaces())
    .flat()
    .filter((i) => i && !i.internal && i.family === 'IPv4')
    .map((i) => i.address);
  const all = [...new Set([...said, ...(/^[a-z0-9-]+$/.test(own) ? [`${own}.local`] : []), ...addresses])];
  return { names: all.filter((h) => isIP(h) === 0).sort(), addresses: all.filter((h) => isIP(h) !== 0).sort() };
}

const pem = (what, bytes) =>
  `-----BEGIN ${what}-----\n${(
    Buffer.from(bytes)
      .toString('base64')
      .match(/.{1,64}/g) ?? []
  ).join('\n')}\n-----END ${what}-----\n`;
const keyPem = async (key) => pem('PRIVATE KEY', await crypto.subtle.exportKey('pkcs8', key));
const keyFrom = (text) =>
  crypto.subtle.importKey('pkcs8', Buffer.from(text.replace(/-----[^-]+-----|\s/g, ''), 'base64'), ALGORITHM, true, [
    'sign',
  ]);

/** Written whole or not at all, for its owner alone. */
function keep(path, text) {
  const beside = `${path}.new`;
  writeFileSync(beside, text, { mode: 0o600 });
  chmodSync(beside, 0o600);
  renameSync(beside, path);
}

const serial = () => `01${Buffer.from(crypto.getRandomValues(new Uint8Array(15))).toString('hex')}`;

/**
 * The authority of a folder; made at first use, and again where it may not sign for one of the names. A new one has to
 * be trusted anew on every device: `isNew` says so.
 */
async function authorityIn(folder, { names, addresses }, now) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const [at, keyAt] = [join(folder, 'authority.pem'), join(folder, 'authority.key')];
  const wanted = constraintsFor(names, addresses);
  if (existsSync(at) && existsSync(keyAt)) {
    const cert = new x509.X509Certificate(readFileSync(at, 'utf8'));
    const may = cert.getExtension(NAME_CONSTRAINTS);
    const signs = [
      ...names.map((n) => der(0x82, Buffer.from(n))),
      ...addresses.filter((a) => !isPrivate(a)).map((a) => der(0x87, Buffer.from(alone(a)))),
    ].every((part) => may && Buffer.from(may.value).includes(part));
    if (signs && cert.notAfter.getTime() > now + MOST_SERVER_DAYS * DAY_MS)
      return { cert, key: await keyFrom(readFileSync(keyAt, 'utf8')), isNew: false };
  }
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
  const cert = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Even Crumb kitchen of ${new Date(now).toISOString().slice(0, 10)}`,
    notBefore: new Date(now - DAY_MS),
    notAfter: new Date(now + AUTHORITY_DAYS * DAY_MS),
    signingAlgorithm: ALGORITHM,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      new x509.Extension(NAME_CONSTRAINTS, true, wanted),
    ],
  });
  keep(keyAt, await keyPem(keys.privateKey));
  keep(at, cert.toString('pem'));
  return { cert, key: keys.privateKey, isNew: true };
}

/** Names and addresses a certificate is for, sorted. */
const forWhom = (cert) =>
  (cert.getExtension(x509.SubjectAlternativeNameExtension)?.names.toJSON() ?? []).map((n) => n.value).sort();

/**
 * The certificate the listener shows, signed by the folder's authority. The one that is there stays as long as it is
 * for these hosts, of this authority, and not within 30 days of its end.
 * @returns PEM of key and chain, of the authority, ms at which it ends, and what is new
 */
export async function certificateIn(folder, hosts, now = Date.now()) {
  const authority = await authorityIn(folder, hosts, now);
  const authorityPem = authority.cert.toString('pem');
  const [at, keyAt] = [join(folder, 'server.pem'), join(folder, 'server.key')];
  const wanted = [...hosts.names, ...hosts.addresses].sort();
  if (existsSync(at) && existsSync(keyAt)) {
    const text = readFileSync(at, 'utf8');
    const cert = new x509.X509Certificate(text);
    const stands =
      cert.issuer === authority.cert.subject &&
      (await cert.verify({ publicKey: await authority.cert.publicKey.export(), signatureOnly: true })) &&
      JSON.stringify(forWhom(cert)) === JSON.stringify(wanted) &&
      cert.notAfter.getTime() > now + RENEW_DAYS * DAY_MS;
    if (stands)
      return {
        key: readFileSync(keyAt, 'utf8'),
        chain: `${text}\n${authorityPem}`,
        authority: authorityPem,
        endsAt: cert.notAfter.getTime(),
        isNew: false,
        isNewAuthority: false,
      };
  }
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
  const cert = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Even Crumb',
    issuer: authority.cert.subject,
    notBefore: new Date(now - DAY_MS),
    notAfter: new Date(now + (MOST_SERVER_DAYS - 2) * DAY_MS),
    signingKey: authority.key,
    publicKey: keys.publicKey,
    signingAlgorithm: ALGORITHM,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth], false),
      new x509.SubjectAlternativeNameExtension([
        ...hosts.names.map((value) => ({ type: 'dns', value })),
        ...hosts.addresses.map((value) => ({ type: 'ip', value })),
      ]),
      await x509.AuthorityKeyIdentifierExtension.create(authority.cert),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  const [key, text] = [await keyPem(keys.privateKey), cert.toString('pem')];
  keep(keyAt, key);
  keep(at, text);
  return {
    key,
    chain: `${text}\n${authorityPem}`,
    authority: authorityPem,
    endsAt: cert.notAfter.getTime(),
    isNew: true,
    isNewAuthority: authority.isNew,
  };
}

/** A host as an address bar has it. */
export const inAddress = (host) => (isIPv6(host) ? `[${host}]` : host);
