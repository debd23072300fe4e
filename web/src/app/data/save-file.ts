/** Hands the user a file. */
export function saveFile(name: string, pieces: readonly BlobPart[], type: string): void {
  const url = URL.createObjectURL(new Blob([...pieces], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser reads it a moment later.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
