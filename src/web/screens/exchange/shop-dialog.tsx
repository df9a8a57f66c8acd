import { isObject, messageOf } from '../../../core/kind/index.ts';
import type { Problem } from '../../../core/document/index.ts';
import { useEffect, useMemo, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Intake } from '../../../contract/api.ts';
import { ServerProblem, takeShop, tryShop } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { Loading } from '../../parts/states.tsx';

interface Props {
  readonly file: { readonly name: string; readonly text: string };
  readonly onHide: () => void;
}

/** A file of one design, or of several, as a shop file; a shop file as it is. Throws where it is no JSON. */
function asShop(text: string): string {
  const data: unknown = JSON.parse(text.replace(/^\uFEFF/, ''));
  const items: readonly unknown[] = Array.isArray(data) ? data : [data];
  const isDesign = (item: unknown) => isObject(item) && item['format'] === 'fern-anvil/design';
  if (!items.every(isDesign)) return JSON.stringify(data);
  const designs = items.map((document) => ({ id: crypto.randomUUID(), document }));
  return JSON.stringify({ format: 'fern-anvil/shop', version: 1, designs });
}

/**
 * Shows what a file would add and change, every wrong field with its place, and takes all of it or nothing.
 */
export function ShopDialog({ file, onHide }: Props) {
  const { say } = useUnits();
  const { tell } = useNotices();
  const client = useQueryClient();
  const [trial, setTrial] = useState<Intake | undefined>(undefined);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [isTaking, setTaking] = useState(false);
  const read = useMemo(() => {
    try {
      return { text: asShop(file.text), wrong: '' };
    } catch (error) {
      return { text: '', wrong: `${file.name} is not JSON: ${messageOf(error)}` };
    }
  }, [file]);
  const told = (error: unknown): readonly Problem[] =>
    error instanceof ServerProblem && error.details.errors
      ? error.details.errors
      : [{ path: '', message: messageOf(error) }];

  useEffect(() => {
    let alive = true;
    if (read.text) {
      tryShop(read.text).then(
        (result) => alive && setTrial(result),
        (error: unknown) => alive && setProblems(told(error)),
      );
    }
    return () => {
      alive = false;
    };
  }, [read]);
  const count = (does: string) => trial?.rows.filter((row) => row.does === does).length ?? 0;
  const wrong = read.wrong ? [{ path: '', message: read.wrong }] : problems;
  const take = async () => {
    setTaking(true);
    try {
      const done = await takeShop(read.text, trial?.seen);
      // Away before anything is told: whoever reads it may import the next file at once, and hiding later
      // would hide that.
      onHide();
      tell({
        tone: 'good',
        text: `${done.rows.filter(({ does }) => does !== 'same').length} documents imported.`,
      });
      await client.invalidateQueries();
    } catch (error) {
      setProblems(told(error));
      setTaking(false);
    }
  };
  return (
    <Sheet
      title={`Import ${file.name}`}
      onHide={onHide}
      footer={
        <TakeOrLeave
          take="Import"
          disabled={!trial || wrong.length > 0 || isTaking || count('adds') + count('changes') === 0}
          onTake={() => void take()}
          onLeave={onHide}
        />
      }
    >
      {wrong.length > 0 ? (
        <div role="alert">
          <p>Nothing is imported until every problem is fixed. Correct the file and import it again.</p>
          <ul className="problems-list">
            {wrong.map(({ path, message }) => (
              <li key={`${path} ${message}`}>
                ■ {path && <code>{path}</code>} {say(message)}
              </li>
            ))}
          </ul>
        </div>
      ) : trial ? (
        <>
          <p role="status">
            {count('adds')} would be added, {count('changes')} changed, {count('same')} are the same already.
            All of it is imported, or nothing.
          </p>
          <table className="intake">
            <tbody>
              {trial.rows
                .filter(({ does }) => does !== 'same')
                .slice(0, 400)
                .map(({ collection, id, name, does }) => (
                  <tr key={`${collection}/${id}`}>
                    <th scope="row">{name}</th>
                    <td>{collection.slice(0, -1)}</td>
                    <td>{does === 'adds' ? '+ new' : '~ changed'}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        </>
      ) : (
        <Loading what="the file" />
      )}
    </Sheet>
  );
}
