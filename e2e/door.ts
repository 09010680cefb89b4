/** The kitchen's door, as a test opens it in front of a kitchen of its own. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateIn } from '../scripts/authority.mjs';
import { freePort } from './free-port';
import type { Kitchen } from './kitchen';

const SECRET = 'the-secret-of-a-start-that-is-tried-out';

interface Door {
  readonly url: string;
  /** What its certificate is trusted by, PEM. */
  readonly authority: string;
  readonly shut: () => Promise<void>;
}

/** The door in front of a kitchen. @returns its address, and what shuts it */
export async function openDoor(kitchen: Kitchen): Promise<Door> {
  const port = await freePort();
  process.env.EVEN_CRUMB_LISTENER = SECRET;
  process.env.EVEN_CRUMB_DOOR = JSON.stringify({ port, hosts: ['127.0.0.1'] });
  await kitchen.stopServer();
  await kitchen.startServer();
  const folder = mkdtempSync(join(tmpdir(), 'even-crumb-door-'));
  const tls = await certificateIn(folder, { names: [], addresses: ['127.0.0.1'] });
  const door = spawn(process.execPath, ['scripts/listener.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: kitchen.databaseUrl,
      PORT: new URL(kitchen.url).port,
      KITCHEN_PORT: String(port),
      KITCHEN_BIND: '127.0.0.1',
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const open = new Promise((r) => door.once('message', r));
  door.send({ ...tls, hosts: ['127.0.0.1'] });
  await open;
  return {
    url: `https://127.0.0.1:${port}`,
    authority: tls.authority,
    shut: async () => {
      door.kill();
      rmSync(folder, { recursive: true });
      delete process.env.EVEN_CRUMB_LISTENER;
      delete process.env.EVEN_CRUMB_DOOR;
      await kitchen.stopServer();
      await kitchen.startServer();
    },
  };
}
