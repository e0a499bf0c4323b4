/** Longest side of a picture in the log, pixels: enough to read a connector's pins by. */
const LONGEST = 2_000;
const QUALITY = 0.85;

/**
 * A picture made small enough for a log, and without what a camera writes into it (place, device): it is drawn anew.
 * What is no picture that this browser can draw stays as it is.
 */
export async function smaller(file: File): Promise<Blob> {
  if (!file.type.startsWith('image/') || file.type === 'image/svg+xml') return file;
  try {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    const drawn = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
    return drawn ?? file;
  } catch {
    return file;
  }
}
