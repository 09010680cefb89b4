export interface Hosts {
  readonly names: readonly string[];
  readonly addresses: readonly string[];
}
export interface Certificate {
  readonly key: string;
  readonly chain: string;
  readonly authority: string;
  readonly endsAt: number;
  readonly isNew: boolean;
  readonly isNewAuthority: boolean;
}
export const MOST_SERVER_DAYS: number;
export const RENEW_DAYS: number;
export function hostsHere(more?: string): Hosts;
export function certificateIn(folder: string, hosts: Hosts, now?: number): Promise<Certificate>;
export function inAddress(host: string): string;
