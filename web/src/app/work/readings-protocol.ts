import type { AssignedColumns, Headings } from '@knapsack/contract/readings';
import type { Readings } from '@knapsack/core';

/** What the page sends to the reader of files. */
export interface ReadFileRequest {
  readonly file: File;
  readonly zone: string;
  /** Which columns hold what, where the file's headings do not tell. */
  readonly columns?: AssignedColumns;
}

export type ReadFileAnswer =
  | { readonly is: 'progress'; readonly share: number }
  | { readonly is: 'done'; readonly readings: Readings; readonly notes: readonly string[] }
  /** The headings do not tell which columns hold what: somebody must. */
  | { readonly is: 'asks'; readonly headings: Headings }
  | { readonly is: 'refused'; readonly why: string };
