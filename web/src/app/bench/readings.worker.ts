/// <reference lib="webworker" />
import { ReadingsTable } from '@knapsack/contract/readings';
import type { ReadFileAnswer, ReadFileRequest } from './readings-protocol';

addEventListener('message', ({ data }: MessageEvent<ReadFileRequest>) => {
  read(data).catch(() =>
    answer({ is: 'refused', why: 'The file could not be read; nothing of the recording was changed.' }),
  );
});

const answer = (message: ReadFileAnswer, transfer: Transferable[] = []) => postMessage(message, transfer);

/** Reads a file piece by piece, whole lines at a time, and tells how far it is. */
async function read({ file, zone }: ReadFileRequest): Promise<void> {
  const decoder = new TextDecoder();
  const reader = file.stream().getReader();
  let table: ReadingsTable | null = null;
  let rest = '';
  let done = 0;
  for (let piece = await reader.read(); ; piece = await reader.read()) {
    rest += piece.done ? `${decoder.decode()}\n` : decoder.decode(piece.value, { stream: true });
    done += piece.value?.length ?? 0;
    if (!table) {
      const end = rest.indexOf('\n');
      if (end === -1) {
        if (piece.done) break;
        continue;
      }
      const begun = ReadingsTable.begin(rest.slice(0, end), zone);
      if (!begun.ok) return answer({ is: 'refused', why: begun.problems[0].sentence });
      table = begun.value;
      rest = rest.slice(end + 1);
    }
    const end = rest.lastIndexOf('\n');
    if (end !== -1) {
      table.take(rest.slice(0, end + 1));
      rest = rest.slice(end + 1);
    }
    answer({ is: 'progress', share: file.size > 0 ? Math.min(1, done / file.size) : 1 });
    if (piece.done) break;
  }
  const { readings, notes } = table?.finish() ?? { readings: null, notes: [] };
  if (!readings || readings.timesMs.length === 0) {
    return answer({ is: 'refused', why: ['No reading could be read from this file.', ...notes].join(' ') });
  }
  answer({ is: 'done', readings, notes }, [
    readings.timesMs.buffer as ArrayBuffer,
    readings.volts.buffer as ArrayBuffer,
    readings.amps.buffer as ArrayBuffer,
  ]);
}
