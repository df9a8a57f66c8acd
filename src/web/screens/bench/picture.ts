import type { Photo } from '../../../core/document/index.ts';
import { PHOTO_CHARACTERS, PHOTO_SIDE } from '../../../core/document/index.ts';

/**
 * Returns a picture as it is kept: no larger than a shop's data bear, whatever the camera gave. Throws a
 * sentence where the browser cannot read it, or where it stays too large.
 */
export async function pictureKept(file: File): Promise<Photo> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error(`${file.name} is no picture this browser can read. Save it as JPEG or PNG.`);
  });
  for (const [side, quality] of [
    [PHOTO_SIDE, 0.85],
    [PHOTO_SIDE, 0.6],
    [900, 0.6],
  ] as const) {
    const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
    const [width, height] = [
      Math.max(1, Math.round(bitmap.width * scale)),
      Math.max(1, Math.round(bitmap.height * scale)),
    ];
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height);
    const bytes = new Uint8Array(
      await (await canvas.convertToBlob({ type: 'image/jpeg', quality })).arrayBuffer(),
    );
    let raw = '';
    // In pieces: a call takes only so many arguments.
    for (let i = 0; i < bytes.length; i += 8192) raw += String.fromCharCode(...bytes.subarray(i, i + 8192));
    const data = btoa(raw);
    if (data.length <= PHOTO_CHARACTERS)
      return {
        format: 'fern-anvil/photo',
        version: 1,
        name: file.name.slice(0, 120) || 'photograph',
        media: 'image/jpeg',
        width,
        height,
        data,
      };
  }
  throw new Error(`${file.name} is too large even made smaller. Cut it to the head.`);
}
