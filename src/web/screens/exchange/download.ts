import { messageOf } from '../../../core/kind/index.ts';
import { API } from '../../../contract/api.ts';

/** Fetches a file with its name. Throws a sentence where the server refuses it, or does not answer. */
async function fetched(path: string): Promise<File> {
  const response = await fetch(`${API}${path}`).catch(() => {
    throw new Error('The server does not answer. Start it again, then try once more.');
  });
  if (!response.ok) {
    const told = (await response.json().catch(() => undefined)) as { detail?: string } | undefined;
    throw new Error(told?.detail ?? `The server answered ${response.status}. Try again.`);
  }
  const blob = await response.blob();
  return new File([blob], nameOf(response.headers.get('Content-Disposition') ?? ''), { type: blob.type });
}

/** Fetches a file and hands it to the browser to keep; says so when the server refuses. */
export async function download(path: string, fail: (text: string) => void): Promise<void> {
  try {
    const file = await fetched(path);
    keepFile(file.name, file);
  } catch (error) {
    fail(messageOf(error));
  }
}

/** Whether this device has something of its own to send files with. */
export const canSend = (): boolean => typeof navigator.share === 'function';

/**
 * Fetches a file and hands it to what the device sends things with; keeps it where the device takes no files
 * of its kind. Says so when the server refuses.
 */
export async function send(path: string, title: string, fail: (text: string) => void): Promise<void> {
  try {
    const file = await fetched(path);
    if (navigator.canShare({ files: [file] })) await navigator.share({ files: [file], title });
    else keepFile(file.name, file);
  } catch (error) {
    // Closing the device’s own list without sending is no fault.
    if (!(error instanceof DOMException && error.name === 'AbortError')) fail(messageOf(error));
  }
}

/** Hands a file made here to the browser to keep. */
export function keepFile(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** The file's name as its header says it, in any script (RFC 6266). */
function nameOf(header: string): string {
  const extended = /filename\*=UTF-8''([^;]+)/i.exec(header)?.[1];
  if (extended !== undefined) return decodeURIComponent(extended);
  return /filename="([^"]+)"/.exec(header)?.[1] ?? 'file';
}
