import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { Readable, Transform, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { type Entry as ZipEntry, type ZipFile as OpenZip, openPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { Refused } from '../../platform/refused.js';

/** What a backup says of itself. Without it, or with one file that is not what it says, nothing is brought back. */
export interface Manifest {
  readonly format: 'fanega-backup';
  readonly version: 1;
  /** The tables' shape, by the name of the newest migration. */
  readonly schema: string;
  readonly madeAt: string;
  readonly farm: { readonly id: string; readonly name: string };
  /** Where the book had come to. */
  readonly seq: number;
  readonly link: string;
  readonly files: readonly ManifestFile[];
}
export interface ManifestFile {
  readonly name: string;
  readonly bytes: number;
  readonly sha256: string;
  readonly rows?: number;
}

const MANIFEST = 'manifest.json';
/** What an archive may come to unpacked, and how much larger than packed: an honest one is about ten times. */
export const MOST_UNPACKED = 4 * 2 ** 30;
const MOST_INFLATION = 300;
const MOST_MANIFEST = 4 * 2 ** 20;

/** Counts and sums up what goes through. */
function counted(): { through: Transform; sum: () => { bytes: number; sha256: string } } {
  const hash = createHash('sha256');
  let bytes = 0;
  const through = new Transform({
    transform(part: Buffer, _encoding, done) {
      bytes += part.length;
      hash.update(part);
      done(null, part);
    },
  });
  return { through, sum: () => ({ bytes, sha256: hash.digest('hex') }) };
}

/** Writes an archive file by file as they come; the manifest goes last, when it is known what was written. */
export class ArchiveWriter {
  private readonly zip = new ZipFile();
  private readonly files: ManifestFile[] = [];
  private readonly written: Promise<void>;

  constructor(to: Writable | string) {
    const target = typeof to === 'string' ? createWriteStream(to, { mode: 0o600, flags: 'wx' }) : to;
    this.written = pipeline(this.zip.outputStream, target);
    // Told where it is waited for.
    this.written.catch(() => undefined);
  }

  /** @param lines text that comes piece by piece; a piece is a row where `rows` is set */
  async add(name: string, lines: AsyncIterable<string> | Iterable<string>, rows = false): Promise<void> {
    let count = 0;
    const source = Readable.from(
      (async function* () {
        for await (const line of lines) {
          count++;
          yield Buffer.from(line);
        }
      })(),
      { objectMode: true },
    );
    const { through, sum } = counted();
    const packed = new Promise<void>((resolve, reject) => {
      through.once('end', resolve);
      source.once('error', (error) => {
        through.destroy();
        reject(error);
      });
      through.once('error', reject);
    });
    this.zip.addReadStream(source.pipe(through), name, { mtime: new Date() });
    await Promise.race([packed, this.written.then(() => packed)]);
    this.files.push({ name, ...sum(), ...(rows ? { rows: count } : {}) });
  }

  async end(head: Omit<Manifest, 'files' | 'format' | 'version'>): Promise<Manifest> {
    const manifest: Manifest = { format: 'fanega-backup', version: 1, ...head, files: this.files };
    this.zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 2)), MANIFEST);
    this.zip.end();
    await this.written;
    return manifest;
  }
}

const bad = (message: string): Refused => new Refused('backup_refused', message);

/** Reads an archive that was looked at whole before anything of it is used. */
export class ArchiveReader {
  private constructor(
    private readonly zip: OpenZip,
    private readonly entries: ReadonlyMap<string, ZipEntry>,
    readonly manifest: Manifest,
  ) {}

  /** @throws Refused where it is no backup, is not whole, or is not what its manifest says */
  static async open(file: string): Promise<ArchiveReader> {
    let zip: OpenZip;
    const entries = new Map<string, ZipEntry>();
    try {
      zip = await openPromise(file, { autoClose: false });
      for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
    } catch (error) {
      throw bad(`This is not a whole backup file: ${(error as Error).message}.`);
    }
    try {
      const total = [...entries.values()].reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0);
      if (total > MOST_UNPACKED) throw bad('This backup is larger than any farm’s.');
      for (const { fileName, uncompressedSize, compressedSize } of entries.values())
        if (uncompressedSize > 65_536 + compressedSize * MOST_INFLATION)
          throw bad(`${fileName} in this backup is packed tighter than any of ours.`);
      const reader = new ArchiveReader(zip, entries, await manifestOf(zip, entries.get(MANIFEST)));
      await reader.check();
      return reader;
    } catch (error) {
      zip.close();
      if (error instanceof Refused) throw error;
      throw bad(`This backup cannot be read: ${(error as Error).message}.`);
    }
  }

  private async check(): Promise<void> {
    const said = new Map(this.manifest.files.map((file) => [file.name, file]));
    for (const name of this.entries.keys())
      if (name !== MANIFEST && !said.has(name))
        throw bad(`The backup holds ${name}, which its manifest does not name.`);
    for (const { name, bytes, sha256 } of said.values()) {
      const entry = this.entries.get(name);
      if (!entry) throw bad(`The backup is not complete: ${name} is missing.`);
      const { through, sum } = counted();
      await pipeline(await this.zip.openReadStreamPromise(entry), through, async (parts) => {
        for await (const _ of parts) void _;
      });
      const found = sum();
      if (found.bytes !== bytes || found.sha256 !== sha256)
        throw bad(`The backup is damaged: ${name} is not what was written.`);
    }
  }

  /** Lines of a file; none where the backup has no such file. */
  async *lines(name: string): AsyncGenerator<string> {
    const entry = this.entries.get(name);
    if (!entry) return;
    const stream = await this.zip.openReadStreamPromise(entry);
    for await (const line of createInterface({ input: stream, crlfDelay: Infinity })) if (line !== '') yield line;
  }

  rowsOf(name: string): number {
    return this.manifest.files.find((file) => file.name === name)?.rows ?? 0;
  }

  close(): void {
    this.zip.close();
  }
}

async function manifestOf(zip: OpenZip, entry: ZipEntry | undefined): Promise<Manifest> {
  if (!entry) throw bad('This is not a backup of Fanega: it has no manifest.');
  if (entry.uncompressedSize > MOST_MANIFEST) throw bad('The manifest of this backup is too large.');
  const parts: Buffer[] = [];
  for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
  const manifest = JSON.parse(Buffer.concat(parts).toString('utf8')) as Partial<Manifest> | null;
  const { format, version, files, farm } = manifest ?? {};
  if (
    format !== 'fanega-backup' ||
    !Array.isArray(files) ||
    typeof farm?.id !== 'string' ||
    typeof manifest?.schema !== 'string'
  )
    // prettier-ignore
    throw bad('This is not a backup of Fanega.');
  if (version !== 1)
    throw bad(`This backup is of a newer kind (${String(version)}); bring the program up to date first.`);
  return manifest as Manifest;
}
