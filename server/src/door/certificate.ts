import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { X509Certificate } from 'node:crypto';
import { PRIVATE_FOLDER } from '../storage/folder.js';
import { writeWhole } from '../storage/write-file.js';

/** What a server over TLS shows and keeps secret, as PEM. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
}

const DAY_MS = 86_400_000;
/** Phones take a certificate for no longer than this. */
const DAYS = 820;
/** It is made anew when fewer days are left. */
const LEFT_DAYS = 30;

const isGood = (cert: string, names: readonly string[]): boolean => {
  const read = new X509Certificate(cert);
  if (Date.parse(read.validTo) - Date.now() < LEFT_DAYS * DAY_MS) return false;
  return names.every((name) => (isIP(name) ? read.checkIP(name) : read.checkHost(name)) !== undefined);
};

/**
 * The certificate of this kitchen, made by itself at the first start and kept in the data folder; made anew when it runs out or when
 * the kitchen has another name.
 * @param names and addresses under which it is asked
 */
export async function ownCertificate(folder: string, names: readonly string[]): Promise<Certificate> {
  const path = join(folder, 'tls');
  const [certFile, keyFile] = [join(path, 'cert.pem'), join(path, 'key.pem')];
  const all = [...new Set(['localhost', '127.0.0.1', hostname().toLowerCase(), ...names])];
  if (existsSync(certFile) && existsSync(keyFile)) {
    const cert = readFileSync(certFile, 'utf8');
    if (isGood(cert, all)) return { cert, key: readFileSync(keyFile, 'utf8') };
  }
  // Large, and needed once in years.
  const { generate } = await import('selfsigned');
  const made = await generate([{ name: 'commonName', value: 'Usual Pantry' }], {
    keySize: 2048,
    algorithm: 'sha256',
    notAfterDate: new Date(Date.now() + DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: all.map((name) => (isIP(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name })),
      },
    ],
  });
  mkdirSync(path, { recursive: true, mode: PRIVATE_FOLDER });
  writeWhole(keyFile, made.private);
  writeWhole(certFile, made.cert);
  return { cert: made.cert, key: made.private };
}
