/** Hands a text to the browser as a file to keep. */
export function saveFile(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const anchor = document.createElement('a');
  anchor.href = url;
  anchor.download = name;
  anchor.click();
  // Not at once: the download may still be about to begin.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
