import { headingsOf, ReadingsTable } from '@knapsack/contract/readings';
import type { ReadFileAnswer, ReadFileRequest } from './readings-protocol';
import type { Answers, Work } from './work';

/** Reads a file piece by piece, whole lines at a time, and tells how far it is. */
export const readingsWork: Work<ReadFileRequest, ReadFileAnswer> = async (request, { say }) => {
  try {
    await read(request, say);
  } catch {
    say({ is: 'refused', why: 'The file could not be read; nothing of the recording was changed.' });
  }
};

async function read(
  { file, zone, columns }: ReadFileRequest,
  say: Answers<ReadFileAnswer>['say'],
): Promise<void> {
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
      const begun = ReadingsTable.begin(rest.slice(0, end), zone, columns);
      if (!begun.ok) {
        const headings = headingsOf(rest.slice(0, end));
        const mayAsk = !columns && headings.words.length >= 3;
        return say(mayAsk ? { is: 'asks', headings } : { is: 'refused', why: begun.problems[0].sentence });
      }
      table = begun.value;
      rest = rest.slice(end + 1);
    }
    const end = rest.lastIndexOf('\n');
    if (end !== -1) {
      table.take(rest.slice(0, end + 1));
      rest = rest.slice(end + 1);
    }
    say({ is: 'progress', share: file.size > 0 ? Math.min(1, done / file.size) : 1 }, true);
    if (piece.done) break;
  }
  const { readings, notes } = table?.finish() ?? { readings: null, notes: [] };
  if (!readings || readings.timesMs.length === 0) {
    return say({ is: 'refused', why: ['No reading could be read from this file.', ...notes].join(' ') });
  }
  say({ is: 'done', readings, notes }, false, [
    readings.timesMs.buffer as ArrayBuffer,
    readings.volts.buffer as ArrayBuffer,
    readings.amps.buffer as ArrayBuffer,
  ]);
}
