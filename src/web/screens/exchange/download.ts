import { API } from '../../../contract/api.ts';

/** Fetches a file and hands it to the browser to keep; says so when the server refuses. */
export async function download(path: string, fail: (text: string) => void): Promise<void> {
  try {
    const response = await fetch(`${API}${path}`);
    if (!response.ok) {
      const told = (await response.json().catch(() => undefined)) as { detail?: string } | undefined;
      fail(told?.detail ?? `The server answered ${response.status}. Try again.`);
      return;
    }
    const name = nameOf(response.headers.get('Content-Disposition') ?? '');
    keepFile(name, await response.blob());
  } catch {
    fail('The server does not answer. Start it again, then try once more.');
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
