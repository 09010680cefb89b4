/**
 * What the pages ask the server to do, asked over HTTP as a page asks it: the ids of the actions stand in the build's
 * own manifest, what is sent goes as a page's script sends it, and the answer is the first value that comes back.
 */
import { readFileSync } from 'node:fs';

interface Manifest {
  readonly node: Readonly<Record<string, { readonly exportedName: string }>>;
}

/** Nobody answered, or the records are away: the same may be asked again. */
export class Later extends Error {}

/** @param url of the running app @param manifest the build's server-reference-manifest.json */
export function actionsOf(url: string, manifest: string) {
  const ids = new Map(
    Object.entries((JSON.parse(readFileSync(manifest, 'utf8')) as Manifest).node).map(
      ([id, a]) => [a.exportedName, id] as const,
    ),
  );
  return async <T extends object>(name: string, input: unknown): Promise<{ readonly ok: true } & T> => {
    const id = ids.get(name);
    if (!id) throw new Error(`no action is called ${name}`);
    const r = await fetch(`${url}/sides`, {
      method: 'POST',
      headers: {
        'next-action': id,
        accept: 'text/x-component',
        'content-type': 'text/plain;charset=UTF-8',
        origin: url,
      },
      body: JSON.stringify([input]),
    }).catch(() => {
      throw new Later();
    });
    const text = await r.text().catch(() => {
      throw new Later();
    });
    if (r.status >= 500) throw new Later();
    const line = text.split('\n').find((l) => l.startsWith('1:{'));
    if (!r.ok || !line) throw new Error(`${name}: ${r.status} ${text.slice(0, 200)}`);
    const answer = JSON.parse(line.slice(2)) as
      | ({ readonly ok: true } & T)
      | { readonly ok: false; readonly kind: string; readonly message: string };
    if (answer.ok) return answer;
    if (answer.kind === 'away') throw new Later();
    throw new Error(`${name}: ${answer.message}`);
  };
}
