import { X509Certificate } from 'node:crypto';
import { isIP } from 'node:net';
import type { NextFunction, Request, Response } from 'express';
import type { Config } from './config.js';
import { Refused } from './refused.js';

/** Names that are this machine's own everywhere. */
const OWN = /^(localhost|[\w-]+\.localhost)$/;

/** The name without its port, without the brackets of an address. */
const nameOf = (host: string): string =>
  host
    .replace(/:\d*$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase();

/** The names that a certificate is for; of a wildcard what stands behind its dot. */
function namesOfCertificate(cert: Buffer): string[] {
  const names = new X509Certificate(cert).subjectAltName ?? '';
  return [...names.matchAll(/DNS:([^,\s]+)/g)].map(([, name]) => name!.toLowerCase());
}

/**
 * Whether a request may name this host. An address is nobody's to point elsewhere; a name that is not ours may be one that somebody else's
 * page pointed at this machine, to read the farm through a browser that stands in its network.
 */
export function hostAllowed(host: string | undefined, names: readonly string[]): boolean {
  if (host === undefined) return false;
  const name = nameOf(host);
  return (
    isIP(name) !== 0 ||
    OWN.test(name) ||
    names.some((own) => own === name || (own.startsWith('*.') && name.endsWith(own.slice(1))))
  );
}

export function ownHosts({ hosts, tls }: Pick<Config, 'hosts' | 'tls'>) {
  const names = [...hosts, ...(tls ? namesOfCertificate(tls.cert) : [])];
  return (request: Request, _: Response, next: NextFunction): void =>
    next(
      hostAllowed(request.headers.host, names)
        ? undefined
        : new Refused('host_wrong', 'This server is not known by that name; name it in FANEGA_HOSTS.'),
    );
}
