/** Hands a text, or bytes, to the browser as a file to keep. */
export function saveFile(name: string, type: string, content: string | Uint8Array<ArrayBuffer>): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const anchor = document.createElement('a');
  anchor.href = url;
  anchor.download = name;
  anchor.click();
  // Not at once: the download may still be about to begin.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
