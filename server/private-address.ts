import { lookup } from 'node:dns/promises';
import { BlockList, isIP } from 'node:net';

/**
 * Addresses that the bridge may reach: loopback and private ones (RFC 1918, RFC 4193). Link-local is left out on
 * purpose: at 169.254.169.254 many hosting providers answer with secrets.
 */
const PRIVATE = new BlockList();
PRIVATE.addSubnet('127.0.0.0', 8, 'ipv4');
PRIVATE.addSubnet('10.0.0.0', 8, 'ipv4');
PRIVATE.addSubnet('172.16.0.0', 12, 'ipv4');
PRIVATE.addSubnet('192.168.0.0', 16, 'ipv4');
PRIVATE.addAddress('::1', 'ipv6');
PRIVATE.addSubnet('fc00::', 7, 'ipv6');

/** Whether a literal address is loopback or private. Anything that is not a plain IPv4 or IPv6 address is not. */
export function isPrivateAddress(address: string): boolean {
  const version = isIP(address);
  // An IPv4 address in an IPv6 coat is judged as what it is.
  const mapped = /^::ffff:(\d{1,3}(?:\.\d{1,3}){3})$/i.exec(address)?.[1];
  if (mapped !== undefined) return isPrivateAddress(mapped);
  return version === 4 ? PRIVATE.check(address, 'ipv4') : version === 6 && PRIVATE.check(address, 'ipv6');
}

/** Whether only this machine can reach what listens there. */
export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || /^127\.\d{1,3}\.\d{1,3}\.\d{1,3}$/.test(host);
}

/** Finds the addresses of a name. */
export type Resolve = (name: string) => Promise<readonly string[]>;

export const resolveName: Resolve = async (name) =>
  (await lookup(name, { all: true, verbatim: true })).map((a) => a.address);

/**
 * The address to connect to, or null when it is not allowed. A name is resolved once and every one of its addresses
 * must be private; the connection goes to the address that was looked at, so that a name cannot change in between.
 */
export async function privateAddressOf(host: string, resolve: Resolve): Promise<string | null> {
  if (isIP(host) !== 0) return isPrivateAddress(host) ? host : null;
  // Only names, never numbers in another dress such as 0x7f.1 or 2130706433.
  if (!/^[a-z](?:[a-z0-9-]{0,62})(?:\.[a-z0-9-]{1,63})*$/i.test(host)) return null;
  const found = await resolve(host).catch((): readonly string[] => []);
  return found.length > 0 && found.every(isPrivateAddress) ? (found[0] ?? null) : null;
}
