import type { Readings } from '@knapsack/core';

/** What the page sends to the reader of files. */
export interface ReadFileRequest {
  readonly file: File;
  readonly zone: string;
}

export type ReadFileAnswer =
  | { readonly is: 'progress'; readonly share: number }
  | { readonly is: 'done'; readonly readings: Readings; readonly notes: readonly string[] }
  | { readonly is: 'refused'; readonly why: string };
