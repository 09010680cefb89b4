/** The build that is running, by its name: pages of another are from before an update. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

let known: string | null = null;

/** @returns its name; while it is developed there is none */
export function buildName(): string {
  const at = join(process.cwd(), '.next', 'BUILD_ID');
  known ??= existsSync(at) ? readFileSync(at, 'utf8').trim() : '';
  return known;
}
