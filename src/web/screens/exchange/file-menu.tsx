import { lazy, Suspense, useRef, useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { Link } from 'react-router';
import { useNotices } from '../../parts/notices.tsx';
import { download } from './download.ts';
import './exchange.css';

const ShopDialog = lazy(async () => ({ default: (await import('./shop-dialog.tsx')).ShopDialog }));
const SolidDialog = lazy(async () => ({ default: (await import('./solid-dialog.tsx')).SolidDialog }));

/** Largest file read, bytes. */
const MOST = 60_000_000;

/**
 * A file that came; each in its turn has a dialog of its own, and a dialog that ends takes no later one with
 * it.
 */
interface Came {
  readonly turn: number;
  readonly name: string;
}

/** Files in and out of the whole shop: everything as JSON, readings as a table, a solid from outside. */
export function FileMenu() {
  const { tell } = useNotices();
  const [shop, setShop] = useState<(Came & { text: string }) | undefined>(undefined);
  const [solid, setSolid] = useState<(Came & { bytes: Uint8Array }) | undefined>(undefined);
  const shopInput = useRef<HTMLInputElement>(null);
  const solidInput = useRef<HTMLInputElement>(null);
  const turns = useRef(0);
  const next = ({ name }: File): Came => ({ turn: (turns.current += 1), name });
  const fail = (text: string) => tell({ tone: 'bad', text });
  const taken = (input: HTMLInputElement, read: (file: File) => Promise<void>) => {
    const file = input.files?.[0];
    // The same file can be chosen again after it was mended.
    input.value = '';
    if (!file) return;
    if (file.size > MOST)
      fail(
        `${file.name} has ${(file.size / 1e6).toFixed(0)} MB; at most ${MOST / 1e6} are read. Make it smaller.`,
      );
    else void read(file).catch((error: Error) => fail(`${file.name} could not be read: ${error.message}`));
  };
  return (
    <>
      <Dropdown align="end">
        <Dropdown.Toggle size="sm" variant="quiet" id="rack-files">
          Files
        </Dropdown.Toggle>
        <Dropdown.Menu>
          <Dropdown.Header role="presentation">Import</Dropdown.Header>
          <Dropdown.Item as={Link} to="/import-heads">
            Heads from CSV or XLSX …
          </Dropdown.Item>
          <Dropdown.Item as="button" type="button" onClick={() => solidInput.current?.click()}>
            Solid from STL or 3MF …
          </Dropdown.Item>
          <Dropdown.Item as="button" type="button" onClick={() => shopInput.current?.click()}>
            Design or shop, JSON …
          </Dropdown.Item>
          <Dropdown.Header role="presentation">Export</Dropdown.Header>
          <Dropdown.Item as="button" type="button" onClick={() => void download('/shop.json', fail)}>
            Documents, JSON
            <small className="d-block">no history, named versions,</small>
            <small className="d-block">prices, or what is deleted</small>
          </Dropdown.Item>
          <Dropdown.Item as={Link} to="/archive">
            Archive …<small className="d-block">archived and deleted, to bring back</small>
          </Dropdown.Item>
          <Dropdown.Item as={Link} to="/backups">
            Backups …<small className="d-block">everything the server keeps</small>
          </Dropdown.Item>
          <Dropdown.Item as="button" type="button" onClick={() => void download('/readings.csv', fail)}>
            Readings of all heads, CSV
          </Dropdown.Item>
          <Dropdown.Item as="button" type="button" onClick={() => void download('/heads.csv', fail)}>
            Heads, CSV<small className="d-block">what Import reads again</small>
          </Dropdown.Item>
        </Dropdown.Menu>
      </Dropdown>
      <input
        ref={shopInput}
        hidden
        type="file"
        accept=".json,application/json"
        aria-label="Design or shop file"
        onChange={(event) =>
          taken(event.currentTarget, async (file) => setShop({ ...next(file), text: await file.text() }))
        }
      />
      <input
        ref={solidInput}
        hidden
        type="file"
        accept=".stl,.3mf"
        aria-label="Solid file"
        onChange={(event) =>
          taken(event.currentTarget, async (file) =>
            setSolid({ ...next(file), bytes: new Uint8Array(await file.arrayBuffer()) }),
          )
        }
      />
      <Suspense>
        {shop && (
          <ShopDialog
            key={shop.turn}
            file={shop}
            onHide={() => setShop((now) => (now === shop ? undefined : now))}
          />
        )}
        {solid && (
          <SolidDialog
            key={solid.turn}
            file={solid}
            onHide={() => setSolid((now) => (now === solid ? undefined : now))}
          />
        )}
      </Suspense>
    </>
  );
}
