import { once } from 'node:events';
import { fail, succeed, type Result } from '@knapsack/core';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import yazl from 'yazl';

/** Bytes that a zip may unpack to: more is no backup of ours, or a trap. */
const MOST_BYTES = 512 * 1024 * 1024;
/** Bytes of one file in it; the body of a request is smaller. */
const MOST_BYTES_OF_A_FILE = 32 * 1024 * 1024;
const MOST_FILES = 100_001;

/** Texts as a zip. @param madeAt the date of every file in it */
export function zipped(texts: ReadonlyMap<string, string>, madeAt: Date): NodeJS.ReadableStream {
  const zip = new yazl.ZipFile();
  for (const [name, text] of texts) zip.addBuffer(Buffer.from(text, 'utf8'), name, { mtime: madeAt });
  zip.end();
  return zip.outputStream;
}

/** The files of a zip that came from outside, by their names; never more than fits in memory. */
export async function unzipped(zip: Buffer): Promise<Result<ReadonlyMap<string, Buffer>>> {
  try {
    return await unpack(zip);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return refuse(`The file is no zip that can be read: ${why.replace(/\.$/, '')}.`);
  }
}

async function unpack(zip: Buffer): Promise<Result<ReadonlyMap<string, Buffer>>> {
  const file = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.fromBuffer(zip, { lazyEntries: true, validateEntrySizes: true }, (error, opened) =>
      error ? reject(error) : resolve(opened),
    ),
  );
  if (file.entryCount > MOST_FILES) return refuse(`A backup holds ${MOST_FILES} files at the most.`);
  const files = new Map<string, Buffer>();
  let bytes = 0;
  for (let left = file.entryCount; left > 0; left--) {
    const next = once(file, 'entry') as Promise<[Entry]>;
    file.readEntry();
    const [entry] = await next;
    if (entry.fileName.endsWith('/')) continue;
    bytes += entry.uncompressedSize;
    if (entry.uncompressedSize > MOST_BYTES_OF_A_FILE || bytes > MOST_BYTES) {
      return refuse(`${entry.fileName} is larger than anything in a backup of Knapsack.`);
    }
    if (files.has(entry.fileName)) return refuse(`${entry.fileName} is in it twice.`);
    files.set(entry.fileName, await contentOf(file, entry));
  }
  return succeed(files);
}

function contentOf(file: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    file.openReadStream(entry, (error, stream) => {
      if (error) return reject(error);
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.once('end', () => resolve(Buffer.concat(chunks)));
      stream.once('error', reject);
    });
  });
}

const refuse = (sentence: string): Result<never> => fail({ code: 'zip', sentence });
