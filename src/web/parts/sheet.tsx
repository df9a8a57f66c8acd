import { useId } from 'react';
import type { ReactNode } from 'react';
import Modal from 'react-bootstrap/Modal';

interface Props {
  readonly title: string;
  readonly show?: boolean;
  readonly size?: 'lg' | 'xl';
  readonly onHide: () => void;
  readonly footer?: ReactNode;
  readonly children: ReactNode;
}

/** A sheet over the screen: titled, scrollable by keyboard, with what can be done at its foot. */
export function Sheet({ title, show = true, size = 'lg', onHide, footer, children }: Props) {
  const id = useId();
  return (
    <Modal show={show} onHide={onHide} size={size} scrollable aria-labelledby={id}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={id}>
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>{children}</Modal.Body>
      {footer && <Modal.Footer>{footer}</Modal.Footer>}
    </Modal>
  );
}

/** The usual two choices at the foot of a sheet that takes something in. */
export function TakeOrLeave({
  take,
  disabled,
  onTake,
  onLeave,
}: {
  readonly take: string;
  readonly disabled: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}) {
  return (
    <>
      <button type="button" className="btn btn-quiet" onClick={onLeave}>
        Cancel
      </button>
      <button type="button" className="btn btn-fern" disabled={disabled} onClick={onTake}>
        {take}
      </button>
    </>
  );
}

/** What is wider than a narrow screen and scrolls aside there, by key too. `label` says what it is. */
export function Scrolls({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="shop-scroll" tabIndex={0} role="region" aria-label={label}>
      {children}
    </div>
  );
}

/** The heading row of a table. */
export function Heads({ of }: { readonly of: readonly string[] }) {
  return (
    <thead>
      <tr>
        {of.map((head) =>
          // Over buttons stands nothing, which is no heading.
          head === '' ? (
            <td key={head} />
          ) : (
            <th key={head} scope="col">
              {head}
            </th>
          ),
        )}
      </tr>
    </thead>
  );
}
