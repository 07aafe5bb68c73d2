import { createCipheriv, createDecipheriv, randomBytes, scrypt } from "node:crypto";
import { closeSync, fsyncSync, openSync, readSync, statSync, writeSync } from "node:fs";

const MAGIC = Buffer.from("HELVANE-LOCKED-1", "latin1");
const SALT = 16;
const NONCE = 8;
const HEAD = MAGIC.length + SALT + NONCE;
const FRAME = 1 << 20;
const TAG = 16;
/** scrypt as the design asks: 128 MB of memory for each try. Node allows 32 MB unless told. */
const COST = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };

const keyOf = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  new Promise((done, fail) => scrypt(passphrase.normalize("NFC"), salt, 32, COST, (e, key) => (e ? fail(e) : done(key))));

/** A frame's number and whether it is the last are part of what is sealed: a cut, doubled or swapped frame is noticed. */
function sealed(n: number, last: boolean, nonce: Buffer): { iv: Buffer; aad: Buffer } {
  const iv = Buffer.alloc(12);
  nonce.copy(iv);
  iv.writeUInt32BE(n, 8);
  const aad = Buffer.alloc(5);
  aad.writeUInt32BE(n);
  aad[4] = last ? 1 : 0;
  return { iv, aad };
}

/** Whether a file is locked by a passphrase. */
export function isLocked(file: string): boolean {
  const fd = openSync(file, "r");
  try {
    const head = Buffer.alloc(MAGIC.length);
    return readSync(fd, head, 0, head.length, 0) === head.length && head.equals(MAGIC);
  } finally {
    closeSync(fd);
  }
}

/** Locks a file under a passphrase (scrypt, AES-256-GCM in frames of 1 MiB). Without the passphrase nobody reads it again. */
export async function lockFile(from: string, to: string, passphrase: string): Promise<void> {
  const salt = randomBytes(SALT);
  const nonce = randomBytes(NONCE);
  const key = await keyOf(passphrase, salt);
  const [src, dst] = [openSync(from, "r"), openSync(to, "wx")];
  try {
    writeSync(dst, Buffer.concat([MAGIC, salt, nonce]));
    const { size } = statSync(from);
    const buf = Buffer.alloc(FRAME);
    for (let n = 0, at = 0; n === 0 || at < size; n++) {
      const got = readSync(src, buf, 0, FRAME, at);
      at += got;
      const { iv, aad } = sealed(n, at >= size, nonce);
      const c = createCipheriv("aes-256-gcm", key, iv);
      c.setAAD(aad);
      writeSync(dst, Buffer.concat([c.update(buf.subarray(0, got)), c.final(), c.getAuthTag()]));
    }
    fsyncSync(dst);
  } finally {
    closeSync(src);
    closeSync(dst);
  }
}

export type Unlocked = { ok: true } | { ok: false; problem: string };
/** Opens a locked file into another; says where it is cut or changed, or that the passphrase is not the one. */
export async function unlockFile(from: string, to: string, passphrase: string): Promise<Unlocked> {
  const { size } = statSync(from);
  const head = Buffer.alloc(HEAD);
  const src = openSync(from, "r");
  const dst = openSync(to, "w");
  try {
    if (readSync(src, head, 0, HEAD, 0) < HEAD || size < HEAD + TAG)
      return { ok: false, problem: `cut off: it ends at byte ${size}` };
    const salt = head.subarray(MAGIC.length, MAGIC.length + SALT);
    const nonce = head.subarray(MAGIC.length + SALT);
    const key = await keyOf(passphrase, salt);
    const buf = Buffer.alloc(FRAME + TAG);
    for (let n = 0, at = HEAD; at < size; n++) {
      const got = readSync(src, buf, 0, FRAME + TAG, at);
      const { iv, aad } = sealed(n, at + got >= size, nonce);
      try {
        const d = createDecipheriv("aes-256-gcm", key, iv);
        d.setAAD(aad);
        d.setAuthTag(buf.subarray(got - TAG, got));
        writeSync(dst, Buffer.concat([d.update(buf.subarray(0, got - TAG)), d.final()]));
      } catch {
        return {
          ok: false,
          problem:
            n === 0 && at + got < size
              ? "the passphrase is not the one it was locked with, or its beginning was changed"
              : n === 0
                ? "the passphrase is not the one it was locked with, or the file was changed or cut"
                : `changed or cut off between byte ${at} and ${at + got}`,
        };
      }
      at += got;
    }
    return { ok: true };
  } finally {
    closeSync(src);
    closeSync(dst);
  }
}
