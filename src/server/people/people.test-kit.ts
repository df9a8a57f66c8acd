import type { Access } from '../app.ts';
import type { RunningApp } from '../app.test-kit.ts';

/** A password that is taken. */
export const PASSWORD = 'nine quiet herons at dusk';

/** What a server that others reach is given, as far as a test's own port goes. */
export const accessAt = (port: number): Access => ({
  hosts: [`127.0.0.1:${port}`],
  origins: [`https://127.0.0.1:${port}`],
  site: { name: 'localhost', origins: [`https://127.0.0.1:${port}`] },
  isProxied: false,
});

/** The cookie that an answer gives. */
export const cookieOf = (answer: Response): string =>
  answer.headers.getSetCookie().at(-1)?.split(';')[0] ?? '';

/** Makes the first account of an application that asks for them; its cookie. */
export async function firstOwner({ accounts, send }: RunningApp): Promise<string> {
  const ticket = await accounts?.tickets.make('first', { role: 'owner' });
  const answer = await send('POST', '/invitation/accept', {
    token: ticket?.token,
    name: 'Runa',
    mail: 'runa@skarnholm.example',
    password: PASSWORD,
  });
  if (!answer.ok) throw new Error(await answer.text());
  return cookieOf(answer);
}
