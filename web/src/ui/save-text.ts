/** Offers a text as a file to save. */
export function saveText(name: string, text: string, type = 'application/json'): void {
  saveBlob(name, new Blob([text], { type }));
}

/** Offers bytes as a file to save. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
